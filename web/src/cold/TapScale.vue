<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { spread } from './cells'

/** The leads of a tapped winding along its ohms, from the common. */
const props = defineProps<{ taps: readonly Schemas['ResultView'][]; say: (text: string) => string }>()
const placed = computed(() => {
  const with_ = props.taps.filter((tap) => tap.at !== null && tap.at !== undefined)
  const names = spread(
    with_.map((tap) => tap.at!),
    0.19,
  )
  const most = Math.max(...with_.map((tap) => tap.at!), 1e-9)
  return with_.map((tap, i) => ({ ...tap, x: 30 + 280 * (tap.at! / most), name: 30 + 280 * names[i]! }))
})
</script>

<template>
  <svg
    v-if="placed.length > 1"
    viewBox="0 0 340 100"
    class="w-full max-w-md"
    role="img"
    aria-label="Leads along the winding, by their ohms"
  >
    <path d="M30 50H310" stroke="var(--c-soft)" stroke-width="3" stroke-dasharray="10 4" />
    <g v-for="tap in placed" :key="tap.label">
      <path :d="`M${tap.x} 50 L${tap.name} 28`" stroke="var(--c-soft)" stroke-width="1.5" fill="none" />
      <circle v-if="tap.word === 'GOOD'" :cx="tap.x" cy="50" r="6" fill="var(--c-good)" />
      <rect
        v-else
        :x="tap.x - 6"
        y="44"
        width="12"
        height="12"
        fill="var(--c-sheet)"
        stroke="var(--c-doubt)"
        stroke-width="2.5"
        stroke-dasharray="4 2"
      />
      <text :x="tap.name" y="22" text-anchor="middle" class="fill-ink text-[13px] font-semibold">{{ tap.label }}</text>
      <text :x="tap.name" y="78" text-anchor="middle" class="fill-ink text-[12px]">{{ say(tap.value) }}</text>
    </g>
  </svg>
</template>
