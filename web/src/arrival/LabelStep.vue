<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import LineUpForm from '../circuit/LineUpForm.vue'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import SeverityMark from '../ui/SeverityMark.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { useArrival } from './useArrival'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useArrival(() => props.setId)
const client = useQueryClient()
const { data: arrival } = doors.arrival()
const empty = {
  ownerName: '',
  ownerContact: '',
  plate: '',
  taps: '',
  setTo: '',
  hertz: '',
  watts: '',
  current: 'UNKNOWN' as Schemas['ArrivalEdit']['current'],
  motor: false,
  player: false,
  recorder: false,
}
const form = reactive({ ...empty })
const problem = ref<Problem | null>(null)
const kept = ref(false)
const erasing = ref(false)
const shown = ref('')
const starts = useQuery({
  queryKey: ['starting-circuits'],
  queryFn: () => orThrow(ask(http.GET('/api/starting-circuits'))),
  staleTime: Infinity,
})
const sisters = useQuery({
  queryKey: ['shelf', 'sisters'],
  queryFn: () => orThrow(ask(http.GET('/api/sets', { params: { query: { size: 100 } } }))),
})
const circuit = useQuery({
  queryKey: ['circuit', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/circuit', { params: { path: { setId: props.setId } } }))),
})
const start = ref('')
const startFault = ref('')
const startOptions = computed(() => [
  ...(starts.data.value ?? [])
    .filter((s) => s.construction === arrival.value?.construction)
    .map((s) => ({ id: s.id, name: `${s.title}, ${s.parts} parts` })),
  ...(sisters.data.value?.entries ?? [])
    .filter((s) => s.id !== props.setId && s.points > 0)
    .map((s) => ({ id: `sister:${s.id}`, name: `As “${s.title}”` })),
])

watch(
  arrival,
  (a) => {
    if (!a || shown.value === `${props.setId} ${a.version}`) return
    shown.value = `${props.setId} ${a.version}`
    Object.assign(form, {
      ownerName: a.ownerName,
      ownerContact: a.ownerContact,
      plate: a.plate,
      taps: a.supply.taps,
      setTo: a.supply.setTo,
      hertz: a.supply.hertz,
      watts: a.supply.watts,
      current: a.supply.current,
      motor: a.supply.motor,
      player: a.extras.includes('PLAYER'),
      recorder: a.extras.includes('RECORDER'),
    })
  },
  { immediate: true },
)
watch(form, () => {
  kept.value = false
})

async function keep() {
  if (!arrival.value) return
  const { player, recorder, ...rest } = form
  const extras: Schemas['ArrivalEdit']['extras'] = []
  if (player) extras.push('PLAYER')
  if (recorder) extras.push('RECORDER')
  const answer = await doors.saveArrival({ ...rest, extras, version: arrival.value.version })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  kept.value = answer.kind === 'ready'
}
async function erase() {
  const answer = await doors.eraseOwner()
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') Object.assign(form, { ownerName: '', ownerContact: '' })
  erasing.value = false
}
async function begin() {
  const answer = start.value.startsWith('sister:')
    ? await doors.copyFrom(start.value.slice(7))
    : await doors.startFrom(start.value)
  startFault.value = answer.kind === 'failed' ? answer.problem.detail : ''
  await client.invalidateQueries({ predicate: (q) => ['circuit', 'volts'].includes(String(q.queryKey[0])) })
}
</script>

<template>
  <div v-if="arrival" class="grid grid-cols-1 gap-x-8 gap-y-4 p-5 xl:grid-cols-[26rem_minmax(0,1fr)]">
    <form class="space-y-4" @submit.prevent="keep">
      <h2 class="text-lg font-semibold">What the label says</h2>
      <div class="flex gap-4">
        <TextField
          v-model="form.taps"
          :label="say('Supply volts')"
          unit="V"
          hint="110/127/220 for a selector"
          :fault="faultAt(problem, 'taps')"
        />
        <TextField v-model="form.setTo" label="Selector stands on" unit="V" :fault="faultAt(problem, 'setTo')" />
      </div>
      <div class="flex gap-4">
        <TextField
          v-model="form.hertz"
          label="Frequency"
          unit="Hz"
          hint="50/60 for both"
          :fault="faultAt(problem, 'hertz')"
        />
        <TextField v-model="form.watts" label="Power" unit="W" :fault="faultAt(problem, 'watts')" />
      </div>
      <div class="flex items-end gap-4">
        <ChoiceField
          v-model="form.current"
          class="w-44!"
          label="Current"
          :options="[
            { id: 'UNKNOWN', name: 'not said' },
            { id: 'AC', name: 'AC' },
            { id: 'AC_DC', name: 'AC or DC' },
            { id: 'DC', name: 'DC only' },
          ]"
        />
        <TickField v-model="form.motor" label="A motor turns in it" />
      </div>
      <div class="flex flex-wrap gap-x-6">
        <TickField v-model="form.player" label="Record player in it" />
        <TickField v-model="form.recorder" label="Wire or tape recorder in it" />
      </div>
      <TextField v-model="form.plate" label="Plate text, chassis number, date stamps" wide />
      <div class="flex gap-4">
        <TextField v-model="form.ownerName" label="Owner" />
        <TextField v-model="form.ownerContact" label="How to reach" />
      </div>
      <AppButton v-if="arrival.ownerName || arrival.ownerContact" look="quiet" @click="erasing = true">
        Erase the owner’s data…
      </AppButton>
      <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
      <div class="flex items-center gap-4">
        <AppButton look="main" type="submit">Save the label</AppButton>
        <span v-if="kept" role="status" class="text-good">Kept.</span>
      </div>
    </form>
    <AppDialog :open="erasing" title="Erase the owner’s data?" @close="erasing = false">
      <p>
        Name, how to reach them, and what they said in their own words go for good. Symptoms, readings, findings and
        work stay, and the log keeps that it was done.
      </p>
      <p class="mt-2 text-soft">
        Remarks, captions and pictures are not read for names; look through them yourself. Backups made before hold the
        data until they are replaced.
      </p>
      <div class="mt-4 flex gap-3">
        <AppButton look="danger" @click="erase">Erase for good</AppButton>
        <AppButton @click="erasing = false">Cancel</AppButton>
      </div>
    </AppDialog>
    <div class="min-w-0">
      <h2 class="text-lg font-semibold">
        On the local {{ arrival.supply.localVolts }} V, {{ arrival.supply.localHertz }} Hz
      </h2>
      <ul class="mt-2 space-y-3">
        <li
          v-for="finding in arrival.supply.findings"
          :key="finding.rule"
          class="grid grid-cols-[1.75rem_1fr] rounded border border-line bg-sheet px-3 py-2"
        >
          <SeverityMark class="mt-0.5" :severity="finding.severity" />
          <div>
            <p class="font-semibold">{{ say(finding.text) }}</p>
            <ul v-if="finding.remedies.length" class="mt-1 list-disc pl-5">
              <li v-for="remedy in finding.remedies" :key="remedy">{{ say(remedy) }}</li>
            </ul>
            <details v-if="finding.arithmetic.length" class="mt-1 text-sm text-soft">
              <summary class="min-h-8 content-center">The arithmetic</summary>
              <p v-for="line in finding.arithmetic" :key="line" class="font-figures">{{ say(line) }}</p>
            </details>
          </div>
        </li>
      </ul>
      <section class="mt-6" aria-labelledby="circuit-from">
        <h2 id="circuit-from" class="text-lg font-semibold">Its circuit</h2>
        <p v-if="arrival.sheetOrigin" class="mt-1">
          <strong class="text-doubt">Not its own sheet:</strong>
          {{ arrival.sheetOrigin }}.
        </p>
        <p v-if="circuit.data.value && circuit.data.value.parts.length > 0" class="mt-1 text-soft">
          {{ circuit.data.value.parts.length }} parts are entered.
          <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/circuit`">
            Look at them
          </RouterLink>
        </p>
        <LineUpForm v-if="circuit.data.value?.parts.length === 0" class="mt-2" :set-id="setId" :say="say" />
        <form
          v-if="circuit.data.value?.parts.length === 0"
          class="mt-4 flex flex-wrap items-end gap-3"
          @submit.prevent="begin"
        >
          <ChoiceField
            v-model="start"
            class="w-96!"
            label="Or start from a whole usual circuit, or a near relative"
            :options="startOptions"
          />
          <AppButton type="submit" :disabled="!start">Start from it</AppButton>
          <RouterLink
            class="flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
            :to="`/sets/${setId}/circuit`"
          >
            Type it, or load a file
          </RouterLink>
          <p v-if="startFault" role="alert" class="w-full text-bad">{{ startFault }}</p>
        </form>
      </section>
    </div>
  </div>
</template>
