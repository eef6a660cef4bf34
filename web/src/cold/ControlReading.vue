<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, faultAt, http, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'

/** A reading on a part known to be good, kept with the instrument: before a part is condemned, the instrument is proven. */
const props = defineProps<{
  instrument: Pick<Schemas['InstrumentChoice'], 'id' | 'name' | 'kind' | 'unit'>
  say: (text: string) => string
}>()
const client = useQueryClient()
const part = ref('')
const known = ref('')
const shown = ref('')
const problem = ref<Problem | null>(null)
const said = ref('')

async function keep() {
  const answer = await ask(
    http.POST('/api/instruments/{id}/controls', {
      params: { path: { id: props.instrument.id } },
      body: {
        id: crypto.randomUUID(),
        kind: props.instrument.kind,
        part: part.value,
        unit: props.instrument.unit,
        known: known.value,
        shown: shown.value,
      },
    }),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    said.value = answer.value[0]?.says ?? ''
    void client.invalidateQueries({ predicate: (q) => ['cold-test', 'instruments'].includes(String(q.queryKey[0])) })
  }
}
</script>

<template>
  <section class="mt-4 rounded border border-doubt bg-sheet p-3" aria-label="Control reading">
    <p class="font-semibold">Before you condemn anything, prove {{ instrument.name }}.</p>
    <p class="text-sm text-soft">Read a part known to be good on the same range. It is kept with the instrument.</p>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="keep">
      <TextField v-model="part" label="Known-good part" :fault="faultAt(problem, 'part')" />
      <TextField v-model="known" class="w-28!" label="Its value" :fault="faultAt(problem, 'known')" />
      <TextField v-model="shown" class="w-28!" label="It reads" :fault="faultAt(problem, 'shown')" />
      <AppButton type="submit">Keep it</AppButton>
    </form>
    <p v-if="said" role="status" class="mt-2 font-semibold">{{ instrument.name }} {{ say(said) }}.</p>
  </section>
</template>
