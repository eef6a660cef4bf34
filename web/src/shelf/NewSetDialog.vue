<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ask, faultAt, http, orThrow, sendBytes, upload, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'

const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const client = useQueryClient()
const { say } = useShop()

type Construction = Schemas['NewSet']['construction']
const id = ref(crypto.randomUUID())
const blank = { title: '', ticket: '', place: '', waitsFor: '' }
const form = reactive({ ...blank, construction: '' as Construction | '' })
const player = ref(false)
const recorder = ref(false)
const source = ref('none')
const file = ref<File | null>(null)
const problem = ref<Problem | null>(null)
const classes = useQuery({
  queryKey: ['classes'],
  queryFn: () => orThrow(ask(http.GET('/api/construction-classes'))),
  staleTime: Infinity,
})
const starts = useQuery({
  queryKey: ['starting-circuits'],
  queryFn: () => orThrow(ask(http.GET('/api/starting-circuits'))),
  staleTime: Infinity,
})
const shelf = useQuery({
  queryKey: ['shelf', 'sisters'],
  queryFn: () => orThrow(ask(http.GET('/api/sets', { params: { query: { size: 100 } } }))),
  enabled: () => props.open,
})
const options = computed(() => (classes.data.value ?? []).map((c) => ({ id: c.id, name: say(c.label) })))
const danger = computed(() => classes.data.value?.find((c) => c.id === form.construction))
const asksClass = ref(false)
const sources = computed(() => [
  { id: 'none', name: 'No circuit yet' },
  { id: 'file', name: 'From a file: SPICE deck or set bundle' },
  ...(starts.data.value ?? [])
    .filter((s) => s.construction === form.construction)
    .map((s) => ({ id: `start:${s.id}`, name: say(`Usual: ${s.title}`) })),
  ...(shelf.data.value?.entries ?? [])
    .filter((s) => s.points > 0)
    .map((s) => ({ id: `sister:${s.id}`, name: `A near relative: ${s.title}` })),
])
watch(
  () => form.construction,
  () => {
    if (source.value.startsWith('start:')) source.value = 'none'
  },
)

/** Gives the new set its circuit; the set itself is on the shelf by then. */
async function circuit() {
  const params = { path: { setId: id.value } }
  if (source.value.startsWith('start:'))
    return ask(http.POST('/api/sets/{setId}/circuit-starts', { params, body: { circuit: source.value.slice(6) } }))
  if (source.value.startsWith('sister:'))
    return ask(http.POST('/api/sets/{setId}/circuit-copies', { params, body: { sister: source.value.slice(7) } }))
  if (source.value === 'file' && file.value) return upload(`/api/sets/${id.value}/circuit-imports`, file.value)
  return null
}
const isBundle = computed(() => source.value === 'file' && /\.zip$/i.test(file.value?.name ?? ''))
/** A bundle brings its own title and kind; one that is on the shelf already is only opened. */
async function takeBundle(bundle: File) {
  const answer = await sendBytes<Schemas['Taken']>(
    'POST',
    `/api/bundles?${new URLSearchParams({ title: form.title })}`,
    bundle,
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  if (answer.value.already) already.value = { id: answer.value.setId, says: answer.value.result.notes[0] ?? '' }
  else await done(answer.value.setId)
}
const already = ref<{ id: string; says: string } | null>(null)
async function take() {
  already.value = null
  if (isBundle.value && file.value) return takeBundle(file.value)
  if (!form.construction) {
    asksClass.value = true
    return
  }
  const construction = form.construction
  const extras: NonNullable<Schemas['NewSet']['extras']> = []
  if (player.value) extras.push('PLAYER')
  if (recorder.value) extras.push('RECORDER')
  const answer = await ask(http.POST('/api/sets', { body: { id: id.value, ...form, construction, extras } }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  const loaded = await circuit()
  if (loaded?.kind === 'failed') {
    problem.value = {
      ...loaded.problem,
      errors: [],
      detail: `The set is on the shelf, but its circuit was not taken. ${loaded.problem.detail}`,
    }
    return
  }
  await done(id.value)
}
async function done(set: string) {
  await client.invalidateQueries({ queryKey: ['shelf'] })
  emit('close')
  await router.push(`/sets/${set}`)
  id.value = crypto.randomUUID()
  Object.assign(form, blank, { construction: '' })
  asksClass.value = false
  source.value = 'none'
  file.value = null
}
</script>

<template>
  <AppDialog :open="open" wide title="Take in a set" @close="$emit('close')">
    <form class="space-y-4" @submit.prevent="take">
      <TextField v-model="form.title" label="Title, as you will know it" wide :fault="faultAt(problem, 'title')" />
      <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
        <div>
          <ChoiceField
            v-model="form.construction"
            label="How it gets its power"
            :options="[{ id: '', name: 'choose…' }, ...options]"
          />
          <p v-if="asksClass && !form.construction" role="alert" class="mt-1 text-sm text-bad">
            Choose how it gets its power. “Not known yet” is a choice, and counts as live.
          </p>
        </div>
        <TickField v-model="player" label="Record player in it" />
        <TickField v-model="recorder" label="Wire or tape recorder in it" />
      </div>
      <p v-if="danger" class="rounded bg-caution px-3 py-2 text-on-caution">
        <strong>{{ danger.danger }}.</strong>
        {{ say(danger.cautions[0] ?? '') }}
      </p>
      <div class="flex gap-4">
        <TextField v-model="form.ticket" label="Ticket" />
        <TextField v-model="form.place" label="Where it stands" />
        <TextField v-model="form.waitsFor" class="flex-1" label="Waits for" hint="parts on order, its turn" />
      </div>
      <div class="flex flex-wrap items-end gap-4">
        <ChoiceField v-model="source" class="w-96!" label="Its circuit" :options="sources" />
        <div v-if="source === 'file'">
          <label for="deck" class="mb-1 block text-sm text-soft">SPICE deck (.cir) or set bundle (.zip)</label>
          <input
            id="deck"
            type="file"
            accept=".cir,.net,.sp,.spice,.txt,.zip"
            class="min-h-11 text-soft file:mr-3 file:min-h-11 file:rounded file:border file:border-line file:bg-raised file:px-4 file:font-semibold file:text-ink"
            @change="file = ($event.target as HTMLInputElement).files?.[0] ?? null"
          />
        </div>
      </div>
      <p v-if="isBundle" class="text-soft">
        A bundle brings the set’s title and kind, its circuit, sheet, readings, log and pictures; a title typed above
        goes before its own.
      </p>
      <p v-if="already" role="status" class="rounded border border-doubt px-3 py-2">
        {{ already.says }}
        <RouterLink :to="`/sets/${already.id}`" class="text-accent underline">Open it</RouterLink>
      </p>
      <ProblemNote :problem="problem && !faultAt(problem, 'title') ? problem : null" />
      <div class="flex gap-3">
        <AppButton look="main" type="submit">Take in the set</AppButton>
        <AppButton look="quiet" @click="$emit('close')">Cancel</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
