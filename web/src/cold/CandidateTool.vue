<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { ask, http, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TickField from '../ui/TickField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { useReckoning } from './reckon'
import ReckonForm from './ReckonForm.vue'
import ResultList from './ResultList.vue'

/** Transformers in stock, and one in hand, against what the set needs. */
const props = defineProps<{ setId: string; stock: Schemas['StockView'][] }>()
const { say } = useShop()
const client = useQueryClient()
const more = reactive({ centreTap: 'FREE' as Schemas['CandidateEdit']['centreTap'], fits: true, keep: false })
const { figures, result, problem, run } = useReckoning(
  {
    name: '',
    va: '',
    highVolts: '',
    amperes: '',
    heaterVolts: '6.3',
    heaterAmperes: '',
    rectifierVolts: '',
    rectifierAmperes: '',
  },
  (typed) =>
    ask(
      http.POST('/api/sets/{setId}/workshop/candidates', {
        params: { path: { setId: props.setId } },
        body: { id: crypto.randomUUID(), ...typed, ...more },
      }),
    ),
)
const changed = () =>
  client.invalidateQueries({ predicate: (q) => ['workshop', 'stock'].includes(String(q.queryKey[0])) })

async function compare() {
  await run()
  if (more.keep && result.value) await changed()
}
async function take(id: string, reason: Schemas['StockMoveEdit']['reason']) {
  await ask(
    http.POST('/api/stock/{id}/moves', {
      params: { path: { id } },
      body: { id: crypto.randomUUID(), quantity: -1, reason, setId: reason === 'USED' ? props.setId : null, note: '' },
    }),
  )
  await changed()
}
</script>

<template>
  <ul v-if="stock.length > 0" class="mb-4 divide-y divide-line border-y border-line" aria-label="In stock">
    <li v-for="one in stock" :key="one.id" class="py-2">
      <div class="flex flex-wrap items-start gap-2">
        <VerdictMark class="mt-0.5" :verdict="one.compared.word" />
        <p class="min-w-0 flex-1">
          <strong>{{ say(one.compared.sentence) }}</strong>
          <span v-if="one.onHand > 1" class="text-soft">{{ ` ${one.onHand} there.` }}</span>
        </p>
        <AppButton look="quiet" :aria-label="`Use ${one.name} in this set`" @click="take(one.id, 'USED')">
          Use it here
        </AppButton>
        <AppButton look="quiet" :aria-label="`Scrap ${one.name}`" @click="take(one.id, 'SCRAPPED')">Scrap</AppButton>
      </div>
      <details class="pl-7 text-sm">
        <summary class="min-h-8 content-center text-soft">Point by point</summary>
        <ResultList :results="one.compared.results" />
      </details>
    </li>
  </ul>
  <h3 class="mb-3 text-lg font-semibold">One that you have in hand</h3>
  <ReckonForm
    v-model="figures"
    action="Compare"
    :problem="problem"
    :rows="[
      [
        { key: 'name', label: 'Called', wide: true },
        { key: 'va', label: 'Power', unit: 'VA' },
      ],
      [
        { key: 'highVolts', label: 'High voltage', unit: 'V', hint: 'each half' },
        { key: 'amperes', label: 'B+ current', unit: 'A', hint: '0.08, or 80m' },
      ],
      [
        { key: 'heaterVolts', label: 'Heaters', unit: 'V' },
        { key: 'heaterAmperes', label: 'at', unit: 'A' },
        { key: 'rectifierVolts', label: 'Rectifier’s heater', unit: 'V' },
        { key: 'rectifierAmperes', label: 'at', unit: 'A' },
      ],
    ]"
    @reckon="compare"
  >
    <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
      <ChoiceField
        v-model="more.centreTap"
        class="w-52!"
        label="Centre tap"
        :options="[
          { id: 'FREE', name: 'brought out, free' },
          { id: 'GROUNDED', name: 'grounded inside' },
          { id: 'NONE', name: 'none' },
        ]"
      />
      <TickField v-model="more.fits" label="Fits its place" />
      <TickField v-model="more.keep" label="Keep it in stock" />
    </div>
  </ReckonForm>
  <div v-if="result" class="mt-4" role="status">
    <p class="mb-2 flex items-center gap-2 text-lg font-semibold">
      <VerdictMark class="size-6!" :verdict="result.word" />
      {{ say(result.sentence) }}
    </p>
    <ResultList :results="result.results" />
  </div>
</template>
