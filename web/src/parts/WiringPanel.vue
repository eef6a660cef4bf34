<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { session } from '../account/session'
import { faultAt, type Answer, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useWiring, type WireEdit } from './useWiring'

/** The wires somebody noted, against the circuit; and the next one. */
const props = defineProps<{ setId: string; say: (text: string) => string }>()
const { wiring, note, takeBack } = useWiring(() => props.setId)
const empty: WireEdit = { from: '', to: '', colour: '', size: '', volts: '', made: 'REPLACED', note: '' }
const wire = reactive<WireEdit>({ ...empty })
const problem = ref<Problem | null>(null)
const ways = computed(() => (wiring.value?.ways ?? []).map((one) => ({ id: one.id, name: props.say(one.label) })))
async function done(answer: Promise<Answer<unknown>>) {
  const said = await answer
  problem.value = said.kind === 'failed' ? said.problem : null
  return said.kind === 'ready'
}
async function add() {
  if (await done(note({ ...wire })))
    Object.assign(wire, { ...empty, made: wire.made, size: wire.size, volts: wire.volts })
}
const fault = (field: keyof WireEdit) => faultAt(problem.value, field)
</script>

<template>
  <section v-if="wiring" class="space-y-3 px-5 py-5" aria-labelledby="wiring">
    <h2 id="wiring" class="text-lg font-semibold">Wiring</h2>
    <p v-if="wiring.wires.length === 0" class="text-soft">
      Each wire that is renewed, spliced or kept on purpose, from where to where: pins as V3.5, points by their name.
      What it joins and what its insulation stands is compared with the circuit.
    </p>
    <ul v-else class="border-t border-line">
      <li
        v-for="one in wiring.wires"
        :key="one.entry"
        class="grid min-h-13 grid-cols-[1.5rem_minmax(0,16rem)_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-line bg-sheet px-4 py-1.5 max-md:grid-cols-[1.5rem_minmax(0,1fr)]"
      >
        <VerdictMark
          :verdict="
            one.doubt ? 'DOUBT' : one.made === 'TO_REPLACE' ? 'UNREAD' : one.checked ? 'GOOD' : 'NO_EXPECTATION'
          "
        />
        <p class="font-semibold">{{ say(`${one.from} – ${one.to}`) }}</p>
        <p>
          {{ say([one.colour, one.size, one.rated, one.madeLabel, one.note].filter(Boolean).join(', ')) }}
          <span v-if="one.doubt || one.says" class="block text-sm" :class="one.doubt ? 'text-doubt' : 'text-soft'">
            {{ say(one.doubt || one.says) }}
          </span>
        </p>
        <button
          v-if="session.mayWrite.value"
          type="button"
          class="min-h-11 text-accent underline underline-offset-4"
          @click="done(takeBack(one.entry))"
        >
          Take back
        </button>
      </li>
    </ul>
    <form v-if="session.mayWrite.value" class="flex flex-wrap items-start gap-3" @submit.prevent="add">
      <TextField v-model="wire.from" class="w-28!" label="From" :fault="fault('from')" />
      <TextField v-model="wire.to" class="w-36!" label="To" :fault="fault('to')" />
      <TextField v-model="wire.colour" class="w-28!" label="Colour" />
      <TextField v-model="wire.size" class="w-28!" label="Size" hint="20 AWG, 0.5 mm²" :fault="fault('size')" />
      <TextField v-model="wire.volts" class="w-28!" label="Insulation" unit="V" :fault="fault('volts')" />
      <ChoiceField v-model="wire.made" class="w-56!" label="It is" :options="ways" />
      <TextField v-model="wire.note" class="w-72!" label="Note" hint="clearance, ground return, shield, hum" />
      <AppButton class="mt-6" type="submit">Note it</AppButton>
    </form>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
  </section>
</template>
