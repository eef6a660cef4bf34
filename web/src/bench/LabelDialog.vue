<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'

/** What the shop calls a set, where it stands, what it waits for, and how it gets its power. */
const props = defineProps<{ open: boolean; set: Schemas['SetView'] }>()
const emit = defineEmits<{ close: [] }>()
const client = useQueryClient()
const form = reactive({
  title: '',
  ticket: '',
  place: '',
  waitsFor: '',
  waitsUntil: '',
  promisedFor: '',
  construction: props.set.construction,
  constructionSeen: false,
})
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
    const { waitsUntil, promisedFor } = props.set
    if (open)
      Object.assign(form, {
        ...{ title, ticket, place, waitsFor, construction },
        constructionSeen: false,
        ...{ waitsUntil: waitsUntil ?? '', promisedFor: promisedFor ?? '' },
      })
    problem.value = null
  },
)

async function keep() {
  const answer = await ask(
    http.PUT('/api/sets/{setId}', {
      params: { path: { setId: props.set.id } },
      body: {
        ...form,
        waitsUntil: form.waitsUntil || null,
        promisedFor: form.promisedFor || null,
        version: props.set.version,
      },
    }),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(props.set.id) || q.queryKey[0] === 'shelf' })
  emit('close')
}
</script>

<template>
  <AppDialog :open="open" title="This set" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="keep">
      <TextField v-model="form.title" label="Title, as you will know it" wide :fault="faultAt(problem, 'title')" />
      <ChoiceField v-model="form.construction" label="How it gets its power" :options="options" />
      <TickField
        v-if="!set.constructionConfirmed && form.construction === set.construction && form.construction !== 'UNKNOWN'"
        v-model="form.constructionSeen"
        label="Seen on this set: nobody has confirmed it yet"
      />
      <div class="flex gap-4">
        <TextField v-model="form.ticket" label="Ticket" />
        <TextField v-model="form.place" label="Where it stands" />
      </div>
      <TextField v-model="form.waitsFor" label="Waits for" wide />
      <div class="flex gap-4">
        <TextField v-model="form.waitsUntil" type="date" label="Expected on" />
        <TextField v-model="form.promisedFor" type="date" label="Promised to its owner for" />
      </div>
      <ProblemNote :problem="problem && !faultAt(problem, 'title') ? problem : null" />
      <div class="flex gap-3">
        <AppButton look="main" type="submit">Save</AppButton>
        <AppButton look="quiet" @click="$emit('close')">Cancel</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
