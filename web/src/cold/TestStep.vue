<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { ArrowLeftIcon, ExclamationTriangleIcon } from '@heroicons/vue/24/outline'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { Problem, Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import { useShop } from '../ui/useShop'
import { columnsOf, typedOf } from './cells'
import CellField from './CellField.vue'
import ChainStrip from './ChainStrip.vue'
import ControlReading from './ControlReading.vue'
import ProportionPlot from './ProportionPlot.vue'
import TapScale from './TapScale.vue'
import { useCold } from './useCold'

/** One test: how to make it, what to enter, and what the figures say while they are typed. */
const props = defineProps<{ setId: string; test: string }>()
const { say, when } = useShop()
const cold = useCold(() => props.setId)
const { data: about, error } = cold.test(() => props.test)
const typed = ref<Record<string, string>>({})
const judged = ref<Schemas['JudgedView'] | null>(null)
const instrument = ref('')
const problem = ref<Problem | null>(null)
const keptAs = ref('')
/** Keys of what was typed here; the rest is only shown again and keeps its own time and person. */
const read = ref(new Set<string>())
const form = useTemplateRef<HTMLFormElement>('form')
let opened = ''
let asked = 0

watch(
  about,
  async (a) => {
    if (!a || opened === props.test) return
    opened = props.test
    typed.value = { ...a.typed }
    read.value = new Set()
    instrument.value = a.instrument
    await judge()
    await nextTick()
    form.value?.querySelector<HTMLElement>('input[data-figure]')?.focus({ preventScroll: true })
  },
  { immediate: true },
)

async function judge() {
  const mine = ++asked
  const answer = await cold.judge(props.test, typed.value)
  if (mine !== asked) return
  if (answer.kind === 'ready') judged.value = answer.value
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
watchDebounced(
  typed,
  () => {
    keptAs.value = ''
    void judge()
  },
  { deep: true, debounce: 180 },
)

const blocks = computed(() => judged.value?.blocks ?? [])
const fed = computed(() => blocks.value.find((block) => block.lines[0]?.cells[0]?.key === 'in.0'))
const verdict = computed(() => judged.value?.verdict ?? null)
const faultOf = (key: string) => judged.value?.faults.find((fault) => fault.key === key)?.text ?? ''
const chosen = computed(() => about.value?.instruments.find((one) => one.id === instrument.value) ?? null)
const unit = computed<Schemas['CheckEdit']['unit']>(
  () =>
    (({ V: 'VOLT', A: 'AMPERE' }) as Record<string, Schemas['CheckEdit']['unit']>)[
      blocks.value.flatMap((b) => b.lines.flatMap((l) => l.cells)).find((c) => c.unit)?.unit ?? ''
    ] ?? 'OHM',
)
const nameOf = (line: Schemas['FormLine'], cell: Schemas['CellView']) =>
  [line.label, cell.label].filter(Boolean).join(', ')
const allYes = (block: Schemas['BlockView']) =>
  block.lines.length > 1 &&
  block.lines.every((line) => line.cells.every((cell) => cell.choices.some((choice) => choice.id === 'yes')))
function yesToAll(block: Schemas['BlockView']) {
  for (const line of block.lines) for (const cell of line.cells) type(cell.key, 'yes')
}
function type(key: string, text: string) {
  typed.value[key] = text
  read.value.add(key)
}
const levels = { STOP: 'Settle first', DANGER: 'Danger', CARE: 'Care' } as const

async function keep() {
  await judge()
  const answer = await cold.keep(
    props.test,
    about.value?.title ?? '',
    crypto.randomUUID(),
    typedOf(blocks.value, typed.value),
    [...read.value],
    instrument.value,
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind !== 'failed') read.value = new Set()
  keptAs.value =
    answer.kind === 'ready' ? 'Kept.' : answer.kind === 'queued' ? 'Waits in this browser for the connection.' : ''
}

/** Number, Enter, number, Enter; behind the last one stands the key that keeps them. */
function onward(event: KeyboardEvent) {
  const fields = [...(form.value?.querySelectorAll<HTMLElement>('input[data-figure], button[type=submit]') ?? [])]
  const here = fields.indexOf(event.target as HTMLElement)
  if (here >= 0 && (event.target as HTMLElement).tagName === 'INPUT') {
    event.preventDefault()
    fields[here + 1]?.focus()
  }
}
</script>

<template>
  <div v-if="about" class="grid grid-cols-1 gap-x-6 gap-y-4 p-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
    <div class="min-w-0">
      <RouterLink :to="`/sets/${setId}/cold`" class="flex min-h-11 w-fit items-center gap-1 text-accent xl:hidden">
        <ArrowLeftIcon class="size-5" aria-hidden="true" />
        The plan
      </RouterLink>
      <h2 class="text-xl font-semibold">{{ say(about.title) }}</h2>
      <p v-if="about.lacking.length > 0" class="mt-1 text-doubt">
        This bench has no {{ say(about.lacking.join(', no ')) }}; borrowed, it can be made all the same.
      </p>
      <ol class="mt-2 list-decimal space-y-0.5 pl-6 marker:text-soft">
        <li v-for="step in about.steps" :key="step">{{ say(step) }}.</li>
      </ol>
      <ul v-if="about.cautions.length > 0" class="mt-3 space-y-1.5">
        <li
          v-for="caution in about.cautions"
          :key="caution.when"
          class="grid grid-cols-[1.75rem_1fr] rounded bg-caution px-3 py-1.5 text-[14px] leading-snug text-on-caution"
        >
          <ExclamationTriangleIcon class="size-5" aria-hidden="true" />
          <span>
            <strong>{{ levels[caution.level] }}.</strong>
            {{ say(caution.text) }}
            <template v-if="caution.deferTo">Decided first by: {{ caution.deferTo }}.</template>
          </span>
        </li>
      </ul>
      <form ref="form" class="mt-4 space-y-5" @submit.prevent="keep" @keydown.enter="onward">
        <fieldset v-for="block in blocks" :key="block.title" class="min-w-0">
          <legend class="text-lg font-semibold">{{ say(block.title) }}</legend>
          <p v-if="block.lead" class="text-soft">
            {{ say(block.lead) }}
            <button
              v-if="allYes(block)"
              type="button"
              class="min-h-11 font-semibold text-accent underline underline-offset-4"
              @click="yesToAll(block)"
            >
              All are
            </button>
          </p>
          <div
            v-if="columnsOf(block).length > 0"
            class="mt-1 overflow-x-auto"
            tabindex="0"
            role="group"
            :aria-label="block.title"
          >
            <table>
              <thead class="text-left text-sm text-soft">
                <tr>
                  <td />
                  <th
                    v-for="(column, i) in columnsOf(block)"
                    :key="i"
                    class="max-w-28 pr-3 pb-1 align-bottom leading-tight font-normal"
                  >
                    {{ [say(column), block.lines[0]!.cells[i]!.unit].filter(Boolean).join(', ') }}
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="line in block.lines" :key="line.label" class="align-top">
                  <th scope="row" class="max-w-44 pt-2.5 pr-4 text-left font-normal leading-tight">
                    {{ say(line.label) }}
                  </th>
                  <td v-for="cell in line.cells" :key="cell.key" class="pr-3 pb-2">
                    <CellField
                      :model-value="typed[cell.key] ?? ''"
                      :cell="{ ...cell, expected: say(cell.expected) }"
                      :name="say(nameOf(line, cell))"
                      :fault="say(faultOf(cell.key))"
                      narrow
                      @update:model-value="type(cell.key, $event)"
                    />
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
          <div v-else class="mt-1 divide-y divide-line border-y border-line">
            <div
              v-for="line in block.lines"
              :key="line.label"
              class="grid items-center gap-x-4 gap-y-1 py-1.5 sm:grid-cols-[15rem_minmax(0,1fr)]"
            >
              <p class="leading-tight">{{ say(line.label) }}</p>
              <div class="flex flex-wrap items-start gap-x-5 gap-y-2">
                <div v-for="cell in line.cells" :key="cell.key" class="flex flex-wrap items-baseline gap-x-2">
                  <span
                    v-if="cell.label && !(cell.kind === 'CHOICE' && line.cells.length === 1)"
                    class="text-sm text-soft"
                  >
                    {{ say(cell.label) }}
                  </span>
                  <CellField
                    :model-value="typed[cell.key] ?? ''"
                    :cell="{ ...cell, expected: say(cell.expected) }"
                    :name="say(nameOf(line, cell))"
                    :fault="say(faultOf(cell.key))"
                    @update:model-value="type(cell.key, $event)"
                  />
                </div>
              </div>
            </div>
          </div>
        </fieldset>
        <ProblemNote :problem="problem" />
        <div class="flex flex-wrap items-end gap-4">
          <AppButton look="main" type="submit">Keep these readings</AppButton>
          <ChoiceField
            v-if="about.instruments.length > 0"
            v-model="instrument"
            class="w-72!"
            label="Read with"
            :options="
              about.instruments.map((one) => ({
                id: one.id,
                name: one.name + (one.checkedLately ? ', proven today' : ''),
              }))
            "
          />
          <p v-if="keptAs" role="status" class="w-full font-semibold text-good">{{ keptAs }}</p>
        </div>
      </form>
    </div>
    <aside v-if="verdict" class="min-w-0 self-start lg:sticky lg:top-4" aria-label="What it says" aria-live="polite">
      <p class="flex items-center gap-2 text-lg font-semibold" :class="looks[verdict.word].text">
        <VerdictMark class="size-7!" :verdict="verdict.word" />
        {{
          verdict.word === 'NO_EXPECTATION'
            ? 'proves nothing'
            : verdict.word === 'GOOD'
              ? 'passes'
              : verdict.word === 'BAD'
                ? 'fails'
                : looks[verdict.word].word
        }}
      </p>
      <p class="mt-1 text-[17px] leading-snug">{{ say(verdict.sentence) }}</p>
      <p v-if="verdict.next" class="mt-2 border-l-4 border-accent pl-3 leading-snug">
        <strong>Then:</strong>
        {{ say(verdict.next) }}
      </p>
      <ChainStrip
        v-if="test === 'plug-on' && verdict.results.length > 0"
        class="mt-3"
        :links="verdict.results"
        :say="say"
      />
      <template v-else>
        <ProportionPlot v-if="test === 'injection' && fed" class="mt-3" :block="fed" :typed="typed" :say="say" />
        <TapScale v-if="test === 'taps'" class="mt-3" :taps="verdict.results" :say="say" />
        <ul v-if="verdict.results.length > 0" class="mt-3 divide-y divide-line border-y border-line">
          <li v-for="result in verdict.results" :key="result.label" class="py-1.5">
            <p class="flex items-start gap-2">
              <VerdictMark class="mt-0.5 size-4!" :verdict="result.word" />
              <span class="min-w-0 flex-1 leading-tight">{{ say(result.label) }}</span>
              <strong class="text-right font-figures">{{ say(result.value) }}</strong>
            </p>
            <p v-if="result.note" class="pl-6 text-sm leading-tight text-soft">{{ say(result.note) }}</p>
          </li>
        </ul>
      </template>
      <details v-if="verdict.arithmetic.length > 0" class="mt-2 text-sm">
        <summary class="min-h-8 content-center text-soft">The arithmetic</summary>
        <p v-for="line in verdict.arithmetic" :key="line" class="font-figures leading-snug">{{ say(line) }}</p>
      </details>
      <ControlReading
        v-if="judged?.asksControl && chosen && !chosen.checkedLately"
        :instrument="chosen"
        :unit="unit"
        :say="say"
      />
      <details
        v-if="about.claims.length > 0"
        class="mt-3 border-t border-line text-sm"
        :open="verdict.proves.length > 0 && verdict.proves.length < 9"
      >
        <summary class="min-h-9 content-center text-soft">
          {{ verdict.proves.length > 0 ? `Proves ${verdict.proves.length}` : `Would prove ${about.claims.length}` }}
        </summary>
        <ul>
          <li
            v-for="claim in verdict.proves.length > 0 ? verdict.proves : about.claims"
            :key="claim.subject + claim.aspect"
            class="leading-snug"
          >
            {{ say(`${claim.name}: ${claim.aspect}`) }}
          </li>
        </ul>
        <p v-if="about.leaves" class="mt-1 text-soft">Leaves open: {{ say(about.leaves) }}.</p>
      </details>
      <ul v-if="about.made.length > 0" class="mt-3 border-t border-line pt-2 text-sm text-soft">
        <li v-for="entry in about.made" :key="entry.id" class="leading-snug">
          {{ when(entry.at) }}: {{ say(entry.sentence) }}
        </li>
      </ul>
    </aside>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the test…</p>
</template>
