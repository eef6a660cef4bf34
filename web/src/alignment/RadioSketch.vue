<script setup lang="ts">
import { computed } from 'vue'

/** What is measured on the screen or the dial for each kind of figure, drawn. */
const props = defineProps<{ what: string }>()
const WIDTH = 420
const HEIGHT = 150
const MIDDLE = 75
function wave(height: (t: number) => number, periods: number) {
  const points: string[] = []
  for (let i = 0; i <= 420; i++) {
    const t = i / 420
    points.push(
      `${i ? 'L' : 'M'}${20 + t * 380} ${(MIDDLE - height(t) * Math.sin(2 * Math.PI * periods * t)).toFixed(1)}`,
    )
  }
  return points.join('')
}
const path = computed(() => {
  switch (props.what) {
    case 'POWER':
      return wave(() => 50, 5)
    case 'PEAK_POWER':
      return wave((t) => 58 * Math.abs(Math.sin(2 * Math.PI * t)), 44)
    case 'DEPTH':
      return wave((t) => 38 + 19 * Math.sin(2 * Math.PI * 2 * t), 44)
    case 'CRYSTAL':
      return wave(() => 42, 22)
    default: {
      const points: string[] = []
      for (let i = 0; i <= 200; i++) {
        const x = (i - 100) / 12
        points.push(`${i ? 'L' : 'M'}${20 + 1.9 * i} ${(130 - 110 / Math.hypot(1, x)).toFixed(1)}`)
      }
      return points.join('')
    }
  }
})
/** From where to where something is measured, and its name. */
const marks = computed(() => {
  switch (props.what) {
    case 'POWER':
      return [{ x: 58, from: MIDDLE - 50, to: MIDDLE + 50, name: 'peak to peak' }]
    case 'PEAK_POWER':
      return [{ x: 115, from: MIDDLE - 58, to: MIDDLE + 58, name: 'peak to peak' }]
    case 'DEPTH':
      return [
        { x: 67, from: MIDDLE - 57, to: MIDDLE + 57, name: 'widest' },
        { x: 162, from: MIDDLE - 19, to: MIDDLE + 19, name: 'narrowest' },
      ]
    case 'PRESELECTOR_GAIN':
      return [{ x: 210, from: 20, to: 130, name: 'at its peak' }]
    case 'PRESELECTOR_REJECTION':
      return [
        { x: 210, from: 20, to: 130, name: 'at its peak' },
        { x: 320, from: 106, to: 130, name: 'beside it' },
      ]
    default:
      return []
  }
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="block w-full max-w-lg rounded border border-line bg-sheet"
    aria-hidden="true"
  >
    <line
      x1="20"
      x2="400"
      :y1="what.startsWith('PRE') ? 130 : MIDDLE"
      :y2="what.startsWith('PRE') ? 130 : MIDDLE"
      class="stroke-line"
    />
    <path :d="path" fill="none" class="stroke-accent" stroke-width="1.5" />
    <g v-for="one in marks" :key="one.name">
      <line :x1="one.x" :x2="one.x" :y1="one.from" :y2="one.to" class="stroke-follows" stroke-width="3" />
      <line :x1="one.x - 7" :x2="one.x + 7" :y1="one.from" :y2="one.from" class="stroke-follows" stroke-width="2" />
      <line :x1="one.x - 7" :x2="one.x + 7" :y1="one.to" :y2="one.to" class="stroke-follows" stroke-width="2" />
      <text :x="one.x + 12" :y="Math.max(12, one.from - 10)" class="fill-ink text-[13px]">{{ one.name }}</text>
    </g>
  </svg>
</template>
