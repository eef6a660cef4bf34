<script setup lang="ts">
import { CalendarDaysIcon, PlusIcon } from '@heroicons/vue/24/outline'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import AgentTable from './AgentTable.vue'
import { useWorks, type WorkPiece } from './useWorks'

/** The work planned on a set's mechanics and looks: what can be done, what waits, what dries, what is right. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const route = useRoute()
const { works, error, plan, step } = useWorks(() => props.setId)
const chosen = ref('')
const wanted = ref('')
const adding = ref(false)
const form = reactive({ agent: '', hours: '', note: '' })
const problem = ref<Problem | null>(null)
watch(
  () => route.query['work'],
  (now) => {
    if (typeof now === 'string') chosen.value = now
  },
  { immediate: true },
)
const states = {
  PLANNED: { label: 'can be done', look: 'text-ink' },
  BLOCKED: { label: 'waits for another', look: 'text-soft' },
  DONE: { label: 'done, to be looked at', look: 'text-doubt' },
  GOOD: { label: 'right', look: 'text-good' },
  BAD: { label: 'not right', look: 'text-bad' },
} as const
const order = ['BAD', 'PLANNED', 'DONE', 'BLOCKED', 'GOOD'] as const
const sorted = computed(() =>
  [...(works.value?.works ?? [])].sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state)),
)
const at = computed(() => sorted.value.find((one) => one.id === chosen.value) ?? sorted.value[0] ?? null)
const offered = computed(() => {
  const letters = wanted.value.trim().toLowerCase()
  return (works.value?.offered ?? []).filter((one) => `${one.group} ${one.title}`.toLowerCase().includes(letters))
})
const groups = computed(() => [...new Set(offered.value.map((one) => one.group))])
function standing(one: WorkPiece): string {
  if (one.state === 'BLOCKED') return `after ${one.after.join(', ')}`
  if (one.state !== 'DONE') return states[one.state].label
  return one.until && !one.dry ? `dry ${when(one.until)}` : states.DONE.label
}
async function add(task: string) {
  const answer = await plan(task, '')
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    adding.value = false
    wanted.value = ''
    chosen.value = answer.value.works.at(-1)?.id ?? ''
    await nextTick()
    document.getElementById('at-hand')?.focus()
  }
}
async function go(phase: 'DONE' | 'GOOD' | 'BAD' | 'DROPPED') {
  if (!at.value) return
  const { id } = at.value
  const answer = await step({ work: id, phase, ...form })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    Object.assign(form, { agent: '', hours: '', note: '' })
    chosen.value = phase === 'DROPPED' ? '' : id
  }
}
const duration = (hours: number) =>
  hours === 0 ? '' : hours < 1 ? `${Math.round(hours * 60)} min` : hours < 48 ? `${hours} h` : `${hours / 24} days`
</script>

<template>
  <p v-if="error" role="alert" class="p-6 text-bad">{{ error.message }}</p>
  <div v-else-if="works" class="h-full">
    <CautionNote>
      <p>
        Plug out and capacitors proven empty before a hand goes in. What was wetted or glued bars power until somebody
        says that it is dry.
      </p>
    </CautionNote>
    <div class="grid lg:grid-cols-[24rem_minmax(0,1fr)]">
      <div class="border-line px-5 py-4 lg:border-r">
        <div class="flex items-center justify-between gap-3">
          <h2 class="text-lg font-semibold">Work on this set</h2>
          <AppButton v-if="session.mayWrite.value" :aria-expanded="adding" @click="adding = !adding">
            <PlusIcon class="size-5" aria-hidden="true" />
            Add
          </AppButton>
        </div>
        <div v-if="adding" class="mt-3 rounded border border-line bg-sheet p-3">
          <label class="block text-sm text-soft">
            Find a task
            <input
              v-model="wanted"
              type="search"
              autocomplete="off"
              placeholder="volume, dial, cone, cabinet…"
              class="mt-1 min-h-11 w-full rounded border border-line bg-raised px-3 text-base text-ink"
            />
          </label>
          <div class="mt-2 max-h-96 overflow-auto" tabindex="0" role="group" aria-label="Tasks">
            <template v-for="group in groups" :key="group">
              <h3 class="mt-2 text-sm text-soft">{{ group }}</h3>
              <button
                v-for="one in offered.filter((task) => task.group === group)"
                :key="one.id"
                class="flex min-h-11 w-full items-center gap-3 px-2 text-left hover:bg-mark/50"
                @click="add(one.id)"
              >
                <span class="flex-1">{{ say(one.title) }}</span>
                <span class="font-figures text-sm text-soft">{{ one.minutes }} min</span>
              </button>
            </template>
          </div>
          <p class="mt-2 text-sm text-soft">The cabinet by the house: {{ works.cabinetSchool }}.</p>
        </div>
        <p v-if="sorted.length === 0 && !adding" class="mt-3">
          Nothing is planned. Add what this set needs: a scratchy control, the dial’s glass, a torn cone, the cabinet.
        </p>
        <ul class="mt-3 divide-y divide-line border-y border-line">
          <li v-for="one in sorted" :key="one.id">
            <button
              class="min-h-11 w-full border-l-4 px-3 py-1.5 text-left"
              :class="one.id === at?.id ? 'border-l-accent bg-mark' : 'border-l-transparent hover:bg-mark/50'"
              :aria-current="one.id === at?.id"
              @click="chosen = one.id"
            >
              <span class="block">{{ say(one.name) }}</span>
              <span class="block text-sm" :class="states[one.state].look">{{ say(standing(one)) }}</span>
            </button>
          </li>
        </ul>
        <a
          href="/api/calendar"
          download="bench.ics"
          class="mt-4 flex min-h-11 items-center gap-2 font-semibold text-accent underline-offset-4 hover:underline"
        >
          <CalendarDaysIcon class="size-5" aria-hidden="true" />
          What dries, as a calendar file
        </a>
      </div>
      <section v-if="at" id="at-hand" tabindex="-1" class="max-w-4xl px-5 py-4 outline-none" aria-live="polite">
        <h2 class="text-xl font-semibold">{{ say(at.name) }}</h2>
        <p class="mb-3" :class="states[at.state].look">
          {{ say(standing(at)) }}{{ at.person ? ` · ${at.person}` : '' }}{{ at.agent ? ` · with ${at.agent}` : '' }}
        </p>
        <template v-if="at.task">
          <p v-if="at.task.caution" class="mb-3 rounded border border-bad px-3 py-2 text-bad">
            {{ say(at.task.caution) }}
          </p>
          <p v-if="at.task.before" class="mb-2">
            <strong>First write down or photograph:</strong>
            {{ say(at.task.before) }}.
            <RouterLink
              class="font-semibold whitespace-nowrap text-accent underline underline-offset-4"
              :to="`/sets/${setId}/arrival/photos`"
            >
              Photographs
            </RouterLink>
          </p>
          <ol class="mb-3 list-decimal space-y-1 pl-6 text-lg">
            <li v-for="(one, i) in at.task.steps" :key="i">{{ say(one) }}</li>
          </ol>
          <p class="mb-4 text-soft">
            {{ at.task.minutes }} min{{ at.task.hours ? `, then ${duration(at.task.hours)} to dry` : '' }} ·
            {{ say(at.task.tools) }} · right when: {{ say(at.task.check) }}
          </p>
        </template>
        <p v-else class="mb-4 text-soft">This version does not know this task; what was written of it stays.</p>
        <form v-if="session.mayWrite.value" class="mb-5 rounded border border-line bg-sheet p-3" @submit.prevent>
          <div class="flex flex-wrap items-start gap-3">
            <template v-if="at.state === 'PLANNED' || at.state === 'BAD'">
              <TextField v-model="form.agent" class="w-56!" label="Done with" :fault="faultAt(problem, 'agent')" />
              <TextField
                v-model="form.hours"
                class="w-32!"
                label="Dries for"
                unit="h"
                :hint="at.task?.hours ? `usually ${at.task.hours}` : ''"
                :fault="faultAt(problem, 'hours')"
              />
            </template>
            <TextField v-model="form.note" class="w-72!" label="Note" />
          </div>
          <div class="mt-3 flex flex-wrap gap-3">
            <AppButton v-if="at.state === 'PLANNED' || at.state === 'BAD'" look="main" @click="go('DONE')">
              Done
            </AppButton>
            <template v-if="at.state === 'DONE'">
              <AppButton look="main" @click="go('GOOD')">Dry and right</AppButton>
              <AppButton @click="go('BAD')">Not right</AppButton>
            </template>
            <AppButton v-if="at.state === 'GOOD'" @click="go('BAD')">Not right any more</AppButton>
            <AppButton v-if="at.state !== 'GOOD'" look="quiet" @click="go('DROPPED')">Leave it out</AppButton>
          </div>
          <p v-if="at.state === 'DONE' && at.until && !at.dry" class="mt-2 text-sm text-doubt">
            It should be dry {{ when(at.until) }}. Say so earlier only if you touched it.
          </p>
          <ProblemNote v-if="problem" class="mt-3" :problem="problem" />
        </form>
        <template v-if="at.task && at.task.agents.length">
          <h3 class="mb-1 font-semibold">What may touch it</h3>
          <template v-for="material in [...new Set(at.task.agents.map((one) => one.material))]" :key="material">
            <h4 class="mt-3 text-sm text-soft">{{ material }}</h4>
            <AgentTable :agents="at.task.agents.filter((one) => one.material === material)" />
          </template>
        </template>
      </section>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Looking at the work…</p>
</template>
