<script setup lang="ts">
import { reactive, ref } from 'vue'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import type { ScopeFigures, useRectifying } from './useRectifying'

/** From divisions on a scope to a vibrator's frequency and volts. */
const props = defineProps<{ scope: ReturnType<typeof useRectifying>['scope'] }>()
const waves: { id: ScopeFigures['wave']; name: string }[] = [
  { id: 'SINE', name: 'sine' },
  { id: 'SQUARE', name: 'square' },
  { id: 'SQUARE_WITH_DWELL', name: 'square with dwell' },
]
const figures = reactive<ScopeFigures>({
  periodDivisions: '',
  timeBase: '2 ms',
  heightDivisions: '',
  voltsPerDivision: '5 V',
  probe: '10',
  wave: 'SQUARE_WITH_DWELL',
  onPercent: '80',
})
const result = ref<{ frequency: string; peakToPeak: string; rms: string; averageMeter: string } | null>(null)
const problem = ref<Problem | null>(null)
async function reckon() {
  const answer = await props.scope({ ...figures })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  result.value = answer.kind === 'ready' ? answer.value : null
}
const fault = (field: keyof ScopeFigures) => faultAt(problem.value, field)
</script>

<template>
  <section class="space-y-3" aria-labelledby="vibrator">
    <h2 id="vibrator" class="text-lg font-semibold">The vibrator on a scope</h2>
    <p class="max-w-3xl text-soft">
      Usual is 90 to 120 Hz with the contacts closed for 70 to 90 % of each half. A solid-state stand-in spares a rare
      original, which goes in last; behind a synchronous one the stand-in needs diodes. Check its polarity, and renew
      the buffer capacitor first: an open one burns the contacts, a shorted one the transformer.
    </p>
    <form class="flex flex-wrap items-end gap-3" @submit.prevent="reckon">
      <TextField
        v-model="figures.periodDivisions"
        class="w-32!"
        label="One period"
        unit="div"
        :fault="fault('periodDivisions')"
      />
      <TextField v-model="figures.timeBase" class="w-32!" label="Time base a div" :fault="fault('timeBase')" />
      <TextField
        v-model="figures.heightDivisions"
        class="w-32!"
        label="Height"
        unit="div"
        :fault="fault('heightDivisions')"
      />
      <TextField
        v-model="figures.voltsPerDivision"
        class="w-28!"
        label="Volts a div"
        :fault="fault('voltsPerDivision')"
      />
      <TextField v-model="figures.probe" class="w-24!" label="Probe ×" :fault="fault('probe')" />
      <ChoiceField v-model="figures.wave" class="w-52!" label="Wave" :options="waves" />
      <TextField
        v-if="figures.wave === 'SQUARE_WITH_DWELL'"
        v-model="figures.onPercent"
        class="w-28!"
        label="Closed for"
        unit="%"
        :fault="fault('onPercent')"
      />
      <AppButton type="submit">Work out</AppButton>
    </form>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
    <p v-if="result" role="status">
      <strong class="font-figures">{{ result.frequency }}</strong>
      , {{ result.peakToPeak }} peak to peak,
      <strong class="font-figures">{{ result.rms }}</strong>
      RMS; a meter that takes every wave for a sine shows {{ result.averageMeter }}.
    </p>
  </section>
</template>
