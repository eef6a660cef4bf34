<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import SchematicPicture from '../circuit/SchematicPicture.vue'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import PageFrame from '../ui/PageFrame.vue'
import { useShop } from '../ui/useShop'
import StepList from './StepList.vue'
import { minutesText, usePractice, type Move } from './usePractice'

/** At a practice set: the drawing, what a simulated meter shows, and a part to be named. */
const props = defineProps<{ practiceId: string }>()
const { say } = useShop()
const { practice, drawing, error, hindsight, over, moving } = usePractice(() => props.practiceId)
const chosen = ref('')
const givingUp = ref(false)
const zoom = 0.8
/** What the drawing calls XV4A or XV4H is tested and named as the tube it is. */
const part = computed(() => {
  const bare = chosen.value.replace(/^X(?=V)/i, '').replace(/(?<=[0-9])[A-Z]+[0-9]?$/, '')
  return practice.value?.parts.find((one) => one.part === chosen.value || one.part === bare) ?? null
})
const volts = computed(() =>
  Object.fromEntries(
    (practice.value?.points ?? []).filter((p) => p.volts).map((p) => [p.node, { text: p.volts, read: true }]),
  ),
)
const kinds = computed(() =>
  [
    { kind: 'DC', label: 'volts', field: 'volts' } as const,
    { kind: 'OHMS', label: 'ohms, cold', field: 'ohms' } as const,
    { kind: 'RIPPLE', label: 'ripple', field: 'ripple' } as const,
  ].map((one) => ({
    ...one,
    cost: practice.value?.costs.find((cost) => cost.kind === one.kind)?.minutes ?? 0,
  })),
)
/** What was clicked keeps the focus, so that a hand on the keys goes on from there. */
function move(doing: Move['doing'], more: Partial<Move> = {}) {
  if (moving.isPending.value) return
  moving.mutate({ doing, node: '', what: null, part: '', ...more })
}
/** The buttons are gone when it is over: the result takes the focus. */
const result = useTemplateRef<HTMLElement>('result')
watch(practice, async (now, before) => {
  if (!now?.over || !before || before.over) return
  await nextTick()
  result.value?.focus()
})
const last = computed(() => practice.value?.moves.at(-1) ?? null)
const outcome = computed(() => {
  if (!practice.value) return ''
  return practice.value.gaveUp ? 'Given up.' : `Found in ${minutesText(practice.value.minutes)}.`
})
const bestSays = computed(() =>
  hindsight.value?.bestMinutes == null
    ? 'Each time what tells most for its minutes; it did not get there either.'
    : `Each time what tells most for its minutes; ${minutesText(hindsight.value.bestMinutes)} in all. ` +
      'It knew no more than the meter showed.',
)
const score = computed(() => hindsight.value?.score ?? practice.value?.score ?? null)
</script>

