<script setup lang="ts">
import { RouterLink } from 'vue-router'

/** The faces of a stage; a number says how much of one is left. */
withDefaults(
  defineProps<{
    base: string
    label: string
    faces: readonly { to: string; name: string; count?: number }[]
    /** What the number counts, for who hears it. */
    counts?: string
  }>(),
  { counts: 'left' },
)
</script>

<template>
  <nav class="flex flex-wrap gap-1" :aria-label="label">
    <RouterLink
      v-for="face in faces"
      :key="face.to"
      :to="`${base}${face.to}`"
      class="flex min-h-11 items-center gap-2 border-b-4 border-transparent px-2.5 whitespace-nowrap text-soft hover:text-ink"
      exact-active-class="border-accent! font-semibold text-ink!"
    >
      {{ face.name }}
      <span v-if="face.count" class="rounded-full bg-doubt px-2 text-sm font-semibold text-sheet">
        {{ face.count }}
        <span class="sr-only">{{ counts }}</span>
      </span>
    </RouterLink>
  </nav>
</template>
