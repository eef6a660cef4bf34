<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { session } from '../account/session'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import KeyCap from '../ui/KeyCap.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useSound } from '../volts/useSound'
import RunChart from './RunChart.vue'
import { clockOf, figure, figureAt, glowOf, stretches, thinned } from './timeline'
import RunStart from './RunStart.vue'
import LiftSuspects from './LiftSuspects.vue'
import { useRuns } from './usePower'
import { useRun } from './useRun'

/** A set being brought up: the step at hand, what is read against what a healthy set shows, and the way to stop. */
const props = defineProps<{ setId: string }>()
const route = useRoute()
const { say } = useShop()
const { runs } = useRuns(() => props.setId)
const { play } = useSound()
const asked = computed(() => (typeof route.query['run'] === 'string' ? route.query['run'] : null))
/** A run that has ended stays in view until somebody prepares another. */
const held = ref<string | null>(null)
const going = computed(() => runs.value?.find((one) => one.state !== 'ENDED')?.id ?? null)
watch(going, (id) => (held.value = id ?? held.value), { immediate: true })
const runId = computed(() => asked.value ?? going.value ?? held.value)
const { whole, state, points, problem, seconds, silent, open, read, advance, stop, note } = useRun(
  () => props.setId,
  runId,
)
const typed = reactive<Record<string, string>>({})
const shown = ref('')
const forcing = ref(false)
const remark = ref('')
const allAlarms = ref(false)
const reason = ref('')
watch(runId, () => void open(), { immediate: true })

const plan = computed(() => whole.value?.plan ?? null)
const step = computed(() => plan.value?.steps[state.value?.step ?? 0])
const starts = computed(() => [...(plan.value?.steps.map((one) => one.start) ?? []), plan.value?.seconds ?? 0])
const begun = computed(() => whole.value?.events.filter((one) => one.kind === 'step').map((one) => one.seconds) ?? [])
const laidOut = computed(() =>
  stretches(starts.value, begun.value, state.value?.state === 'RUNNING' ? seconds.value : 0),
)
const sinceStep = computed(() => seconds.value - (state.value?.stepAt ?? 0))
const left = computed(() => Math.max(0, (step.value?.seconds ?? 0) - sinceStep.value))
const place = computed(() => (step.value?.start ?? 0) + Math.min(step.value?.seconds ?? 0, sinceStep.value))
const row = computed(() => {
  const index = plan.value?.watched.findIndex((one) => one.id === shown.value) ?? -1
  return index >= 0 && index < (plan.value?.bands.length ?? 0)
    ? index
    : Math.max(0, plan.value?.watched.findIndex((one) => one.kind === 'RAIL') ?? 0)
})
const trace = computed(() =>
  thinned(points.value, 1200).flatMap((point) => {
    const value = point.figures[row.value]
    return value === null || value === undefined ? [] : [[point.seconds, value] as const]
  }),
)
const latest = computed(() =>
  (plan.value?.watched ?? []).map((_, index) => {
    for (let i = points.value.length - 1; i >= 0; i--) {
      const value = points.value[i]?.figures[index]
      if (value !== null && value !== undefined) return value
    }
    return null
  }),
)
function healthy(index: number) {
  const band = plan.value?.bands[index]
  const watched = plan.value?.watched[index]
  if (state.value?.state !== 'RUNNING') return watched?.kind === 'RAIL' ? 'read it until it is at a safe voltage' : ''
  if (!band || !watched) return watched?.kind === 'CHASSIS' ? 'nothing may stand there' : ''
  const [low, high] = [Math.max(0, figureAt(band.low, place.value)), figureAt(band.high, place.value)]
  if (watched.kind === 'LAMP')
    return glowOf(low) === glowOf(high) ? `${glowOf(high)} by now` : `${glowOf(low)} to ${glowOf(high)} by now`
  return `healthy now ${figure(low, watched.unit)} to ${figure(high, watched.unit)} ${watched.unit}`
}
function tone(index: number) {
  const id = plan.value?.watched[index]?.id ?? ''
  if (state.value?.state !== 'RUNNING') return plan.value?.watched[index]?.kind === 'RAIL' ? '' : 'text-soft'
  return latest.value[index] === null ? 'text-soft' : state.value?.outside.includes(id) ? 'text-doubt' : 'text-good'
}
const shownValue = (index: number) => {
  const value = latest.value[index]
  const watched = plan.value?.watched[index]
  if (value === null || value === undefined || !watched) return '–'
  return watched.kind === 'LAMP' ? glowOf(value) : figure(value, watched.unit)
}
const alarms = computed(() => [...(whole.value?.alarms ?? [])].reverse())
const grave = computed(() => alarms.value.find((one) => one.grave))
watch(
  () => alarms.value.length,
  (count, before) => {
    if (count > (before ?? 0)) play('BAD')
  },
)
/** Nothing is to be forced any more. */
watch(
  () => state.value?.mayAdvance,
  (may) => (forcing.value = forcing.value && !may),
)
/** What to stop for in this step, in the largest type. */
const stopRule = computed(() => {
  const one = step.value
  const rail = plan.value?.watched.findIndex((w) => w.kind === 'RAIL') ?? -1
  if (!one || !plan.value || rail < 0) return ''
  const low = figureAt(plan.value.bands[rail]?.low ?? [], one.start + one.seconds)
  const amps = plan.value.watched.findIndex((w) => w.kind === 'LINE_AMPERES')
  const most = figureAt(plan.value.bands[amps]?.high ?? [], place.value)
  return `${plan.value.watched[rail]?.what} falls while the line is steady, is under ${figure(low * 0.4, 'V')} V at ${clockOf(
    (state.value?.stepAt ?? 0) + one.seconds,
  )}, or more than ${figure(most * 1.15, 'A')} A flows`
})
/** What may be lifted to see whether it is the one; of tubes and strings nothing has one lead to lift. */
const liftable = computed(() => [
  ...new Set(
    alarms.value.flatMap((one) => one.suspects.map((who) => who.part)).filter((part) => /^[RCL]\d/.test(part)),
  ),
])
const noZero = computed(() => state.value?.state === 'STOPPING')
const rails = computed(() => plan.value?.watched.filter((one) => one.kind === 'RAIL') ?? [])