<template>
  <PageFrame
    :title="practice ? say(practice.title) : 'Practice'"
    :hint="practice ? `${practice.levelLabel} · no. ${practice.number}` : ''"
  >
    <template #actions>
      <RouterLink to="/practice" class="flex min-h-11 items-center px-3 text-accent underline underline-offset-4">
        Other sets
      </RouterLink>
    </template>
    <p v-if="error" class="p-8 text-bad">{{ say(error.message) }}</p>
    <div v-else-if="practice && over" class="space-y-6 p-6 max-sm:p-4">
      <section class="flex flex-wrap items-end gap-x-10 gap-y-3" aria-label="How it went">
        <p ref="result" tabindex="-1" class="text-2xl leading-tight font-semibold">
          {{ say(practice.answer.join(', and ')) }}.
          <span class="block text-base font-normal text-soft">
            {{ outcome }}
            {{ practice.wrong > 0 ? `Said wrongly ${practice.wrong} times, ten minutes each.` : '' }}
            {{
              practice.burningMinutes > 0
                ? `${minutesText(practice.burningMinutes)} with power while something burnt, counted twice.`
                : ''
            }}
          </span>
        </p>
        <p v-if="score !== null" class="font-figures text-4xl font-semibold">
          {{ score }} %
          <span class="block font-sans text-sm font-normal text-soft">of the best way’s minutes over yours</span>
        </p>
      </section>
      <p v-if="!hindsight || hindsight.underway" class="text-soft" role="status">
        Working out the best way; some seconds.
      </p>
      <div v-else class="grid gap-x-10 gap-y-8 lg:grid-cols-2">
        <StepList
          title="The way you went"
          says="After each step, what its readings made likeliest."
          :steps="hindsight.gone"
          :say="say"
        />
        <StepList title="The best way" :says="bestSays" :steps="hindsight.best" :say="say" />
      </div>
    </div>
    <div v-else-if="practice" class="grid h-full min-h-0 lg:grid-cols-[minmax(0,1fr)_30rem]">
      <div class="flex min-h-0 min-w-0 flex-col">
        <section
          class="grid min-h-28 grid-cols-[auto_minmax(0,1fr)] items-center gap-x-6 border-b border-line bg-raised px-6 py-3"
          aria-label="So far"
        >
          <p class="font-figures text-4xl font-semibold">{{ minutesText(practice.minutes) }}</p>
          <div aria-live="polite">
            <p v-if="last">
              <strong>{{ say(last.says) }}</strong>
              <span class="ml-2" :class="last.result.endsWith('.') ? '' : 'font-figures'">{{ say(last.result) }}</span>
            </p>
            <p v-else class="text-soft">
              {{ say(`Nothing read yet. A sound set shows what the sheet says, on a line of ${practice.line}.`) }}
            </p>
            <p v-if="practice.smell" class="font-semibold text-bad">{{ say(practice.smell) }}</p>
            <p v-if="moving.error.value" class="text-bad">{{ say(moving.error.value.message) }}</p>
          </div>
        </section>
        <SchematicPicture
          v-if="drawing"
          class="min-h-64 flex-1"
          :drawing="drawing"
          :chosen="chosen"
          :zoom="zoom"
          :volts="volts"
          :say="say"
          @choose="chosen = $event"
          @open="chosen = $event"
        />
        <section
          class="flex min-h-20 flex-wrap items-center gap-x-4 gap-y-2 border-t border-line bg-sheet px-6 py-3"
          aria-label="Part"
        >
          <template v-if="part">
            <p class="min-w-40 flex-1">
              <strong>{{ part.part }}</strong>
              <span class="ml-2 text-soft">{{ say(part.role) }}</span>
            </p>
            <AppButton @click="move('TEST', { part: part.part })">
              Test {{ part.part }} by itself · {{ minutesText(part.minutes) }}
            </AppButton>
            <AppButton look="main" @click="move('NAME', { part: part.part })">{{ part.part }} is bad</AppButton>
          </template>
          <p v-else class="flex-1 text-soft">Choose a part in the drawing to test it, or to name it.</p>
        </section>
      </div>
      <div class="flex min-h-0 flex-col border-l border-line">
        <div class="min-h-0 flex-1 overflow-auto">
          <table class="w-full text-left">
            <caption class="sr-only">Points to read</caption>
            <thead class="sticky top-0 bg-ground text-sm text-soft">
              <tr>
                <th class="px-4 py-2 font-normal">Point</th>
                <th class="px-2 text-right font-normal">sheet</th>
                <th v-for="one in kinds" :key="one.kind" class="px-1 text-right font-normal">{{ say(one.label) }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="point in practice.points" :key="point.node" class="border-t border-line">
                <th class="px-4 py-1 font-normal">
                  {{ say(point.name) }}
                  <span class="block text-sm text-soft">{{ say(point.hint) }}</span>
                </th>
                <td class="px-2 text-right font-figures text-soft">{{ say(point.healthy) }}</td>
                <td v-for="one in kinds" :key="one.kind" class="px-1 text-right">
                  <button
                    class="min-h-11 min-w-14 px-2"
                    :class="
                      point[one.field]
                        ? 'cursor-default font-figures font-semibold'
                        : 'text-sm text-accent underline-offset-4 hover:underline'
                    "
                    :aria-disabled="point[one.field] !== ''"
                    @click="point[one.field] || move('READ', { node: point.node, what: one.kind })"
                  >
                    {{ point[one.field] ? say(point[one.field]) : minutesText(one.cost) }}
                    <span class="sr-only">{{ say(`${one.label} of ${point.name}`) }}</span>
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <section class="flex flex-wrap gap-3 border-t border-line bg-sheet px-4 py-3" aria-label="Or">
          <AppButton @click="move('SOUND')">
            {{ practice.found > 0 ? 'Nothing else is wrong' : 'Nothing is wrong with it' }}
          </AppButton>
          <AppButton @click="givingUp = true">Give up, tell me</AppButton>
        </section>
      </div>
    </div>
    <AppDialog :open="givingUp" title="Give it up?" @close="givingUp = false">
      <p>What is wrong is told, with the best way to it; this set has no score then.</p>
      <div class="mt-5 flex justify-end gap-3">
        <AppButton @click="givingUp = false">Go on looking</AppButton>
        <AppButton look="main" @click="((givingUp = false), move('GIVE_UP'))">Give up</AppButton>
      </div>
    </AppDialog>
  </PageFrame>
</template>
