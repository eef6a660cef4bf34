<script setup lang="ts">
import { ArrowLeftIcon } from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import { useShop } from '../ui/useShop'
import ChainStrip from './ChainStrip.vue'
import ControlReading from './ControlReading.vue'
import FormRows from './FormRows.vue'
import ProportionPlot from './ProportionPlot.vue'
import TapScale from './TapScale.vue'
import TestCautions from './TestCautions.vue'
import TestStrip from './TestStrip.vue'
import { useTest } from './useTest'

/** One test: how to make it, what it asks and what was read, row by row, and what the figures prove. */
const props = defineProps<{ setId: string; test: string }>()
const { say, when } = useShop()
const made = useTest(props.setId, props.test)
const { about, error, typed, judged, blocks, instrument, problem } = made
const strip = useTemplateRef('strip')

/** The ribbon above says that the plug is out and in sight. */
const cautions = computed(() => (about.value?.cautions ?? []).filter((one) => one.when !== 'starting unplugged work'))
const fed = computed(() => blocks.value.find((block) => block.lines[0]?.cells[0]?.key === 'in.0'))
const verdict = computed(() => judged.value?.verdict ?? null)
/** What no row shows already. */
const apart = computed(() => {
  const rows = new Set(blocks.value.flatMap((block) => block.lines.map((line) => line.label)))
  return (verdict.value?.results ?? []).filter((result) => !rows.has(result.label))
})
const chosen = computed(() => about.value?.instruments.find((one) => one.id === instrument.value) ?? null)
function choose(key: string) {
  made.current.value = key
  strip.value?.focus()
}
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const typing = (event.target as HTMLElement).closest('input, textarea, [role=dialog], [role=listbox]') !== null
  if (!typing && !event.ctrlKey && !event.altKey && !event.metaKey && /^[0-9.-]$/.test(event.key)) strip.value?.focus()
})
</script>

<template>
  <div v-if="about" class="grid grid-cols-1 gap-x-6 gap-y-4 p-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
    <div class="min-w-0">
      <RouterLink :to="`/sets/${setId}/cold`" class="flex min-h-11 w-fit items-center gap-1 text-accent xl:hidden">
        <ArrowLeftIcon class="size-5" aria-hidden="true" />
        The plan
      </RouterLink>
      <div class="flex flex-wrap items-start justify-between gap-x-4">
        <h2 class="text-xl font-semibold">{{ say(about.title) }}</h2>
        <div v-if="about.instruments.length > 0" class="flex flex-wrap items-center gap-x-3">
          <ChoiceField
            v-model="instrument"
            inline
            label="Read with"
            :options="
              about.instruments.map((one) => ({
                id: one.id,
                name: one.name + (one.checkedLately ? ', proven today' : ''),
              }))
            "
          />
          <span v-if="chosen?.says" class="text-sm text-soft">{{ say(chosen.says) }}</span>
        </div>
      </div>
      <p v-if="about.lacking.length > 0" class="mt-1 text-doubt">
        This bench has no {{ say(about.lacking.join(', no ')) }}; borrowed, it can be made all the same.
      </p>
      <ol class="mt-2 list-decimal space-y-0.5 pl-6 marker:text-soft">
        <li v-for="step in about.steps" :key="step">{{ say(step) }}.</li>
      </ol>
      <TestCautions
        v-if="cautions.length > 0"
        class="mt-3"
        :place="`${setId}.${test}`"
        :cautions="cautions"
        :say="say"
      />
      <div class="mt-4 space-y-5">
        <FormRows v-for="block in blocks" :key="block.title" :test="made" :block="block" :say="say" @choose="choose" />
        <ProblemNote :problem="problem" />
      </div>
      <Teleport defer to="#cold-strip"><TestStrip ref="strip" :test="made" :say="say" /></Teleport>
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
        <ul v-if="apart.length > 0" class="mt-3 divide-y divide-line border-y border-line">
          <li v-for="result in apart" :key="result.label" class="py-1.5">
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
      <ControlReading v-if="judged?.asksControl && chosen && !chosen.checkedLately" :instrument="chosen" :say="say" />
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
