<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { apart, proportions } from './cells'

/** How far each winding strays from its own proportion at each level fed; a sound one stays in the band. */
const props = defineProps<{
  block: Schemas['BlockView']
  typed: Record<string, string>
  say: (text: string) => string
}>()
const BAND = 3
const windings = computed(() => proportions(props.block, props.typed))
const reach = computed(() =>
  Math.max(2 * BAND, ...windings.value.flatMap((one) => one.points.map((p) => Math.abs(p.strays) * 1.1))),
)
const most = computed(() => Math.max(1e-9, ...windings.value.flatMap((one) => one.points.map((p) => p.fed))))
const x = (fed: number) => 34 + 196 * (fed / most.value)
const y = (strays: number) => 75 - 60 * (strays / reach.value)
/** Names beside the last point of each, with room between two. */
const names = computed(() =>
  apart(
    windings.value.map((one) => y(one.points.at(-1)!.strays)),
    14,
    12,
    138,
  ),
)
const strayed = (strays: number) => Math.abs(strays) > BAND
</script>

<template>
  <figure v-if="windings.length > 0" class="max-w-md">
    <svg
      viewBox="0 0 320 172"
      class="w-full"
      role="img"
      :aria-label="`Straying from proportion: ${windings.map((one) => `${say(one.name)} up to ${one.most.toFixed(1)} %`).join(', ')}`"
    >
      <rect x="34" :y="y(BAND)" width="196" :height="y(-BAND) - y(BAND)" fill="var(--c-mark)" />
      <path d="M34 75H230" stroke="var(--c-soft)" />
      <text
        v-for="level in [BAND, 0, -BAND]"
        :key="level"
        x="30"
        :y="y(level) + 4"
        text-anchor="end"
        class="fill-soft text-[11px]"
      >
        {{ level > 0 ? '+' : '' }}{{ level }} %
      </text>
      <g v-for="(one, i) in windings" :key="one.name">
        <polyline
          :points="one.points.map((p) => `${x(p.fed)},${y(p.strays)}`).join(' ')"
          fill="none"
          stroke="var(--c-ink)"
          stroke-width="1.5"
        />
        <template v-for="p in one.points" :key="p.fed">
          <rect
            v-if="strayed(p.strays)"
            :x="x(p.fed) - 5"
            :y="y(p.strays) - 5"
            width="10"
            height="10"
            fill="var(--c-doubt)"
          />
          <circle v-else :cx="x(p.fed)" :cy="y(p.strays)" r="4.5" fill="var(--c-good)" />
        </template>
        <text x="240" :y="names[i]! + 4" class="fill-ink text-[12px]" :class="strayed(one.most) ? 'font-semibold' : ''">
          {{ say(one.name) }}
        </text>
      </g>
      <text
        v-for="fed in [...new Set(windings.flatMap((one) => one.points.map((p) => p.fed)))]"
        :key="fed"
        :x="x(fed)"
        y="152"
        text-anchor="middle"
        class="fill-soft text-[11px]"
      >
        {{ fed }}
      </text>
      <text x="132" y="168" text-anchor="middle" class="fill-soft text-[11px]">V fed at the plug</text>
    </svg>
  </figure>
</template>
