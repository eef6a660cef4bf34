<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { session } from '../account/session'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import CurvePanel from './CurvePanel.vue'
import LeadProof from './LeadProof.vue'
import RadioSketch from './RadioSketch.vue'
import { useAlignment } from './useAlignment'

/** Figures of transmitters, crystals and preselectors, and the intermediate frequency by a counter. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const client = useQueryClient()
const { alignment } = useAlignment(() => props.setId)
const path = () => ({ path: { setId: props.setId } })
const query = useQuery({
  queryKey: ['radio-readings', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/radio-readings', { params: path() }))),
})
const radio = query.data
type What = Schemas['RadioEdit']['what']
const kinds: { id: What; name: string; first: string; firstUnit: string; second: string; secondUnit: string }[] = [
  {
    id: 'POWER',
    name: 'Carrier into the dummy load',
    first: 'Across the load',
    firstUnit: 'V',
    second: 'Load',
    secondUnit: 'Ω',
  },
  {
    id: 'PEAK_POWER',
    name: 'Two tones: peak of the envelope',
    first: 'Peak to peak',
    firstUnit: 'V',
    second: 'Load',
    secondUnit: 'Ω',
  },
  {
    id: 'DEPTH',
    name: 'Depth of modulation',
    first: 'Widest height',
    firstUnit: 'div',
    second: 'Narrowest',
    secondUnit: 'div',
  },
  {
    id: 'CRYSTAL',
    name: 'Crystal or spot frequency',
    first: 'Counted',
    firstUnit: 'kHz',
    second: 'Marked',
    secondUnit: 'kHz',
  },
  {
    id: 'PRESELECTOR_GAIN',
    name: 'Preselector: gain',
    first: 'Level with it',
    firstUnit: 'µV',
    second: 'Without it',
    secondUnit: 'µV',
  },
  {
    id: 'PRESELECTOR_REJECTION',
    name: 'Preselector: rejection',
    first: 'Level at its peak',
    firstUnit: 'µV',
    second: 'Beside it',
    secondUnit: 'µV',
  },
]
const form = reactive({
  what: 'POWER' as What,
  volts: 'RMS' as Schemas['RadioEdit']['volts'],
  name: '',
  first: '',
  second: '50',
})
const kind = computed(() => kinds.find((one) => one.id === form.what) ?? kinds[0]!)
const problem = ref<Problem | null>(null)
async function keep() {
  const answer = await ask(
    http.POST('/api/sets/{setId}/radio-readings', {
      params: path(),
      body: { id: crypto.randomUUID(), ...form },
    }),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    client.setQueryData(['radio-readings', props.setId], answer.value)
    form.first = ''
  }
}
const load = reactive({ watts: '', rated: '', joules: '' })
const keyed = ref('')
const keyedProblem = ref<Problem | null>(null)
async function reckonKeyed() {
  const answer = await ask(http.POST('/api/sets/{setId}/radio-readings/keyed', { params: path(), body: { ...load } }))
  keyedProblem.value = answer.kind === 'failed' ? answer.problem : null
  keyed.value = answer.kind === 'ready' ? answer.value.says : ''
}
const counted = reactive({ oscillator: '', signal: '' })
const found = ref<Schemas['CountedView'] | null>(null)
const countedProblem = ref<Problem | null>(null)
async function reckonIf() {
  const answer = await ask(
    http.POST('/api/sets/{setId}/radio-readings/intermediate', { params: path(), body: { ...counted } }),
  )
  countedProblem.value = answer.kind === 'failed' ? answer.problem : null
  found.value = answer.kind === 'ready' ? answer.value : null
}
const plain = (value: number) => String(Number(value.toPrecision(4)))
</script>

<template>
  <p v-if="query.error.value" role="alert" class="p-6 text-bad">{{ say(query.error.value.message) }}</p>
  <div v-else-if="radio">
    <CautionNote>
      <p>{{ say(radio.caution) }}</p>
    </CautionNote>
    <div class="grid gap-6 px-5 py-4 lg:grid-cols-2">
      <section aria-labelledby="rf-figures">
        <h2 id="rf-figures" class="text-xl font-semibold">Radio-frequency figures</h2>
        <form class="mt-3 space-y-3" @submit.prevent="keep">
          <div class="flex flex-wrap items-start gap-3">
            <ChoiceField
              v-model="form.what"
              class="w-72!"
              label="What"
              :options="kinds.map((one) => ({ id: one.id, name: one.name }))"
            />
            <TextField v-model="form.name" class="w-40!" label="Band, crystal" hint="may stay empty" />
            <ChoiceField
              v-if="form.what === 'POWER'"
              v-model="form.volts"
              class="w-56!"
              label="Volts read as"
              :options="[
                { id: 'RMS', name: 'RMS' },
                { id: 'PEAK', name: 'Peak, diode probe' },
                { id: 'PEAK_TO_PEAK', name: 'Peak to peak, screen' },
              ]"
            />
          </div>
          <div class="flex flex-wrap items-start gap-3">
            <TextField
              v-model="form.first"
              class="w-40!"
              :label="kind.first"
              :unit="kind.firstUnit"
              :fault="
                faultAt(problem, 'first') ||
                faultAt(problem, 'volts') ||
                faultAt(problem, 'most') ||
                faultAt(problem, 'counted') ||
                faultAt(problem, 'level')
              "
            />
            <TextField
              v-model="form.second"
              class="w-40!"
              :label="kind.second"
              :unit="kind.secondUnit"
              :fault="faultAt(problem, 'second') || faultAt(problem, 'ohms')"
            />
            <AppButton
              type="submit"
              look="main"
              class="mt-6"
              :disabled="!session.mayWrite.value || !form.first.trim() || !form.second.trim()"
            >
              Keep
            </AppButton>
          </div>
          <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
        </form>
        <RadioSketch class="mt-4" :what="form.what" />
        <ul v-if="radio.readings.length" class="mt-4 divide-y divide-line border-y border-line">
          <li v-for="(one, i) in radio.readings" :key="i" class="flex flex-wrap items-baseline gap-x-4 py-2">
            <span class="w-36 font-figures text-lg">{{ say(plain(one.value)) }} {{ one.unit }}</span>
            <span class="font-semibold">{{ one.name ? `${one.name}: ` : '' }}{{ say(one.label) }}</span>
            <span class="text-sm text-soft">{{ say(one.from) }}</span>
          </li>
        </ul>
        <p v-else class="mt-4 max-w-prose text-soft">
          A carrier’s watts are volts squared over the load: RMS, or peak over two, or peak to peak over eight. Two
          equal tones without a carrier show the peak of the envelope the same way.
        </p>
      </section>
      <div class="space-y-6">
        <section v-if="alignment" class="rounded border border-line p-4" aria-labelledby="swept">
          <h2 id="swept" class="font-semibold">Intermediate frequency nobody knows, by a generator</h2>
          <p class="mb-2 text-sm text-soft">
            At the converter’s grid, oscillator stopped. Look for the peak first, then read around it.
          </p>
          <LeadProof v-if="alignment.lead" :set-id="setId" :bars="alignment.lead" />
          <CurvePanel
            v-else
            :set-id="setId"
            :names="['IF UNKNOWN']"
            :wanted="0"
            :detector="false"
            :curves="alignment.curves"
          />
        </section>
        <section class="rounded border border-line p-4" aria-labelledby="keyed">
          <h2 id="keyed" class="font-semibold">How long may the load be keyed?</h2>
          <form class="mt-2 space-y-2" @submit.prevent="reckonKeyed">
            <div class="flex flex-wrap gap-3">
              <TextField
                v-model="load.watts"
                class="w-24!"
                label="Power"
                unit="W"
                :fault="faultAt(keyedProblem, 'watts')"
              />
              <TextField
                v-model="load.rated"
                class="w-28!"
                label="It stands"
                unit="W"
                :fault="faultAt(keyedProblem, 'rated')"
              />
              <TextField
                v-model="load.joules"
                class="w-28!"
                label="Stores"
                unit="J"
                hint="oil, mass"
                :fault="faultAt(keyedProblem, 'joules')"
              />
            </div>
            <AppButton type="submit" :disabled="!load.watts.trim() || !load.rated.trim()">Reckon</AppButton>
            <p v-if="keyed" role="status" class="font-semibold">{{ say(keyed) }}</p>
          </form>
        </section>
        <section class="rounded border border-line p-4" aria-labelledby="unknown-if">
          <h2 id="unknown-if" class="font-semibold">Intermediate frequency by a counter</h2>
          <p class="text-sm text-soft">A known signal at its peak, a counter loosely on the oscillator.</p>
          <form class="mt-2 space-y-2" @submit.prevent="reckonIf">
            <div class="flex flex-wrap gap-3">
              <TextField
                v-model="counted.oscillator"
                class="w-36!"
                label="Oscillator"
                unit="kHz"
                :fault="faultAt(countedProblem, 'oscillator')"
              />
              <TextField
                v-model="counted.signal"
                class="w-36!"
                label="Signal"
                unit="kHz"
                :fault="faultAt(countedProblem, 'signal')"
              />
            </div>
            <AppButton type="submit" :disabled="!counted.oscillator.trim() || !counted.signal.trim()">Reckon</AppButton>
            <div v-if="found" role="status">
              <p class="font-figures text-2xl">{{ say(plain(found.kilohertz)) }} kHz</p>
              <p v-for="one in found.says" :key="one" class="text-sm">{{ say(one) }}</p>
            </div>
          </form>
        </section>
      </div>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Looking at its figures…</p>
</template>
