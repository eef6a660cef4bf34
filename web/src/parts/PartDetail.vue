<script setup lang="ts">
import { ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import LeakBar from './LeakBar.vue'
import type { Choice, LedgerRow, useLedger } from './useLedger'

/** One part: what it is, what its place allows, what was read and proves, what happens to it and by which rule. */
const props = defineProps<{
  setId: string
  row: LedgerRow
  doors: Pick<ReturnType<typeof useLedger>, 'decide' | 'takeBack'>
  say: (text: string) => string
  when: (instant: string) => string
}>()
const reason = ref('')
const problem = ref<Problem | null>(null)
watch(
  () => props.row.reference,
  () => {
    reason.value = ''
    problem.value = null
  },
)
const choices: { id: Choice; label: string }[] = [
  { id: 'REPLACE', label: 'Replace' },
  { id: 'KEEP', label: 'Keep, known' },
  { id: 'FORM', label: 'Form' },
  { id: 'HOUSE', label: 'By the house' },
]
async function decide(choice: Choice) {
  const answer = await props.doors.decide(props.row.reference, choice, reason.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') reason.value = ''
}
async function takeBack() {
  const last = props.row.entries[props.row.entries.length - 1]
  if (!last) return
  const answer = await props.doors.takeBack(last)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <div class="space-y-4 p-5" aria-live="polite">
    <div>
      <h2 class="text-lg leading-tight font-semibold">
        {{ row.called }}
        <span v-if="row.job" class="font-normal">{{ `· ${say(row.job)}` }}</span>
      </h2>
      <p class="text-soft">
        {{ say(row.marked) }}
        <span v-if="row.working">{{ say(` · ${row.working} across it at work`) }}</span>
      </p>
    </div>
    <div v-if="row.leastOhms !== null">
      <LeakBar :least="row.leastOhms" :read="row.leakOhms" :none="row.leakNone" />
      <p class="text-sm text-soft">{{ say(row.allowed) }}</p>
    </div>
    <div class="space-y-2">
      <p class="flex items-center gap-2 font-semibold" :class="looks[row.mark].text">
        <VerdictMark :verdict="row.mark" />
        {{ row.state }}
      </p>
      <p v-if="row.says">{{ say(row.says) }}</p>
      <p v-if="row.consequence">{{ say(`Left in: ${row.consequence}.`) }}</p>
      <p v-if="row.trial" class="text-sm">{{ say(row.trial) }}</p>
      <p v-if="row.at" class="text-sm text-soft">
        {{ when(row.at) }}
        <button
          v-if="session.mayWrite.value && row.entries.length > 0"
          type="button"
          class="ml-2 min-h-11 text-accent underline underline-offset-4"
          @click="takeBack"
        >
          Take the last reading back
        </button>
      </p>
      <p v-else-if="!row.says" class="text-soft">Not read yet.</p>
    </div>
    <div class="space-y-2 border-t border-line pt-4">
      <p>
        <strong class="capitalize">{{ row.decisionLabel }}.</strong>
        {{ say(row.because) }}
      </p>
      <template v-if="session.mayWrite.value">
        <TextField
          v-model="reason"
          class="w-full!"
          label="Reason, shown at hand-over"
          :fault="faultAt(problem, 'reason')"
        />
        <div class="flex flex-wrap gap-2">
          <AppButton
            v-for="choice in choices.filter((c) => c.id !== 'FORM' || row.kind === 'ELECTROLYTIC')"
            :key="choice.id"
            class="px-3!"
            @click="decide(choice.id)"
          >
            {{ choice.label }}
          </AppButton>
        </div>
      </template>
      <ProblemNote :problem="problem" />
      <p class="flex flex-wrap gap-4 pt-1 text-sm">
        <RouterLink
          v-if="row.kind === 'ELECTROLYTIC'"
          class="text-accent underline underline-offset-4"
          :to="`/sets/${setId}/parts/forming?part=${row.reference}`"
        >
          Form it
        </RouterLink>
        <RouterLink class="text-accent underline underline-offset-4" :to="`/sets/${setId}/circuit/drawing`">
          On the drawing
        </RouterLink>
        <RouterLink class="text-accent underline underline-offset-4" :to="`/sets/${setId}/map`">On the map</RouterLink>
      </p>
    </div>
  </div>
</template>
