<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { whenever } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { type Answer, ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import StripFrame from '../entry/StripFrame.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import KeyCap from '../ui/KeyCap.vue'
import { useShop } from '../ui/useShop'
import SchematicPicture from './SchematicPicture.vue'
import { useDrawing, useWalk, type WalkStep } from './useDrawing'

/** The draft against the set's own schematic: one part lit, its value in the strip; Enter alone says it is so. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { data: drawing } = useDrawing(() => props.setId)
const doors = useWalk(() => props.setId)
const { walk, siblings } = doors
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
const origins = [
  { id: 'SHEET', name: 'this set’s schematic' },
  { id: 'BODY', name: 'the part’s own marking' },
  { id: 'FITTED', name: 'a measurement' },
] as const
const origin = ref<(typeof origins)[number]['id']>('SHEET')
const chosen = ref('')
const text = ref('')
const fault = ref('')
const busy = ref(false)
const waiting: string[] = []
const strip = useTemplateRef('strip')
/** What was done, so that it can be taken back: each with what to do then. */
const done = ref<{ name: string; undo: () => Promise<Answer<unknown>>; reference: string }[]>([])
/** What a swapped stage is not sure of. */
const told = ref<string[]>([])
const steps = computed<readonly WalkStep[]>(() => walk.value?.steps ?? [])
const step = computed(() => steps.value.find((one) => one.reference === chosen.value) ?? null)
const following = computed(() => after(chosen.value))
const left = computed(() => steps.value.length - (walk.value?.confirmed ?? 0))
const stages = computed(() => {
  const byLabel = new Map<string, { label: string; first: string; done: number; of: number }>()
  for (const one of steps.value) {
    const stage = byLabel.get(one.label) ?? { label: one.label, first: one.reference, done: 0, of: 0 }
    stage.of += 1
    if (one.confirmed) stage.done += 1
    else if (stage.done === stage.of - 1) stage.first = one.reference
    byLabel.set(one.label, stage)
  }
  return [...byLabel.values()]
})
/** What the stage at hand may be instead. */
const instead = computed(() => siblings.value?.filter((one) => one.stage === step.value?.stage) ?? [])
const plain = (words: string) => words.toLowerCase().replace(/[\s_-]+/g, '')
const last = computed(() => done.value[done.value.length - 1])

watch(
  walk,
  (view) => {
    if (view && !view.steps.some((one) => one.reference === chosen.value)) {
      chosen.value = (view.steps.find((one) => !one.confirmed) ?? view.steps[0])?.reference ?? ''
    }
  },
  { immediate: true },
)
/** Whenever the strip comes it takes the keys, also from the heading that took them as the page opened. */
whenever(strip, () => void nextTick(() => strip.value?.focus()), { flush: 'post', immediate: true })

/** The next that nobody compared, further on before further back. */
function after(reference: string): WalkStep | undefined {
  const at = steps.value.findIndex((one) => one.reference === reference)
  return (
    steps.value.slice(at + 1).find((one) => !one.confirmed) ??
    steps.value.slice(0, Math.max(at, 0)).find((one) => !one.confirmed)
  )
}
/** Enter is never lost: what is typed while an answer is on its way is said of the part that comes next. */
async function commit() {
  waiting.push(text.value.trim())
  text.value = ''
  if (busy.value) return
  for (let typed = waiting.shift(); typed !== undefined; typed = waiting.shift()) {
    if (!(await tell(typed))) {
      // The words behind a refused one were meant for other parts.
      waiting.length = 0
      text.value = typed
      await nextTick()
      strip.value?.select()
    }
  }
}
/** Says it of the part at hand; false when it was refused. */
async function tell(typed: string): Promise<boolean> {
  const now = step.value
  if (!now) return true
  const sibling = siblings.value?.find((one) => typed !== '' && plain(one.word) === plain(typed))
  if (sibling) return swap(sibling.word)
  busy.value = true
  const next = after(now.reference)?.reference ?? ''
  const id = crypto.randomUUID()
  const before = steps.value.map((one) => one.reference)
  const answer = typed.startsWith('+')
    ? await doors.add(typed.slice(1).trim())
    : typed === '-'
      ? await doors.remove(now.reference, now.line)
      : await doors.confirm({ id, reference: now.reference, typed, origin: origin.value, seen: now.line })
  busy.value = false
  if (failed(answer)) return false
  if (typed.startsWith('+')) {
    const added = steps.value.find((one) => !before.includes(one.reference))
    if (added) did(added.reference, now.reference, () => doors.remove(added.reference, added.line))
    return true
  }
  did(now.reference, now.reference, () => doors.takeBack(id, now.reference, now.line))
  if (next) chosen.value = next
  await nextTick()
  strip.value?.focus()
  return true
}
function failed(answer: Answer<unknown>): boolean {
  if (answer.kind === 'failed') {
    fault.value = answer.problem.errors[0]?.detail ?? answer.problem.detail
    return true
  }
  fault.value = ''
  told.value = []
  return false
}
function did(name: string, reference: string, undo: () => Promise<Answer<unknown>>) {
  done.value = [...done.value, { name, reference, undo }]
}
async function swap(word: string): Promise<boolean> {
  const now = step.value
  busy.value = true
  const answer = await doors.swap(word)
  busy.value = false
  if (failed(answer) || answer.kind === 'failed') return false
  const { was, says } = answer.value
  told.value = says
  if (was) did(word, chosen.value, () => doors.swap(was))
  const first = steps.value.find((one) => one.stage === now?.stage && !one.confirmed)
  if (first) chosen.value = first.reference
  await nextTick()
  strip.value?.focus()
  return true
}
async function takeBack() {
  const one = last.value
  if (!one || busy.value) return
  busy.value = true
  const answer = await one.undo()
  busy.value = false
  if (failed(answer)) return
  done.value = done.value.slice(0, -1)
  if (steps.value.some((part) => part.reference === one.reference)) chosen.value = one.reference
  strip.value?.focus()
}
function onKey(event: KeyboardEvent) {
  const at = steps.value.findIndex((one) => one.reference === chosen.value)
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    const next = steps.value[at + (event.key === 'ArrowDown' ? 1 : -1)]
    if (next) choose(next.reference)
  } else if (event.key === 'z' && (event.ctrlKey || event.metaKey) && !text.value) {
    event.preventDefault()
    void takeBack()
  }
}
function choose(reference: string) {
  if (steps.value.some((one) => one.reference === reference)) {
    chosen.value = reference
    text.value = fault.value = ''
  }
  strip.value?.focus()
}
</script>

