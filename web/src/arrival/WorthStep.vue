<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { faultAt, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useArrival } from './useArrival'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useArrival(() => props.setId)
const { data: worth, error } = doors.worth()
const form = reactive({ value: '', sentiment: '' })
const problem = ref<Problem | null>(null)
const job = reactive({ id: '', hours: '', price: '' })
const how = reactive<Record<string, string>>({})
const words = { SAY_WORTH: 'Say what it is worth', TEST_FIRST: 'Test first', STOP: 'Stop', GO: 'Go on' } as const
const looks = {
  SAY_WORTH: 'border-line',
  TEST_FIRST: 'border-doubt text-doubt',
  STOP: 'border-bad text-bad',
  GO: 'border-good text-good',
} as const
const states = { UNTESTED: 'not tested', DOUBTFUL: 'in doubt', SOUND: 'sound', LOST: 'lost' } as const
watch(
  worth,
  (w) => {
    if (w?.known && !form.value) Object.assign(form, { value: String(w.value), sentiment: String(w.sentiment) })
  },
  { immediate: true },
)
function money(amount: number): string {
  const figure = amount >= 100 || Number.isInteger(amount) ? String(Math.round(amount)) : amount.toFixed(1)
  const sign = worth.value?.money ?? ''
  return sign.length === 1 ? `${sign}${figure}` : `${figure} ${sign}`
}
const hours = (amount: number) => `${amount >= 10 ? Math.round(amount) : Number(amount.toFixed(2))} h`
/** Bars of the plan and of the worth on one scale. */
const scale = computed(() => Math.max(worth.value?.total ?? 0, worth.value?.ceiling ?? 0, 1))

