<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ArrowLeftIcon } from '@heroicons/vue/24/outline'
import { reactive, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'

/** What a transformer must give, candidates against it, turns to take off, a field coil's stand-in, warmth of copper. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const client = useQueryClient()
const params = () => ({ path: { setId: props.setId } })
const { data: shop, error } = useQuery({
  queryKey: ['workshop', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/workshop', { params: params() }))),
})
type Tool = 'candidate' | 'turns' | 'field' | 'copper'
const tool = ref<Tool>('candidate')
function choose(id: typeof tool.value) {
  tool.value = id
  problem.value = null
}
const tools: readonly { id: Tool; name: string }[] = [
  { id: 'candidate', name: 'Another transformer' },
  { id: 'turns', name: 'Turns to take off' },
  { id: 'field', name: 'Instead of a field coil' },
  { id: 'copper', name: 'Warmth by resistance' },
]
const problem = ref<Problem | null>(null)
const candidate = reactive({
  name: '',
  va: '',
  highVolts: '',
  amperes: '',
  centreTap: 'FREE' as Schemas['CandidateEdit']['centreTap'],
  heaterVolts: '6.3',
  heaterAmperes: '',
  rectifierVolts: '',
  rectifierAmperes: '',
  fits: true,
  keep: false,
})
const compared = ref<Schemas['ComparedView'] | null>(null)
const turns = reactive({
  primaryTurns: '',
  testVolts: '',
  lineVolts: '',
  wantedVolts: '',
  amperes: '',
  windingOhms: '',
  primaryOhms: '',
  turnsNow: '',
  outermost: true,
})
const turned = ref<Schemas['TurnsView'] | null>(null)
const field = reactive({ ohms: '', amperes: '', chokeOhms: '' })
const fielded = ref<Schemas['FieldView'] | null>(null)
const copper = reactive({ coldOhms: '', coldCelsius: '21', hotOhms: '' })
const warmth = ref<Schemas['CopperView'] | null>(null)

async function settle<T>(answer: ReturnType<typeof ask<T>>, into: { value: T | null }) {
  const settled = await answer
  problem.value = settled.kind === 'failed' ? settled.problem : null
  into.value = settled.kind === 'ready' ? settled.value : null
}
async function compare() {
  await settle(
    ask(
      http.POST('/api/sets/{setId}/workshop/candidates', {
        params: params(),
        body: { id: crypto.randomUUID(), ...candidate },
      }),
    ),
    compared,
  )
  if (candidate.keep && compared.value) await client.invalidateQueries({ queryKey: ['workshop'] })
}
const reckonTurns = () =>
  settle(ask(http.POST('/api/sets/{setId}/workshop/turns', { params: params(), body: turns })), turned)
const reckonField = () =>
  settle(ask(http.POST('/api/sets/{setId}/workshop/field', { params: params(), body: field })), fielded)
const reckonCopper = () =>
  settle(ask(http.POST('/api/sets/{setId}/workshop/copper', { params: params(), body: copper })), warmth)
async function gone(id: string) {
  await ask(http.DELETE('/api/sets/{setId}/workshop/candidates/{id}', { params: { path: { setId: props.setId, id } } }))
  await client.invalidateQueries({ queryKey: ['workshop'] })
}
</script>

<template>
  <div v-if="shop" class="grid grid-cols-1 gap-x-8 gap-y-6 p-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
    <section aria-labelledby="size">
      <RouterLink :to="`/sets/${setId}/cold`" class="flex min-h-11 w-fit items-center gap-1 text-accent">
        <ArrowLeftIcon class="size-5" aria-hidden="true" />
        The plan
      </RouterLink>
      <h2 id="size" class="text-xl font-semibold">What it must give</h2>
      <p v-if="!shop.size" class="mt-2">{{ say(shop.without) }}</p>
      <template v-else>
        <p class="mt-2">
          <span class="font-figures text-4xl font-semibold">{{ say(shop.size.wantedVa) }}</span>
          <span class="ml-2 text-soft">with headroom; the load is {{ say(shop.size.loadVa) }}</span>
        </p>
        <dl class="mt-3 divide-y divide-line border-y border-line">
          <div v-for="heaters in shop.size.heaters" :key="heaters.volts + heaters.rectifier" class="py-1.5">
            <dt class="text-sm text-soft">{{ heaters.rectifier ? 'Rectifier’s own winding' : 'Heaters' }}</dt>
            <dd>
              <span class="font-figures text-lg font-semibold">
                {{ say(heaters.volts) }}, {{ say(heaters.amperes) }}
              </span>
              <span class="block text-sm leading-tight text-soft">{{ heaters.tubes.join(', ') }}</span>
            </dd>
          </div>
          <div class="py-1.5">
            <dt class="text-sm text-soft">
              {{ say('B+, plates and screens') }}
              {{ shop.size.byEngine ? 'at the real voltages' : 'by published points' }}
            </dt>
            <dd>
              <span class="font-figures text-lg font-semibold">{{ say(shop.size.supply) }}</span>
              <span class="text-soft">; buy {{ say(shop.size.wantedAmperes) }}</span>
            </dd>
          </div>
          <div v-if="shop.size.highVolts" class="py-1.5">
            <dt class="text-sm text-soft">High voltage under load</dt>
            <dd class="font-figures text-lg font-semibold">
              {{ shop.size.halves > 1 ? `${say(shop.size.highVolts)} each half` : say(shop.size.highVolts) }}
            </dd>
          </div>
        </dl>
        <details class="mt-2 text-sm">
          <summary class="min-h-9 content-center text-soft">The arithmetic</summary>
          <p v-for="line in shop.size.arithmetic" :key="line" class="font-figures leading-snug">{{ say(line) }}</p>
        </details>
        <details class="text-sm">
          <summary class="min-h-9 content-center text-soft">Loads for a test of an hour on the bench</summary>
          <ul class="divide-y divide-line border-y border-line">
            <li v-for="load in shop.size.loads" :key="load.winding" class="flex flex-wrap justify-between gap-x-3 py-1">
              <span>{{ say(load.winding) }}</span>
              <span class="font-figures">{{ say(load.ohms) }}, {{ say(load.watts) }}</span>
            </li>
          </ul>
          <p class="mt-1 leading-snug">
            Resistors of twice these watts, off the bench top. Full line through a limiter first; read the copper’s
            warmth by its resistance after an hour. These windings carry their full volts: clip on with the plug out,
            one hand, nobody alone.
          </p>
        </details>
      </template>
    </section>
    <section class="min-w-0" aria-label="Tools">
      <div class="flex flex-wrap gap-x-1 border-b border-line" role="tablist" aria-label="Tools">
        <button
          v-for="one in tools"
          :id="`tab-${one.id}`"
          :key="one.id"
          role="tab"
          :aria-selected="tool === one.id"
          :aria-controls="`panel-${one.id}`"
          class="min-h-11 border-b-4 px-3"
          :class="tool === one.id ? 'border-accent font-semibold' : 'border-transparent text-soft'"
          @click="choose(one.id)"
        >
          {{ one.name }}
        </button>
      </div>
      <div
        v-if="tool === 'candidate'"
        id="panel-candidate"
        role="tabpanel"
        aria-labelledby="tab-candidate"
        class="pt-4"
      >
        <p v-if="!shop.size" class="text-soft">Candidates are compared once the set has a transformer to replace.</p>
        <template v-else>
          <ul v-if="shop.stock.length > 0" class="mb-4 divide-y divide-line border-y border-line" aria-label="In stock">
            <li v-for="one in shop.stock" :key="one.id" class="py-2">
              <div class="flex items-start gap-2">
                <VerdictMark class="mt-0.5" :verdict="one.compared.word" />
                <p class="flex-1">
                  <strong>{{ say(one.compared.sentence) }}</strong>
                </p>
                <AppButton look="quiet" @click="gone(one.id)">
                  Gone
                  <span class="sr-only">: {{ one.name }}</span>
                </AppButton>
              </div>
              <details class="pl-7 text-sm">
                <summary class="min-h-8 content-center text-soft">Point by point</summary>
                <ul>
                  <li
                    v-for="result in one.compared.results"
                    :key="result.label"
                    class="grid grid-cols-[1.5rem_10rem_1fr] items-start gap-x-2 py-0.5"
                  >
                    <VerdictMark class="size-4!" :verdict="result.word" />
                    <span>{{ say(result.label) }}</span>
                    <span>
                      <span class="font-figures font-semibold">{{ say(result.value) }}</span>
                      <span class="text-soft">{{ say(result.note) }}</span>
                    </span>
                  </li>
                </ul>
              </details>
            </li>
          </ul>
          <form class="space-y-3" @submit.prevent="compare">
            <h3 class="text-lg font-semibold">One that you have in hand</h3>
            <div class="flex flex-wrap gap-4">
              <TextField v-model="candidate.name" class="w-64!" label="Called" :fault="faultAt(problem, 'name')" />
              <TextField v-model="candidate.va" class="w-28!" label="Power" unit="VA" :fault="faultAt(problem, 'va')" />
            </div>
            <div class="flex flex-wrap items-start gap-4">
              <TextField
                v-model="candidate.highVolts"
                class="w-36!"
                label="High voltage"
                unit="V"
                hint="each half"
                :fault="faultAt(problem, 'highVolts')"
              />
              <TextField
                v-model="candidate.amperes"
                class="w-36!"
                :label="say('B+ current')"
                unit="A"
                hint="0.08, or 80m"
                :fault="faultAt(problem, 'amperes')"
              />
              <ChoiceField
                v-model="candidate.centreTap"
                class="w-52!"
                label="Centre tap"
                :options="[
                  { id: 'FREE', name: 'brought out, free' },
                  { id: 'GROUNDED', name: 'grounded inside' },
                  { id: 'NONE', name: 'none' },
                ]"
              />
            </div>
            <div class="flex flex-wrap gap-4">
              <TextField
                v-model="candidate.heaterVolts"
                class="w-28!"
                label="Heaters"
                unit="V"
                :fault="faultAt(problem, 'heaterVolts')"
              />
              <TextField
                v-model="candidate.heaterAmperes"
                class="w-28!"
                label="at"
                unit="A"
                :fault="faultAt(problem, 'heaterAmperes')"
              />
              <TextField
                v-model="candidate.rectifierVolts"
                class="w-36!"
                label="Rectifier’s heater"
                unit="V"
                :fault="faultAt(problem, 'rectifierVolts')"
              />
              <TextField
                v-model="candidate.rectifierAmperes"
                class="w-28!"
                label="at"
                unit="A"
                :fault="faultAt(problem, 'rectifierAmperes')"
              />
            </div>
            <div class="flex flex-wrap gap-x-6">
              <TickField v-model="candidate.fits" label="Fits its place" />
              <TickField v-model="candidate.keep" label="Keep it in stock" />
            </div>
            <AppButton look="main" type="submit">Compare</AppButton>
          </form>
          <div v-if="compared" class="mt-4" role="status">
            <p class="flex items-center gap-2 text-lg font-semibold">
              <VerdictMark class="size-6!" :verdict="compared.word" />
              {{ say(compared.sentence) }}
            </p>
            <ul class="mt-2 divide-y divide-line border-y border-line">
              <li
                v-for="result in compared.results"
                :key="result.label"
                class="grid grid-cols-[1.5rem_10rem_1fr] items-start gap-x-2 py-1"
              >
                <VerdictMark class="mt-0.5 size-4!" :verdict="result.word" />
                <span>{{ say(result.label) }}</span>
                <span>
                  <span class="font-figures font-semibold">{{ say(result.value) }}</span>
                  <span class="text-soft">{{ say(result.note) }}</span>
                </span>
              </li>
            </ul>
          </div>
        </template>
      </div>
      <div v-else-if="tool === 'turns'" id="panel-turns" role="tabpanel" aria-labelledby="tab-turns" class="pt-4">
        <form class="space-y-3" @submit.prevent="reckonTurns">
          <div class="flex flex-wrap gap-4">
            <TextField
              v-model="turns.primaryTurns"
              label="Turns of the primary"
              hint="empty when not known"
              :fault="faultAt(problem, 'primaryTurns')"
            />
            <TextField
              v-model="turns.testVolts"
              label="or ten test turns give"
              unit="V"
              hint="wound over it, at this line"
              :fault="faultAt(problem, 'testVolts')"
            />
            <TextField
              v-model="turns.lineVolts"
              :label="say('at a line of')"
              unit="V"
              :fault="faultAt(problem, 'lineVolts')"
            />
          </div>
          <div class="flex flex-wrap gap-4">
            <TextField
              v-model="turns.wantedVolts"
              label="Wanted under load"
              unit="V"
              :fault="faultAt(problem, 'wantedVolts')"
            />
            <TextField
              v-model="turns.amperes"
              label="at, RMS"
              unit="A"
              hint="0 for no-load volts"
              :fault="faultAt(problem, 'amperes')"
            />
            <TextField
              v-model="turns.windingOhms"
              label="This winding"
              unit="Ω"
              :fault="faultAt(problem, 'windingOhms')"
            />
            <TextField v-model="turns.primaryOhms" label="Primary" unit="Ω" :fault="faultAt(problem, 'primaryOhms')" />
          </div>
          <div class="flex flex-wrap items-end gap-4">
            <TextField v-model="turns.turnsNow" label="Turns it has now" :fault="faultAt(problem, 'turnsNow')" />
            <TickField v-model="turns.outermost" label="It is the outermost winding" />
          </div>
          <AppButton look="main" type="submit">Calculate</AppButton>
        </form>
        <div v-if="turned" class="mt-4" role="status">
          <p class="flex items-start gap-2 text-lg font-semibold">
            <VerdictMark class="mt-0.5 size-6!" :verdict="turned.word" />
            {{ say(turned.sentence) }}
          </p>
          <ol class="mt-1 list-decimal pl-8">
            <li v-for="step in turned.steps" :key="step">{{ step }}</li>
          </ol>
          <p v-for="line in turned.arithmetic" :key="line" class="font-figures text-sm text-soft">{{ say(line) }}</p>
        </div>
      </div>
      <div v-else-if="tool === 'field'" id="panel-field" role="tabpanel" aria-labelledby="tab-field" class="pt-4">
        <form class="flex flex-wrap items-start gap-4" @submit.prevent="reckonField">
          <TextField v-model="field.ohms" label="The coil, hot" unit="Ω" :fault="faultAt(problem, 'ohms')" />
          <TextField
            v-model="field.amperes"
            label="Its current"
            unit="A"
            hint="44.7m"
            :fault="faultAt(problem, 'amperes')"
          />
          <TextField
            v-model="field.chokeOhms"
            label="A choke, if any, has"
            unit="Ω"
            :fault="faultAt(problem, 'chokeOhms')"
          />
          <div class="pt-6"><AppButton look="main" type="submit">Calculate</AppButton></div>
        </form>
        <div v-if="fielded" class="mt-4" role="status">
          <p class="text-lg">
            <strong class="font-figures">{{ say(`${fielded.resistor},`) }}</strong>
            {{ say(fielded.resistorWatts) }}
          </p>
          <p v-if="fielded.beside" class="font-semibold">{{ say(fielded.beside) }}</p>
          <p class="mt-1">{{ say(fielded.sentence) }}</p>
          <p v-for="line in fielded.arithmetic" :key="line" class="font-figures text-sm text-soft">{{ say(line) }}</p>
        </div>
      </div>
      <div v-else id="panel-copper" role="tabpanel" aria-labelledby="tab-copper" class="pt-4">
        <form class="flex flex-wrap items-start gap-4" @submit.prevent="reckonCopper">
          <TextField v-model="copper.coldOhms" label="Cold" unit="Ω" :fault="faultAt(problem, 'coldOhms')" />
          <TextField
            v-model="copper.coldCelsius"
            class="w-28!"
            label="at"
            unit="°C"
            :fault="faultAt(problem, 'coldCelsius')"
          />
          <TextField
            v-model="copper.hotOhms"
            label="Right after switching off"
            unit="Ω"
            :fault="faultAt(problem, 'hotOhms')"
          />
          <div class="pt-6"><AppButton look="main" type="submit">Calculate</AppButton></div>
        </form>
        <p v-if="warmth" class="mt-4 flex items-center gap-2 text-lg" role="status">
          <VerdictMark class="size-6!" :verdict="warmth.word" />
          <strong class="font-figures">{{ say(warmth.celsius) }}</strong>
          {{ warmth.sentence }}
        </p>
      </div>
      <ProblemNote class="mt-3" :problem="problem && problem.errors.length === 0 ? problem : null" />
    </section>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out the size…</p>
</template>
