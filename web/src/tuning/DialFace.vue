<script setup lang="ts">
import { computed, nextTick, reactive, ref, useTemplateRef, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { signed } from '../player/speeds'
import DialChart from './DialChart.vue'
import TrackingPlan from './TrackingPlan.vue'
import { useDials } from './useDials'

/** A receiver's dial: what comes in where it stands, how far that is off, and what to turn. */
const props = defineProps<{ setId: string }>()
const { say: word, shop } = useShop()
const { dials, error, say, read } = useDials(() => props.setId)
const chosen = ref('')
const adding = ref(false)
const form = reactive({ name: 'MW', low: '530', high: '1605', intermediate: '455', oscillatorAbove: true })
const reading = reactive({ dial: '', actual: '', by: 'generator' })
const problem = ref<Problem | null>(null)
const actual = useTemplateRef<InstanceType<typeof TextField>>('actual')
const bands = computed(() => dials.value?.bands ?? [])
const at = computed(() => bands.value.find((one) => one.name === chosen.value) ?? bands.value[0] ?? null)
const text = (value: number) => (shop.value?.decimalSign === 'COMMA' ? String(value).replace('.', ',') : String(value))
watch(
  // By value: an answer that says the same must not overwrite what is being typed.
  [() => at.value?.name, () => at.value?.toRead[0]],
  () => (reading.dial = at.value?.toRead[0] ? text(at.value.toRead[0]) : ''),
  { immediate: true },
)
async function add() {
  const answer = await say({ ...form })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    chosen.value = form.name.trim()
    adding.value = false
    await nextTick()
    actual.value?.focus()
  }
}
async function keep() {
  if (!at.value) return
  const answer = await read({ band: at.value.name, ...reading })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    reading.actual = ''
    await nextTick()
    actual.value?.focus()
  }
}
</script>

