<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '../api/client'
import AppDialog from '../ui/AppDialog.vue'
import { photoUrl } from './usePhotos'

/** A small picture with its mark; a tap shows it large. */
defineProps<{ setId: string; spot: Schemas['SpotView'] }>()
const open = ref(false)
</script>

<template>
  <button
    type="button"
    class="relative block h-12 w-16 overflow-hidden rounded border border-line"
    aria-label="Show where, on its picture"
    @click="open = true"
  >
    <img :src="photoUrl(setId, spot.photo, 'thumb')" alt="" class="size-full object-fill" />
    <svg class="absolute inset-0 size-full" viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      <circle :cx="spot.x * 100" :cy="spot.y * 100" r="9" fill="none" stroke="var(--c-bad)" stroke-width="5" />
    </svg>
  </button>
  <AppDialog :open="open" size="full" title="Where it is" @close="open = false">
    <div class="relative mx-auto w-fit">
      <img :src="photoUrl(setId, spot.photo, 'full')" alt="the picture with the mark" class="max-h-[74vh] max-w-full" />
      <svg class="absolute inset-0 size-full" aria-hidden="true">
        <circle
          :cx="`${spot.x * 100}%`"
          :cy="`${spot.y * 100}%`"
          r="22"
          fill="none"
          stroke="var(--c-sheet)"
          stroke-width="9"
        />
        <circle
          :cx="`${spot.x * 100}%`"
          :cy="`${spot.y * 100}%`"
          r="22"
          fill="none"
          stroke="var(--c-bad)"
          stroke-width="4"
        />
      </svg>
    </div>
    <button
      type="button"
      class="mt-3 min-h-11 font-semibold text-accent underline underline-offset-4"
      @click="open = false"
    >
      Done
    </button>
  </AppDialog>
</template>
