<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { session } from '../account/session'
import type { Problem, Schemas } from '../api/client'
import { figureOf } from '../player/figures'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { level, useAlignment, type AlignmentView, type AlignStep } from './useAlignment'

/** Networked generator and meters at one step: the level, what the meter shows now and at its most, a core that turns. */
const props = defineProps<{ setId: string; alignment: AlignmentView; step: AlignStep }>()
const emit = defineEmits<{ reading: [value: string, after: boolean] }>()
const PERIOD = 300
const RATIO = 1.5
const { say, shop } = useShop()
const { give, turn, meters } = useAlignment(() => props.setId)
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const microvolts = ref('')
const shown = ref<Schemas['MetersView'] | null>(null)
const most = ref(0)
const problem = ref<Problem | null>(null)
const given = ref('')
const text = (value: number) => (sign.value === 'COMMA' ? String(value).replace('.', ',') : String(value))
const channel = computed(() => props.step.read.toLowerCase())
/** Before the generator is set for this step, a meter shows something of another. */
const now = computed(() => {
  if (props.alignment.generatorAnswers && !given.value) return null
  const key = channel.value as keyof Schemas['MetersView']
  const value = shown.value?.[key]
  return typeof value === 'number' ? value : null
})
const share = computed(() =>
  now.value === null || most.value === 0 ? 0 : Math.min(1, Math.abs(now.value) / most.value),
)
watch(
  () => props.step.id,
  () => {
    microvolts.value = props.step.microvolts != null ? text(props.step.microvolts) : ''
    most.value = 0
    given.value = ''
  },
  { immediate: true },
)
function take(value: Schemas['MetersView']) {
  shown.value = value
  if (now.value !== null) most.value = Math.max(most.value, Math.abs(now.value))
}
let asking = false
useIntervalFn(async () => {
  // As long as the generator is not set for this step nothing that a meter shows is of it.
  if (asking || !props.alignment.meterAnswers || (props.alignment.generatorAnswers && !given.value)) return
  asking = true
  const answer = await meters()
  asking = false
  if (answer.kind === 'ready') take(answer.value)
}, PERIOD)
async function setIt(by = 1) {
  if (by !== 1) {
    const value = figureOf(microvolts.value, sign.value)
    if (value !== null) microvolts.value = text(Number((value * by).toPrecision(3)))
  }
  const answer = await give({ step: props.step.id, microvolts: microvolts.value })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    most.value = 0
    given.value = microvolts.value
    take(answer.value)
  }
}
async function turned(turns: number) {
  const core = props.step.cores[0]
  if (!core) return
  const answer = await turn({ core, turns })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') take(answer.value)
}
const turns = [
  { by: -0.5, name: '½ out' },
  { by: -0.1, name: '⅒ out' },
  { by: -0.02, name: 'hair out' },
  { by: 0.02, name: 'hair in' },
  { by: 0.1, name: '⅒ in' },
  { by: 0.5, name: '½ in' },
]
const figure = computed(() => (now.value === null ? '–' : Number(now.value.toPrecision(3)).toString()))
</script>

<template>
  <section class="rounded border border-line bg-raised p-3" aria-label="Instruments on the network">
    <div v-if="alignment.generatorAnswers && step.hertz != null" class="flex flex-wrap items-end gap-2">
      <TextField v-model="microvolts" class="w-32!" label="Generator gives" unit="µV" />
      <AppButton look="main" :disabled="!session.mayWrite.value" @click="setIt()">Set the generator</AppButton>
      <AppButton :disabled="!session.mayWrite.value" aria-label="Lower the level by a third" @click="setIt(1 / RATIO)">
        Lower
      </AppButton>
      <AppButton :disabled="!session.mayWrite.value" aria-label="Raise the level by half" @click="setIt(RATIO)">
        Raise
      </AppButton>
      <span v-if="given" role="status" class="min-h-11 content-center text-sm text-soft">
        Set, {{ say(level(figureOf(given, sign) ?? 0)) }}.
      </span>
    </div>
    <div v-if="step.unit === 'V' && alignment.meterAnswers" class="mt-3 flex flex-wrap items-center gap-4">
      <output class="min-w-32 font-figures text-[2rem] leading-none" aria-label="The meter shows">
        {{ say(figure) }}
        <span class="text-base text-soft">V</span>
      </output>
      <div class="h-5 min-w-40 flex-1 overflow-hidden rounded border border-line bg-sheet" aria-hidden="true">
        <div class="h-full bg-accent" :style="{ width: `${(100 * share).toFixed(1)}%` }"></div>
      </div>
      <span class="text-sm text-soft">most {{ say(Number(most.toPrecision(3)).toString()) }} V</span>
      <AppButton :disabled="now === null" @click="emit('reading', text(Number(figure)), false)">Is before</AppButton>
      <AppButton :disabled="now === null" @click="emit('reading', text(Number(figure)), true)">Is after</AppButton>
    </div>
    <div v-if="alignment.turnsHere && step.cores.length" class="mt-3 flex flex-wrap items-center gap-2">
      <span class="text-sm text-soft">Turn the stand-in’s core</span>
      <AppButton
        v-for="one in turns"
        :key="one.by"
        :disabled="!session.mayWrite.value"
        class="px-3!"
        @click="turned(one.by)"
      >
        {{ one.name }}
      </AppButton>
    </div>
    <ProblemNote class="mt-2" :problem="problem" />
  </section>
</template>
