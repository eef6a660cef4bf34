<script setup lang="ts">
/** How grave something is, each with a shape of its own: a bar across, a half-filled shield, a small dot. */
const props = defineProps<{ severity: 'STOP' | 'DOUBT' | 'NOTE'; settled?: boolean }>()
const words = { STOP: 'before any power', DOUBT: 'to be settled', NOTE: 'worth knowing' } as const
const looks = { STOP: 'text-bad', DOUBT: 'text-doubt', NOTE: 'text-soft' } as const
</script>

<template>
  <svg
    viewBox="0 0 20 20"
    class="size-5 shrink-0"
    :class="settled ? 'text-good' : looks[props.severity]"
    role="img"
    :aria-label="settled ? 'settled' : words[props.severity]"
    fill="none"
    stroke="currentColor"
  >
    <path v-if="settled" d="M3 10.5 8 15.5 17 5" stroke-width="3.2" stroke-linecap="round" stroke-linejoin="round" />
    <g v-else-if="severity === 'STOP'" stroke="none">
      <rect x="2" y="2" width="16" height="16" rx="2" fill="currentColor" />
      <path d="M5 10h10" stroke="var(--c-sheet)" stroke-width="3" stroke-linecap="round" />
    </g>
    <g v-else-if="severity === 'DOUBT'" stroke-width="2">
      <path d="M3 3h14v7c0 4-3 6.5-7 7.5-4-1-7-3.5-7-7.5z" />
      <path d="M10 3v14.5c-4-1-7-3.5-7-7.5V3z" fill="currentColor" stroke="none" />
    </g>
    <circle v-else cx="10" cy="10" r="3.5" fill="currentColor" stroke="none" />
  </svg>
</template>
