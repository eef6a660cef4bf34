<script setup lang="ts">
import { ask, http } from '../api/client'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { useReckoning } from './reckon'
import ReckonForm from './ReckonForm.vue'

/** How warm a winding is, by its resistance. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { figures, result, problem, run } = useReckoning({ coldOhms: '', coldCelsius: '21', hotOhms: '' }, (body) =>
  ask(http.POST('/api/sets/{setId}/workshop/copper', { params: { path: { setId: props.setId } }, body })),
)
</script>

<template>
  <ReckonForm
    v-model="figures"
    action="Calculate"
    :problem="problem"
    :rows="[
      [
        { key: 'coldOhms', label: 'Cold', unit: 'Ω' },
        { key: 'coldCelsius', label: 'at', unit: '°C' },
        { key: 'hotOhms', label: 'Right after switching off', unit: 'Ω' },
      ],
    ]"
    @reckon="run"
  />
  <p v-if="result" class="mt-4 flex items-center gap-2 text-lg" role="status">
    <VerdictMark class="size-6!" :verdict="result.word" />
    <strong class="font-figures">{{ say(result.celsius) }}</strong>
    {{ result.sentence }}
  </p>
</template>
