<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, faultAt, http, orThrow, upload, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'

defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const client = useQueryClient()

type Construction = Schemas['NewSet']['construction']
const id = ref(crypto.randomUUID())
const form = reactive({ title: '', ticket: '', place: '', waitsFor: '', construction: 'MAINS_TRANSFORMER' as Construction })
const deck = ref<File | null>(null)
const problem = ref<Problem | null>(null)
const classes = useQuery({ queryKey: ['classes'], queryFn: () => orThrow(ask(http.GET('/api/construction-classes'))), staleTime: Infinity })
const options = computed(() => (classes.data.value ?? []).map((c) => ({ id: c.id, name: c.label })))
const danger = computed(() => classes.data.value?.find((c) => c.id === form.construction))

async function take() {
  const answer = await ask(http.POST('/api/sets', { body: { id: id.value, ...form } }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  if (deck.value) {
    const loaded = await upload(`/api/sets/${id.value}/circuit-imports`, deck.value)
    if (loaded.kind === 'failed') {
      problem.value = { ...loaded.problem, detail: `The set is on the shelf, but its deck was not taken. ${loaded.problem.detail}` }
      return
    }
  }
  await client.invalidateQueries({ queryKey: ['shelf'] })
  emit('close')
  await router.push(`/sets/${id.value}/${deck.value ? 'volts' : 'circuit'}`)
  id.value = crypto.randomUUID()
  Object.assign(form, { title: '', ticket: '', place: '', waitsFor: '' })
}
</script>

<template>
  <AppDialog :open="open" title="Take in a set" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="take">
      <TextField v-model="form.title" label="Title, as you will know it" wide :fault="faultAt(problem, 'title')" />
      <div class="flex items-end gap-4">
        <ChoiceField v-model="form.construction" label="How it gets its power" :options="options" />
        <p v-if="danger" class="pb-2.5 font-semibold" :class="danger.liveChassis ? 'text-bad' : 'text-soft'">{{ danger.danger }}</p>
      </div>
      <div class="flex gap-4">
        <TextField v-model="form.ticket" label="Ticket" />
        <TextField v-model="form.place" label="Where it stands" />
      </div>
      <TextField v-model="form.waitsFor" label="Waits for" wide hint="Parts on order, the owner's word, its turn" />
      <div>
        <label for="deck" class="mb-1 block text-sm text-soft">Circuit as a SPICE deck, if there is one</label>
        <input id="deck" type="file" accept=".cir,.net,.sp,.spice,.txt" class="min-h-11 text-soft file:mr-3 file:min-h-11 file:rounded file:border file:border-line file:bg-raised file:px-4 file:font-semibold file:text-ink" @change="deck = ($event.target as HTMLInputElement).files?.[0] ?? null" />
      </div>
      <ProblemNote :problem="problem" />
      <div class="flex gap-3">
        <AppButton look="main" type="submit">Take it in</AppButton>
        <AppButton look="quiet" @click="$emit('close')">Leave</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
