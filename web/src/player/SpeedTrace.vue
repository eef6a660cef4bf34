<script setup lang="ts">
import { computed } from 'vue'

/** How the speed varied about its mean, over time: the house's band behind it, drawn to the larger of both. */
const props = defineProps<{ trace: readonly number[]; perSecond: number; most: number; title: string }>()
const WIDTH = 760
const HEIGHT = 170
const [LEFT, RIGHT, TOP, FOOT] = [62, 34, 10, 26]
const top = computed(() => {
  const most = Math.max(props.most, ...props.trace.map(Math.abs), 0.05) * 1.08
  const size = 10 ** Math.floor(Math.log10(most))
  return ([1, 1.5, 2, 3, 5, 8, 10].find((n) => n * size >= most) ?? 10) * size
})
const seconds = computed(() => Math.max(props.trace.length / props.perSecond, 1))
const x = (s: number) => LEFT + (s / seconds.value) * (WIDTH - LEFT - RIGHT)
const y = (v: number) => TOP + ((top.value - v) / (2 * top.value)) * (HEIGHT - TOP - FOOT)
const line = computed(() =>
  props.trace.map((v, i) => `${i ? 'L' : 'M'}${x(i / props.perSecond).toFixed(1)} ${y(v).toFixed(1)}`).join(''),
)
const times = computed(() => {
  const every = [1, 2, 5, 10, 20, 30, 60, 120].find((n) => seconds.value / n <= 8) ?? 300
  return Array.from({ length: Math.floor(seconds.value / every) + 1 }, (_, i) => i * every)
})
const label = (v: number) => `${v > 0 ? '+' : v < 0 ? '−' : ''}${Math.abs(v).toFixed(top.value < 0.3 ? 2 : 1)}`
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="block w-full" role="img" :aria-label="title">
    <rect :x="LEFT" :y="y(most)" :width="WIDTH - LEFT - RIGHT" :height="y(-most) - y(most)" class="fill-ghost/50" />
    <g v-for="tick in [top, 0, -top]" :key="tick">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="stroke-line" />
      <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end" class="fill-soft font-figures text-[13px]">
        {{ label(tick) }}
      </text>
    </g>
    <text
      v-for="time in times"
      :key="time"
      :x="x(time)"
      :y="HEIGHT - 8"
      text-anchor="middle"
      class="fill-soft font-figures text-[13px]"
    >
      {{ time }}{{ time === 0 ? ' s' : '' }}
    </text>
    <path :d="line" fill="none" class="stroke-accent" stroke-width="1.6" stroke-linejoin="round" />
  </svg>
</template>
