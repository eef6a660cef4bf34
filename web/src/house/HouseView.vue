<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { faultAt, type Problem, type Schemas } from '../api/client'
import { session } from '../account/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import PageFrame from '../ui/PageFrame.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import EquipmentList from './EquipmentList.vue'
import InstrumentList from './InstrumentList.vue'

const { shop, say, save } = useShop()
type Edit = Schemas['ShopEdit']
const words = reactive({
  name: '',
  money: '',
  timeZone: '',
  vocabulary: 'NORTH_AMERICAN' as Edit['vocabulary'],
  decimalSign: 'POINT' as Edit['decimalSign'],
})
const figures = reactive({
  lineVolts: '',
  lineHertz: '',
  spreadPercent: '',
  doubtPercent: '',
  gridRiseVolts: '',
  wattsMargin: '',
  driftPercent: '',
  heaterOverPercent: '',
  safeVolts: '',
  bleedOhms: '',
  insulationMegohms: '',
  touchMilliamperes: '',
  halvesPercent: '',
  vaHeadroom: '',
  usualSpreadPercent: '',
  loadApartPercent: '',
  proportionApartPercent: '',
  injectionVolts: '',
  instrumentTrustPercent: '',
  copperDoubtfulCelsius: '',
  copperMostCelsius: '',
  hourRate: '',
})
type Figure = keyof typeof figures
const problem = ref<Problem | null>(null)
const kept = ref(false)

watch(
  shop,
  (s) => {
    if (!s) return
    Object.assign(words, {
      name: s.name,
      money: s.money,
      timeZone: s.timeZone,
      vocabulary: s.vocabulary,
      decimalSign: s.decimalSign,
    })
    for (const key of Object.keys(figures) as Figure[]) figures[key] = String(s[key])
  },
  { immediate: true },
)

const fields: readonly { key: Figure; label: string; unit: string; why: string }[] = [
  { key: 'lineVolts', label: 'Line voltage here', unit: 'V', why: 'A new set starts with it' },
  { key: 'lineHertz', label: 'Line frequency', unit: 'Hz', why: '50 or 60' },
  { key: 'spreadPercent', label: 'Normal spread', unit: '%', why: '10 for close work; 20 is what most sheets promise' },
  { key: 'doubtPercent', label: 'Then doubtful for', unit: '%', why: 'Beyond spread and this it is wrong' },
  { key: 'gridRiseVolts', label: 'Grid may rise', unit: 'V', why: 'More is a leak or gas' },
  {
    key: 'wattsMargin',
    label: 'Resistor rating at least',
    unit: '×',
    why: 'its heat; twice is usual, three in closed cases',
  },
  { key: 'driftPercent', label: 'Drift over warm minutes', unit: '%', why: 'More and it is said' },
  { key: 'heaterOverPercent', label: 'Heaters may run over', unit: '%', why: '10 by most data sheets; 5 spares them' },
  { key: 'safeVolts', label: 'Discharged at or below', unit: 'V', why: '30 is usual; some say 24' },
  { key: 'bleedOhms', label: 'Bleed resistor', unit: 'Ω', why: '10000 bleeds a filter in a second or two' },
  {
    key: 'insulationMegohms',
    label: 'Insulation at least',
    unit: 'MΩ',
    why: '10 is the least most accept; 100 is better',
  },
  {
    key: 'touchMilliamperes',
    label: 'Touch current at most',
    unit: 'mA',
    why: 'Local rules come first; 0.5 is common',
  },
  {
    key: 'halvesPercent',
    label: 'Halves of a winding may differ',
    unit: '%',
    why: '15: the outer half is longer wire',
  },
  { key: 'vaHeadroom', label: 'Transformer headroom', unit: '×', why: 'its load; 1.25 is usual' },
  { key: 'loadApartPercent', label: 'Output load may be off', unit: '%', why: 'Many makers allowed 40' },
  {
    key: 'proportionApartPercent',
    label: 'A winding may stray',
    unit: '%',
    why: 'From proportion, and halves apart, when fed',
  },
  { key: 'injectionVolts', label: 'Any winding when fed, at most', unit: 'V', why: '30 is what a hand may meet' },
  { key: 'instrumentTrustPercent', label: 'Instrument may be off', unit: '%', why: 'On a known-good part' },
  {
    key: 'usualSpreadPercent',
    label: 'Usual values lie within',
    unit: '%',
    why: 'What such sets have, when this one is not known',
  },
  { key: 'copperDoubtfulCelsius', label: 'Winding doubtful from', unit: '°C', why: '85 for old paper and enamel' },
  { key: 'copperMostCelsius', label: 'Winding at most', unit: '°C', why: '105 is the end of class A' },
  { key: 'hourRate', label: 'An hour here costs', unit: '', why: 'For the sum of Worth it?' },
]

async function keep() {
  const s = shop.value
  if (!s) return
  const numbers = Object.fromEntries(
    Object.entries(figures).map(([key, text]) => [key, Number(text.replace(',', '.'))]),
  ) as Record<Figure, number>
  const bad = fields.find((field) => !Number.isFinite(numbers[field.key]) || !figures[field.key].trim())
  if (bad) {
    problem.value = {
      type: '',
      title: '',
      detail: '',
      errors: [
        {
          pointer: `#/${bad.key}`,
          code: 'not_a_number',
          detail: `“${figures[bad.key]}” is not a number; write it like ${s[bad.key]}.`,
        },
      ],
    }
    return
  }
  const answer = await save({ ...words, ...numbers, version: s.version })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  kept.value = answer.kind === 'ready'
}
</script>

<template>
  <PageFrame title="House policy" hint="What this shop decides for itself">
    <div v-if="shop" class="grid max-w-6xl grid-cols-1 gap-10 p-6 lg:grid-cols-2">
      <form class="space-y-5" @submit.prevent="keep">
        <div class="flex flex-wrap gap-4">
          <TextField v-model="words.name" label="Shop" :fault="faultAt(problem, 'name')" />
          <TextField v-model="words.timeZone" label="Time zone" :fault="faultAt(problem, 'timeZone')" />
          <TextField v-model="words.money" class="w-24!" label="Money" :fault="faultAt(problem, 'money')" />
        </div>
        <div class="flex flex-wrap gap-4">
          <ChoiceField
            v-model="words.vocabulary"
            label="Words"
            :options="[
              { id: 'NORTH_AMERICAN', name: 'tube, plate, B+, line' },
              { id: 'BRITISH_EUROPEAN', name: 'valve, anode, HT, mains' },
            ]"
          />
          <ChoiceField
            v-model="words.decimalSign"
            label="Decimal sign"
            :options="[
              { id: 'POINT', name: 'point: 82.4' },
              { id: 'COMMA', name: 'comma: 82,4' },
            ]"
          />
        </div>
        <div class="flex flex-wrap gap-x-6 gap-y-4">
          <TextField
            v-for="field in fields"
            :key="field.key"
            v-model="figures[field.key]"
            class="w-56!"
            :label="say(field.label)"
            :unit="field.unit"
            :hint="field.why"
            :fault="faultAt(problem, field.key)"
          />
        </div>
        <ProblemNote :problem="problem?.detail ? problem : null" />
        <div class="flex items-center gap-4">
          <AppButton v-if="session.owns.value" look="main" type="submit">Save the policy</AppButton>
          <span v-else class="text-soft">The shop’s owner keeps the policy.</span>
          <span v-if="kept" role="status" class="text-good">Saved. Verdicts updated.</span>
        </div>
      </form>
      <div class="space-y-10">
        <InstrumentList />
        <EquipmentList />
      </div>
    </div>
  </PageFrame>
</template>
