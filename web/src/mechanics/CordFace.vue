<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { session } from '../account/session'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { figureFault, figureOf } from '../player/figures'
import { useShop } from '../ui/useShop'

/** The dial's cord, laid over a picture: drum, shaft and pulleys are placed, its way and its length follow. */
const props = defineProps<{ setId: string }>()
const { say, shop } = useShop()
const client = useQueryClient()
const path = () => ({ path: { setId: props.setId } })
const { data, error } = useQuery({
  queryKey: ['cord', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/cord', { params: path() }))),
})
interface Round {
  name: string
  x: number
  y: number
  diameter: string
  clockwise: boolean
  turns: string
}
const form = reactive({
  photo: '',
  rounds: [] as Round[],
  closed: true,
  scaleFrom: 0,
  scaleTo: 1,
  scaleMm: '',
  pointer: 0,
  turned: 0,
  spring: '',
})
const chosen = ref(0)
const reckoned = ref<Schemas['CordReckoned'] | null>(null)
const problem = ref<Problem | null>(null)
const saved = ref(false)
const text = (value: number) => (shop.value?.decimalSign === 'COMMA' ? String(value).replace('.', ',') : String(value))
watch(
  () => data.value?.laid,
  (laid, before) => {
    if (!laid || before || form.rounds.length > 0) return
    Object.assign(form, {
      ...laid,
      scaleMm: text(laid.scaleMm),
      rounds: laid.rounds.map((one) => ({ ...one, diameter: text(one.diameter), turns: String(one.turns) })),
    })
    reckoned.value = data.value?.reckoned ?? null
  },
  { immediate: true },
)
const photo = computed(() => data.value?.photos.find((one) => one.id === form.photo) ?? null)
const aspect = computed(() => (photo.value ? photo.value.height / photo.value.width : 0.75))
const WIDTH = 1000
const height = computed(() => WIDTH * aspect.value)
const photos = computed(() => [
  { id: '', name: 'No picture, a bare board' },
  ...(data.value?.photos ?? []).map((one) => ({ id: one.id, name: one.caption || 'no caption' })),
])
const names = ['Drum', 'Tuning shaft', 'Pulley 1', 'Pulley 2', 'Pulley 3', 'Pulley 4']
const places = computed(() => form.rounds.map((one, i) => ({ id: String(i), name: one.name || `Round ${i + 1}` })))
const stretches = computed(() =>
  form.rounds
    .map((one, i) => ({
      id: String(i),
      name: `${one.name || i + 1} to ${form.rounds[(i + 1) % form.rounds.length]?.name ?? ''}`,
    }))
    .slice(0, form.closed ? form.rounds.length : -1),
)
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const number = (written: string) => figureOf(written, sign.value)
const fault = (written: string, example: string) => figureFault(written, sign.value, example)
const edit = computed(() => ({
  id: crypto.randomUUID() as string,
  ...form,
  scaleMm: number(form.scaleMm) ?? 0,
  rounds: form.rounds.map((one) => ({
    ...one,
    diameter: number(one.diameter) ?? 0,
    turns: Math.round(number(one.turns) ?? 0),
  })),
}))
const ready = computed(
  () =>
    form.rounds.length > 1 &&
    form.rounds.every((one) => number(one.diameter) && !fault(one.turns, '2')) &&
    !!number(form.scaleMm),
)
let asked = 0
watch(
  edit,
  async (now) => {
    const mine = ++asked
    saved.value = false
    if (!ready.value) {
      reckoned.value = null
      return
    }
    const answer = await ask(http.POST('/api/sets/{setId}/cord/previews', { params: path(), body: now }))
    if (mine !== asked) return
    reckoned.value = answer.kind === 'ready' ? answer.value : null
    problem.value = answer.kind === 'failed' ? answer.problem : null
  },
  { deep: true },
)
function place(event: MouseEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  add((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
function add(x: number, y: number) {
  if (form.rounds.length >= 12) return
  const name = names[form.rounds.length] ?? `Pulley ${form.rounds.length - 1}`
  form.rounds.push({ name, x, y, diameter: '', clockwise: true, turns: '0' })
  chosen.value = form.rounds.length - 1
  void nextTick(() => document.getElementById(`round-${chosen.value}`)?.querySelector('input')?.focus())
}
/** The arrows move what is chosen, a step a press; with Shift a large one. */
function nudge(event: KeyboardEvent) {
  const round = form.rounds[chosen.value]
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (!round || !way) return
  event.preventDefault()
  const by = event.shiftKey ? 0.02 : 0.004
  round.x = Math.min(1, Math.max(0, round.x + way[0]! * by))
  round.y = Math.min(1, Math.max(0, round.y + (way[1]! * by) / aspect.value))
}
function remove(i: number) {
  form.rounds.splice(i, 1)
  const last = Math.max(0, form.rounds.length - 1)
  form.scaleFrom = Math.min(form.scaleFrom, last)
  form.scaleTo = Math.min(form.scaleTo, last)
  form.turned = Math.min(form.turned, last)
  form.pointer = Math.min(form.pointer, Math.max(0, stretches.value.length - 1))
}
async function save() {
  const answer = await ask(http.POST('/api/sets/{setId}/cord', { params: path(), body: edit.value }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  saved.value = answer.kind === 'ready'
  if (answer.kind === 'ready') client.setQueryData(['cord', props.setId], answer.value)
}
const place2 = (key: 'scaleFrom' | 'scaleTo' | 'turned' | 'pointer') =>
  computed({ get: () => String(form[key]), set: (now: string) => (form[key] = Number(now)) })
const scaleFrom = place2('scaleFrom')
const scaleTo = place2('scaleTo')
const turned = place2('turned')
const pointer = place2('pointer')
</script>

<template>
  <p v-if="error" role="alert" class="p-6 text-bad">{{ error.message }}</p>
  <div v-else-if="data" class="grid lg:grid-cols-[minmax(0,1fr)_26rem]">
    <div class="min-w-0 px-5 py-4">
      <div class="mb-3 flex flex-wrap items-end gap-4">
        <ChoiceField v-model="form.photo" class="w-80!" label="Laid over" :options="photos" />
        <p class="flex-1 text-sm text-soft">
          Click where drum, shaft and pulleys are, in the order the cord passes them. Arrow keys move the chosen one.
        </p>
        <AppButton @click="add(0.5, 0.5)">Add one in the middle</AppButton>
      </div>
      <svg
        :viewBox="`0 0 ${WIDTH} ${height}`"
        class="block max-h-[32rem] w-full rounded border border-line bg-sheet"
        role="application"
        tabindex="0"
        aria-label="The cord’s way; arrow keys move the chosen round"
        @click="place"
        @keydown="nudge"
      >
        <image
          v-if="photo"
          :href="`/api/sets/${setId}/photos/${photo.id}/full`"
          :width="WIDTH"
          :height="height"
          preserveAspectRatio="none"
        />
        <g v-if="reckoned">
          <line
            v-for="(one, i) in [...reckoned.stretches, ...reckoned.stretches]"
            :key="i"
            :class="i < reckoned.stretches.length ? 'stroke-sheet' : 'stroke-accent'"
            :stroke-width="i < reckoned.stretches.length ? 11 : 5"
            :x1="one.fromX * WIDTH"
            :y1="one.fromY * height"
            :x2="one.toX * WIDTH"
            :y2="one.toY * height"
            :stroke-dasharray="i === form.pointer + reckoned.stretches.length ? '14 8' : undefined"
          />
        </g>
        <g v-for="(one, i) in form.rounds" :key="i" @click.stop="chosen = i">
          <circle
            :cx="one.x * WIDTH"
            :cy="one.y * height"
            :r="Math.max(14, (reckoned?.radius[i] ?? 0.02) * WIDTH)"
            class="fill-mark/60"
            :class="i === chosen ? 'stroke-accent' : 'stroke-follows'"
            stroke-width="5"
          />
          <text
            :x="one.x * WIDTH"
            :y="one.y * height + 9"
            text-anchor="middle"
            class="fill-ink font-figures text-[26px] font-semibold"
          >
            {{ i + 1 }}
          </text>
        </g>
      </svg>
      <div v-if="reckoned" class="mt-4 flex flex-wrap items-end gap-x-8 gap-y-2" aria-live="polite">
        <p>
          <span class="block text-sm text-soft">Under way</span>
          <span class="font-figures text-4xl font-semibold">{{ say(reckoned.lengthMm.toFixed(0)) }}</span>
          <span class="ml-1 text-soft">mm</span>
        </p>
        <p>
          <span class="block text-sm text-soft">Cut, with 20 cm to tie</span>
          <span class="font-figures text-2xl font-semibold">{{ say(reckoned.cutMm.toFixed(0)) }}</span>
          <span class="ml-1 text-soft">mm</span>
        </p>
        <p>
          <span class="block text-sm text-soft">Pointer for a turn of what is turned</span>
          <span class="font-figures text-2xl font-semibold">{{ say(reckoned.perTurnMm.toFixed(1)) }}</span>
          <span class="ml-1 text-soft">mm</span>
        </p>
        <p class="max-w-sm font-semibold">{{ say(reckoned.runs) }}</p>
      </div>
    </div>
    <form class="space-y-3 border-line px-5 py-4 lg:border-l" @submit.prevent="save">
      <p v-if="form.rounds.length === 0">
        Photograph the cord before it comes off, choose the picture, and click the drum first. No length is reckoned
        before every diameter and one distance are measured.
      </p>
      <ol class="divide-y divide-line border-y border-line">
        <li
          v-for="(one, i) in form.rounds"
          :id="`round-${i}`"
          :key="i"
          class="border-l-4 py-2 pl-3"
          :class="i === chosen ? 'border-l-accent bg-mark' : 'border-l-transparent'"
          @focusin="chosen = i"
        >
          <div class="flex flex-wrap items-end gap-2">
            <span class="w-6 pb-2 font-figures font-semibold">{{ i + 1 }}</span>
            <TextField v-model="one.name" class="w-32!" label="Name" />
            <TextField
              v-model="one.diameter"
              class="w-24!"
              label="Diameter"
              unit="mm"
              :fault="fault(one.diameter, '12')"
            />
            <TextField v-model="one.turns" class="w-16!" label="Turns" :fault="fault(one.turns, '2')" />
          </div>
          <div class="flex flex-wrap items-center gap-x-4 pl-8">
            <TickField v-model="one.clockwise" label="goes round clockwise" />
            <AppButton look="quiet" :aria-label="`Remove ${one.name}`" @click="remove(i)">Remove</AppButton>
          </div>
        </li>
      </ol>
      <template v-if="form.rounds.length > 1">
        <TickField v-model="form.closed" label="comes back to the first" />
        <fieldset class="flex flex-wrap items-end gap-2">
          <legend class="mb-1 text-sm text-soft">A distance you measured, from middle to middle</legend>
          <ChoiceField v-model="scaleFrom" class="w-32!" label="From" :options="places" />
          <ChoiceField v-model="scaleTo" class="w-32!" label="To" :options="places" />
          <TextField
            v-model="form.scaleMm"
            class="w-28!"
            label="Distance"
            unit="mm"
            :fault="fault(form.scaleMm, '85') || faultAt(problem, 'scaleMm')"
          />
        </fieldset>
        <div class="flex flex-wrap items-end gap-2">
          <ChoiceField v-model="turned" class="w-36!" label="Turned by hand" :options="places" />
          <ChoiceField v-model="pointer" class="w-52!" label="Pointer sits on" :options="stretches" />
        </div>
        <TextField
          v-model="form.spring"
          wide
          label="Where the spring is"
          hint="for example: in the drum, at the far end"
        />
      </template>
      <div class="flex items-center gap-4">
        <AppButton type="submit" look="main" :disabled="!reckoned || !session.mayWrite.value">Save</AppButton>
        <span v-if="saved" role="status" class="text-good">Saved.</span>
      </div>
      <ProblemNote v-if="problem" :problem="problem" />
    </form>
  </div>
</template>
