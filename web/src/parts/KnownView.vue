<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import NextAct from '../guide/NextAct.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { useShop } from '../ui/useShop'
import ColourReader from './ColourReader.vue'
import DrawnLedger from './DrawnLedger.vue'
import LedgerList from './LedgerList.vue'
import PartDetail from './PartDetail.vue'
import PartsStrip from './PartsStrip.vue'
import { useLedger, type LedgerRow, type Placing } from './useLedger'

/** What is known of each part: its readings, what they prove, what it does where it sits. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const route = useRoute()
const router = useRouter()
const doors = useLedger(() => props.setId)
const { ledger, error } = doors
const strip = useTemplateRef('strip')
const colours = ref(false)
const drawn = useSessionStorage('umber.parts.drawn', false)

type Filter = 'ALL' | 'OPEN' | 'CAPACITORS' | 'RESISTORS' | 'TUBES'
const filters: { id: Filter; name: string; takes: (row: LedgerRow) => boolean }[] = [
  { id: 'ALL', name: 'All', takes: () => true },
  { id: 'OPEN', name: 'Open', takes: (row) => row.open },
  { id: 'CAPACITORS', name: 'Capacitors', takes: (row) => row.kind === 'CAPACITOR' || row.kind === 'ELECTROLYTIC' },
  { id: 'RESISTORS', name: 'Resistors', takes: (row) => row.kind === 'RESISTOR' || row.kind === 'CONTROL' },
  { id: 'TUBES', name: 'Tubes', takes: (row) => row.kind === 'TUBE' },
]
const filter = useSessionStorage<Filter>('umber.parts.filter', 'ALL')
const placing = useSessionStorage<Placing>('umber.parts.placing', 'LIFTED')
const instrument = useSessionStorage('umber.parts.instrument', '')
const rows = computed(() => {
  const takes = filters.find((one) => one.id === filter.value)?.takes ?? (() => true)
  return (ledger.value?.rows ?? []).filter((row) => takes(row) || row.reference === current.value)
})
const current = computed(() => {
  const wanted = String(route.query['point'] ?? '')
  const all = ledger.value?.rows ?? []
  return (all.find((row) => row.reference === wanted || row.called === wanted) ?? all[0])?.reference ?? ''
})
const at = computed(() => rows.value.findIndex((row) => row.reference === current.value))
const row = computed(() => rows.value[at.value])
const lot = computed(() => ledger.value?.lots.find((one) => one.lot))
const placings: { id: Placing; name: string }[] = [
  { id: 'LIFTED', name: 'one lead lifted' },
  { id: 'IN_PLACE', name: 'in place' },
  { id: 'OUT', name: 'out of the set' },
]
const readers = computed(() => [
  { id: '', name: 'not said' },
  ...(ledger.value?.instruments ?? []).map((one) => ({ id: one.id, name: one.name })),
])

/** On the drawing the arrow keys go on from part to part, so that the focus stays there. */
function show(reference: string) {
  void router.replace({ query: { ...route.query, point: reference } })
}
function choose(reference: string) {
  show(reference)
  strip.value?.focus()
}
function move(steps: number) {
  const next = rows.value[Math.min(rows.value.length - 1, Math.max(0, at.value + steps))]
  if (next) choose(next.reference)
}
watch(
  current,
  (reference) =>
    void nextTick(() => document.getElementById(`part-${reference}`)?.scrollIntoView({ block: 'nearest' })),
)
</script>

<template>
  <div v-if="ledger" class="flex h-full min-h-0 flex-col">
    <CautionNote>
      <p>
        Plug out, capacitors read empty before a hand goes in. A leakage tester gives hundreds of volts: hands off the
        leads, discharge the part through the tester after each test.
      </p>
    </CautionNote>
    <div class="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line bg-sheet px-5 py-2">
      <div v-if="!drawn" role="group" aria-label="Which parts" class="flex flex-wrap gap-1">
        <button
          v-for="one in filters"
          :key="one.id"
          type="button"
          class="min-h-11 rounded px-3"
          :class="filter === one.id ? 'bg-mark font-semibold' : 'text-soft hover:bg-mark/50'"
          :aria-pressed="filter === one.id"
          @click="filter = one.id"
        >
          {{ say(one.name) }}
        </button>
      </div>
      <ChoiceField v-model="placing" inline label="Read" :options="placings" />
      <ChoiceField v-model="instrument" inline label="with" :options="readers" />
      <AppButton class="px-3!" :aria-pressed="drawn" @click="drawn = !drawn">
        {{ drawn ? 'As a list' : 'On the drawing' }}
      </AppButton>
      <AppButton class="px-3!" @click="colours = true">Colours</AppButton>
      <ColourReader
        :open="colours"
        :called="row?.called ?? ''"
        :marked="row?.kind === 'RESISTOR' || row?.kind === 'CAPACITOR' ? row.marked : ''"
        :say="say"
        @close="colours = false"
      />
      <p v-if="lot" class="ml-auto text-sm">
        {{ say(`${lot.drifted} of ${lot.read} ${lot.kind} read are out of tolerance.`) }}
        <RouterLink to="/house" class="font-semibold text-accent underline underline-offset-4">
          Replace the lot?
        </RouterLink>
      </p>
    </div>
    <p v-if="ledger.rows.length === 0" class="p-8">
      The parts come with the set’s circuit.
      <RouterLink :to="`/sets/${setId}/circuit`" class="font-semibold text-accent underline underline-offset-4">
        Give it its circuit
      </RouterLink>
      by its tubes in one line, and they stand here.
    </p>
    <div v-else class="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <DrawnLedger v-if="drawn" :set-id="setId" :rows="ledger.rows" :current="current" :say="say" @choose="show" />
      <div v-else class="min-h-0 overflow-auto bg-sheet" tabindex="-1">
        <LedgerList :rows="rows" :current="current" :say="say" @choose="choose" />
      </div>
      <aside v-if="row" class="min-h-0 overflow-auto border-l border-line bg-raised max-lg:border-t" aria-label="Part">
        <PartDetail :set-id="setId" :row="row" :doors="doors" :say="say" :when="when" />
      </aside>
    </div>
    <NextAct :set-id="setId" :next="ledger.guide" />
    <PartsStrip
      v-if="ledger.rows.length > 0"
      ref="strip"
      :set-id="setId"
      :row="row"
      :following="rows[at + 1]"
      :placing="placing"
      :instrument="instrument"
      :doors="doors"
      :say="say"
      @move="move"
      @kept="move(1)"
    />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out what is known of each part…</p>
</template>
