<script setup lang="ts">
import { useHeadingFocus } from '../ui/useHeadingFocus'

/** The one sheet on an otherwise empty page by which somebody comes in. */
defineProps<{ title: string; hint?: string }>()
useHeadingFocus('heading')
</script>

<template>
  <main class="flex min-h-full flex-col items-center bg-ground p-4 sm:justify-center">
    <p class="mb-4 flex items-center gap-3 self-center text-soft" aria-hidden="true">
      <svg viewBox="0 0 64 34" class="h-9 text-accent" fill="none" stroke="currentColor" stroke-width="3">
        <path d="M4 32a28 28 0 0 1 56 0" />
        <path d="M32 32 46 12" stroke-linecap="round" />
        <path d="M12 32h2M19 17l2 2M32 11v2M52 32h-2" stroke-width="2" />
      </svg>
      <span class="text-lg">Umber Dial</span>
    </p>
    <div class="w-full max-w-md rounded-lg border border-line bg-sheet p-6 shadow-sm">
      <h1 ref="heading" tabindex="-1" class="text-2xl font-semibold">{{ title }}</h1>
      <p v-if="hint" class="mt-1 mb-4 text-soft">{{ hint }}</p>
      <slot />
    </div>
  </main>
</template>
