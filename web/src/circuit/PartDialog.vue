<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import type { useCircuit } from './useCircuit'

const props = defineProps<{
  part: Schemas['PartView'] | null
  setId: string
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
}>()
const emit = defineEmits<{ close: []; change: [line: string] }>()

type Origin = Schemas['ValueEdit']['origin']
const origins: readonly { id: Origin; name: string }[] = [
  { id: 'SHEET', name: 'sheet' },
  { id: 'BODY', name: 'body marking' },
  { id: 'FITTED', name: 'found fitted' },
  { id: 'DECIDED', name: 'decided' },
]
const origin = ref<Origin>('FITTED')
const value = ref('')
const source = ref('')
const problem = ref<Problem | null>(null)
let id = crypto.randomUUID()
const roles = useQuery({
  queryKey: ['roles'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/roles', { params: { path: { setId: props.setId } } }))),
  staleTime: Infinity,
})
const jobs = computed(() => [
  { id: '', name: props.say(props.part?.role || !props.part?.found ? 'as the circuit says' : props.part.found) },
  ...(roles.data.value ?? []).map((role) => ({ id: role.id, name: props.say(role.label) })),
])
/** What the part does: found from what it joins, or said here and kept with it. */
const job = computed({
  get: () => props.part?.role ?? '',
  set: (role: string) => void give(role),
})
async function give(role: string) {
  if (!props.part) return
  const answer = await props.doors.giveRole(props.part.reference, {
    role: (role || null) as Schemas['RoleEdit']['role'],
    seen: props.part.line,
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
}

watch([value, origin, source, () => props.part?.reference], () => {
  id = crypto.randomUUID()
  problem.value = null
})

async function add() {
  if (!props.part) return
  const answer = await props.doors.addValue({
    id,
    reference: props.part.reference,
    origin: origin.value,
    value: value.value,
    source: source.value,
  })
  if (answer.kind === 'failed') problem.value = answer.problem
  else value.value = source.value = ''
}
async function decide(exact: string, label: string) {
  if (!props.part) return
  const answer = await props.doors.addValue({
    id: crypto.randomUUID(),
    reference: props.part.reference,
    origin: 'DECIDED',
    value: exact,
    source: `as ${label}`,
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
async function remove() {
  if (!props.part) return
  const answer = await props.doors.removePart(props.part.reference)
  if (answer.kind === 'failed') problem.value = answer.problem
  else emit('close')
}
</script>

<template>
  <AppDialog
    :open="part !== null"
    :title="part ? `${part.reference} · ${say(part.description || part.kind)}` : ''"
    wide
    @close="$emit('close')"
  >
    <template v-if="part">
      <p class="font-figures text-3xl font-semibold">{{ part.working }}</p>
      <ChoiceField v-model="job" class="mt-2 w-80!" label="Does" :options="jobs" />
      <p v-if="part.conflict" role="alert" class="mt-2 rounded border border-bad px-3 py-2 text-bad">
        {{ part.conflict }}
      </p>
      <template v-if="part.hasValue">
        <h3 class="mt-4 mb-1 text-sm text-soft">Every value known for it</h3>
        <ul>
          <li
            v-for="(known, i) in part.values"
            :key="i"
            class="grid grid-cols-[8rem_8rem_1fr_auto] items-center border-t border-line py-1"
          >
            <span>{{ known.label }}</span>
            <span class="font-figures font-semibold">{{ say(known.text) }}</span>
            <span class="text-soft">{{ known.source }}</span>
            <AppButton
              v-if="part.conflict"
              look="quiet"
              :aria-label="`Decide for ${known.text}, ${known.label}`"
              @click="decide(known.exact, known.label)"
            >
              This one holds
            </AppButton>
          </li>
        </ul>
        <form class="mt-3 flex flex-wrap items-start gap-4" @submit.prevent="add">
          <ChoiceField v-model="origin" label="One more, from" :options="origins" />
          <TextField v-model="value" label="Value" :fault="faultAt(problem, 'value')" />
          <TextField v-model="source" label="Who or what says so" />
          <AppButton type="submit" class="mt-6" :disabled="!value.trim()">Add</AppButton>
        </form>
      </template>
      <p class="mt-4 rounded bg-ground px-3 py-2 font-figures text-sm break-all">{{ part.line }}</p>
      <ProblemNote :problem="problem && !faultAt(problem, 'value') ? problem : null" />
      <div class="mt-5 flex gap-3">
        <AppButton look="main" @click="$emit('close')">Done</AppButton>
        <AppButton @click="$emit('change', part.line)">Change the part line</AppButton>
        <AppButton look="danger" class="ml-auto" @click="remove">Take the part out</AppButton>
      </div>
    </template>
  </AppDialog>
</template>
