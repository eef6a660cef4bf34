<script setup lang="ts">
import { ref } from 'vue'
import { ask, http } from '../api/client'
import TickField from '../ui/TickField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { useReckoning } from './reckon'
import ReckonForm from './ReckonForm.vue'

/** Turns to take off a winding that gives too much. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const outermost = ref(true)
const { figures, result, problem, run } = useReckoning(
  {
    primaryTurns: '',
    testVolts: '',
    lineVolts: '',
    wantedVolts: '',
    amperes: '',
    windingOhms: '',
    primaryOhms: '',
    turnsNow: '',
  },
  (typed) =>
    ask(
      http.POST('/api/sets/{setId}/workshop/turns', {
        params: { path: { setId: props.setId } },
        body: { ...typed, outermost: outermost.value },
      }),
    ),
)
</script>

<template>
  <ReckonForm
    v-model="figures"
    action="Calculate"
    :problem="problem"
    :rows="[
      [
        { key: 'primaryTurns', label: 'Turns of the primary', hint: 'empty when not known' },
        { key: 'testVolts', label: 'or ten test turns give', unit: 'V', hint: 'wound over it, at this line' },
        { key: 'lineVolts', label: 'at a line of', unit: 'V' },
      ],
      [
        { key: 'wantedVolts', label: 'Wanted under load', unit: 'V' },
        { key: 'amperes', label: 'at, RMS', unit: 'A', hint: '0 for no-load volts' },
        { key: 'windingOhms', label: 'This winding', unit: 'Ω' },
        { key: 'primaryOhms', label: 'Primary', unit: 'Ω' },
      ],
      [{ key: 'turnsNow', label: 'Turns it has now' }],
    ]"
    @reckon="run"
  >
    <TickField v-model="outermost" label="It is the outermost winding" />
  </ReckonForm>
  <div v-if="result" class="mt-4" role="status">
    <p class="flex items-start gap-2 text-lg font-semibold">
      <VerdictMark class="mt-0.5 size-6!" :verdict="result.word" />
      {{ say(result.sentence) }}
    </p>
    <ol class="mt-1 list-decimal pl-8">
      <li v-for="step in result.steps" :key="step">{{ step }}</li>
    </ol>
    <p v-for="line in result.arithmetic" :key="line" class="font-figures text-sm text-soft">{{ say(line) }}</p>
  </div>
</template>
