<script setup lang="ts">
import { computed } from 'vue'
import { clockOf, laid, type Stretch } from './timeline'

/** One thing watched over time: the band of healthy sets, a fault's course, the trace so far, and where the steps begin. */
const props = withDefaults(
  defineProps<{
    stretches: readonly Stretch[]
    low: readonly number[]
    high: readonly number[]
    ghost?: readonly number[] | null
    /** Behind the end of the plan the chart grows with the run. */
    now?: number | null
    trace?: readonly (readonly [number, number])[]
    /** Traces of other runs, under this one. */
    others?: readonly (readonly (readonly [number, number])[])[]
    most?: number
    unit: string
    title: string
    marks?: readonly { seconds: number; grave: boolean }[]
    height?: number
  }>(),
  { ghost: null, now: null, trace: () => [], others: () => [], most: 0, marks: () => [], height: 430 },
)
const WIDTH = 860
const [LEFT, RIGHT, TOP, FOOT] = [48, 16, 26, 34]
const end = computed(() =>
  Math.max(
    30,
    props.stretches[props.stretches.length - 1]?.until ?? 0,
    props.now ?? 0,
    ...[props.trace, ...props.others].map((one) => one[one.length - 1]?.[0] ?? 0),
  ),
)
const band = computed(() => ({ low: laid(props.low, props.stretches), high: laid(props.high, props.stretches) }))
const ghostLine = computed(() => (props.ghost ? laid(props.ghost, props.stretches) : []))
const top = computed(() => {
  const most = Math.max(
    1e-6,
    ...props.high,
    ...props.trace.map((p) => p[1]),
    ...(props.ghost ?? []),
    ...props.others.flatMap((o) => o.map((p) => p[1])),
  )
  const size = 10 ** Math.floor(Math.log10(most * 1.05))
  return ([1, 1.5, 2, 3, 4, 5, 6, 8, 10].find((n) => n * size >= most * 1.05) ?? 10) * size
})
const x = (seconds: number) => LEFT + (seconds / end.value) * (WIDTH - LEFT - RIGHT)
const y = (value: number) =>
  props.height - FOOT - (Math.max(0, Math.min(value, top.value)) / top.value) * (props.height - TOP - FOOT)
const line = (points: readonly (readonly [number, number])[]) =>
  points.map(([t, v], i) => `${i ? 'L' : 'M'}${x(t).toFixed(1)} ${y(v).toFixed(1)}`).join('')
const area = computed(() =>
  band.value.high.length ? `${line(band.value.high)}${line([...band.value.low].reverse()).replace('M', 'L')}Z` : '',
)
const ticks = computed(() => [0, 1, 2, 3].map((n) => (n * top.value) / 3))
const times = computed(() => {
  const every = [10, 20, 30, 60, 120, 300, 600, 1200, 3600].find((n) => end.value / n <= 8) ?? 7200
  return Array.from({ length: Math.floor(end.value / every) + 1 }, (_, i) => i * every)
})
const label = (value: number) => (top.value < 5 ? value.toFixed(2) : String(Math.round(value)))
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${height}`" class="block h-full max-h-full w-full" role="img" :aria-label="title">
    <g v-for="tick in ticks" :key="tick">
      <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(tick)" :y2="y(tick)" class="stroke-line" />
      <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end" class="fill-soft font-figures text-[13px]">
        {{ label(tick) }}
      </text>
    </g>
    <text :x="LEFT - 6" :y="TOP - 12" text-anchor="end" class="fill-soft text-[13px]">{{ unit }}</text>
    <text
      v-for="time in times"
      :key="time"
      :x="x(time)"
      :y="height - 10"
      text-anchor="middle"
      class="fill-soft font-figures text-[13px]"
    >
      {{ clockOf(time) }}
    </text>
    <path :d="area" class="fill-ghost" />
    <line
      v-if="most > 0 && most <= top"
      :x1="LEFT"
      :x2="WIDTH - RIGHT"
      :y1="y(most)"
      :y2="y(most)"
      class="stroke-bad"
      stroke-dasharray="2 5"
    />
    <line
      v-for="one in stretches.slice(1)"
      :key="one.from"
      :x1="x(one.at)"
      :x2="x(one.at)"
      :y1="TOP"
      :y2="height - FOOT"
      class="stroke-accent"
      stroke-dasharray="2 4"
    />
    <path
      v-if="ghostLine.length"
      :d="line(ghostLine)"
      fill="none"
      class="stroke-bad"
      stroke-width="2"
      stroke-dasharray="7 5"
    />
    <path v-for="(other, i) in others" :key="i" :d="line(other)" fill="none" class="stroke-follows" stroke-width="2" />
    <path
      v-if="trace.length"
      :d="line(trace)"
      fill="none"
      class="stroke-good"
      stroke-width="3.5"
      stroke-linejoin="round"
    />
    <circle v-for="[t, v] in trace.length < 30 ? trace : []" :key="t" :cx="x(t)" :cy="y(v)" r="4" class="fill-good" />
    <path
      v-for="mark in marks"
      :key="mark.seconds"
      :d="`M${x(mark.seconds) - 6} ${TOP}h12l-6 9z`"
      :class="mark.grave ? 'fill-bad' : 'fill-doubt'"
    />
    <g v-if="now !== null">
      <line :x1="x(now)" :x2="x(now)" :y1="TOP" :y2="height - FOOT" class="stroke-ink" />
      <text
        :x="x(now) + 6"
        :y="TOP - 10"
        class="fill-ink text-[13px]"
        :text-anchor="x(now) > WIDTH - 60 ? 'end' : 'start'"
      >
        now
      </text>
    </g>
  </svg>
</template>
