<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { type Box, sheetsOf } from './sheets'

/** The schematic on paper: on one sheet where its letters can still be read there, else on two, cut between its stages. */
const props = defineProps<{
  setId: string
  title: string
  danger: string
  /** Which paper the circuit was taken from, empty when nobody said. */
  source: string
  /** Left, top, width and height of what no cut should go through. */
  boxes: readonly Box[]
  drawnHeight: number
  say: (text: string) => string
}>()
const url = computed(() => `/api/sets/${props.setId}/drawing.svg`)
const failed = ref(false)
const size = ref<{ width: number; height: number } | null>(null)
/** The file has a line above the drawing. */
const sheets = computed(() => {
  if (!size.value) return []
  const above = size.value.height - props.drawnHeight
  const boxes = props.boxes.map(([x = 0, y = 0, ...rest]) => [x, y + above, ...rest])
  return sheetsOf(size.value.width, size.value.height, boxes)
})
useEventListener(window, 'afterprint', () => (size.value = null))

async function print() {
  const picture = new Image()
  picture.src = url.value
  try {
    await picture.decode()
  } catch {
    failed.value = true
    return
  }
  failed.value = false
  size.value = { width: picture.naturalWidth, height: picture.naturalHeight }
  await nextTick()
  window.print()
}
defineExpose({ print })
</script>

<template>
  <p v-if="failed" role="alert" class="px-5 py-2 text-bad">
    The drawing could not be fetched for printing; look whether the connection is there, and print again.
  </p>
  <Teleport to="body">
    <div v-if="size" class="print-sheets hidden bg-white text-black print:block">
      <section v-for="(one, index) in sheets" :key="index" class="break-after-page last:break-after-auto">
        <p class="mb-2 flex justify-between text-sm">
          <strong>{{ title }}</strong>
          <span>{{ say(danger) }}</span>
          <span v-if="source">from {{ source }}</span>
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
