<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'

/** The schematic on paper: on one sheet where its letters can still be read there, else on two, cut between its stages. */
const props = defineProps<{
  setId: string
  title: string
  danger: string
  /** Left, top, width and height of what no cut should go through. */
  boxes: readonly (readonly number[])[]
  drawnHeight: number
  say: (text: string) => string
}>()
/** Paper in millimetres, landscape, within its margins; smaller letters than the last are not read at a bench. */
const PAPER = { width: 277, height: 172, letters: 1.7 }
const LETTERS = 11
const url = computed(() => `/api/sets/${props.setId}/drawing.svg`)
const size = ref<{ width: number; height: number } | null>(null)
interface Sheet {
  view: [x: number, y: number, width: number, height: number]
  scale: number
}
function sheet(...view: Sheet['view']): Sheet {
  return { view, scale: Math.min(PAPER.width / view[2], PAPER.height / view[3]) }
}
/** Where a cut goes through no stage, the nearest to the middle; the middle itself where there is no such place. */
function cut(from: 0 | 1, length: number, offset: number): number {
  const spans = props.boxes.map((box) => [(box[from] ?? 0) + offset, (box[from] ?? 0) + (box[from + 2] ?? 0) + offset])
  const clear = spans
    .map(([, end = 0]) => end + 4)
    .filter((at) => at < 0.8 * length && spans.every(([start = 0, end = 0]) => at <= start || at >= end))
  return clear.sort((a, b) => Math.abs(a - length / 2) - Math.abs(b - length / 2))[0] ?? length / 2
}
/** Cut across or down, whichever leaves the letters larger; one sheet where they are large enough. */
const sheets = computed<Sheet[]>(() => {
  if (!size.value) return []
  const { width, height } = size.value
  const one = [sheet(0, 0, width, height)]
  if (LETTERS * one[0]!.scale >= PAPER.letters) return one
  const x = cut(0, width, 0)
  const y = cut(1, height, height - props.drawnHeight)
  const across = [sheet(0, 0, x, height), sheet(x, 0, width - x, height)]
  const down = [sheet(0, 0, width, y), sheet(0, y, width, height - y)]
  const least = (some: readonly Sheet[]) => Math.min(...some.map((each) => each.scale))
  return [one, across, down].reduce((best, next) => (least(next) > 1.1 * least(best) ? next : best))
})
useEventListener(window, 'afterprint', () => (size.value = null))

async function print() {
  const picture = new Image()
  picture.src = url.value
  await picture.decode()
  size.value = { width: picture.naturalWidth, height: picture.naturalHeight }
  await nextTick()
  window.print()
}
defineExpose({ print })
</script>

<template>
  <Teleport to="body">
    <div v-if="size" class="print-sheets hidden bg-white text-black print:block">
      <section v-for="(one, index) in sheets" :key="index" class="break-after-page last:break-after-auto">
        <p class="mb-2 flex justify-between text-sm">
          <strong>{{ title }}</strong>
          <span>{{ say(danger) }}</span>
          <span v-if="sheets.length > 1">sheet {{ index + 1 }} of {{ sheets.length }}</span>
        </p>
        <svg
          :viewBox="one.view.join(' ')"
          class="mx-auto block overflow-hidden"
          :style="{ width: `${one.view[2] * one.scale}mm`, height: `${one.view[3] * one.scale}mm` }"
        >
          <image :href="url" :width="size.width" :height="size.height" />
        </svg>
      </section>
    </div>
  </Teleport>
</template>
