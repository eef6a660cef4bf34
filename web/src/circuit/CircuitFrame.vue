<script setup lang="ts">
import { RouterLink, RouterView } from 'vue-router'

/** The circuit and what is asked of it at any stage: its ohms cold, and what would change if a part were another. */
defineProps<{ setId: string }>()
const pages = [
  { to: 'circuit', name: 'Parts and sheet' },
  { to: 'circuit/drawing', name: 'Drawing' },
  { to: 'circuit/walk', name: 'Walk' },
  { to: 'circuit/ohms', name: 'Ohms' },
  { to: 'circuit/what-if', name: 'What if' },
] as const
</script>

<template>
  <div class="flex h-full min-h-0 flex-col">
    <nav
      class="flex shrink-0 gap-1 overflow-x-auto whitespace-nowrap border-b border-line bg-ground px-5 max-sm:px-2"
      aria-label="Circuit"
    >
      <RouterLink
        v-for="page in pages"
        :key="page.to"
        :to="`/sets/${setId}/${page.to}`"
        class="flex min-h-11 items-center border-b-4 border-transparent px-4 text-soft hover:text-ink"
        exact-active-class="border-accent! font-semibold text-ink!"
      >
        {{ page.name }}
      </RouterLink>
    </nav>
    <div class="min-h-0 flex-1 overflow-auto"><RouterView /></div>
  </div>
</template>
