<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, reactive, ref, useTemplateRef, watch } from 'vue'
import type { Schemas } from '../api/client'
import { photoUrl } from '../photos/usePhotos'
import { marks, moved, shortName, whole, zoomed, type ProofState, type View } from './marks'

/** One picture with its marks: zoomed and moved by wheel, fingers or keys; a tap places or opens a mark. */
const props = defineProps<{
  setId: string
  picture: Schemas['MapPicture']
  placed: readonly Schemas['Mark'][]
  states: Record<string, ProofState>
  chosen: string
  placing: boolean
}>()
const emit = defineEmits<{ choose: [subject: string]; place: [x: number, y: number] }>()
const frame = useTemplateRef<HTMLElement>('frame')
const size = useElementSize(frame)
const view = ref<View>({ x: 0, y: 0, width: 1, height: 1 })
const fingers = reactive(new Map<number, { x: number; y: number }>())
let travelled = 0

function fit() {
  if (size.width.value > 0) view.value = whole(props.picture, { width: size.width.value, height: size.height.value })
}
watch([size.width, size.height, () => props.picture.id], fit, { immediate: true })
/** Picture pixels under one pixel of the screen: marks keep their size on the screen. */
/** In a small frame they shrink with the picture, or they would hide it. */
const small = computed(() => Math.min(1, Math.max(0.6, size.width.value / 800)))
const scale = computed(() => view.value.width / Math.max(1, size.width.value))

function at(event: { clientX: number; clientY: number }) {
  const box = frame.value!.getBoundingClientRect()
  return {
    x: view.value.x + (event.clientX - box.left) * scale.value,
    y: view.value.y + (event.clientY - box.top) * scale.value,
  }
}
function wheel(event: WheelEvent) {
  view.value = zoomed(view.value, Math.exp(-event.deltaY / 400), at(event), props.picture)
}
function down(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  if (fingers.size === 0) travelled = 0
  fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
}
function move(event: PointerEvent) {
  const was = fingers.get(event.pointerId)
  if (!was) return
  const now = { x: event.clientX, y: event.clientY }
  const other = [...fingers.entries()].find(([id]) => id !== event.pointerId)?.[1]
  travelled += Math.hypot(now.x - was.x, now.y - was.y)
  if (other) {
    const apart = (p: { x: number; y: number }) => Math.max(1, Math.hypot(p.x - other.x, p.y - other.y))
    view.value = zoomed(
      view.value,
      apart(now) / apart(was),
      at({ clientX: (now.x + other.x) / 2, clientY: (now.y + other.y) / 2 }),
      props.picture,
    )
  } else {
    view.value = moved(view.value, (was.x - now.x) * scale.value, (was.y - now.y) * scale.value)
  }
  fingers.set(event.pointerId, now)
}
function up(event: PointerEvent) {
  const alone = fingers.size === 1 && fingers.has(event.pointerId)
  fingers.delete(event.pointerId)
  if (!alone || travelled > 8 || event.type === 'pointercancel') return
  const point = at(event)
  const near = props.placed
    .map((mark) => ({
      mark,
      far: Math.hypot(mark.x * props.picture.width - point.x, mark.y * props.picture.height - point.y) / scale.value,
    }))
    .sort((a, b) => a.far - b.far)[0]
  if (near && near.far < 22 && !props.placing) emit('choose', near.mark.subject)
  else if (props.placing) put(point)
}
function put(point: { x: number; y: number }) {
  const x = point.x / props.picture.width
  const y = point.y / props.picture.height
  if (x >= 0 && x <= 1 && y >= 0 && y <= 1) emit('place', x, y)
}
function middle() {
  return { x: view.value.x + view.value.width / 2, y: view.value.y + view.value.height / 2 }
}
function key(event: KeyboardEvent) {
  const step = view.value.width / 10
  if (event.key === '+' || event.key === '=') view.value = zoomed(view.value, 1.25, middle(), props.picture)
  else if (event.key === '-') view.value = zoomed(view.value, 0.8, middle(), props.picture)
  else if (event.key === '0') fit()
  else if (event.key === 'ArrowLeft') view.value = moved(view.value, -step, 0)
  else if (event.key === 'ArrowRight') view.value = moved(view.value, step, 0)
  else if (event.key === 'ArrowUp') view.value = moved(view.value, 0, -step)
  else if (event.key === 'ArrowDown') view.value = moved(view.value, 0, step)
  else if (event.key === 'Enter' && props.placing) put(middle())
  else return
  event.preventDefault()
}
/** Brings a mark into the middle. */
function show(subject: string) {
  const mark = props.placed.find((one) => one.subject === subject)
  if (mark)
    view.value = moved(
      view.value,
      mark.x * props.picture.width - middle().x,
      mark.y * props.picture.height - middle().y,
    )
}
function zoom(factor: number) {
  view.value = zoomed(view.value, factor, middle(), props.picture)
}
defineExpose({ show, zoom, fit })
</script>

<template>
  <div
    ref="frame"
    class="relative size-full touch-none overflow-hidden bg-ground focus-visible:outline-offset-[-3px]"
    :class="placing ? 'cursor-crosshair' : 'cursor-grab'"
    tabindex="0"
    role="application"
    :aria-label="`${picture.caption}; plus and minus zoom, the arrows move${placing ? ', Enter places the mark in the middle' : ''}`"
    @wheel.prevent="wheel"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @keydown="key"
  >
    <svg class="size-full select-none" :viewBox="`${view.x} ${view.y} ${view.width} ${view.height}`" aria-hidden="true">
      <image :href="photoUrl(setId, picture.id, 'full')" :width="picture.width" :height="picture.height" />
      <g
        v-for="mark in placed"
        :key="mark.subject"
        :transform="`translate(${mark.x * picture.width} ${mark.y * picture.height}) scale(${scale * small * (mark.subject === chosen ? 1.4 : 0.9)})`"
        :data-mark="mark.subject"
        :data-state="states[mark.subject] ?? 'UNPROVEN'"
      >
        <circle
          r="13.5"
          fill="var(--c-sheet)"
          :stroke="mark.subject === chosen ? 'var(--c-accent)' : 'none'"
          stroke-width="3"
        />
        <path
          :d="marks[states[mark.subject] ?? 'UNPROVEN'].outline"
          :fill="
            marks[states[mark.subject] ?? 'UNPROVEN'].hollow
              ? 'var(--c-sheet)'
              : marks[states[mark.subject] ?? 'UNPROVEN'].colour
          "
          :stroke="marks[states[mark.subject] ?? 'UNPROVEN'].colour"
          stroke-width="2"
          :stroke-dasharray="marks[states[mark.subject] ?? 'UNPROVEN'].dashes"
        />
        <path
          v-if="marks[states[mark.subject] ?? 'UNPROVEN'].sign"
          :d="marks[states[mark.subject] ?? 'UNPROVEN'].sign"
          fill="none"
          :stroke="
            marks[states[mark.subject] ?? 'UNPROVEN'].hollow
              ? marks[states[mark.subject] ?? 'UNPROVEN'].colour
              : 'var(--c-sheet)'
          "
          stroke-width="2.6"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
        <text y="25" text-anchor="middle" font-size="11" font-weight="600" class="halo-sheet">
          {{ shortName(mark.subject) }}
        </text>
      </g>
    </svg>
    <svg
      v-if="placing"
      class="pointer-events-none absolute top-1/2 left-1/2 size-8 -translate-1/2"
      viewBox="-16 -16 32 32"
      aria-hidden="true"
    >
      <path d="M-14 0H14M0-14V14" stroke="var(--c-accent)" stroke-width="1.5" />
    </svg>
  </div>
</template>
