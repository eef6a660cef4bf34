<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import SpotField from '../photos/SpotField.vue'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import type { Arrival } from './useArrival'

const props = defineProps<{ setId: string; doors: Arrival }>()
const { say } = useShop()
const kinds = useQuery({
  queryKey: ['control-kinds'],
  queryFn: () => orThrow(ask(http.GET('/api/control-kinds'))),
  staleTime: Infinity,
})
const options = computed(() => (kinds.data.value ?? []).map((kind) => ({ id: kind.id, name: say(kind.label) })))
const form = reactive({ control: 'BAND' as Schemas['ControlEdit']['control'], name: '', position: '', hidden: false })
const spot = ref<Schemas['SpotEdit'] | null>(null)
const problem = ref<Problem | null>(null)

async function keep() {
  const answer = await props.doors.findControl({ ...form, spot: spot.value })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  Object.assign(form, { name: '', position: '', hidden: false })
  spot.value = null
}
</script>

<template>
  <form class="flex flex-wrap items-end gap-3" @submit.prevent="keep">
    <ChoiceField v-model="form.control" class="w-52!" label="Control" :options="options" />
    <TextField
      v-model="form.position"
      class="w-52!"
      label="Stands at"
      :fault="faultAt(problem, 'position') || problem?.detail"
    />
    <TextField v-model="form.name" label="Which one" />
    <TickField v-model="form.hidden" label="Hidden" />
    <SpotField v-model="spot" :set-id="setId" />
    <AppButton type="submit" :disabled="!form.position.trim()">Keep it</AppButton>
    <p class="w-full text-sm text-soft">In words, as on a clock or in turns: radio, 4 o'clock, 2¼ turns in.</p>
  </form>
</template>
