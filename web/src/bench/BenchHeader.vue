<script setup lang="ts">
import { useHeadingFocus } from '../ui/useHeadingFocus'

defineProps<{ title: string; danger: string; liveChassis: boolean; place: string }>()
useHeadingFocus('heading')
</script>

<template>
  <header
    class="flex min-h-16 flex-wrap items-center gap-x-4 gap-y-1 border-b py-1 border-line bg-sheet px-5 max-sm:px-4"
  >
    <div class="min-w-0">
      <h1 ref="heading" tabindex="-1" class="truncate text-lg font-semibold">{{ title }}</h1>
      <p class="flex items-center gap-2 text-sm whitespace-nowrap text-soft max-sm:overflow-hidden">
        <strong :class="liveChassis ? 'text-bad' : 'text-soft'">{{ danger }}</strong>
        <span v-if="place" class="truncate">{{ place }}</span>
      </p>
    </div>
    <div class="ml-auto max-sm:ml-0"><slot /></div>
  </header>
</template>
