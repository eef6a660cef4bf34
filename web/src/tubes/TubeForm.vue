<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useDebounceFn, useSessionStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import { columnsOf, sections } from './columns'

/** A type as the shop knows it. What its figures say together stands below as they are typed. */
const props = defineProps<{ from: Schemas['TubeView'] | null; name: string; say: (text: string) => string }>()
const emit = defineEmits<{ kept: [tube: Schemas['TubeView']]; left: [] }>()
type Row = Record<string, string>
const uses = useQuery({
  queryKey: ['tube-uses'],
  queryFn: () => orThrow(ask(http.GET('/api/tubes/uses'))),
  staleTime: Infinity,
})
const usesNamed = computed(() => [
  { id: '', name: 'as its figures say' },
  ...(uses.data.value ?? []).map((use) => ({ id: use.id.toLowerCase(), name: props.say(use.label) })),
])
const warmUps = [
  { id: 'indirect', name: 'cathode with a heater' },
  { id: 'indirect slow', name: 'slow cathode' },
  { id: 'filament', name: 'filament' },
] as const
const confidences = [
  { id: 'high', name: 'printed data sheet' },
  { id: 'medium', name: 'one list or book' },
  { id: 'low', name: 'memory, or a relative' },
] as const
/** What is typed outlives another type looked at, and a reload; it is of what it was begun from. */
interface Draft {
  seen: string
  name: string
  /** What is said once for a type stands in its first row. */
  once: Row
  points: Row[]
}
const begun = (): Draft => ({
  seen: props.from?.seen ?? '',
  name: props.name,
  once: { warm_up: 'indirect', confidence: 'medium', ...(props.from?.rows[0] ?? {}) },
  points: (props.from?.rows ?? [{ section: 'heater' }]).map((row) => ({ ...row })),
})
const KEY = `umber.tube.${props.from ? '' : 'new '}${props.name}`
const draft = useSessionStorage<Draft>(KEY, begun())
if (draft.value.seen !== (props.from?.seen ?? '')) draft.value = begun()
const typeName = computed({ get: () => draft.value.name, set: (name: string) => (draft.value.name = name) })
const once = computed(() => draft.value.once)
const points = computed(() => draft.value.points)
const onceColumns = [
  'class',
  'heater_V',
  'heater_A',
  'base',
  'pinout',
  'warm_up',
  'seconds',
  'tap_fraction',
  'equivalents',
  'note',
]
const seen = ref<Schemas['TubeView'] | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref(false)

const cell = (key: string) =>
  computed({ get: () => once.value[key] ?? '', set: (text: string) => (once.value[key] = text) })
const use = cell('class')
const heaterVolts = cell('heater_V')
const heaterAmperes = cell('heater_A')
const base = cell('base')
const pins = cell('pinout')
const warmUp = cell('warm_up')
const sisters = computed({
  get: () => (once.value['equivalents'] ?? '').replaceAll('|', ' '),
  set: (text: string) =>
    (once.value['equivalents'] = text
      .trim()
      .split(/[\s,;|]+/)
      .join('|')),
})
const note = cell('note')
const confidence = cell('confidence')
const body = computed<Schemas['TubeEdit']>(() => ({
  name: typeName.value,
  seen: props.from?.seen ?? '',
  rows: points.value.map((row, index) => ({
    ...Object.fromEntries(Object.entries(row).filter(([key]) => !onceColumns.includes(key))),
    ...(index === 0 ? Object.fromEntries(onceColumns.map((key) => [key, once.value[key] ?? ''])) : {}),
    confidence: once.value['confidence'] ?? '',
  })),
}))
const look = useDebounceFn(async () => {
  const asked = JSON.stringify(body.value)
  if (!typeName.value.trim()) return
  const answer = await ask(http.POST('/api/tubes/readings', { body: body.value }))
  if (asked !== JSON.stringify(body.value)) return
  seen.value = answer.kind === 'ready' ? answer.value : null
  // What is not typed yet is no fault before it is kept.
  problem.value =
    answer.kind === 'failed' && !answer.problem.errors.some((e) => e.code === 'empty') ? answer.problem : null
}, 250)
watch(body, look, { immediate: true })

