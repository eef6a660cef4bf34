<script setup lang="ts">
import { computed } from 'vue'
import type { AlignmentView, AlignStep } from './useAlignment'

/** The way of the signal, with where the generator goes in, what is turned and where it is read. */
const props = defineProps<{ receiver: AlignmentView['receiver']; step: AlignStep }>()
const HEIGHT = 132
const TOP = 42
const BOX = 44
const GAP = 20

interface Block {
  id: string
  name: string
  kind: 'circuit' | 'tube' | 'can' | 'end'
  width: number
}
const fm = computed(() => props.step.part.startsWith('FM'))
const core = computed(() => props.step.cores[0] ?? '')
const trf = computed(() => props.receiver.kind !== 'SUPERHET')
const blocks = computed<Block[]>(() => {
  const all: Block[] = [{ id: 'aerial', name: 'Aerial', kind: 'circuit', width: 74 }]
  if (trf.value) {
    all.push({ id: 'signal', name: 'Signal circuits', kind: 'tube', width: 130 })
  } else {
    if (props.receiver.has.includes('RF_STAGE') || fm.value)
      all.push({ id: 'rf', name: 'First stage', kind: 'tube', width: 92 })
    all.push({ id: 'converter', name: fm.value ? 'Mixer' : 'Converter', kind: 'tube', width: 92 })
    const cans = fm.value ? props.receiver.fmCans : props.receiver.cans
    for (let can = 1; can <= cans; can++) {
      all.push({ id: `can${can}`, name: `Can ${can}`, kind: 'can', width: 68 })
      if (can < cans || fm.value)
        all.push({ id: `tube${can}`, name: can === cans ? 'Last IF' : 'IF', kind: 'tube', width: 62 })
    }
  }
  all.push({ id: 'detector', name: 'Detector', kind: fm.value ? 'can' : 'circuit', width: 84 })
  all.push({ id: 'speaker', name: 'Speaker', kind: 'end', width: 74 })
  return all
})
const placed = computed(() => {
  const seen: (Block & { x: number })[] = []
  for (const block of blocks.value) {
    const before = seen.at(-1)
    seen.push({ ...block, x: before ? before.x + before.width + GAP : 10 })
  }
  return seen
})
const width = computed(() => (placed.value.at(-1)?.x ?? 0) + 84)
const at = (id: string) => placed.value.find((one) => one.id === id)
const middle = (id: string) => {
  const block = at(id)
  return block ? block.x + block.width / 2 : null
}
const fed = computed(() => {
  const feed = props.step.feed
  if (feed === 'NONE') return null
  if (feed === 'CONVERTER' || feed === 'FM_MIXER') return middle('converter')
  if (feed === 'LAST_IF') return middle(`tube${props.receiver.fmCans}`) ?? middle('converter')
  return middle('aerial')
})
const read = computed(() => {
  switch (props.step.read) {
    case 'OUTPUT':
    case 'EAR':
    case 'BEAT':
      return middle('speaker')
    case 'AVC':
    case 'STABILISER':
    case 'BALANCE':
    case 'S':
      return middle('detector')
    case 'CURVE':
      return middle('speaker')
    default:
      return null
  }
})
/** Which block holds the core, and which of its two circuits. */
const turned = computed<{ block: string; side: 'P' | 'S' | '' }>(() => {
  const can = /^(?:FM)?IF(\d)([PS])$/.exec(core.value)
  if (can) return { block: `can${can[1]}`, side: can[2] === 'P' ? 'P' : 'S' }
  if (core.value === 'DETP') return { block: 'detector', side: 'P' }
  if (core.value === 'DETS') return { block: 'detector', side: 'S' }
  if (core.value.startsWith('OSC')) return { block: 'osc', side: '' }
  if (core.value.startsWith('RF-')) return { block: 'rf', side: '' }
  if (core.value === 'NEUT') return { block: 'signal', side: '' }
  if (core.value.startsWith('AER') || core.value === 'TRAP') return { block: trf.value ? 'signal' : 'aerial', side: '' }
  return { block: '', side: '' }
})
const words = computed(() => {
  const block =
    placed.value.find((one) => one.id === turned.value.block)?.name ?? (turned.value.block ? 'oscillator' : '')
  return `The signal’s way: ${placed.value.map((one) => one.name).join(', ')}. ${
    props.step.where && fed.value !== null ? `Fed at: ${props.step.where}. ` : ''
  }${block ? `Turned: ${block}. ` : ''}${props.step.readAt ? `Read: ${props.step.readAt}.` : ''}`
})
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${HEIGHT}`" class="block max-h-40 w-full" role="img" :aria-label="words">
    <defs>
      <marker id="into" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto">
        <path d="M0 0 8 4 0 8z" class="fill-accent" />
      </marker>
    </defs>
    <template v-for="(one, i) in placed" :key="one.id">
      <line
        v-if="i"
        :x1="one.x - GAP"
        :x2="one.x"
        :y1="TOP + BOX / 2"
        :y2="TOP + BOX / 2"
        class="stroke-line"
        stroke-width="2"
      />
      <rect
        :x="one.x"
        :y="TOP"
        :width="one.width"
        :height="BOX"
        :rx="one.kind === 'tube' ? 20 : 3"
        stroke-width="2"
        :class="turned.block === one.id && !turned.side ? 'fill-mark stroke-accent' : 'fill-raised stroke-line'"
      />
      <template v-if="one.kind === 'can'">
        <circle
          v-for="side in ['P', 'S'] as const"
          :key="side"
          :cx="one.x + (side === 'P' ? 0.27 : 0.73) * one.width"
          :cy="TOP + 14"
          r="8"
          stroke-width="2"
          :class="
            turned.block === one.id && turned.side === side ? 'fill-accent stroke-accent' : 'fill-sheet stroke-soft'
          "
        />
        <text :x="one.x + one.width / 2" :y="TOP + BOX - 7" text-anchor="middle" class="fill-ink text-[12px]">
          {{ one.name }}
        </text>
      </template>
      <text v-else :x="one.x + one.width / 2" :y="TOP + BOX / 2 + 5" text-anchor="middle" class="fill-ink text-[13px]">
        {{ one.name }}
      </text>
    </template>
    <template v-if="!trf && at('converter')">
      <line
        :x1="middle('converter')!"
        :x2="middle('converter')!"
        :y1="TOP + BOX"
        :y2="TOP + BOX + 14"
        class="stroke-line"
        stroke-width="2"
      />
      <rect
        :x="middle('converter')! - 46"
        :y="TOP + BOX + 14"
        width="92"
        height="26"
        rx="13"
        stroke-width="2"
        :class="turned.block === 'osc' ? 'fill-mark stroke-accent' : 'fill-raised stroke-line'"
      />
      <text :x="middle('converter')!" :y="TOP + BOX + 32" text-anchor="middle" class="fill-ink text-[13px]">
        Oscillator
      </text>
    </template>
    <g v-if="fed !== null">
      <line :x1="fed" :x2="fed" y1="20" :y2="TOP - 3" class="stroke-accent" stroke-width="3" marker-end="url(#into)" />
      <text :x="Math.max(fed - 30, 4)" y="14" class="fill-accent text-[13px] font-semibold">
        {{ step.feed === 'STATION' ? 'Station' : 'Generator' }}
      </text>
    </g>
    <g v-if="read !== null">
      <line :x1="read" :x2="read" :y1="TOP + BOX" :y2="TOP + BOX + 16" class="stroke-follows" stroke-width="3" />
      <circle :cx="read" :cy="TOP + BOX + 26" r="10" class="fill-raised stroke-follows" stroke-width="3" />
      <path
        :d="`M${read - 5} ${TOP + BOX + 30}L${read + 4} ${TOP + BOX + 20}`"
        class="stroke-follows"
        stroke-width="2"
      />
    </g>
  </svg>
</template>
