<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'

const client = useQueryClient()
const instruments = useQuery({ queryKey: ['instruments'], queryFn: () => orThrow(ask(http.GET('/api/instruments'))) })
const active = computed(() => (instruments.data.value ?? []).filter((i) => !i.retired))
const form = reactive({
  id: crypto.randomUUID() as string,
  name: '',
  meter: '',
  accuracy: '1',
  version: 0,
  known: false,
})
const problem = ref<Problem | null>(null)

function edit(i: Schemas['InstrumentView']) {
  Object.assign(form, {
    id: i.id,
    name: i.name,
    meter: i.meter,
    accuracy: String(i.accuracyPercent),
    version: i.version,
    known: true,
  })
}
function clear() {
  Object.assign(form, { id: crypto.randomUUID(), name: '', meter: '', accuracy: '1', version: 0, known: false })
  problem.value = null
}
async function send(body: Schemas['InstrumentEdit'], known: boolean) {
  const answer = known
    ? await ask(http.PUT('/api/instruments/{id}', { params: { path: { id: body.id } }, body }))
    : await ask(http.POST('/api/instruments', { body }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    clear()
    await client.invalidateQueries({ predicate: (q) => ['instruments', 'volts'].includes(String(q.queryKey[0])) })
  }
}
function keep() {
  void send(
    {
      id: form.id,
      name: form.name,
      meter: form.meter,
      accuracyPercent: Number(form.accuracy.replace(',', '.')) || 0,
      retired: false,
      version: form.version,
    },
    form.known,
  )
}
function retire(i: Schemas['InstrumentView']) {
  void send({ ...i, retired: true }, true)
}
</script>

<template>
  <section aria-labelledby="meters">
    <h2 id="meters" class="text-lg font-semibold">Voltmeters</h2>
    <p class="text-soft">
      What a meter puts across the circuit decides what it shows. Readings keep the meter they were taken with.
    </p>
    <ul class="my-3">
      <li v-for="i in active" :key="i.id" class="flex items-center gap-4 border-t border-line py-1">
        <span class="flex-1 font-semibold">{{ i.name }}</span>
        <span class="w-28 font-figures">{{ i.meter }}</span>
        <span class="w-16 text-soft">± {{ i.accuracyPercent }} %</span>
        <AppButton look="quiet" :aria-label="`Change ${i.name}`" @click="edit(i)">Change</AppButton>
        <AppButton look="quiet" :aria-label="`Retire ${i.name}`" @click="retire(i)">Retire</AppButton>
      </li>
    </ul>
    <form class="flex flex-wrap items-start gap-4" @submit.prevent="keep">
      <TextField
        v-model="form.name"
        :label="form.known ? 'Change its name' : 'One more meter'"
        :fault="faultAt(problem, 'name')"
      />
      <TextField v-model="form.meter" label="Input" hint="10M, 20k/V or 20k/V@250" :fault="faultAt(problem, 'meter')" />
      <TextField v-model="form.accuracy" label="Accuracy" unit="%" :fault="faultAt(problem, 'accuracyPercent')" />
      <AppButton type="submit" class="mt-6" :disabled="!form.name.trim() || !form.meter.trim()">
        {{ form.known ? 'Keep' : 'Add' }}
      </AppButton>
      <AppButton v-if="form.known" look="quiet" class="mt-6" @click="clear">Cancel</AppButton>
    </form>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
  </section>
</template>
