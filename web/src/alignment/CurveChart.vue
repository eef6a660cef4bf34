<script setup lang="ts">
import { computed } from 'vue'
import { useShop } from '../ui/useShop'
import { frequency, type AlignCurve } from './useAlignment'

/** A curve over frequency: a response against its peak, or a detector’s S about nought. */
const props = defineProps<{ curve: AlignCurve }>()
const { say } = useShop()
const WIDTH = 520
const HEIGHT = 200
const [LEFT, RIGHT, TOP, FOOT] = [14, 14, 14, 26]
const points = computed(() => {
  const sorted = [...props.curve.points].sort((a, b) => a.hertz - b.hertz)
  if (props.curve.sort === 'DETECTOR') {
    const most = Math.max(...sorted.map((p) => Math.abs(p.value)), 1e-12)
    return sorted.map((p) => ({ hertz: p.hertz, at: p.value / most }))
  }
  const heights = sorted.map((p) => (props.curve.sort === 'LEVEL' ? 1 / p.value : p.value))
  const most = Math.max(...heights, 1e-12)
  return sorted.map((p, i) => ({ hertz: p.hertz, at: (heights[i] ?? 0) / most }))
})
const low = computed(() => points.value[0]?.hertz ?? 0)
const high = computed(() => points.value.at(-1)?.hertz ?? 1)
const x = (hertz: number) => LEFT + ((hertz - low.value) / (high.value - low.value || 1)) * (WIDTH - LEFT - RIGHT)
const y = (at: number) =>
  props.curve.sort === 'DETECTOR'
    ? TOP + ((1 - at) / 2) * (HEIGHT - TOP - FOOT)
    : TOP + (1 - at) * (HEIGHT - TOP - FOOT)
const line = computed(() =>
  points.value.map((p, i) => `${i ? 'L' : 'M'}${x(p.hertz).toFixed(1)} ${y(p.at).toFixed(1)}`).join(''),
)
const inside = (hertz: number | null | undefined) =>
  hertz != null && hertz > 0 && hertz >= low.value && hertz <= high.value
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="block w-full" role="img" :aria-label="`Curve of ${curve.name}`">
    <line
      :x1="LEFT"
      :x2="WIDTH - RIGHT"
      :y1="y(curve.sort === 'DETECTOR' ? 0 : Math.SQRT1_2)"
      :y2="y(curve.sort === 'DETECTOR' ? 0 : Math.SQRT1_2)"
      class="stroke-line"
      stroke-dasharray="3 5"
    />
    <template v-if="inside(curve.wanted)">
      <line
        :x1="x(curve.wanted)"
        :x2="x(curve.wanted)"
        :y1="TOP"
        :y2="HEIGHT - FOOT"
        class="stroke-follows"
        stroke-width="2"
        stroke-dasharray="6 4"
      />
      <text :x="x(curve.wanted)" :y="HEIGHT - 8" text-anchor="middle" class="fill-soft font-figures text-[13px]">
        {{ say(frequency(curve.wanted)) }}
      </text>
    </template>
    <path :d="line" fill="none" class="stroke-accent" stroke-width="2.5" />
    <circle v-for="(p, i) in points" :key="i" :cx="x(p.hertz)" :cy="y(p.at)" r="4" class="fill-accent" />
    <line
      v-if="inside(curve.centre)"
      :x1="x(curve.centre!)"
      :x2="x(curve.centre!)"
      :y1="TOP"
      :y2="HEIGHT - FOOT"
      :class="curve.right ? 'stroke-good' : 'stroke-bad'"
      stroke-width="2"
    />
  </svg>
</template>
