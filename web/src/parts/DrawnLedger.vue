<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import SchematicPicture from '../circuit/SchematicPicture.vue'
import { useDrawing } from '../circuit/useDrawing'
import type { ProofState } from '../map/marks'
import AppButton from '../ui/AppButton.vue'
import type { LedgerRow } from './useLedger'

/** The ledger on the set's own drawing: each part marked with what is known of it and what happens to it. */
const props = defineProps<{
  setId: string
  rows: readonly LedgerRow[]
  current: string
  say: (text: string) => string
}>()
const emit = defineEmits<{ choose: [reference: string] }>()
const { data: drawing, error } = useDrawing(() => props.setId)
const picture = useTemplateRef('picture')
const zoom = ref(1)
function state(row: LedgerRow): ProofState | null {
  if (row.decision === 'IN') return 'REPLACED'
  if (row.decision === 'REPLACE') return 'TO_REPLACE'
  if (row.mark === 'BAD') return 'TO_REPLACE'
  if (row.mark === 'DOUBT' || row.decision === 'SETTLE') return 'DOUBTFUL'
  if (row.mark === 'GOOD') return 'PROVEN'
  return row.reading ? 'PARTLY' : null
}
const states = computed(() =>
  Object.fromEntries(
    props.rows.flatMap((row) => {
      const marked = state(row)
      return marked ? [[row.reference, marked] as const] : []
    }),
  ),
)
/** A tube's row is that of its first section. */
const chosen = computed(
  () =>
    drawing.value?.parts.find((part) => part.reference === props.current)?.reference ??
    drawing.value?.parts.find((part) => part.reference.startsWith(props.current))?.reference ??
    '',
)
function choose(reference: string) {
  const row =
    props.rows.find((one) => one.reference === reference) ??
    props.rows.find((one) => one.kind === 'TUBE' && reference.startsWith(`X${one.called}`))
  if (row) emit('choose', row.reference)
}
function fit() {
  const pane = picture.value?.pane
  if (pane && drawing.value)
    zoom.value = Math.min(
      1.2,
      Math.max(0.7, Math.min(pane.clientWidth / drawing.value.width, pane.clientHeight / drawing.value.height)),
    )
}
onMounted(fit)
watch(drawing, () => requestAnimationFrame(fit))
</script>

<template>
  <div class="relative flex min-h-0 flex-col bg-sheet">
    <SchematicPicture
      v-if="drawing"
      ref="picture"
      class="min-h-0 flex-1"
      :drawing="drawing"
      :chosen="chosen"
      :zoom="zoom"
      :states="states"
      :say="say"
      @choose="choose"
      @open="choose"
    />
    <p v-else-if="error" role="alert" class="p-6 text-bad">{{ error.message }}</p>
    <p v-else class="p-6 text-soft">Drawing the circuit…</p>
    <div class="absolute top-3 right-5 flex gap-2">
      <AppButton class="px-3!" aria-label="Smaller" @click="zoom = Math.max(0.3, zoom * 0.8)">−</AppButton>
      <AppButton class="px-3!" aria-label="Larger" @click="zoom = Math.min(3, zoom * 1.25)">+</AppButton>
    </div>
  </div>
</template>