<template>
  <div v-if="set.data.value" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="
        left > 0
          ? `Walk against the schematic · ${walk?.confirmed ?? 0} of ${steps.length} compared`
          : 'Every part is compared with this set'
      "
    >
      <ChoiceField v-model="origin" inline label="Read from" :options="origins" />
    </BenchHeader>
    <nav class="flex gap-2 overflow-x-auto border-b border-line bg-ground px-5 py-2" aria-label="Stages">
      <button
        v-for="stage in stages"
        :key="stage.label"
        class="min-h-11 rounded border px-4 whitespace-nowrap"
        :class="step?.label === stage.label ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised'"
        :aria-pressed="step?.label === stage.label"
        @click="choose(stage.first)"
      >
        <span v-if="stage.done === stage.of" aria-hidden="true" class="text-good">✓</span>
        {{ say(stage.label) }}
        <span class="text-soft">{{ stage.done }} of {{ stage.of }}</span>
      </button>
    </nav>
    <div
      v-if="step && instead.length > 0"
      class="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-line bg-sheet px-5 py-1 text-sm"
    >
      <span class="text-soft">Built otherwise? Type or choose:</span>
      <button
        v-for="one in instead"
        :key="one.word"
        class="min-h-9 rounded border border-line bg-raised px-3 hover:border-accent"
        :title="say(one.label)"
        :disabled="busy"
        @click="swap(one.word)"
      >
        {{ say(one.word) }}
      </button>
    </div>
    <ul v-if="told.length > 0" role="status" class="border-b border-line bg-sheet py-1 pr-5 pl-10 list-disc text-doubt">
      <li v-for="sentence in told" :key="sentence">{{ say(sentence) }}</li>
    </ul>
    <p v-if="walk && steps.length === 0" class="p-6 text-soft">
      No circuit yet. Type the set’s tubes under Drawing, or its parts under Parts and sheet.
    </p>
    <SchematicPicture
      v-else-if="drawing"
      class="flex-1"
      :drawing="drawing"
      :chosen="chosen"
      :zoom="1.25"
      walking
      :say="say"
      @choose="choose"
      @open="strip?.focus()"
    />
    <p v-else class="flex-1 p-6 text-soft">Drawing the circuit…</p>
    <StripFrame
      v-if="step"
      ref="strip"
      v-model="text"
      :label="say(`${step.reference}${step.job ? `, ${step.job}` : ''}: ${step.asks}`)"
      :placeholder="say(step.value || 'there')"
      :fault="!!fault"
      @commit="commit"
      @key="onKey"
    >
      <p v-if="fault" class="text-bad">{{ say(fault) }}</p>
      <template v-else>
        <p class="flex flex-wrap items-center gap-x-3 gap-y-1 max-sm:hidden">
          <span>
            <KeyCap>↵</KeyCap>
            {{ step.confirmed ? 'compared' : 'it is so' }}
          </span>
          <span v-if="step.value">
            <KeyCap>220k 1W</KeyCap>
            another value
          </span>
          <span>
            <KeyCap>-</KeyCap>
            not there
          </span>
          <span>
            <KeyCap>+ 4.7n V4.plate-0</KeyCap>
            one more
          </span>
        </p>
        <p class="text-sm text-soft">
          {{ say(step.between) }}{{ following ? say(`. Next: ${following.reference}, ${following.job}`) : '' }}
        </p>
      </template>
      <template v-if="last" #actions>
        <button
          type="button"
          class="min-h-11 rounded border border-line px-3 text-left text-sm leading-tight"
          title="Ctrl Z"
          @click="takeBack"
        >
          Take back
          <br />
          <span class="font-figures">{{ last.name }}</span>
        </button>
      </template>
    </StripFrame>
  </div>
</template>
