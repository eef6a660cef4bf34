<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import ControlReading from '../cold/ControlReading.vue'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'
import InstrumentForm from './InstrumentForm.vue'
import { editOf } from './instruments'

/** What this bench measures with, and how far each reaches; the cold plan proposes only what these can make. */
const { say, when } = useShop()
const client = useQueryClient()
const instruments = useQuery({ queryKey: ['instruments'], queryFn: () => orThrow(ask(http.GET('/api/instruments'))) })
const kinds = useQuery({
  queryKey: ['instruments', 'kinds'],
  queryFn: () => orThrow(ask(http.GET('/api/instruments/kinds'))),
  staleTime: Infinity,
})
const active = computed(() => (instruments.data.value ?? []).filter((i) => !i.retired))
const retired = computed(() => (instruments.data.value ?? []).filter((i) => i.retired))
const lacking = computed(() =>
  (kinds.data.value ?? []).filter((kind) => !active.value.some((i) => i.abilities.some((a) => a.kind === kind.id))),
)
/** Id of the one that is changed, 'new' for another, empty for none. */
const editing = ref('')
const proving = ref('')
/** Those that show a figure of a part. */
const provable: readonly string[] = [
  'VOLTMETER',
  'OHMMETER',
  'DIODE_TEST',
  'AC_METER',
  'INSULATION_TESTER',
  'CAPACITANCE_METER',
  'ESR_METER',
]
const proves = (i: Schemas['InstrumentView']) => i.abilities.find((a) => provable.includes(a.kind))
const unitOf = (kind: string) => kinds.data.value?.find((k) => k.id === kind)?.unit ?? 'OHM'

/** Back to the button that opened the form. */
async function leave() {
  const from = editing.value
  editing.value = ''
  await nextTick()
  document.getElementById(`change-${from}`)?.focus()
}
async function changed() {
  await leave()
  await client.invalidateQueries({
    predicate: (q) => ['instruments', 'volts', 'cold', 'cold-test', 'shelf'].includes(String(q.queryKey[0])),
  })
}
async function retire(i: Schemas['InstrumentView'], gone: boolean) {
  const answer = await ask(
    http.PUT('/api/instruments/{id}', { params: { path: { id: i.id } }, body: { ...editOf(i), retired: gone } }),
  )
  if (answer.kind === 'ready') await changed()
}
</script>

<template>
  <section aria-labelledby="instruments">
    <h2 id="instruments" class="text-lg font-semibold">What this bench measures with</h2>
    <p class="text-soft">
      Cold plans only what these can make. What a meter puts across the circuit, and how far it reaches, decides what
      its reading says.
    </p>
    <ul class="mt-2 divide-y divide-line border-y border-line">
      <li v-for="i in active" :key="i.id" class="py-2">
        <InstrumentForm
          v-if="editing === i.id && kinds.data.value"
          :instrument="i"
          :kinds="kinds.data.value"
          @kept="changed"
          @left="leave"
        />
        <template v-else>
          <div class="flex flex-wrap items-center gap-x-2">
            <strong class="min-w-0 flex-1">{{ say(i.name) }}</strong>
            <AppButton
              v-if="proves(i)"
              look="quiet"
              :aria-label="`Prove ${i.name}`"
              @click="proving = proving === i.id ? '' : i.id"
            >
              Prove
            </AppButton>
            <AppButton :id="`change-${i.id}`" look="quiet" :aria-label="`Change ${i.name}`" @click="editing = i.id">
              Change
            </AppButton>
            <AppButton look="quiet" :aria-label="`Retire ${i.name}`" @click="retire(i, true)">Retire</AppButton>
          </div>
          <p v-for="ability in i.abilities" :key="ability.kind" class="text-sm leading-snug">
            {{ say(ability.says ? `${ability.label}: ${ability.says}` : ability.label) }}
          </p>
          <p
            v-for="control in i.lastControls"
            :key="control.kind"
            class="text-sm"
            :class="control.word === 'GOOD' ? 'text-soft' : 'text-bad'"
          >
            {{ when(control.at) }}:
            {{ say(`${control.part}, ${control.known}, showed ${control.shown}; ${control.says}`) }}.
          </p>
          <ControlReading
            v-if="proving === i.id && proves(i)"
            :instrument="{ id: i.id, name: i.name, kind: proves(i)!.kind, unit: unitOf(proves(i)!.kind) }"
            :say="say"
          />
        </template>
      </li>
    </ul>
    <InstrumentForm
      v-if="editing === 'new' && kinds.data.value"
      class="mt-3"
      :instrument="null"
      :kinds="kinds.data.value"
      @kept="changed"
      @left="leave"
    />
    <AppButton v-else id="change-new" class="mt-3" @click="editing = 'new'">Add an instrument</AppButton>
    <p v-if="lacking.length > 0" class="mt-3 text-sm text-soft">
      Nothing here for: {{ say(lacking.map((kind) => kind.label).join(', ')) }}. What only these prove stays open.
    </p>
    <details v-if="retired.length > 0" class="mt-2 text-sm">
      <summary class="min-h-9 content-center text-soft">{{ retired.length }} retired</summary>
      <p v-for="i in retired" :key="i.id" class="flex items-center gap-3">
        <span class="flex-1">{{ say(i.name) }}</span>
        <AppButton look="quiet" :aria-label="`Use ${i.name} again`" @click="retire(i, false)">Use again</AppButton>
      </p>
    </details>
  </section>
</template>
