<script setup lang="ts">
/** Volts at work and before the tubes draw against a rating, on the scale given; the figures beside it say the same. */
defineProps<{ work: number; peak: number; limit: number | null; most: number }>()
</script>

<template>
  <svg viewBox="0 0 300 22" class="w-full" preserveAspectRatio="none" aria-hidden="true">
    <rect
      x="0"
      y="4"
      :width="(300 * peak) / most"
      height="14"
      :class="limit !== null && peak > limit ? 'fill-bad opacity-50' : 'fill-good opacity-35'"
    />
    <rect
      x="0"
      y="4"
      :width="(300 * work) / most"
      height="14"
      :class="limit !== null && work > limit ? 'fill-bad' : 'fill-good'"
    />
    <path v-if="limit !== null" :d="`M${(300 * limit) / most} 0v22`" class="stroke-ink" stroke-width="2" />
  </svg>
</template>