async function keep() {
  const answer = await doors.sayWorth(form.value, form.sentiment)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
function edit(line: Schemas['WorthLine']) {
  Object.assign(job, { id: line.job, hours: String(line.each), price: String(line.priceEach) })
}
async function keepJob() {
  const answer = await doors.reckonJob(job.id, job.hours, job.price)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') job.id = ''
}
</script>

<template>
  <div v-if="worth" class="grid grid-cols-1 gap-8 p-5 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
    <section aria-labelledby="sum">
      <div class="rounded border-2 bg-sheet p-4" :class="looks[worth.verdict]" role="status">
        <h2 id="sum" class="text-2xl font-semibold">{{ words[worth.verdict] }}</h2>
        <p class="mt-1 text-ink">{{ say(worth.reason) }}</p>
      </div>
      <dl class="mt-4 space-y-2">
        <div>
          <dt>
            Plan:
            <strong class="font-figures">{{ money(worth.total) }}</strong>
            <span class="text-soft">· {{ hours(worth.hours) }} and {{ money(worth.parts) }} of parts</span>
          </dt>
          <dd>
            <svg class="h-5 w-full" aria-hidden="true">
              <rect height="20" :width="`${(worth.total / scale) * 100}%`" fill="var(--c-accent)" />
            </svg>
          </dd>
        </div>
        <div>
          <dt>
            Worth:
            <strong class="font-figures">{{ worth.known ? money(worth.ceiling) : 'not said yet' }}</strong>
          </dt>
          <dd>
            <svg class="h-5 w-full" aria-hidden="true">
              <rect height="20" :width="`${(worth.ceiling / scale) * 100}%`" fill="var(--c-good)" />
            </svg>
          </dd>
        </div>
      </dl>
      <details class="text-sm text-soft">
        <summary class="min-h-11 content-center">The sum</summary>
        <p v-for="line in worth.arithmetic" :key="line" class="font-figures">{{ say(line) }}</p>
      </details>
      <form class="mt-3 flex items-start gap-4" @submit.prevent="keep">
        <TextField
          v-model="form.value"
          label="Worth when restored"
          :unit="worth.money"
          :fault="faultAt(problem, 'value')"
        />
        <TextField
          v-model="form.sentiment"
          label="Sentiment adds"
          :unit="worth.money"
          hint="what this one is worth to its owner"
          :fault="faultAt(problem, 'sentiment')"
        />
        <AppButton look="main" type="submit" class="mt-6" :disabled="!form.value.trim()">Calculate</AppButton>
      </form>
      <ProblemNote class="mt-2" :problem="problem && problem.errors.length === 0 ? problem : null" />
      <h2 class="mt-6 text-lg font-semibold">Cannot be bought: test these first</h2>
      <ul class="mt-1">
        <li v-for="rare in worth.rare" :key="rare.subject" class="border-t border-line py-2">
          <div class="flex flex-wrap items-center gap-3">
            <p class="w-full">
              <strong class="inline-block first-letter:uppercase">{{ say(rare.name) }}</strong>
              <span
                :class="
                  rare.state === 'LOST'
                    ? 'font-semibold text-bad'
                    : rare.state === 'SOUND'
                      ? 'font-semibold text-good'
                      : rare.state === 'DOUBTFUL'
                        ? 'font-semibold text-doubt'
                        : 'text-soft'
                "
              >
                {{ states[rare.state] }}
              </span>
              <span class="block text-sm text-soft">{{ say(rare.why) }}</span>
            </p>
            <template v-if="rare.state === 'UNTESTED' || rare.state === 'DOUBTFUL'">
              <input
                v-model="how[rare.subject]"
                :aria-label="`What was read of the ${rare.name}`"
                placeholder="what was read"
                class="min-h-11 min-w-0 flex-1 rounded border border-line bg-raised px-2"
              />
              <AppButton @click="doors.tested(rare.subject, true, how[rare.subject] ?? '')">Sound</AppButton>
              <AppButton look="danger" @click="doors.tested(rare.subject, false, how[rare.subject] ?? '')">
                Lost
              </AppButton>
            </template>
          </div>
        </li>
      </ul>
    </section>
    <section aria-labelledby="plan">
      <h2 id="plan" class="text-lg font-semibold">The plan so far</h2>
      <p class="text-soft">
        From the circuit and the findings, at {{ money(worth.hourRate) }} an hour (house policy). Change what is
        different for this set.
      </p>
      <table class="mt-2 w-full">
        <thead class="text-left text-sm text-soft">
          <tr>
            <th class="font-normal">Job</th>
            <th class="text-right font-normal">Times</th>
            <th class="pl-2 text-right font-normal">Hours</th>
            <th class="pl-2 text-right font-normal">Parts</th>
            <th class="pl-2 text-right font-normal">Together</th>
            <th><span class="sr-only">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="line in worth.lines" :key="line.job">
            <tr class="border-t border-line">
              <td class="py-2">{{ say(line.label) }}</td>
              <td class="text-right font-figures">{{ line.count }}</td>
              <td class="pl-2 text-right font-figures whitespace-nowrap">{{ hours(line.hours) }}</td>
              <td class="pl-2 text-right font-figures whitespace-nowrap">{{ money(line.price) }}</td>
              <td class="pl-2 text-right font-figures font-semibold whitespace-nowrap">{{ money(line.cost) }}</td>
              <td class="text-right">
                <AppButton look="quiet" :aria-label="`Change ${line.label}`" @click="edit(line)">Change</AppButton>
              </td>
            </tr>
            <tr v-if="job.id === line.job">
              <td colspan="6" class="pb-3">
                <form class="flex flex-wrap items-end gap-3" @submit.prevent="keepJob">
                  <TextField v-model="job.hours" class="w-32!" label="Hours for one" unit="h" />
                  <TextField v-model="job.price" class="w-36!" label="Parts for one" :unit="worth.money" />
                  <AppButton type="submit">Keep</AppButton>
                  <AppButton look="quiet" @click="job.id = ''">Cancel</AppButton>
                </form>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </section>
  </div>
  <p v-else-if="error" role="alert" class="p-5 text-bad">{{ error.message }}</p>
</template>
