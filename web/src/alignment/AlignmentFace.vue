<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import CautionNote from '../ui/CautionNote.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'
import ReceiverForm from './ReceiverForm.vue'
import StepCard from './StepCard.vue'
import { useAlignment } from './useAlignment'

/** The alignment of this set: the plan as a rail, one step at hand. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { alignment, error } = useAlignment(() => props.setId)
const chosen = ref('')
const describing = ref(false)
const rail = useTemplateRef<HTMLElement>('rail')
const card = useTemplateRef<InstanceType<typeof StepCard>>('card')
const steps = computed(() => alignment.value?.steps ?? [])
const at = computed(
  () =>
    steps.value.find((one) => one.id === chosen.value) ??
    steps.value.find((one) => one.id === alignment.value?.next) ??
    steps.value[0] ??
    null,
)
const index = computed(() => steps.value.findIndex((one) => one.id === at.value?.id))
const parts = computed(() => {
  const seen: { name: string; steps: { id: string; number: number; title: string; done: boolean }[] }[] = []
  steps.value.forEach((one, i) => {
    if (seen.at(-1)?.name !== one.partLabel) seen.push({ name: one.partLabel, steps: [] })
    seen.at(-1)?.steps.push({ id: one.id, number: i + 1, title: one.title, done: one.done })
  })
  return seen
})
const left = computed(() => steps.value.filter((one) => !one.done).length)
async function show(id: string) {
  chosen.value = id
  await card.value?.focus()
  rail.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' })
}
async function onward() {
  const next = steps.value[index.value + 1]
  if (next) await show(next.id)
}
async function said() {
  describing.value = false
  chosen.value = ''
  await nextTick()
  await card.value?.focus()
}
function walk(event: KeyboardEvent) {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (!step) return
  event.preventDefault()
  const all = [...(event.currentTarget as HTMLElement).querySelectorAll('button')]
  all[all.indexOf(document.activeElement as HTMLButtonElement) + step]?.focus()
}
</script>

<template>
  <p v-if="error" role="alert" class="p-6 text-bad">{{ say(error.message) }}</p>
  <div v-else-if="alignment" class="flex min-h-full flex-col lg:h-full">
    <CautionNote>
      <p v-if="alignment.live">
        The generator is earthed and this chassis may be live: hands and heart at risk. Isolate it first; a series
        capacitor alone leaves the generator’s ground on it.
      </p>
      <p v-else>
        The set is on with its underside open: one hand, insulated tool, rings off. Shafts and cores may carry B+, which
        stops a heart.
      </p>
    </CautionNote>
    <div v-if="!alignment.receiver.said || describing" class="max-w-4xl px-5 py-4">
      <h2 class="text-xl font-semibold">What is aligned, and with what</h2>
      <p class="mb-3 max-w-prose text-soft">
        {{ say(alignment.school) }}: {{ say(alignment.schoolWhy) }}
        <template v-if="alignment.signs">{{ say(alignment.signs) }}</template>
      </p>
      <ReceiverForm :set-id="setId" :alignment="alignment" @said="said" />
    </div>
    <div v-else class="grid min-h-0 flex-1 lg:grid-cols-[19rem_minmax(0,1fr)]">
      <nav
        ref="rail"
        class="max-h-64 min-h-0 overflow-auto border-line lg:max-h-none lg:border-r"
        aria-label="Steps of the alignment"
        @keydown="walk"
      >
        <div class="flex flex-wrap items-center justify-between gap-2 px-4 py-2">
          <span class="text-sm text-soft">{{ left ? `${left} of ${steps.length} left` : 'All steps done' }}</span>
          <AppButton look="quiet" class="px-1!" @click="describing = true">Receiver and instruments</AppButton>
        </div>
        <template v-for="part in parts" :key="part.name">
          <p :id="`part-${part.steps[0]?.id}`" class="bg-sheet px-4 py-1 text-sm text-soft">{{ say(part.name) }}</p>
          <ol :aria-labelledby="`part-${part.steps[0]?.id}`">
            <li v-for="one in part.steps" :key="one.id">
              <button
                class="flex min-h-11 w-full items-start gap-2 border-l-4 px-3 py-2 text-left text-[15px] leading-tight"
                :class="one.id === at?.id ? 'border-l-accent bg-mark' : 'border-l-transparent'"
                :aria-current="one.id === at?.id ? 'step' : undefined"
                @click="show(one.id)"
              >
                <VerdictMark v-if="one.done" verdict="GOOD" />
                <span v-else class="w-5 shrink-0 text-right font-figures text-soft">{{ one.number }}</span>
                <span :class="one.done && one.id !== at?.id ? 'text-soft' : ''">{{ say(one.title) }}</span>
              </button>
            </li>
          </ol>
        </template>
      </nav>
      <div class="min-h-0 min-w-0 px-5 py-4 lg:overflow-auto">
        <p v-if="alignment.beforePower" class="mb-3 border-l-4 border-l-bad bg-mark px-4 py-2">
          {{ alignment.beforePower }} {{ alignment.beforePower === 1 ? 'thing is' : 'things are' }} not settled that
          stand before power.
          <RouterLink :to="`/sets/${setId}/power`" class="text-accent underline underline-offset-4">
            Settle them at Power first
          </RouterLink>
        </p>
        <ul v-if="alignment.lacks.length" class="mb-3 space-y-1 border-l-4 border-l-accent bg-mark px-4 py-2">
          <li v-for="one in alignment.lacks" :key="one">{{ say(one) }}</li>
          <li>
            <RouterLink :to="`/sets/${setId}/finish/dial`" class="text-accent underline underline-offset-4">
              Go to Dial
            </RouterLink>
          </li>
        </ul>
        <StepCard
          v-if="at"
          ref="card"
          :set-id="setId"
          :alignment="alignment"
          :step="at"
          :number="index + 1"
          @kept="onward"
          @back="show"
        />
      </div>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Looking at its circuits…</p>
</template>