async function keep(id: string) {
  const value = typed[id]?.trim() ?? ''
  if (!value) return
  const answer = await read({ [id]: value })
  if (answer.kind === 'ready') {
    typed[id] = ''
    // So that the next key chooses the next figure.
    document.getElementById(`row-${id}`)?.focus()
  }
}
async function keepRemark() {
  if (!remark.value.trim()) return
  const answer = await note(remark.value)
  if (answer.kind === 'ready') remark.value = ''
}
async function onward() {
  const at = state.value
  if (!at || !at.mayAdvance) {
    forcing.value = true
    return
  }
  await advance(at.step, '')
}
async function force() {
  const answer = await advance(state.value?.step ?? 0, reason.value)
  if (answer.kind === 'ready') {
    forcing.value = false
    reason.value = ''
  }
}
useEventListener(
  window,
  'keydown',
  (event) => {
    if (!state.value || state.value.state === 'ENDED') return
    // Where words are typed a blank is a blank; F9 stops from there too.
    const words = forcing.value || (event.target instanceof HTMLElement && 'words' in event.target.dataset)
    if ((event.code === 'Space' && !words && !event.repeat) || event.key === 'F9') {
      event.preventDefault()
      event.stopPropagation()
      void stop('')
      return
    }
    if (!session.mayWrite.value) return
    const typing = forcing.value || event.target instanceof HTMLInputElement
    if (typing || event.ctrlKey || event.altKey || event.metaKey) return
    const watched = plan.value?.watched[Number(event.key) - 1]
    if (watched) {
      event.preventDefault()
      shown.value = watched.id
      void nextTick(() => document.getElementById(`read-${watched.id}`)?.focus())
    } else if (event.key === 'n' && state.value.state === 'RUNNING') {
      event.preventDefault()
      void onward()
    }
  },
  { capture: true },
)
</script>

