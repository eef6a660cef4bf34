<script setup lang="ts">
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue'
import { marks, type ProofState } from '../map/marks'
import DrawnText from './DrawnText.vue'
import { neighbour, type DrawingView, type DrawnPart } from './useDrawing'

/** A schematic: parts as buttons on it, one of them chosen; arrow keys go from part to part. Nothing on it is dragged. */
const props = defineProps<{
  drawing: DrawingView
  chosen: string
  zoom: number
  /** What is proven of a part, by reference; parts without a mark stay as they are. */
  states?: Readonly<Record<string, ProofState>>
  /** What stands at nodes: read, or expected. */
  volts?: Readonly<Record<string, { text: string; read: boolean }>>
  /** Whether parts that nobody compared with this set are dashed. */
  walking?: boolean
  say: (text: string) => string
}>()
const emit = defineEmits<{ choose: [reference: string]; open: [reference: string] }>()
const pane = useTemplateRef<HTMLDivElement>('pane')
const current = computed(
  () => props.drawing.parts.find((part) => part.reference === props.chosen) ?? props.drawing.parts[0] ?? null,
)
function markOf(part: DrawnPart) {
  const state = props.states?.[part.reference]
  return state ? marks[state] : null
}

function onKey(event: KeyboardEvent) {
  if (!current.value) return
  switch (event.key) {
    case 'ArrowLeft':
    case 'ArrowRight':
    case 'ArrowUp':
    case 'ArrowDown':
      event.preventDefault()
      emit('choose', neighbour(props.drawing.parts, current.value, event.key).reference)
      break
    case 'Enter':
      event.preventDefault()
      emit('open', current.value.reference)
  }
}
function described(part: DrawnPart): string {
  const texts = part.texts.map((text) => text.text).join(' ')
  const state = props.states?.[part.reference]
  return props.say(
    `${texts}${part.job ? `, ${part.job}` : ''}${part.confirmed ? '' : ', as usually built'}${state ? `, ${marks[state].word}` : ''}`,
  )
}
/** The chosen part in the middle of the pane, without moving the page. */
async function show() {
  await nextTick()
  const part = current.value
  const [x = 0, y = 0, width = 0, height = 0] = part?.box ?? []
  if (!pane.value || !part) return
  const { clientWidth, clientHeight } = pane.value
  pane.value.scrollTo({
    left: (x + width / 2) * props.zoom - clientWidth / 2,
    top: (y + height / 2) * props.zoom - clientHeight / 2,
  })
}
/** Also when the part stands elsewhere since the circuit was drawn anew. */
watch(() => [props.chosen, props.zoom, ...(current.value?.box.slice(0, 2) ?? [])].join(' '), show)
onMounted(() => {
  if (props.chosen) void show()
})
defineExpose({ show, focus: () => pane.value?.focus({ preventScroll: true }), pane })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
  <div
    ref="pane"
    class="min-h-0 overflow-auto bg-sheet outline-offset-[-3px]"
    tabindex="0"
    role="application"
    :aria-label="say('Schematic. Arrow keys go from part to part.')"
    :aria-activedescendant="current ? `drawn-${current.reference}` : undefined"
    @keydown="onKey"
  >
    <svg
      :viewBox="`0 0 ${drawing.width} ${drawing.height}`"
      :width="drawing.width * zoom"
      :height="drawing.height * zoom"
      class="text-ink"
      fill="none"
      stroke="currentColor"
      stroke-width="1.5"
    >
      <path v-for="(wire, i) in drawing.wires" :key="`w${i}`" :d="wire.stroke.path" />
      <path v-for="(dot, i) in drawing.dots" :key="`d${i}`" :d="dot.path" fill="currentColor" stroke="none" />
      <g
        v-for="part in drawing.parts"
        :id="`drawn-${part.reference}`"
        :key="part.reference"
        role="img"
        :aria-label="described(part)"
        class="cursor-pointer"
        :data-part="part.reference"
        :data-confirmed="part.confirmed"
        @click="emit('choose', part.reference)"
        @dblclick="emit('open', part.reference)"
      >
        <rect
          :x="part.box[0]"
          :y="part.box[1]"
          :width="part.box[2]"
          :height="part.box[3]"
          rx="6"
          :fill="part.reference === chosen ? 'var(--c-mark)' : 'transparent'"
          :stroke="part.reference === chosen ? 'var(--c-accent)' : 'none'"
          :stroke-width="part.reference === chosen ? 2.5 : 0"
        />
        <path
          v-for="(stroke, i) in part.strokes"
          :key="i"
          :d="stroke.path"
          :transform="stroke.transform || undefined"
          :fill="stroke.filled ? 'currentColor' : 'none'"
          :stroke="stroke.filled ? 'none' : 'currentColor'"
          :stroke-dasharray="stroke.dashed ? '5 3' : walking && !part.confirmed ? '3 2.5' : undefined"
        />
        <DrawnText
          v-for="(text, i) in part.texts"
          :key="`t${i}`"
          :at="text"
          :text="say(text.text)"
          :class="walking && !part.confirmed ? 'italic' : ''"
        />
        <g
          v-if="markOf(part)"
          :transform="`translate(${(part.box[0] ?? 0) + 3} ${(part.box[1] ?? 0) + 4}) scale(0.55)`"
          stroke-width="2.5"
        >
          <path
            :d="markOf(part)!.outline"
            :stroke="markOf(part)!.colour"
            :fill="markOf(part)!.hollow ? 'var(--c-sheet)' : markOf(part)!.colour"
            :stroke-dasharray="markOf(part)!.dashes"
          />
          <path
            v-if="markOf(part)!.sign"
            :d="markOf(part)!.sign"
            :stroke="markOf(part)!.hollow ? markOf(part)!.colour : 'var(--c-sheet)'"
          />
        </g>
      </g>
      <g v-for="(end, i) in drawing.ends" :key="`e${i}`" class="text-follows">
        <path :d="end.stroke.path" :stroke-width="end.text ? 1 : 1.5" :class="end.text ? '' : 'text-ink'" />
        <DrawnText v-if="end.text" :at="end.text" :text="end.text.text" />
      </g>
      <template v-for="(spot, i) in drawing.spots" :key="`v${i}`">
        <DrawnText
          v-if="volts?.[spot.node]"
          :at="spot"
          :text="say(volts[spot.node]!.text)"
          class="font-figures"
          :class="volts[spot.node]!.read ? 'font-semibold' : 'text-soft'"
        />
      </template>
    </svg>
  </div>
</template>
