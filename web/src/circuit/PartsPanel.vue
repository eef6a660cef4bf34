<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { faultAt, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'
import LinesEntry from './LinesEntry.vue'
import LineUpForm from './LineUpForm.vue'
import PartDialog from './PartDialog.vue'
import PartsTable from './PartsTable.vue'
import type { useCircuit } from './useCircuit'

const props = defineProps<{
  setId: string
  parts: readonly Schemas['PartView'][]
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
}>()
const route = useRoute()
const wanted = ref('')
const typing = ref(false)
const line = ref('')
/** The part the line changes, and its line when that was begun. */
const begun = ref({ reference: '', line: '' })
const problem = ref<Problem | null>(null)
const chosen = ref(typeof route.query['part'] === 'string' ? route.query['part'] : '')
const part = computed(() => props.parts.find((p) => p.reference === chosen.value) ?? null)
const shown = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.parts.filter((p) =>
    words.every((word) =>
      `${p.reference} ${p.kind} ${p.description} ${p.working} ${p.nodes.join(' ')}`.toLowerCase().includes(word),
    ),
  )
})
const disputed = computed(() => props.parts.filter((p) => p.conflict))

function begin(of: string) {
  begun.value = { reference: chosen.value, line: of }
  line.value = of
  chosen.value = ''
}
async function change() {
  const answer = await props.doors.putPart(line.value, begun.value.line)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') line.value = ''
  else
    begun.value = { ...begun.value, line: props.parts.find((p) => p.reference === begun.value.reference)?.line ?? '' }
}
</script>

<template>
  <LinesEntry :parts="parts" :doors="doors" :say="say" />
  <form v-if="line" class="flex items-start gap-3 pb-3" @submit.prevent="change">
    <TextField
      v-model="line"
      label="This part's whole line, as in a deck"
      wide
      :fault="faultAt(problem, 'line') || problem?.detail"
    />
    <AppButton type="submit" class="mt-6">Keep</AppButton>
    <AppButton look="quiet" class="mt-6" @click="line = ''">Cancel</AppButton>
  </form>
  <div v-if="parts.length > 0" class="flex items-end gap-4 pb-2">
    <TextField v-model="wanted" label="Find" />
    <div class="flex" role="group" aria-label="How the parts are shown">
      <button
        v-for="table in [false, true]"
        :key="String(table)"
        class="min-h-11 border px-4 first:rounded-l last:rounded-r"
        :class="typing === table ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised text-soft'"
        :aria-pressed="typing === table"
        @click="typing = table"
      >
        {{ table ? 'Type in the table' : 'List' }}
      </button>
    </div>
  </div>
  <section
    v-if="disputed.length > 0"
    class="mb-3 rounded border border-bad bg-sheet px-4 py-2"
    aria-label="Values that disagree"
  >
    <p v-for="p in disputed" :key="p.reference">
      <button class="min-h-11 font-semibold text-bad underline underline-offset-4" @click="chosen = p.reference">
        {{ p.reference }}
      </button>
      {{ say(p.description) }}: {{ say(p.conflict ?? '') }}
    </p>
  </section>
  <div v-if="parts.length === 0">
    <p class="mb-3 max-w-prose text-soft">
      No parts yet. Type the set’s tubes here and its circuit is drafted; or type parts above, load a file under Files,
      or start from a near relative under Arrival.
    </p>
    <LineUpForm :set-id="setId" :say="say" />
  </div>
  <PartsTable v-else-if="typing" :parts="shown" :doors="doors" :say="say" @open="chosen = $event" />
  <table v-else class="w-full">
    <thead class="text-left text-sm text-soft">
      <tr>
        <th class="py-1 font-normal">Part</th>
        <th class="font-normal">Value</th>
        <th class="font-normal">Tolerance, rating</th>
        <th class="font-normal">What it does</th>
        <th class="font-normal">Between</th>
        <th class="font-normal">Values</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="p in shown" :key="p.reference" class="border-t border-line">
        <td>
          <button
            class="min-h-11 font-semibold text-accent underline-offset-4 hover:underline"
            @click="chosen = p.reference"
          >
            {{ p.reference }}
          </button>
        </td>
        <td class="font-figures">{{ say(p.working) }}</td>
        <td class="text-sm text-soft">{{ p.hasValue ? `± ${p.tolerancePercent} %` : '' }} {{ p.rating }}</td>
        <td>{{ say(p.description || p.kind) }}</td>
        <td class="text-sm text-soft">{{ p.nodes.join(' – ') }}</td>
        <td class="text-sm" :class="p.conflict ? 'font-semibold text-bad' : 'text-soft'">
          {{ p.conflict ? 'disagree' : p.values.map((v) => v.label).join(', ') }}
        </td>
      </tr>
    </tbody>
  </table>
  <PartDialog :set-id="setId" :part="part" :doors="doors" :say="say" @close="chosen = ''" @change="begin" />
</template>