<template>
  <RunStart v-if="!runId" :set-id="setId" />
  <div v-else-if="plan && state && step" class="flex h-full min-h-0 flex-col" data-run>
    <p v-if="silent" role="alert" class="bg-bad px-5 py-2 text-lg font-semibold text-sheet">
      Nothing is heard from the program: nobody watches now. When in doubt, pull the plug.
    </p>
    <ol
      class="grid border-b border-line"
      :style="{ gridTemplateColumns: `repeat(${plan.steps.length}, minmax(0, 1fr)) 8rem` }"
    >
      <li
        v-for="(one, i) in plan.steps"
        :key="one.start"
        class="border-r border-line px-4 py-2 leading-tight"
        :class="i === state.step && state.state === 'RUNNING' ? 'bg-mark' : 'bg-sheet text-soft'"
        :aria-current="i === state.step ? 'step' : undefined"
      >
        <strong>{{ i < state.step ? '✓ ' : '' }}{{ one.name }}</strong>
        <span class="block text-sm">
          <template v-if="i === state.step && state.state === 'RUNNING'">
            step {{ i + 1 }} of {{ plan.steps.length }} ·
            {{ left > 0 ? `${Math.ceil(left)} s to go` : state.mayAdvance ? 'in its band' : 'not in its band' }}
          </template>
          <template v-else>{{ one.seconds }} s</template>
        </span>
      </li>
      <li class="flex items-center justify-end bg-sheet px-4">
        <span class="font-figures text-3xl font-semibold" role="timer">{{ clockOf(seconds) }}</span>
      </li>
    </ol>
    <div class="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <figure class="flex min-h-0 min-w-0 flex-col px-4 pt-2">
        <figcaption class="text-sm text-soft">
          {{ say(plan.watched[row]?.what ?? '') }} · shaded: healthy sets of this circuit, by this plan
          {{ plan.ghost ? ` · dashed: ${plan.ghost.says.toLowerCase()}` : '' }}
        </figcaption>
        <div class="min-h-40 flex-1">
          <RunChart
            :stretches="laidOut"
            :low="plan.bands[row]?.low ?? []"
            :high="plan.bands[row]?.high ?? []"
            :ghost="plan.ghost?.rows[row] ?? null"
            :most="plan.watched[row]?.most ?? 0"
            :unit="plan.watched[row]?.kind === 'LAMP' ? '' : (plan.watched[row]?.unit ?? '')"
            :title="`${say(plan.watched[row]?.what ?? '')} so far`"
            :now="state.state === 'RUNNING' ? seconds : null"
            :trace="trace"
            :marks="alarms"
          />
        </div>
      </figure>
      <div class="min-h-0 overflow-auto border-l border-line bg-sheet">
        <section v-if="alarms.length > 0" aria-label="Alarms" aria-live="assertive">
          <article
            v-for="one in allAlarms ? alarms : alarms.slice(0, 1)"
            :key="`${one.kind}${one.seconds}${one.watched}`"
            class="border-b border-line bg-raised px-4 py-2"
          >
            <h3 class="font-semibold" :class="one.grave ? 'text-bad' : 'text-doubt'">
              {{ clockOf(one.seconds) }} {{ say(one.label) }}
            </h3>
            <p class="text-sm">{{ say(one.says) }}</p>
            <ul v-if="one.suspects.length > 0" class="pt-1 text-sm">
              <li v-for="who in one.suspects" :key="who.says">
                <strong>{{ who.how }}</strong>
                {{ say(who.says) }}
              </li>
            </ul>
            <p v-if="one.unnamed" class="text-sm text-soft">{{ say(one.unnamed) }}</p>
          </article>
          <button
            v-if="alarms.length > 1"
            class="min-h-11 px-4 text-sm text-accent underline underline-offset-4"
            :aria-expanded="allAlarms"
            @click="allAlarms = !allAlarms"
          >
            {{ allAlarms ? 'Show the latest' : `${alarms.length - 1} before it` }}
          </button>
        </section>
        <LiftSuspects
          v-if="state.state === 'ENDED' && session.mayWrite.value"
          :set-id="setId"
          :parts="liftable"
          class="border-b border-line px-4 py-3"
        />
        <ul>
          <li
            v-for="(one, index) in plan.watched"
            :key="one.id"
            class="grid grid-cols-[2.25rem_minmax(0,1fr)_auto] items-center gap-x-2 border-b border-line px-3 py-1"
            :class="index === row ? 'bg-mark' : ''"
          >
            <button
              :id="`row-${one.id}`"
              class="flex min-h-11 items-center"
              :aria-label="`Show ${say(one.what)}`"
              :aria-pressed="index === row"
              @click="shown = one.id"
            >
              <KeyCap>{{ index + 1 }}</KeyCap>
            </button>
            <span class="min-w-0 leading-tight">
              {{ say(one.what) }}
              <span class="block text-sm text-soft">{{ say(healthy(index)) }}</span>
            </span>
            <span class="font-figures text-2xl font-semibold" :class="tone(index)">{{ shownValue(index) }}</span>
            <form
              v-if="index === row && session.mayWrite.value && whole?.run.feed === 'HAND' && state.state !== 'ENDED'"
              class="col-span-2 col-start-2"
              @submit.prevent="keep(one.id)"
            >
              <input
                :id="`read-${one.id}`"
                v-model="typed[one.id]"
                :aria-label="`${say(one.what)}, as read`"
                :placeholder="one.kind === 'LAMP' ? 'dark, dull, bright, full' : one.unit"
                autocomplete="off"
                class="min-h-11 w-full rounded border border-line bg-raised px-2 font-figures"
                @focus="shown = one.id"
              />
            </form>
          </li>
        </ul>
        <p v-if="state.unexplained" class="border-b border-line px-4 py-2">
          <strong class="text-doubt">{{ Math.round(state.unexplained * 1000) }} mA unexplained.</strong>
          Through the filter, beyond what the stages take at this voltage.
        </p>
        <p v-if="state.drift" class="border-b border-line px-4 py-2">{{ say(state.drift) }}</p>
        <form
          v-if="session.mayWrite.value && state.state !== 'ENDED'"
          class="border-b border-line px-3 py-2"
          @submit.prevent="keepRemark"
        >
          <input
            v-model="remark"
            data-words
            aria-label="Note: how warm, what smells, what is heard"
            placeholder="Note: how warm, what smells"
            autocomplete="off"
            class="min-h-11 w-full rounded border border-line bg-raised px-2"
          />
        </form>
        <ProblemNote :problem="problem" class="m-3" />
      </div>
    </div>
    <footer class="grid border-t-2 border-bad sm:grid-cols-[minmax(0,1fr)_21rem]">
      <div v-if="state.state === 'RUNNING'" class="flex items-center gap-4 bg-raised px-5 py-3">
        <div class="min-w-0 flex-1">
          <p class="text-sm text-soft">{{ grave ? say(grave.label) : 'Stop if' }}</p>
          <p class="leading-tight font-semibold" :class="grave ? 'text-2xl text-bad' : 'text-xl'">
            {{ say(grave ? grave.says : stopRule) }}
          </p>
          <p class="text-sm text-soft">
            {{
              state.controlled
                ? 'A grave alarm switches the supply off; lamp and fuse protect.'
                : 'Lamp and fuse protect; this screen only warns.'
            }}
            {{ say(state.holds) }}
          </p>
        </div>
        <AppButton v-if="session.mayWrite.value" :look="state.mayAdvance ? 'main' : 'plain'" @click="onward">
          <KeyCap>n</KeyCap>
          {{ state.step + 1 < plan.steps.length ? 'Next step' : 'End the run' }}
        </AppButton>
      </div>
      <div v-else-if="state.state === 'STOPPING'" class="bg-raised px-5 py-3" role="status">
        <p class="text-2xl leading-tight font-semibold text-bad">
          {{ say(whole?.events.filter((one) => one.kind === 'stop').slice(-1)[0]?.words ?? 'PULL THE PLUG.') }}
        </p>
        <p>
          Then read {{ say(rails.map((one) => one.what).join(', ')) }} until under the safe voltage: the capacitors keep
          their charge. Bleed through a resistor on insulated clips, never with a bare short.
        </p>
        <p v-for="one in state.fall" :key="one" class="text-sm text-soft">{{ say(one) }}</p>
      </div>
      <div v-else class="bg-raised px-5 py-3">
        <p class="text-xl font-semibold">
          {{ state.ending === 'by hand' ? 'Stopped by hand' : say(state.ending) }}
        </p>
        <p class="text-soft">
          The supply was read empty. Off is not dead: cord, switch and fuse carry the line while it is plugged in.
          {{ say(state.fall.join(' ')) }}
        </p>
        <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/power/runs`">
          All runs of this set
        </RouterLink>
        <RouterLink
          class="ml-6 font-semibold text-accent underline underline-offset-4"
          :to="`/sets/${setId}/power/run`"
          @click="held = null"
        >
          Prepare another run
        </RouterLink>
      </div>
      <button
        v-if="state.state !== 'ENDED'"
        class="flex min-h-28 flex-col items-center justify-center bg-[#a32218] px-4 py-3 text-white"
        @click="stop('')"
      >
        <span class="text-4xl leading-none font-semibold">
          {{ state.controlled ? (noZero ? 'OFF AGAIN' : 'STOP') : 'PULL THE PLUG' }}
        </span>
        <span class="pt-2 text-center text-sm">
          Space or F9 {{ state.controlled ? 'switches the supply off' : 'stops the run; it cuts nothing' }}, then read
          {{ say(rails[0]?.what ?? '') }}
        </span>
      </button>
    </footer>
    <AppDialog :open="forcing" title="Go on anyway" @close="forcing = false">
      <form class="space-y-4" @submit.prevent="force">
        <p>{{ say(state.holds) }}</p>
        <p class="rounded bg-caution px-3 py-2 text-on-caution">
          The next step gives the set more. What is unlike a healthy set now can burn then. Your reason stays in the
          log.
        </p>
        <TextField v-model="reason" label="Why you go on" wide />
        <ProblemNote :problem="problem" />
        <div class="flex gap-3">
          <AppButton look="danger" type="submit" :disabled="!reason.trim()">Go on</AppButton>
          <AppButton look="quiet" @click="forcing = false">Cancel</AppButton>
        </div>
      </form>
    </AppDialog>
  </div>
  <p v-else-if="problem" role="alert" class="p-8 text-bad">{{ problem.detail }}</p>
  <p v-else class="p-8 text-soft">Opening the run…</p>
</template>
