<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import { placeOf } from '../guide/place'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import CautionNote from '../ui/CautionNote.vue'
import KeyCap from '../ui/KeyCap.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { usePower, type ReadyView } from './usePower'

/** What must be settled before the plug goes in, one after the other; a key answers the one at hand. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { power, answer } = usePower(() => props.setId)
const chosen = ref<string | null>(null)
const passing = ref<ReadyView | null>(null)
const reason = ref('')
const problem = ref<Problem | null>(null)
const open = computed(() => power.value?.ready.filter((one) => one.state === 'ASKED' || one.state === 'WRONG') ?? [])
const settled = computed(() => power.value?.ready.filter((one) => one.state === 'OPEN' || one.state === 'PASSED') ?? [])
const at = computed(() => open.value.find((one) => one.id === chosen.value) ?? open.value[0])
const marks = { OPEN: 'text-good', PASSED: 'text-doubt', ASKED: 'text-soft', WRONG: 'text-bad' } as const

async function give(one: ReadyView, id: string) {
  if (!session.mayWrite.value) return
  const index = open.value.indexOf(one)
  const next = open.value[index + 1]?.id ?? null
  const got = await answer(one.id, id)
  problem.value = got.kind === 'failed' ? got.problem : null
  if (got.kind === 'ready') {
    chosen.value = next
    await nextTick()
    document.getElementById('at-hand')?.focus()
  }
}
async function pass() {
  if (!passing.value) return
  const got = await answer(passing.value.id, 'override', reason.value)
  problem.value = got.kind === 'failed' ? got.problem : null
  if (got.kind === 'ready') {
    passing.value = null
    reason.value = ''
  }
}
function placeOfAct(act: string) {
  const area = act.slice(0, act.indexOf(':'))
  const subject = act.slice(act.lastIndexOf(':') + 1)
  return act === 'parts:' ? `/sets/${props.setId}/parts` : placeOf(props.setId, { id: act, area, subject })
}
useEventListener(window, 'keydown', (event) => {
  const typing = event.target instanceof HTMLInputElement || passing.value !== null
  if (typing || event.ctrlKey || event.altKey || event.metaKey) return
  const choice = at.value?.choices[Number(event.key) - 1]
  if (choice && at.value) {
    event.preventDefault()
    void give(at.value, choice.id)
  }
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const index = open.value.findIndex((one) => one.id === at.value?.id) + (event.key === 'ArrowDown' ? 1 : -1)
    const to = open.value[index]
    if (to) {
      event.preventDefault()
      chosen.value = to.id
      void nextTick(() => document.getElementById('at-hand')?.scrollIntoView({ block: 'nearest' }))
    }
  }
})
</script>

<template>
  <div v-if="power" class="h-full overflow-auto">
    <CautionNote>
      <p>
        {{
          say(
            power.cautions
              .map((one) => one.text)
              .slice(0, 2)
              .join(' '),
          )
        }}
      </p>
    </CautionNote>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section aria-labelledby="to-settle" class="min-w-0">
        <h2 id="to-settle" class="px-5 pt-4 pb-2 text-lg font-semibold">
          {{ open.length === 0 ? 'Nothing is left to settle' : `${open.length} to settle before power` }}
        </h2>
        <p v-if="open.length === 0" class="px-5 pb-4">
          The set may have limited power.
          <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/power/run`">
            Bring it up
          </RouterLink>
        </p>
        <ol>
          <li
            v-for="one in open"
            :id="one.id === at?.id ? 'at-hand' : undefined"
            :key="one.id"
            tabindex="-1"
            class="border-b border-l-4 border-line px-5 outline-none"
            :class="one.id === at?.id ? 'border-l-accent bg-mark py-3' : 'border-l-transparent bg-sheet'"
          >
            <button
              v-if="one.id !== at?.id"
              class="flex min-h-11 w-full items-baseline gap-3 text-left"
              @click="chosen = one.id"
            >
              <span class="w-52 shrink-0 font-semibold">{{ say(one.title) }}</span>
              <span class="min-w-0 flex-1 truncate" :class="one.state === 'WRONG' ? 'text-bad' : 'text-soft'">
                {{ say(one.says) }}
              </span>
            </button>
            <template v-else>
              <h3 class="flex items-baseline gap-3 text-lg font-semibold">
                {{ say(one.title) }}
                <span class="text-sm" :class="marks[one.state]">{{ one.stateLabel }}</span>
                <span v-if="one.everyRun" class="text-sm font-normal text-soft">before each run</span>
              </h3>
              <p class="max-w-3xl py-1">{{ say(one.says) }}</p>
              <div v-if="session.mayWrite.value" class="flex flex-wrap items-center gap-2 pt-1">
                <AppButton v-for="(choice, i) in one.choices" :key="choice.id" @click="give(one, choice.id)">
                  <KeyCap>{{ i + 1 }}</KeyCap>
                  {{ say(choice.words) }}
                </AppButton>
                <RouterLink
                  v-if="one.act"
                  :to="placeOfAct(one.act)"
                  class="flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
                >
                  Settle it there
                </RouterLink>
                <button
                  v-if="one.passable"
                  class="min-h-11 px-2 text-sm text-soft underline underline-offset-4"
                  @click="passing = one"
                >
                  go on without
                </button>
              </div>
            </template>
          </li>
        </ol>
        <ProblemNote v-if="!passing" :problem="problem" class="m-5" />
      </section>
      <section aria-labelledby="settled" class="border-line bg-sheet lg:border-l">
        <h2 id="settled" class="px-5 pt-4 pb-2 text-lg font-semibold">Settled</h2>
        <ul>
          <li v-for="one in settled" :key="one.id" class="border-b border-line px-5 py-2">
            <p class="flex items-baseline gap-2 font-semibold">
              <span :class="marks[one.state]" aria-hidden="true">{{ one.state === 'OPEN' ? '✓' : '◪' }}</span>
              {{ say(one.title) }}
              <span class="sr-only">{{ one.stateLabel }}</span>
              <span v-if="one.everyRun" class="ml-auto text-sm font-normal text-soft">for this run</span>
            </p>
            <p class="text-sm text-soft">{{ say(one.says) }}</p>
            <button
              v-if="session.mayWrite.value && one.choices.length > 0"
              class="min-h-11 text-sm text-accent underline underline-offset-4"
              @click="give(one, one.choices[one.choices.length - 1]!.id)"
            >
              No longer so
            </button>
          </li>
        </ul>
      </section>
    </div>
    <AppDialog :open="passing !== null" title="Go on without this" @close="passing = null">
      <form class="space-y-4" @submit.prevent="pass">
        <p>{{ say(passing?.says ?? '') }}</p>
        <p class="rounded bg-caution px-3 py-2 text-on-caution">
          Shock and fire: what nobody has settled can still be bad. Local codes and licensed practice come first. Your
          reason stays in the log and in the report.
        </p>
        <TextField v-model="reason" label="Why you go on" wide />
        <ProblemNote :problem="problem" />
        <div class="flex gap-3">
          <AppButton look="danger" type="submit" :disabled="!reason.trim()">Go on without it</AppButton>
          <AppButton look="quiet" @click="passing = null">Cancel</AppButton>
        </div>
      </form>
    </AppDialog>
  </div>
</template>
