<script setup lang="ts">
import { computed } from 'vue'
import type { DialBand } from './useDials'

/** How far what comes in is from what the dial shows, over the band; what was read before lies under it. */
const props = defineProps<{ band: DialBand; apart: number }>()
const WIDTH = 760
const HEIGHT = 240
const [LEFT, RIGHT, TOP, FOOT] = [62, 40, 14, 30]
const top = computed(() => {
  const most = Math.max(
    props.apart * 1.5,
    ...[...props.band.points, ...props.band.before].map((one) => Math.abs(one.offPercent)),
  )
  return [1, 1.5, 2, 3, 5, 8, 10, 20, 50].find((n) => n >= most * 1.1) ?? 60
})
const x = (kilohertz: number) =>
  LEFT +
  ((Math.log(kilohertz) - Math.log(props.band.low)) / (Math.log(props.band.high) - Math.log(props.band.low))) *
    (WIDTH - LEFT - RIGHT)
const y = (percent: number) => TOP + ((top.value - percent) / (2 * top.value)) * (HEIGHT - TOP - FOOT)
const line = (points: DialBand['points']) =>
  points.map((one, i) => `${i ? 'L' : 'M'}${x(one.dial).toFixed(1)} ${y(one.offPercent).toFixed(1)}`).join('')
const ticks = computed(() => [props.band.low, ...props.band.points.map((one) => one.dial), props.band.high])
const kept = computed(() => ticks.value.filter((one, i) => i === 0 || x(one) - x(ticks.value[i - 1] ?? 0) > 46))
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="block w-full"
    role="img"
    :aria-label="`How far the dial of ${band.name} is off`"
  >
    <rect :x="LEFT" :y="y(apart)" :width="WIDTH - LEFT - RIGHT" :height="y(-apart) - y(apart)" class="fill-ghost/50" />
    <g v-for="tick in [top, 0, -top]" :key="tick">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="stroke-line" />
      <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end" class="fill-soft font-figures text-[13px]">
        {{ tick > 0 ? '+' : tick < 0 ? '−' : '' }}{{ Math.abs(tick) }} %
      </text>
    </g>
    <text
      v-for="tick in kept"
      :key="tick"
      :x="x(tick)"
      :y="HEIGHT - 8"
      text-anchor="middle"
      class="fill-soft font-figures text-[13px]"
    >
      {{ tick }}
    </text>
    <path :d="line(band.before)" fill="none" class="stroke-follows" stroke-dasharray="5 5" stroke-width="2" />
    <path :d="line(band.points)" fill="none" class="stroke-accent" stroke-width="2.5" />
    <circle
      v-for="one in band.points"
      :key="one.dial"
      :cx="x(one.dial)"
      :cy="y(one.offPercent)"
      r="6"
      :class="one.right ? 'fill-good' : 'fill-bad'"
    />
  </svg>
</template>
