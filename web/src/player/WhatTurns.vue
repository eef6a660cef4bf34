<script setup lang="ts">
import { computed } from 'vue'
import type { DriveView, ToneView } from './usePlayer'

/** The lines of the variation over what turns so often: a stick for each line, a foot for each thing that comes round. */
const props = defineProps<{ lines: ToneView['lines']; turning: DriveView['turning'] }>()
const WIDTH = 760
const HEIGHT = 190
const [LEFT, RIGHT, TOP, FOOT] = [62, 34, 22, 62]
const [LOWEST, HIGHEST] = [0.2, 210]
const x = (hertz: number) =>
  LEFT +
  ((Math.log(Math.max(hertz, LOWEST)) - Math.log(LOWEST)) / (Math.log(HIGHEST) - Math.log(LOWEST))) *
    (WIDTH - LEFT - RIGHT)
const most = computed(() => Math.max(0.05, ...props.lines.map((one) => one.percent)) * 1.15)
const y = (percent: number) => HEIGHT - FOOT - (percent / most.value) * (HEIGHT - TOP - FOOT)
const decades = [0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200]
/** Once a turn only: twice and three times crowd the axis, and the table names them. */
const feet = computed(() => {
  const once = props.turning.filter((one) => !/[23]$/.test(one.id)).sort((a, b) => a.hertz - b.hertz)
  let low = false
  return once.map((one, i) => {
    const before = once[i - 1]
    low = before !== undefined && x(one.hertz) - x(before.hertz) < 80 && !low
    return { ...one, low }
  })
})
const short: Record<string, string> = {
  platter: 'platter',
  idler: 'idler',
  belt: 'belt',
  motor: 'motor shaft',
  hum: 'motor’s pull',
}
const sorted = computed(() => [...props.lines].sort((a, b) => a.hertz - b.hertz))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="block w-full" role="img" aria-label="Lines of the speed’s variation">
    <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(0)" :y2="y(0)" class="stroke-soft" />
    <text :x="LEFT - 6" :y="y(most / 1.15) + 4" text-anchor="end" class="fill-soft font-figures text-[13px]">
      {{ (most / 1.15).toFixed(2) }} %
    </text>
    <text
      v-for="hertz in decades"
      :key="hertz"
      :x="x(hertz)"
      :y="y(0) + 17"
      text-anchor="middle"
      class="fill-soft font-figures text-[13px]"
    >
      {{ hertz === 200 ? '200 Hz' : hertz }}
    </text>
    <g v-for="one in feet" :key="one.id">
      <path :d="`M${x(one.hertz)} ${y(0) + 22}l-5 8h10z`" class="fill-follows" />
      <text
        :x="x(one.hertz)"
        :y="HEIGHT - (one.low ? 2 : 16)"
        text-anchor="middle"
        class="fill-follows text-[13px] font-semibold"
      >
        {{ short[one.id] ?? one.label }}
      </text>
    </g>
    <g v-for="one in sorted" :key="one.hertz">
      <line
        :x1="x(one.hertz)"
        :x2="x(one.hertz)"
        :y1="y(0)"
        :y2="y(one.percent)"
        :class="one.part ? 'stroke-accent' : 'stroke-soft'"
        stroke-width="5"
      />
    </g>
  </svg>
</template>
