<script setup lang="ts">
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { ask, faultAt, http, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { abilityOf, editOf, fieldsOf, type Kind } from './instruments'

/** An instrument's name, all it does, and how far it reaches in each; what nobody knows stays empty. */
const props = defineProps<{ instrument: Schemas['InstrumentView'] | null; kinds: Kind[] }>()
const emit = defineEmits<{ kept: []; left: [] }>()
const { say } = useShop()
const form = reactive<Schemas['InstrumentEdit']>(
  props.instrument
    ? editOf(props.instrument)
    : { id: crypto.randomUUID(), name: '', retired: false, version: 0, abilities: [] },
)
const problem = ref<Problem | null>(null)
const name = useTemplateRef('name')
onMounted(() => name.value?.focus())
const ability = (kind: Kind['id']) => form.abilities.find((one) => one.kind === kind)
const chosen = computed(() => props.kinds.filter((kind) => ability(kind.id) && kind.limits.length > 0))

function toggle(kind: Kind['id']) {
  if (ability(kind)) form.abilities = form.abilities.filter((one) => one.kind !== kind)
  else form.abilities.push(abilityOf(kind))
}
async function keep() {
  const answer = props.instrument
    ? await ask(http.PUT('/api/instruments/{id}', { params: { path: { id: form.id } }, body: form }))
    : await ask(http.POST('/api/instruments', { body: form }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') emit('kept')
}
</script>

<template>
  <form class="space-y-4 rounded border border-line bg-raised p-4" @submit.prevent="keep">
    <TextField ref="name" v-model="form.name" class="w-72!" label="Called" :fault="faultAt(problem, 'name')" />
    <fieldset>
      <legend class="text-sm text-soft">It does</legend>
      <div class="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        <TickField
          v-for="kind in kinds"
          :key="kind.id"
          :model-value="!!ability(kind.id)"
          :label="say(kind.label)"
          @update:model-value="toggle(kind.id)"
        />
      </div>
      <p v-if="faultAt(problem, 'abilities')" class="text-sm text-bad">{{ faultAt(problem, 'abilities') }}</p>
    </fieldset>
    <fieldset v-for="kind in chosen" :key="kind.id">
      <legend class="font-semibold first-letter:uppercase">{{ say(kind.label) }}</legend>
      <div class="mt-1 flex flex-wrap gap-4">
        <TextField
          v-for="field in fieldsOf(kind)"
          :key="field.key"
          v-model="ability(kind.id)![field.key]"
          :class="field.key === 'testVolts' ? 'w-56!' : 'w-36!'"
          :label="field.label"
          :unit="field.unit"
          :hint="field.hint"
          :fault="faultAt(problem, `${kind.id}.${field.key}`)"
        />
        <ChoiceField
          v-if="kind.limits.includes('RESPONSE')"
          v-model="ability(kind.id)!.response"
          label="Answers to"
          :options="[
            { id: '', name: 'not known' },
            { id: 'AVERAGE', name: 'the average' },
            { id: 'TRUE_RMS', name: 'the true RMS' },
          ]"
        />
      </div>
    </fieldset>
    <p class="text-sm text-soft">Leave empty what you do not know: it then bounds nothing.</p>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
    <div class="flex gap-3">
      <AppButton type="submit" look="main" :disabled="!form.name.trim() || form.abilities.length === 0">Save</AppButton>
      <AppButton look="quiet" @click="emit('left')">Cancel</AppButton>
    </div>
  </form>
</template>
