<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { looks } from '../ui/verdicts'
import { layOut, type Tread } from './staircaseLayout'
import type { VoltsView } from './useVolts'

const props = defineProps<{ view: VoltsView; current: string; say: (text: string) => string }>()
const emit = defineEmits<{ choose: [node: string] }>()

const frame = useTemplateRef('frame')
const { width, height } = useElementSize(frame)
const layout = computed(() => layOut(props.view, Math.max(width.value, 320), Math.max(height.value, 220)))
const points = computed(() => new Map(props.view.points.map((point) => [point.node, point])))
const branches = computed(() => new Map(props.view.branches.map((branch) => [branch.part, branch])))

/** As much of a label as fits over a tread; the list of points holds it whole. */
function fitted(text: string, tread: Tread): string {
  const most = Math.floor((tread.slot - 4) / 6.3)
  return text.length <= most ? text : `${text.slice(0, Math.max(3, most - 1)).trimEnd()}…`
}
function under(tread: Tread): { text: string; role: string }[] {
  const [part] = tread.parts
  if (!part) return []
  if (tread.blocked)
    return points.value.get(tread.node)?.verdict === 'BAD'
      ? [{ text: `${part} should block this`, role: 'fill-bad font-semibold' }]
      : []
  const branch = branches.value.get(part)
  if (!branch || tread.parts.length > 1) return [{ text: tread.parts.join(' '), role: 'fill-soft' }]
  return [
    { text: `${part} ${branch.ohms}`, role: 'fill-ink' },
    { text: `${branch.volts} · ${branch.amperes}`, role: 'fill-ink' },
    {
      text: branch.watts + (branch.rated ? ` of ${branch.rated}` : ''),
      role: branch.strained ? 'fill-doubt font-semibold' : 'fill-ink',
    },
  ]
}
</script>

<template>
  <figure
    ref="frame"
    class="relative h-full min-h-0 overflow-hidden"
    aria-label="Staircase of the supply; the list of points holds the same figures"
  >
    <svg
      v-if="width > 0"
      :viewBox="`0 0 ${Math.max(width, 320)} ${Math.max(height, 220)}`"
      class="absolute inset-0 size-full"
      aria-hidden="true"
    >
      <g class="text-line" stroke="currentColor">
        <line v-for="tick in layout.upper.ticks" :key="tick.volts" x1="38" :x2="width - 6" :y1="tick.y" :y2="tick.y" />
        <template v-if="layout.lower">
          <line
            v-for="tick in layout.lower.ticks"
            :key="tick.volts"
            x1="38"
            :x2="width - 6"
            :y1="tick.y"
            :y2="tick.y"
          />
        </template>
      </g>
      <g class="fill-soft font-figures text-[11px]" text-anchor="end">
        <text v-for="tick in layout.upper.ticks" :key="tick.volts" x="32" :y="tick.y + 4">{{ tick.volts }}</text>
        <template v-if="layout.lower">
          <text v-for="tick in layout.lower.ticks" :key="tick.volts" x="32" :y="tick.y + 4">{{ tick.volts }}</text>
        </template>
      </g>
      <text v-if="layout.lower" :x="width - 6" :y="layout.splitY + 8" text-anchor="end" class="fill-soft text-[12px]">
        {{ say(view.liveChassis ? 'Near the minus rail, magnified' : 'Near the chassis, magnified') }}
      </text>

      <path
        v-for="riser in layout.risers.filter((r) => r.path)"
        :key="riser.key"
        :d="riser.path"
        fill="none"
        class="stroke-ink"
        stroke-width="1.6"
      />

      <g v-for="tread in layout.treads" :key="tread.node" class="cursor-pointer" @click="emit('choose', tread.node)">
        <rect :x="tread.x - 4" :y="tread.top - 34" :width="tread.width + 12" height="72" fill="transparent" />
        <rect
          v-if="tread.expectedY !== null"
          :x="tread.x"
          :y="tread.expectedY - tread.bandHeight"
          :width="tread.width"
          :height="tread.bandHeight * 2"
          class="fill-ghost"
        />
        <rect
          v-if="tread.readY !== null"
          :x="tread.x"
          :y="tread.readY - 2.5"
          :width="tread.width"
          height="5"
          rx="2"
          :class="looks[points.get(tread.node)!.verdict].fill"
        />
        <text
          :x="tread.x"
          :y="tread.top - 20"
          class="halo text-[12px]"
          :class="tread.node === current ? 'fill-accent font-semibold' : 'fill-soft'"
        >
          {{ fitted(say(points.get(tread.node)!.name), tread) }}
        </text>
        <text
          :x="tread.x"
          :y="tread.top - 6"
          class="halo font-figures text-[14px] font-semibold"
          :class="points.get(tread.node)!.reading ? looks[points.get(tread.node)!.verdict].fill : 'fill-soft'"
        >
          {{
            say(
              points.get(tread.node)!.reading?.text.replace(' V', '') ??
                '~' + points.get(tread.node)!.expectedText.replace(' V', ''),
            )
          }}
        </text>
        <text
          v-for="(line, i) in under(tread).slice(0, tread.slot < 92 ? Math.min(1, tread.lines) : tread.lines)"
          :key="i"
          :x="tread.x"
          :y="tread.under + i * 13"
          class="halo text-[11px]"
          :class="line.role"
        >
          {{ say(line.text) }}
        </text>
      </g>
    </svg>
  </figure>
</template>
