<script setup lang="ts">
import { ask, http } from '../api/client'
import { useShop } from '../ui/useShop'
import { useReckoning } from './reckon'
import ReckonForm from './ReckonForm.vue'

/** A resistor, or a choke and a resistor, in the place of a field coil. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { figures, result, problem, run } = useReckoning({ ohms: '', amperes: '', chokeOhms: '' }, (body) =>
  ask(http.POST('/api/sets/{setId}/workshop/field', { params: { path: { setId: props.setId } }, body })),
)
</script>

<template>
  <ReckonForm
    v-model="figures"
    action="Calculate"
    :problem="problem"
    :rows="[
      [
        { key: 'ohms', label: 'The coil, hot', unit: 'Ω' },
        { key: 'amperes', label: 'Its current', unit: 'A', hint: '44.7m' },
        { key: 'chokeOhms', label: 'A choke, if any, has', unit: 'Ω' },
      ],
    ]"
    @reckon="run"
  />
  <div v-if="result" class="mt-4" role="status">
    <p class="text-lg">
      <strong class="font-figures">{{ say(`${result.resistor},`) }}</strong>
      {{ say(result.resistorWatts) }}
    </p>
    <p v-if="result.beside" class="font-semibold">{{ say(result.beside) }}</p>
    <p class="mt-1">{{ say(result.sentence) }}</p>
    <p v-for="line in result.arithmetic" :key="line" class="font-figures text-sm text-soft">{{ say(line) }}</p>
  </div>
</template>
