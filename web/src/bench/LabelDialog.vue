<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'

/** What the shop calls a set, where it stands, what it waits for, and how it gets its power. */
const props = defineProps<{ open: boolean; set: Schemas['SetView'] }>()
const emit = defineEmits<{ close: [] }>()
const client = useQueryClient()
const form = reactive({ title: '', ticket: '', place: '', waitsFor: '', construction: props.set.construction })
const problem = ref<Problem | null>(null)
const classes = useQuery({
  queryKey: ['classes'],
  queryFn: () => orThrow(ask(http.GET('/api/construction-classes'))),
  staleTime: Infinity,
})
const options = computed(() => (classes.data.value ?? []).map((c) => ({ id: c.id, name: c.label })))
watch(
  () => props.open,
  (open) => {
    const { title, ticket, place, waitsFor, construction } = props.set
    if (open) Object.assign(form, { title, ticket, place, waitsFor, construction })
    problem.value = null
  },
)

async function keep() {
  const answer = await ask(
    http.PUT('/api/sets/{setId}', {
      params: { path: { setId: props.set.id } },
      body: { ...form, version: props.set.version },
    }),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  await client.invalidateQueries({ predicate: (q) => ['circuit', 'volts', 'shelf'].includes(String(q.queryKey[0])) })
  emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="This set" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="keep">
      <TextField v-model="form.title" label="Title, as you will know it" wide :fault="faultAt(problem, 'title')" />
      <ChoiceField v-model="form.construction" label="How it gets its power" :options="options" />
      <div class="flex gap-4">
        <TextField v-model="form.ticket" label="Ticket" />
        <TextField v-model="form.place" label="Where it stands" />
      </div>
      <TextField v-model="form.waitsFor" label="Waits for" wide />
      <ProblemNote :problem="problem && !faultAt(problem, 'title') ? problem : null" />
      <div class="flex gap-3">
        <AppButton look="main" type="submit">Keep</AppButton>
        <AppButton look="quiet" @click="$emit('close')">Leave</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
