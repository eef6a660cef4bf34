<script setup lang="ts">
import { computed } from 'vue'
import type { DriveView } from './usePlayer'

/** The drive from above, to scale as far as it is measured; what nobody measured is dashed. */
const props = defineProps<{ drive: DriveView }>()
const SIZE = 420
const rim = computed(() => props.drive.rimMm ?? 200)
const scale = computed(() => (SIZE - 90) / (rim.value * 1.08))
const r = (mm: number) => (mm / 2) * scale.value
const middle = { x: 200, y: SIZE / 2 }
const step = computed(() => {
  const all = props.drive.steps
  return all.find((one) => Math.abs(one.rpm - 33.33) < 0.2) ?? all[0] ?? null
})
const shaftMm = computed(() => step.value?.stepMm ?? 6)
const idlerMm = computed(() => props.drive.idlerMm ?? 40)
const inside = computed(() => props.drive.kind === 'idler' || props.drive.kind === 'rim')
const idler = computed(() => ({ x: middle.x + r(rim.value) - r(idlerMm.value), y: middle.y }))
const motor = computed(() => {
  if (props.drive.kind === 'idler')
    return { x: idler.value.x - r(idlerMm.value) * 0.5, y: middle.y + (r(idlerMm.value) + r(shaftMm.value)) * 0.87 }
  if (props.drive.kind === 'rim') return { x: middle.x + r(rim.value) - r(shaftMm.value), y: middle.y }
  if (props.drive.kind === 'belt') return { x: SIZE - 24, y: 60 }
  return middle
})
const belt = computed(() => {
  const [big, small] = [r(rim.value), r(shaftMm.value)]
  const dx = motor.value.x - middle.x
  const dy = motor.value.y - middle.y
  const length = Math.hypot(dx, dy)
  const turn = Math.acos((big - small) / length)
  const base = Math.atan2(dy, dx)
  const side = (s: 1 | -1) => {
    const angle = base + s * turn
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
    return `M${middle.x + big * cos} ${middle.y + big * sin}L${motor.value.x + small * cos} ${motor.value.y + small * sin}`
  }
  return side(1) + side(-1)
})
const dash = (known: boolean) => (known ? undefined : '5 5')
</script>

<template>
  <svg
    :viewBox="`0 0 ${SIZE + 40} ${SIZE}`"
    class="block max-h-104 w-full"
    role="img"
    :aria-label="`The drive from above: ${drive.label}`"
  >
    <circle
      :cx="middle.x"
      :cy="middle.y"
      :r="r(rim)"
      class="fill-raised stroke-ink"
      stroke-width="3"
      :stroke-dasharray="dash(drive.rimMm !== null)"
    />
    <circle v-if="inside" :cx="middle.x" :cy="middle.y" :r="r(rim) + 5" fill="none" class="stroke-soft" />
    <circle :cx="middle.x" :cy="middle.y" r="4" class="fill-ink" />
    <text :x="middle.x - 14" :y="middle.y - 12" text-anchor="end" class="fill-soft text-[15px]">platter</text>
    <template v-if="drive.kind === 'belt'">
      <path :d="belt" fill="none" class="stroke-accent" stroke-width="2.5" />
      <circle :cx="middle.x" :cy="middle.y" :r="r(rim)" fill="none" class="stroke-accent" stroke-width="2.5" />
    </template>
    <template v-if="drive.kind === 'idler'">
      <circle
        :cx="idler.x"
        :cy="idler.y"
        :r="r(idlerMm)"
        class="fill-mark stroke-accent"
        stroke-width="2.5"
        :stroke-dasharray="dash(drive.idlerMm !== null)"
      />
      <text :x="idler.x" :y="idler.y - r(idlerMm) - 8" text-anchor="middle" class="fill-accent text-[15px]">idler</text>
    </template>
    <template v-if="drive.kind !== 'spring' && drive.kind !== 'direct'">
      <circle
        :cx="motor.x"
        :cy="motor.y"
        :r="Math.max(4, r(shaftMm))"
        class="fill-follows stroke-follows"
        :stroke-dasharray="dash(step !== null)"
      />
      <text
        :x="motor.x - 8"
        :y="motor.y + Math.max(4, r(shaftMm)) + 18"
        text-anchor="middle"
        class="fill-follows text-[15px]"
      >
        motor shaft
      </text>
    </template>
    <text v-if="drive.rimMm === null" :x="middle.x" :y="SIZE - 8" text-anchor="middle" class="fill-soft text-[14px]">
      dashed: not measured yet
    </text>
  </svg>
</template>
