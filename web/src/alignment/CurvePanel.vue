<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import CurveChart from './CurveChart.vue'
import { frequency, useAlignment, type AlignCurve } from './useAlignment'

/** A curve read point by point, and what it says. */
const props = defineProps<{
  setId: string
  /** What the curve may be of, the usual first. */
  names: string[]
  /** Where its middle should be [Hz]; 0 when nobody knows. */
  wanted: number
  detector: boolean
  curves: AlignCurve[]
}>()
const { say, shop } = useShop()
const { curve: keepCurve } = useAlignment(() => props.setId)
const text = (value: number) => (shop.value?.decimalSign === 'COMMA' ? String(value).replace('.', ',') : String(value))
const name = ref(props.names[0] ?? '')
const curve = computed(() => props.curves.find((one) => one.name === name.value) ?? null)
const rows = ref<{ kilohertz: string; value: string }[]>([])
const sort = ref<'LEVEL' | 'OUTPUT'>('LEVEL')
const problem = ref<Problem | null>(null)
const saved = ref(false)
function fresh() {
  name.value = props.names[0] ?? ''
  if (props.wanted === 0) {
    rows.value = Array.from({ length: 11 }, (_, n) => ({ kilohertz: text(400 + 10 * n), value: '' }))
    return
  }
  const kilo = props.wanted / 1000
  const high = props.wanted > 3e6
  const steps = props.detector
    ? [-250, -200, -150, -100, -50, 0, 50, 100, 150, 200, 250]
    : [-8, -6, -4, -2, 0, 2, 4, 6, 8].map((n) => (high ? n * 25 : n))
  rows.value = steps.map((n) => ({ kilohertz: text(Math.round((kilo + n) * 10) / 10), value: '' }))
}
// By value: an answer that says the same must not empty what is being typed.
watch([() => props.names.join(), () => props.wanted], fresh, { immediate: true })
const filled = computed(() => rows.value.filter((row) => row.value.trim()).length)
async function keep() {
  const answer = await keepCurve({
    name: name.value,
    sort: props.detector ? 'DETECTOR' : sort.value,
    wanted: props.wanted ? text(props.wanted / 1000) : '',
    rows: rows.value
      .filter((row) => row.value.trim())
      .map((row) => `${row.kilohertz.trim()} ${row.value.trim()}`)
      .join('\n'),
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  saved.value = answer.kind === 'ready'
}
async function onward(event: KeyboardEvent, index: number) {
  if (index + 1 >= rows.value.length) return
  event.preventDefault()
  await nextTick()
  const inputs = (event.target as HTMLElement).closest('form')?.querySelectorAll<HTMLInputElement>('[data-value]')
  inputs?.[index + 1]?.focus()
}
</script>

<template>
  <section :aria-label="`Curve of ${name}`">
    <div class="grid gap-5 md:grid-cols-[15rem_minmax(0,1fr)]">
      <form class="space-y-2" @submit.prevent="keep">
        <ChoiceField
          v-if="names.length > 1"
          v-model="name"
          class="w-full!"
          label="Curve of"
          :options="
            names.map((one) => ({
              id: one,
              name: one === 'IF' || one === 'FM IF' ? 'the whole chain' : one.toLowerCase(),
            }))
          "
        />
        <ChoiceField
          v-if="!detector"
          v-model="sort"
          class="w-full!"
          label="Read as"
          :options="[
            { id: 'LEVEL', name: 'Level for one reading' },
            { id: 'OUTPUT', name: 'Output at one level' },
          ]"
        />
        <p v-if="detector" class="text-sm text-soft">Volts against the middle, with their sign.</p>
        <div class="grid grid-cols-2 gap-x-2 gap-y-1">
          <span class="text-sm text-soft">kHz</span>
          <span class="text-sm text-soft">{{ detector ? 'V' : sort === 'LEVEL' ? 'µV' : 'V' }}</span>
          <template v-for="(row, i) in rows" :key="i">
            <input
              v-model="row.kilohertz"
              class="min-h-9 w-full rounded border border-line bg-raised px-2 font-figures"
              :aria-label="`Frequency ${i + 1}, kHz`"
            />
            <input
              v-model="row.value"
              data-value
              class="min-h-9 w-full rounded border border-line bg-raised px-2 font-figures"
              :aria-label="`Read at ${row.kilohertz} kHz`"
              @keydown.enter="onward($event, i)"
            />
          </template>
        </div>
        <div class="flex flex-wrap gap-2">
          <AppButton type="submit" look="main" :disabled="!session.mayWrite.value || filled < 5">
            Keep the curve
          </AppButton>
          <AppButton look="quiet" @click="rows.push({ kilohertz: '', value: '' })">Add a row</AppButton>
        </div>
        <p v-if="faultAt(problem, 'rows')" role="alert" class="text-bad">{{ faultAt(problem, 'rows') }}</p>
        <ProblemNote v-else :problem="problem" />
      </form>
      <div v-if="curve" class="min-w-0">
        <CurveChart :curve="curve" />
        <p v-if="curve.problem" class="text-bad">{{ say(curve.problem) }}</p>
        <p
          v-else-if="curve.centre != null"
          class="font-semibold"
          :class="wanted === 0 ? '' : curve.right ? 'text-good' : 'text-bad'"
        >
          {{ detector ? 'Nought at' : 'Middle at' }} {{ say(frequency(curve.centre)) }}
          <span v-if="curve.width != null" class="font-normal text-soft">
            · {{ detector ? 'peaks' : 'width' }} {{ say(frequency(curve.width)) }}{{ detector ? ' apart' : '' }}
            <template v-if="curve.quality != null">· Q {{ curve.quality.toFixed(0) }} of the whole</template>
          </span>
        </p>
        <ul class="mt-1 space-y-1">
          <li v-for="one in curve.says" :key="one">{{ say(one) }}</li>
        </ul>
        <p v-if="saved" role="status" class="mt-1 text-sm text-soft">Kept.</p>
      </div>
      <p v-else class="text-soft">
        {{
          detector
            ? 'Two peaks and nought between them come out of this: how far nought is off, and which core to turn.'
            : 'Middle, width and Q come out of this, and which way it leans. Under AVC take the level for one and the same reading.'
        }}
      </p>
    </div>
  </section>
</template>
