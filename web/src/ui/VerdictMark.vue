<script setup lang="ts">
import { looks, type Verdict } from './verdicts'

/** A verdict's shape: tick, bent arrow, half shield, barred square, waves, ring. The word stands beside it or is read out. */
defineProps<{ verdict: Verdict }>()
</script>

<template>
  <svg
    viewBox="0 0 20 20"
    class="size-5 shrink-0"
    :class="looks[verdict].text"
    role="img"
    :aria-label="looks[verdict].word"
    fill="none"
    stroke="currentColor"
  >
    <path
      v-if="verdict === 'GOOD'"
      d="M3 10.5 8 15.5 17 5"
      stroke-width="3.2"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
    <path
      v-else-if="verdict === 'FOLLOWS'"
      d="M4 3v8h11M11 7l4 4-4 4"
      stroke-width="2.4"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
    <g v-else-if="verdict === 'DOUBT'" stroke-width="2">
      <path d="M3 3h14v7c0 4-3 6.5-7 7.5-4-1-7-3.5-7-7.5z" />
      <path d="M10 3v14.5c-4-1-7-3.5-7-7.5V3z" fill="currentColor" stroke="none" />
    </g>
    <g v-else-if="verdict === 'BAD'" stroke="none">
      <rect x="2" y="2" width="16" height="16" rx="2" fill="currentColor" />
      <path d="M5 10h10" stroke="var(--c-sheet)" stroke-width="3" stroke-linecap="round" />
    </g>
    <path
      v-else-if="verdict === 'UNUSUAL'"
      d="M3 7.5c2.5-3 4.5-3 7 0s4.5 3 7 0M3 13.5c2.5-3 4.5-3 7 0s4.5 3 7 0"
      stroke-width="2.2"
      stroke-linecap="round"
    />
    <circle v-else-if="verdict === 'NO_EXPECTATION'" cx="10" cy="10" r="3" fill="currentColor" stroke="none" />
    <circle v-else cx="10" cy="10" r="6.5" stroke-width="1.8" stroke-dasharray="3 2.5" />
  </svg>
</template>
