<script setup lang="ts">
import { computed } from 'vue'
import type { ReformView } from './useReform'

/** Volts across a capacitor rising, its leak falling; the figures stand in the table beside it. */
const props = defineProps<{ run: ReformView }>()
const width = 520
const height = 150
const end = computed(() => Math.max(600, props.run.points[props.run.points.length - 1]?.seconds ?? 0))
const most = computed(() => Math.max(1e-6, ...props.run.points.map((p) => p.leak)))
const x = (seconds: number) => 8 + (seconds / end.value) * (width - 16)
const line = (of: (p: ReformView['points'][number]) => number) =>
  props.run.points
    .map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.seconds)} ${height - 20 - of(p) * (height - 34)}`)
    .join('')
const volts = computed(() => line((p) => p.volts / Math.max(props.run.workingVolts, 1)))
const leak = computed(() => line((p) => p.leak / most.value))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" class="w-full" role="img" aria-label="Volts and leak over time">
    <line x1="8" :x2="width - 8" :y1="height - 20" :y2="height - 20" class="stroke-line" />
    <line x1="8" :x2="width - 8" y1="14" y2="14" class="stroke-line" stroke-dasharray="4 4" />
    <path :d="volts" fill="none" class="stroke-ink" stroke-width="2.5" />
    <path :d="leak" fill="none" class="stroke-doubt" stroke-width="2.5" stroke-dasharray="7 4" />
    <circle v-for="p in run.points" :key="p.seconds" :cx="x(p.seconds)" :cy="height - 20" r="2" class="fill-soft" />
    <text x="10" y="11" class="fill-soft text-[11px]">working volts</text>
    <text :x="width - 8" :y="height - 5" text-anchor="end" class="fill-soft text-[11px]">
      {{ `${Math.round(end / 60)} min` }}
    </text>
    <text x="10" :y="height - 5" class="fill-soft text-[11px]">solid: volts · dashed: leak</text>
  </svg>
</template>
