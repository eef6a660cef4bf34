<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import SchematicPicture from '../circuit/SchematicPicture.vue'
import { useDrawing } from '../circuit/useDrawing'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'
import StaircaseChart from '../volts/StaircaseChart.vue'
import { useVolts, type PointView, type VoltsView } from '../volts/useVolts'
import ChangeForm from './ChangeForm.vue'
import StepTable from './StepTable.vue'
import { kinds, useWhatIf, type Change, type Kind } from './useModel'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { volts } = useVolts(() => props.setId)
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
const kept = ref<readonly Change[]>(asked())
const draft = ref<Change | null>(null)
const changes = computed<readonly Change[]>(() => (draft.value ? [...kept.value, draft.value] : kept.value))
const { parts, answer, problem } = useWhatIf(() => props.setId, changes)
const current = ref('')
const shown = ref<'staircase' | 'drawing'>('staircase')
const { data: drawing } = useDrawing(() => props.setId)
/** The part chosen on the drawing; the same one twice is chosen twice. */
const picked = ref({ part: '', times: 0 })

/** The published type leaves out that a point may be unread. */
const unread = null as unknown as PointView['reading']

/** The Volts screen's staircase, with the healthy set as its ghost and the changed one as its bars. */
const stairs = computed<VoltsView | null>(() => {
  if (!volts.value || !answer.data.value) return null
  const steps = new Map(answer.data.value.steps.map((step) => [step.node, step]))
  return {
    ...volts.value,
    branches: [],
    points: volts.value.points.map((point) => {
      const step = steps.get(point.node)
      const reading =
        step?.changed == null
          ? unread
          : {
              id: '',
              value: step.changed,
              text: step.changedText,
              lineVolts: 0,
              meter: '',
              minutesOn: null,
              takenAt: '',
              author: '',
            }
      return {
        ...point,
        expected: step?.healthy ?? null,
        band: 0,
        verdict: step?.change ? ('FOLLOWS' as const) : ('GOOD' as const),
        reading,
      }
    }),
  }
})
/** A change that another screen, or a bookmark, asks for. */
function asked(): readonly Change[] {
  const { part, kind, value } = useRoute().query
  return typeof part === 'string' && typeof kind === 'string' && kind in kinds
    ? [{ part, kind: kind as Kind, value: typeof value === 'string' ? value : '' }]
    : []
}
/** The volts with the change at each node of the drawing; what moves is bold. */
const figures = computed(() =>
  Object.fromEntries(
    (answer.data.value?.steps ?? []).map((step) => [
      step.node,
      { text: (step.changedText || step.healthyText).replace(' ', ''), read: step.change !== '' },
    ]),
  ),
)
function pick(reference: string) {
  picked.value = { part: reference, times: picked.value.times + 1 }
}
function remove(index: number) {
  kept.value = kept.value.filter((_, i) => i !== index)
}
function keep() {
  if (draft.value) kept.value = [...kept.value, draft.value]
  draft.value = null
}
function described(change: Change): string {
  const kind = kinds[change.kind]
  return `${change.part} ${change.kind === 'VALUE' ? `= ${change.value}` : kind.name}${change.kind === 'LEAK' ? ` ${change.value}` : change.kind === 'WEAK' ? `, ${change.value} % left` : ''}`
}
function healthy() {
  kept.value = []
  draft.value = null
}
</script>

<template>
  <div v-if="set.data.value && parts.data.value" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="say(`Solved for ${parts.data.value.conditions}`)"
    />
    <p v-if="parts.data.value.refusal" class="m-6 max-w-2xl rounded border border-line bg-sheet p-5 text-lg">
      {{ say(parts.data.value.refusal) }}
    </p>
    <div
      v-else
      class="grid min-h-0 flex-1 content-start gap-x-4 overflow-auto xl:grid-cols-[19rem_minmax(0,1fr)_24rem] xl:content-stretch xl:overflow-hidden"
    >
      <section class="min-h-0 space-y-3 border-line px-5 py-3 xl:overflow-auto xl:border-r" aria-labelledby="changed">
        <h2 id="changed" class="font-semibold">What if…</h2>
        <ul v-if="kept.length > 0" class="space-y-1">
          <li v-for="(change, i) in kept" :key="i" class="flex items-center justify-between gap-2 rounded bg-mark pl-3">
            <span class="font-semibold">{{ say(described(change)) }}</span>
            <button class="min-h-11 px-3 text-sm underline underline-offset-4" @click="remove(i)">
              undo
              <span class="sr-only">{{ described(change) }}</span>
            </button>
          </li>
        </ul>
        <p v-if="problem && !draft" role="alert" class="text-bad">
          {{ say(problem.errors[0]?.detail ?? problem.detail) }} Undo it, or give another value.
        </p>
        <ChangeForm
          v-model="draft"
          :parts="parts.data.value.parts"
          :problem="problem"
          :say="say"
          :full="kept.length > 6"
          :picked="picked"
          @keep="keep"
        />
        <AppButton v-if="kept.length > 0" @click="healthy">Back to the healthy set</AppButton>
        <ul
          v-if="answer.data.value && answer.data.value.consequences.length > 0"
          class="space-y-1 border-t border-line pt-3"
          aria-label="What else follows"
        >
          <li v-for="line in answer.data.value.consequences" :key="line" class="text-doubt">{{ say(line) }}</li>
        </ul>
        <p class="border-t border-line pt-3 text-sm text-soft">
          Nothing here is kept and nothing touches your readings. Every part not named is taken as the circuit has it.
        </p>
      </section>
      <section class="flex min-h-72 flex-col px-1 py-2" aria-labelledby="moves">
        <h2 id="moves" class="flex items-center gap-x-2 text-sm font-semibold text-soft">
          <span class="flex" role="group" aria-label="Shown as">
            <button
              v-for="one in ['staircase', 'drawing'] as const"
              :key="one"
              class="min-h-9 border px-3 whitespace-nowrap first:rounded-l last:rounded-r"
              :class="shown === one ? 'border-accent bg-mark text-ink' : 'border-line bg-raised'"
              :aria-pressed="shown === one"
              @click="shown = one"
            >
              {{ one === 'staircase' ? 'The staircase' : 'The drawing' }}
            </button>
          </span>
          <span class="font-normal">
            {{
              shown === 'staircase'
                ? 'shaded: the healthy set · bars: with the change'
                : 'bold: what moves · choose a part to change it'
            }}
          </span>
        </h2>
        <p v-if="answer.data.value?.sentence" role="status" class="m-4 text-bad">
          {{ say(answer.data.value.sentence) }}
        </p>
        <SchematicPicture
          v-if="shown === 'drawing' && drawing"
          class="flex-1"
          :drawing="drawing"
          :chosen="draft?.part ?? kept[kept.length - 1]?.part ?? ''"
          :zoom="0.8"
          :volts="figures"
          walking
          :say="say"
          @choose="pick"
          @open="pick"
        />
        <StaircaseChart
          v-else-if="stairs"
          class="flex-1"
          :view="stairs"
          :current="current"
          :say="say"
          @choose="current = $event"
        />
      </section>
      <StepTable
        v-if="answer.data.value"
        :steps="answer.data.value.steps"
        :current="current"
        :say="say"
        @choose="current = $event"
      />
    </div>
  </div>
  <p v-else-if="parts.error.value" role="alert" class="p-8 text-bad">{{ parts.error.value.message }}</p>
  <p v-else class="p-8 text-soft">Solving the circuit…</p>
</template>