<template>
  <p v-if="error" role="alert" class="p-6 text-bad">{{ error.message }}</p>
  <div v-else-if="dials">
    <CautionNote>
      <p>
        Generator and counter are earthed. On a chassis that may be live isolate the set first: a series capacitor alone
        leaves the generator’s ground on it: hands and heart at risk.
      </p>
    </CautionNote>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_25rem]">
      <div class="min-w-0 px-5 py-4">
        <div class="mb-3 flex flex-wrap items-center gap-2">
          <button
            v-for="one in bands"
            :key="one.name"
            class="flex min-h-11 items-center gap-2 rounded border px-4 font-semibold"
            :class="one.name === at?.name ? 'border-accent bg-mark' : 'border-line bg-raised'"
            :aria-pressed="one.name === at?.name"
            @click="chosen = one.name"
          >
            <VerdictMark
              v-if="one.points.length"
              :verdict="one.right ? 'GOOD' : one.points.some((p) => !p.right) ? 'BAD' : 'UNREAD'"
            />
            {{ one.name }}
          </button>
          <AppButton v-if="session.mayWrite.value" @click="adding = !adding">Add a band</AppButton>
        </div>
        <p v-if="bands.length === 0 && !adding" class="max-w-prose">
          No band yet. Add one with the ends of its dial and the intermediate frequency; then read what comes in at five
          places, and what to turn is said here.
        </p>
        <form
          v-if="adding || (bands.length === 0 && session.mayWrite.value)"
          class="mb-4 max-w-3xl space-y-3"
          @submit.prevent="add"
        >
          <div class="flex flex-wrap gap-3">
            <TextField v-model="form.name" class="w-24!" label="Band" :fault="faultAt(problem, 'name')" />
            <TextField
              v-model="form.low"
              class="w-32!"
              label="Dial from"
              unit="kHz"
              :fault="faultAt(problem, 'low') || faultAt(problem, 'lowKilohertz')"
            />
            <TextField v-model="form.high" class="w-32!" label="to" unit="kHz" :fault="faultAt(problem, 'high')" />
            <TextField
              v-model="form.intermediate"
              class="w-36!"
              label="Intermediate"
              unit="kHz"
              hint="0 for a set without"
              :fault="faultAt(problem, 'intermediate') || faultAt(problem, 'intermediateKilohertz')"
            />
          </div>
          <TickField v-model="form.oscillatorAbove" label="the oscillator runs above the signal, as nearly all do" />
          <p v-if="faultAt(problem, 'oscillatorAbove')" class="text-bad">{{ faultAt(problem, 'oscillatorAbove') }}</p>
          <AppButton type="submit" look="main">Save</AppButton>
        </form>
        <template v-if="at">
          <DialChart v-if="at.points.length" :band="at" :apart="dials.apartPercent" />
          <ol v-if="at.advice.length" class="my-3 max-w-3xl space-y-1 border-l-4 border-l-accent bg-mark px-4 py-3">
            <li v-for="one in at.advice" :key="one">{{ word(one) }}</li>
          </ol>
          <p v-else-if="at.right" class="my-3 font-semibold text-good">
            The dial shows what comes in, within {{ word(dials.apartPercent.toFixed(1)) }} %, at its ends and its
            middle.
          </p>
          <p v-else-if="at.points.length" class="my-3 text-soft">
            Read the low end, the middle and the high end before anything is turned.
          </p>
          <table v-if="at.points.length" class="w-full max-w-3xl">
            <thead class="text-left text-sm text-soft">
              <tr>
                <th class="font-normal">Dial shows</th>
                <th class="font-normal">Comes in</th>
                <th class="font-normal">Off</th>
                <th class="font-normal">Oscillator</th>
                <th class="font-normal">Image</th>
              </tr>
            </thead>
            <tbody class="font-figures">
              <tr v-for="one in at.points" :key="one.dial" class="border-t border-line">
                <td class="py-1">{{ word(text(one.dial)) }}</td>
                <td>{{ word(text(one.actual)) }}</td>
                <td :class="one.right ? '' : 'font-semibold text-bad'">{{ word(signed(one.offPercent, 1)) }} %</td>
                <td class="text-soft">{{ word(text(Math.round(one.oscillator * 10) / 10)) }}</td>
                <td class="text-soft">{{ word(text(Math.round(one.image * 10) / 10)) }}</td>
              </tr>
            </tbody>
          </table>
        </template>
      </div>
      <div v-if="at" class="border-line lg:border-l">
        <section v-if="session.mayWrite.value" class="border-b border-line px-5 py-4" aria-labelledby="read-dial">
          <h2 id="read-dial" class="mb-2 text-lg font-semibold">Read the dial of {{ at.name }}</h2>
          <form class="space-y-3" @submit.prevent="keep">
            <div class="flex flex-wrap gap-3">
              <TextField
                v-model="reading.dial"
                class="w-36!"
                label="Pointer at"
                unit="kHz"
                :fault="faultAt(problem, 'dial')"
              />
              <TextField
                ref="actual"
                v-model="reading.actual"
                class="w-36!"
                label="Comes in"
                unit="kHz"
                :fault="faultAt(problem, 'actual')"
              />
            </div>
            <ChoiceField
              v-model="reading.by"
              class="w-52!"
              label="Told by"
              :options="[
                { id: 'generator', name: 'Generator' },
                { id: 'counter on the oscillator', name: 'Counter, less the IF' },
                { id: 'a station', name: 'A station' },
              ]"
            />
            <AppButton type="submit" look="main" :disabled="!reading.dial.trim() || !reading.actual.trim()">
              Keep
            </AppButton>
          </form>
          <p class="mt-2 text-sm text-soft">
            Warm for twenty minutes, level low, peak by ear or meter.
            <template v-if="at.toRead.length">
              Then {{ at.toRead.map((one) => word(text(one))).join(', ') }} kHz.
            </template>
          </p>
          <ProblemNote v-if="problem && problem.errors.length === 0" class="mt-2" :problem="problem" />
        </section>
        <TrackingPlan v-if="at.intermediate > 0 && at.oscillatorAbove" :set-id="setId" :band="at" />
      </div>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Looking at the dial…</p>
</template>
