<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, faultAt, http, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import ColourDrawing from './ColourDrawing.vue'
import { least, order, paint, places, spoken, type Colour, type Scheme } from './colours'

/** Colours of old parts, tapped in order, to their value; and a value to its colours. */
const props = defineProps<{ open: boolean; marked: string; called: string; say: (text: string) => string }>()
const emit = defineEmits<{ close: [] }>()
const schemes: { id: Scheme; name: string }[] = [
  { id: 'BANDS', name: 'bands' },
  { id: 'BODY_END_DOT', name: 'body, end, dot' },
  { id: 'MICA_DOTS', name: 'flat mica, six dots' },
]
const scheme = ref<Scheme>('BANDS')
const tapped = ref<Colour[]>([])
const ways = ref<Schemas['ColoursRead'][]>([])
const problem = ref<Problem | null>(null)
const value = ref('')
const drawn = ref<Schemas['ColoursFor'] | null>(null)
const valueProblem = ref<Problem | null>(null)
watch(scheme, () => (tapped.value = []))
watch(
  tapped,
  async (colours) => {
    ways.value = []
    problem.value = null
    if (colours.length < least[scheme.value]) return
    const answer = await ask(http.POST('/api/colours/readings', { body: { scheme: scheme.value, colours } }))
    if (colours !== tapped.value) return
    if (answer.kind === 'ready') ways.value = answer.value
    else problem.value = answer.problem
  },
  { deep: true },
)
function tap(colour: Colour) {
  const all = places[scheme.value].length
  tapped.value = tapped.value.length === all ? [colour] : [...tapped.value, colour]
}
async function paintIt() {
  const answer = await ask(
    http.POST('/api/colours/of-values', { body: { value: value.value, tolerancePercent: null } }),
  )
  valueProblem.value = answer.kind === 'failed' ? answer.problem : null
  drawn.value = answer.kind === 'ready' ? answer.value : null
}
</script>

<template>
  <AppDialog :open="props.open" title="Colours on old parts" wide @close="emit('close')">
    <div class="grid gap-x-8 gap-y-5 lg:grid-cols-2">
      <section class="space-y-3" aria-label="From colours to a value">
        <ChoiceField v-model="scheme" class="w-full!" label="How they lie" :options="schemes" />
        <ColourDrawing :scheme="scheme" :colours="tapped" />
        <p class="text-sm text-soft">
          {{
            tapped.length < places[scheme].length
              ? say(
                  `Tap the ${places[scheme][tapped.length]}${tapped.length >= least[scheme] ? ', if there is one' : ''}`,
                )
              : say('All read; tap again to begin anew')
          }}
          {{ scheme === 'BODY_END_DOT' ? say('An end in the body’s colour is tapped as such.') : '' }}
        </p>
        <div class="grid grid-cols-3 gap-2" role="group" aria-label="Colours">
          <button
            v-for="colour in order"
            :key="colour"
            type="button"
            class="flex min-h-12 items-center gap-2 rounded border border-line bg-raised px-2 text-sm"
            @click="tap(colour)"
          >
            <span class="size-6 shrink-0 rounded border border-line" :style="{ background: paint[colour] }" />
            {{ spoken(colour) }}
          </button>
        </div>
        <div class="flex gap-2">
          <AppButton :disabled="tapped.length === 0" @click="tapped = tapped.slice(0, -1)">One back</AppButton>
          <AppButton :disabled="tapped.length === 0" @click="tapped = []">Clear</AppButton>
        </div>
        <div role="status" aria-live="polite" class="min-h-14">
          <p v-for="way in ways" :key="way.says" class="text-lg font-semibold">{{ say(way.says) }}</p>
          <p v-if="ways.length > 1" class="text-sm">The dots fit both ways of reading; a capacitance meter decides.</p>
          <p v-if="ways.length > 0 && marked" class="text-sm text-soft">
            {{ say(`The sheet has ${called} as ${marked}.`) }}
          </p>
          <p v-if="problem" class="text-bad">{{ problem.detail }}</p>
        </div>
      </section>
      <section class="space-y-3" aria-label="From a value to colours">
        <form class="flex items-end gap-3" @submit.prevent="paintIt">
          <TextField v-model="value" class="w-40!" label="Ohms" hint="4.7k" :fault="faultAt(valueProblem, 'value')" />
          <AppButton class="mb-6" type="submit">Show its colours</AppButton>
        </form>
        <ProblemNote :problem="valueProblem && valueProblem.errors.length === 0 ? valueProblem : null" />
        <template v-if="drawn">
          <p class="text-lg font-semibold">{{ drawn.value }}</p>
          <ColourDrawing scheme="BANDS" :colours="drawn.bands" />
          <p class="text-sm">{{ drawn.bands.map(spoken).join(', ') }}</p>
          <ColourDrawing scheme="BODY_END_DOT" :colours="drawn.bodyEndDot" />
          <p class="text-sm">
            {{
              `body ${spoken(drawn.bodyEndDot[0]!)}, end ${spoken(drawn.bodyEndDot[1]!)}, dot ${spoken(drawn.bodyEndDot[2]!)}`
            }}
          </p>
        </template>
      </section>
    </div>
    <div class="mt-4 flex justify-end">
      <AppButton look="main" @click="emit('close')">Done</AppButton>
    </div>
  </AppDialog>
</template>
