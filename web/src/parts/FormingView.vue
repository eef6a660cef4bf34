<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import CautionNote from '../ui/CautionNote.vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import ReformChart from './ReformChart.vue'
import { useLedger } from './useLedger'
import { useReform, type ReformView } from './useReform'

/** Electrolytics on their volts: several at once, each with its samples, its curve and what it comes to. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const { ledger } = useLedger(() => props.setId)
const { runs, error, usual, start, sample, end } = useReform(() => props.setId)
const parts = computed(() =>
  (ledger.value?.rows ?? [])
    .filter((row) => row.kind === 'ELECTROLYTIC')
    .map((row) => ({ id: row.reference, name: `${row.called}, ${row.marked}` })),
)
/** What forming does not bring back. */
const lost = computed(() => {
  const row = ledger.value?.rows.find((one) => one.reference === setup.part)
  return row && ['dried', 'open', 'shorted'].includes(row.state)
    ? `${row.called} is ${row.state}: forming does not cure that.`
    : ''
})
const setup = reactive({ part: String(useRoute().query['part'] ?? ''), supplyVolts: '', seriesOhms: '', shuntOhms: '' })
const needs = ref('')
const problem = ref<Problem | null>(null)
const typed = reactive<Record<string, { millivolts: string; volts: string }>>({})
const faults = reactive<Record<string, Problem | null>>({})

watch(parts, (all) => {
  if (!setup.part && all[0]) setup.part = all[0].id
})
watch(
  () => setup.part,
  async (part) => {
    if (!part) return
    const answer = await usual(part)
    problem.value = answer.kind === 'failed' ? answer.problem : null
    if (answer.kind === 'ready') {
      const { needs: said, ...figures } = answer.value
      Object.assign(setup, figures)
      needs.value = said
    }
  },
  { immediate: true },
)
async function begin() {
  const answer = await start({ ...setup })
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
const entry = (run: string) => (typed[run] ??= { millivolts: '', volts: '' })
async function keep(run: ReformView) {
  const { millivolts, volts } = entry(run.id)
  const answer = await sample(run.id, millivolts, volts)
  faults[run.id] = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') typed[run.id] = { millivolts: '', volts: '' }
}
const tone = (run: ReformView) =>
  ({
    GOOD: 'text-good',
    USABLE: 'text-doubt',
    GOING_ON: 'text-ink',
    WAITING: 'text-soft',
    NO_PROGRESS: 'text-bad',
    TOO_HOT: 'text-bad',
  })[run.state]
</script>

<template>
  <div class="h-full overflow-auto">
    <CautionNote>
      <p>
        Hundreds of volts stand on the leads for hours and stay after the supply is off: cover them, bleed before a hand
        goes in. A capacitor that gets warm may burst: glasses on, supply down.
      </p>
    </CautionNote>
    <section v-if="session.mayWrite.value" class="border-b border-line bg-sheet px-5 py-4" aria-labelledby="form-one">
      <h2 id="form-one" class="pb-2 text-lg font-semibold">Form a capacitor</h2>
      <p v-if="parts.length === 0" class="text-soft">This set has no electrolytic yet; they come with its circuit.</p>
      <form v-else class="flex flex-wrap items-end gap-4" @submit.prevent="begin">
        <ChoiceField v-model="setup.part" label="Capacitor" :options="parts" />
        <TextField
          v-model="setup.supplyVolts"
          class="w-32!"
          label="Supply"
          unit="V"
          :fault="faultAt(problem, 'supplyVolts')"
        />
        <TextField
          v-model="setup.seriesOhms"
          class="w-36!"
          label="Series resistor"
          unit="Ω"
          :fault="faultAt(problem, 'seriesOhms')"
        />
        <TextField
          v-model="setup.shuntOhms"
          class="w-32!"
          label="Shunt"
          unit="Ω"
          :fault="faultAt(problem, 'shuntOhms')"
        />
        <AppButton look="main" type="submit">Begin</AppButton>
      </form>
      <p v-if="lost" class="pt-2 font-semibold text-bad">{{ say(lost) }}</p>
      <p class="pt-2 text-sm text-soft">{{ say(needs) }} Check its polarity before the first volt.</p>
      <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
    </section>
    <p v-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
    <p v-else-if="runs && runs.length === 0" class="p-8 text-soft">
      No run yet. Each one shows here with its curve, how long it will take, and what it comes to.
    </p>
    <article
      v-for="run in runs ?? []"
      :key="run.id"
      class="grid gap-x-8 gap-y-3 border-b border-line bg-sheet px-5 py-4 lg:grid-cols-[minmax(0,1fr)_34rem]"
      :aria-label="`${run.part} forming`"
    >
      <div class="space-y-2">
        <h2 class="text-lg font-semibold">
          {{ run.part }}
          <span :class="tone(run)">{{ run.stateLabel }}</span>
          <span v-if="run.leak" class="font-figures font-normal">{{ ` ${say(run.leak)} · ${say(run.heat)}` }}</span>
        </h2>
        <p>{{ say(run.says) }}</p>
        <p class="text-sm text-soft">
          {{ say(run.setup) }}, begun {{ when(run.startedAt) }}{{ run.author ? ` by ${run.author}` : '' }}.
          <template v-if="run.endedAt">
            Ended {{ when(run.endedAt) }}{{ run.ending ? `: ${run.ending}` : '' }}.
          </template>
          <template v-else>{{ say(run.needs) }}</template>
        </p>
        <form
          v-if="!run.endedAt && session.mayWrite.value"
          class="flex flex-wrap items-end gap-3"
          @submit.prevent="keep(run)"
        >
          <TextField
            v-model="entry(run.id).millivolts"
            class="w-32!"
            label="Across the shunt"
            unit="mV"
            :fault="faultAt(faults[run.id] ?? null, 'millivolts')"
          />
          <TextField
            v-model="entry(run.id).volts"
            class="w-32!"
            label="Across it"
            unit="V"
            :fault="faultAt(faults[run.id] ?? null, 'volts')"
          />
          <AppButton look="main" type="submit">Keep</AppButton>
          <AppButton @click="end(run.id, run.stateLabel)">End the run</AppButton>
        </form>
        <ProblemNote v-if="faults[run.id] && faults[run.id]!.errors.length === 0" :problem="faults[run.id] ?? null" />
      </div>
      <ReformChart v-if="run.points.length > 1" :run="run" />
    </article>
  </div>
</template>