function add() {
  const last = points.value.at(-1)
  const section = last && last['section'] !== 'heater' ? last['section']! : 'triode'
  if (last?.['section'] === 'heater') points.value.pop()
  points.value.push({ section })
}
function drop(index: number) {
  points.value.splice(index, 1)
  if (points.value.length === 0) points.value.push({ section: 'heater' })
}
async function keep() {
  busy.value = true
  const answer = await ask(http.PUT('/api/tubes/type', { body: body.value }))
  busy.value = false
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  sessionStorage.removeItem(KEY)
  emit('kept', answer.value)
}
function leave() {
  sessionStorage.removeItem(KEY)
  emit('left')
}
const fault = (index: number, column: string) => faultAt(problem.value, `${index + 1}/${column}`)
const placed = computed(() =>
  (problem.value?.errors ?? []).some(
    (e) =>
      e.pointer === '#/type' ||
      points.value.some((row, i) =>
        [...onceColumns, 'section', ...columnsOf(row).map((c) => c.id)].some((c) => e.pointer === `#/${i + 1}/${c}`),
      ),
  ),
)
</script>

<template>
  <form class="max-w-4xl" @submit.prevent="keep">
    <div class="flex flex-wrap items-start gap-4">
      <TextField
        v-if="!from"
        v-model="typeName"
        label="Type"
        hint="as printed on the bulb"
        :fault="faultAt(problem, 'type')"
      />
      <h2 v-else class="w-44 pt-6 font-figures text-3xl font-semibold">{{ typeName }}</h2>
      <ChoiceField v-model="use" label="Made for" :options="usesNamed" :fault="fault(0, 'class')" />
      <ChoiceField v-model="confidence" label="Where you have it from" :options="confidences" />
    </div>
    <div class="mt-3 flex flex-wrap items-start gap-4">
      <TextField
        v-model="heaterVolts"
        class="w-32!"
        :label="say('Heater volts')"
        unit="V"
        :fault="fault(0, 'heater_V')"
      />
      <TextField
        v-model="heaterAmperes"
        class="w-36!"
        :label="say('Heater current')"
        unit="A"
        :fault="fault(0, 'heater_A')"
      />
      <ChoiceField v-model="warmUp" class="w-56!" label="Heated by" :options="warmUps" />
      <TextField v-model="base" class="w-32!" label="Base" hint="octal, B9A, 7BT" :fault="fault(0, 'base')" />
      <TextField v-model="sisters" class="w-48!" label="Stands in for it" :fault="fault(0, 'equivalents')" />
    </div>
    <TextField
      v-model="pins"
      wide
      class="mt-3"
      label="Pins, seen from below"
      hint="1=g 2=k 3=h 4=h 5=p · a top cap is cap=g · twins: g1 p1 k1, g2 p2 k2 · diodes: d1 d2"
      :fault="fault(0, 'pinout')"
    />
    <fieldset v-for="(row, index) in points" :key="index" class="mt-4 border-t border-line pt-3">
      <legend class="sr-only">Point {{ index + 1 }}</legend>
      <div class="flex flex-wrap items-start gap-x-4 gap-y-2">
        <ChoiceField
          v-model="row['section']!"
          class="w-52!"
          :label="`Published point ${index + 1}`"
          :options="sections"
          :fault="fault(index, 'section')"
        />
        <TextField
          v-for="column in columnsOf(row)"
          :key="column.id"
          v-model="row[column.id]!"
          class="w-36!"
          :label="say(column.name)"
          :unit="column.unit"
          :fault="fault(index, column.id)"
        />
        <AppButton v-if="row['section'] !== 'heater'" class="mt-6" look="quiet" @click="drop(index)">
          Leave this point out
        </AppButton>
      </div>
    </fieldset>
    <AppButton class="mt-2" look="quiet" @click="add">Add a published point</AppButton>
    <TextField v-model="note" wide class="mt-3" label="Note" :fault="fault(0, 'note')" />
    <div class="sticky bottom-0 -mx-2 mt-3 flex flex-wrap items-center gap-3 border-t border-line bg-ground px-2 py-3">
      <div aria-live="polite" class="min-w-64 flex-1">
        <p v-if="problem && !placed" role="alert" class="text-bad">{{ say(problem.detail) }}</p>
        <ul v-else-if="seen && seen.says.length > 0" class="list-disc pl-5">
          <li v-for="sentence in seen.says" :key="sentence" class="text-doubt">{{ say(sentence) }}</li>
        </ul>
        <p v-else-if="seen?.row.known" class="text-soft">Its figures fit together: currents will be expected of it.</p>
      </div>
      <AppButton @click="leave">Leave as it is</AppButton>
      <AppButton look="main" type="submit" :disabled="busy || !typeName.trim()">Keep for this shop</AppButton>
    </div>
  </form>
</template>
