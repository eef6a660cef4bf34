<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import { figureOf } from '../player/figures'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import CurvePanel from './CurvePanel.vue'
import LeadProof from './LeadProof.vue'
import LiveBench from './LiveBench.vue'
import SignalPath from './SignalPath.vue'
import { frequency, level, useAlignment, type AlignmentView, type AlignStep } from './useAlignment'

/** One step at hand: where the signal goes in, what is turned, where it is read, and what was read. */
const props = defineProps<{ setId: string; alignment: AlignmentView; step: AlignStep; number: number }>()
const emit = defineEmits<{ kept: []; back: [id: string] }>()
const { say, shop } = useShop()
const { done } = useAlignment(() => props.setId)
const before = ref('')
const after = ref('')
const note = ref('')
const problem = ref<Problem | null>(null)
const title = useTemplateRef<HTMLElement>('title')
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const reads = computed(() => props.step.unit !== '')
const curved = computed(() => props.step.read === 'CURVE' || props.step.read === 'S')
const curveNames = computed(() => {
  if (props.step.read === 'S') return ['FM DETECTOR']
  const fm = props.step.part.startsWith('FM')
  const cans = fm ? props.alignment.receiver.fmCans : props.alignment.receiver.cans
  return [fm ? 'FM IF' : 'IF', ...Array.from({ length: cans }, (_, n) => `${fm ? 'FM CAN' : 'CAN'} ${n + 1}`)]
})
const barred = computed(() => props.step.clips && props.alignment.lead !== '')
const live = computed(
  () => !barred.value && (props.alignment.generatorAnswers || props.alignment.meterAnswers) && props.step.hertz != null,
)
const grown = computed(() => {
  const was = figureOf(before.value, sign.value)
  const is = figureOf(after.value, sign.value)
  if (!was || !is || props.step.aim !== 'PEAK') return ''
  // The volume control's volts are below nought.
  const times = Math.abs(is) / Math.abs(was)
  return times >= 1 ? `${times.toFixed(2)} times` : `less than before: ${times.toFixed(2)} times`
})
watch(
  () => props.step.id,
  () => {
    before.value = ''
    after.value = ''
    note.value = ''
    problem.value = null
  },
)
function reading(value: string, isAfter: boolean) {
  if (isAfter) after.value = value
  else before.value = value
}
async function keep() {
  const answer = await done({
    step: props.step.id,
    before: before.value,
    after: after.value,
    note: note.value,
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    before.value = after.value = note.value = ''
    emit('kept')
  }
}
async function focus() {
  await nextTick()
  title.value?.focus()
}
defineExpose({ focus })
const facts = computed(() =>
  [
    {
      name: 'Generator',
      main: props.step.hertz != null ? frequency(props.step.hertz) : '',
      more: [
        props.step.signal,
        props.step.microvolts != null ? `from ${level(props.step.microvolts)}, less as it grows` : '',
      ]
        .filter(Boolean)
        .join('; '),
    },
    {
      name: props.step.feed === 'STATION' ? 'Signal' : 'To',
      main: props.step.hertz != null || props.step.feed === 'STATION' ? props.step.where : '',
      more: props.step.through ? `through ${props.step.through}` : '',
    },
    { name: 'Dial', main: props.step.dial, more: '' },
    { name: 'Read', main: props.step.readAt, more: props.step.aim === 'READ' ? '' : `turn for ${props.step.aimLabel}` },
  ].filter((one) => one.main),
)
</script>

<template>
  <article class="min-w-0 space-y-3" :aria-label="step.title">
    <h2 ref="title" tabindex="-1" class="text-xl font-semibold outline-none">
      <span class="font-figures text-soft">{{ number }}</span>
      {{ say(step.title) }}
    </h2>
    <SignalPath v-if="alignment.receiver.said && step.hertz != null" :receiver="alignment.receiver" :step="step" />
    <dl class="grid gap-x-6 gap-y-2 sm:grid-cols-2">
      <div v-for="one in facts" :key="one.name" class="border-l-4 border-line pl-3">
        <dt class="text-sm text-soft">{{ one.name }}</dt>
        <dd class="text-lg leading-snug">{{ say(one.main) }}</dd>
        <dd v-if="one.more" class="text-sm text-soft">{{ say(one.more) }}</dd>
      </div>
    </dl>
    <p v-if="step.expect">
      <span class="text-sm text-soft">Right:</span>
      <span class="font-semibold">{{ say(step.expect) }}</span>
    </p>
    <p v-if="step.why" class="max-w-prose">{{ say(step.why) }}</p>
    <LeadProof
      v-if="barred || step.id === 'lead'"
      :set-id="setId"
      :bars="alignment.lead || 'Its isolation is measured.'"
    />
    <template v-if="!barred">
      <LiveBench v-if="live" :set-id="setId" :alignment="alignment" :step="step" @reading="reading" />
      <CurvePanel
        v-if="curved && step.hertz != null"
        :set-id="setId"
        :names="curveNames"
        :wanted="step.hertz"
        :detector="step.read === 'S'"
        :curves="alignment.curves"
      />
      <form class="flex flex-wrap items-start gap-3" @submit.prevent="keep">
        <template v-if="reads">
          <TextField
            v-model="before"
            class="w-36!"
            label="Before"
            :unit="step.unit"
            :fault="faultAt(problem, 'before')"
          />
          <TextField
            v-if="step.aim !== 'READ'"
            v-model="after"
            class="w-36!"
            label="After"
            :unit="step.unit"
            :fault="faultAt(problem, 'after')"
            :hint="grown"
          />
        </template>
        <TextField v-model="note" class="w-64!" label="How far, or what was found" />
        <AppButton type="submit" look="main" class="mt-6" :disabled="!session.mayWrite.value">
          {{ step.done ? 'Keep again' : 'Done' }}
        </AppButton>
      </form>
      <p v-if="step.done" class="text-sm text-soft">
        Done
        <template v-if="step.before != null">, before {{ say(`${step.before} ${step.unit}`) }}</template>
        <template v-if="step.after != null">, after {{ say(`${step.after} ${step.unit}`) }}</template>
        <template v-if="step.note">; {{ step.note }}</template>
        .
      </p>
      <p v-if="step.back" class="text-sm">
        As long as it still grows:
        <button class="min-h-9 text-accent underline-offset-4 hover:underline" @click="emit('back', step.back)">
          back to “{{ say(step.backTitle) }}”
        </button>
      </p>
      <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
    </template>
  </article>
</template>
