<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import SheetRow from './SheetRow.vue'
import type { useCircuit } from './useCircuit'
import type { Problem } from '../api/client'

const props = defineProps<{
  circuit: Schemas['CircuitView']
  modes: readonly string[]
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
}>()
const conditions = reactive({ lineVolts: '', meter: '', mode: '', kind: 'DC' as 'DC' | 'AC' })
watch(
  () => props.circuit,
  (circuit) => {
    const first = circuit.sheet[0]
    if (!conditions.lineVolts)
      Object.assign(conditions, { lineVolts: String(first?.lineVolts ?? 117), meter: first?.meter ?? '20k/V' })
  },
  { immediate: true },
)
const paper = ref(props.circuit.paper)
watch(
  () => props.circuit.paper,
  (kept) => (paper.value = kept),
)
async function keepPaper() {
  if (paper.value.trim() === props.circuit.paper) return
  const answer = await props.doors.putPaper(paper.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
const modes = computed(() => [{ id: '', name: 'any mode' }, ...props.modes.map((m) => ({ id: m, name: m }))])
const fresh = reactive({ node: '', name: '', hint: '' })
const problem = ref<Problem | null>(null)
const free = computed(() =>
  props.circuit.nodes
    .filter((node) => node !== '0' && !props.circuit.testPoints.some((p) => p.node === node))
    .map((node) => ({ id: node, name: node })),
)
/** Without a circuit the points are only what the voltage chart names. */
const drawn = computed(() => props.circuit.nodes.some((node) => node !== '0'))

function points() {
  return props.circuit.testPoints.map((p) => ({ ...p }))
}
async function put(list: Schemas['PointEdit'][]) {
  const answer = await props.doors.putPoints(list)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  return answer.kind === 'ready'
}
async function addPoint() {
  if (await put([...points(), { node: fresh.node, name: fresh.name, hint: fresh.hint, socket: '', pin: '' }]))
    Object.assign(fresh, { node: '', name: '', hint: '' })
}
async function moveUp(index: number) {
  const list = points()
  const [moved] = list.splice(index, 1)
  if (moved && index > 0) await put([...list.slice(0, index - 1), moved, ...list.slice(index - 1)])
}
async function remove(index: number) {
  await put(points().filter((_, i) => i !== index))
}
</script>

<template>
  <div class="flex flex-wrap items-start gap-4 py-3">
    <form class="w-full max-w-xl" @submit.prevent="keepPaper" @focusout="keepPaper">
      <TextField
        v-model="paper"
        label="The paper these come from"
        hint="Its title, its revision, and where it came from: sheet 3-112, late revision, found inside the cabinet"
        wide
      />
    </form>
    <TextField v-model="conditions.lineVolts" :label="say('The sheet was taken at line')" unit="V" />
    <TextField
      v-model="conditions.meter"
      label="with the meter"
      hint="20k/V, 20k/V@250 or 10M; empty if it does not say"
    />
    <ChoiceField
      v-model="conditions.kind"
      label="These are"
      :options="[
        { id: 'DC', name: 'DC volts' },
        { id: 'AC', name: 'AC volts (heaters, windings)' },
      ]"
    />
    <ChoiceField v-if="modes.length > 1" v-model="conditions.mode" label="in mode" :options="modes" />
  </div>
  <table class="w-full">
    <thead class="text-left text-sm text-soft">
      <tr>
        <th class="py-1 font-normal">Point</th>
        <th class="font-normal">Where</th>
        <th class="font-normal">Node</th>
        <th class="font-normal">Sheet, V {{ conditions.kind }}</th>
        <th class="font-normal">On the sheet now</th>
        <th><span class="sr-only">Order</span></th>
      </tr>
    </thead>
    <tbody>
      <SheetRow
        v-for="(point, i) in circuit.testPoints"
        :key="point.node"
        :point="point"
        :sheet="circuit.sheet.filter((v) => v.node === point.node)"
        :conditions="conditions"
        :doors="doors"
        :say="say"
        :first="i === 0"
        @up="moveUp(i)"
        @remove="remove(i)"
      />
    </tbody>
  </table>
  <form class="mt-4 flex flex-wrap items-end gap-4" @submit.prevent="addPoint">
    <ChoiceField v-if="drawn" v-model="fresh.node" label="One more point, at node" :options="free" />
    <TextField
      v-model="fresh.name"
      :label="drawn ? 'Called' : 'One more point, called'"
      :hint="drawn ? '' : say('as the chart names it: V4 plate, V4.7, B+')"
    />
    <TextField v-model="fresh.hint" label="Found at" />
    <AppButton type="submit" :disabled="(drawn && !fresh.node) || !fresh.name.trim()">Add the point</AppButton>
  </form>
  <ProblemNote class="mt-3" :problem="problem" />
</template>
