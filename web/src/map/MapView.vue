<script setup lang="ts">
import {
  ArrowDownTrayIcon,
  MagnifyingGlassMinusIcon,
  MagnifyingGlassPlusIcon,
  ArrowsPointingOutIcon,
} from '@heroicons/vue/24/outline'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { ask, http, orThrow, type Problem, type Schemas } from '../api/client'
import { useArrival } from '../arrival/useArrival'
import BenchHeader from '../bench/BenchHeader.vue'
import SchematicPicture from '../circuit/SchematicPicture.vue'
import { useDrawing } from '../circuit/useDrawing'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import { exportMap } from './exportMap'
import MapStage from './MapStage.vue'
import StandMark from './StandMark.vue'
import { isReference, marks, shortName, type ProofState } from './marks'

/** The proof map: the set's pictures with a mark for each part, and what is left. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const route = useRoute()
const client = useQueryClient()
const doors = useArrival(() => props.setId)
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
const { data: map, error } = useQuery({
  queryKey: ['map', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/map', { params: { path: { setId: props.setId } } }))),
})
const pictureId = ref('')
const chosen = ref('')
const placing = ref(false)
const moving = ref(false)
const wanted = ref('')
const showing = ref<'left' | 'all'>('left')
const what = ref('')
const problem = ref<Problem | null>(null)
const stage = useTemplateRef<InstanceType<typeof MapStage>>('stage')

const picture = computed(
  () =>
    map.value?.pictures.find((p) => p.id === pictureId.value) ??
    map.value?.pictures.find((p) => p.shows === 'SHEET') ??
    map.value?.pictures.find((p) => p.shows === 'SET') ??
    null,
)
const placed = computed(() => (map.value?.marks ?? []).filter((mark) => mark.photo === picture.value?.id))
const states = computed<Record<string, ProofState>>(() =>
  Object.fromEntries((map.value?.stands ?? []).map((stand) => [stand.subject, stand.state])),
)
const stand = computed(() => map.value?.stands.find((one) => one.subject === chosen.value) ?? null)
const open: readonly ProofState[] = ['UNPROVEN', 'PARTLY', 'DOUBTFUL', 'TO_REPLACE']
const listed = computed(() =>
  (map.value?.stands ?? []).filter(
    (one) =>
      (showing.value === 'all' || open.includes(one.state)) &&
      `${one.subject} ${one.name}`.toLowerCase().includes(wanted.value.toLowerCase().trim()),
  ),
)
const counts = computed(() =>
  (Object.keys(marks) as ProofState[]).map((state) => ({
    state,
    count: (map.value?.stands ?? []).filter((one) => one.state === state).length,
  })),
)
/** Points, and parts that have no reference, go by their name alone. */
const byName = (one: { point: boolean; subject: string }) => one.point || !isReference(one.subject)
const isPlaced = (subject: string) => (map.value?.marks ?? []).some((mark) => mark.subject === subject)
/** The circuit's own drawing stands beside the pictures; its parts carry their marks without being placed. */
const DRAWN = 'drawing'
const { data: drawing } = useDrawing(() => props.setId)
const drawable = computed(() => (drawing.value?.parts.length ?? 0) > 0)
const drawn = computed(
  () => drawable.value && (pictureId.value === DRAWN || (pictureId.value === '' && !picture.value)),
)
const drawnStates = computed(() =>
  Object.fromEntries(Object.entries(states.value).filter(([, state]) => state !== 'UNPROVEN')),
)
const drawnZoom = ref(0.8)
const optionsOfPictures = computed(() => [
  ...(map.value?.pictures ?? [])
    .filter((p) => p.shows !== 'SISTER')
    .map((p) => ({ id: p.id, name: p.caption || 'no caption' })),
  ...(drawable.value ? [{ id: DRAWN, name: 'the circuit, drawn' }] : []),
])
const pictureModel = computed({
  get: () => (drawn.value ? DRAWN : (picture.value?.id ?? '')),
  set: (id: string) => {
    pictureId.value = id
  },
})

async function choose(subject: string) {
  chosen.value = subject
  what.value = ''
  problem.value = null
  const mark = (map.value?.marks ?? []).find((one) => one.subject === subject)
  if (drawn.value) return
  placing.value = !mark && !!picture.value
  if (mark && mark.photo !== picture.value?.id) pictureId.value = mark.photo
  await nextTick()
  stage.value?.show(subject)
}
watch(
  [() => route.query['part'], map],
  ([part], [, before]) => {
    if (typeof part === 'string' && map.value && !before)
      void choose(map.value.stands.find((one) => one.subject.toLowerCase() === part.toLowerCase())?.subject ?? '')
  },
  { immediate: true },
)

async function settle(answer: ReturnType<typeof ask<Schemas['MapView']>>) {
  const settled = await answer
  if (settled.kind === 'failed') problem.value = settled.problem
  else client.setQueryData(['map', props.setId], settled.value)
}
async function place(x: number, y: number) {
  if (!picture.value || !chosen.value) return
  await settle(
    ask(
      http.PUT('/api/sets/{setId}/marks', {
        params: { path: { setId: props.setId } },
        body: { photo: picture.value.id, subject: chosen.value, x, y },
      }),
    ),
  )
  // The next in the list that has no mark is asked for at once: one tap a part.
  const order = listed.value.map((one) => one.subject)
  const next = [...order.slice(order.indexOf(chosen.value) + 1), ...order].find((subject) => !isPlaced(subject))
  if (next && !problem.value && !moving.value) await choose(next)
  else placing.value = false
  moving.value = false
}
/** A mark that is there already is moved by itself; one that is not begins a round. */
function move() {
  moving.value = isPlaced(chosen.value)
  placing.value = true
}
/** A part that this picture does not show is passed over. */
function skip() {
  const order = listed.value.map((one) => one.subject)
  const next = order.slice(order.indexOf(chosen.value) + 1).find((subject) => !isPlaced(subject))
  if (next) void choose(next)
  else placing.value = false
}
async function unmark() {
  const mark = placed.value.find((one) => one.subject === chosen.value)
  if (mark)
    await settle(
      ask(
        http.DELETE('/api/sets/{setId}/marks', {
          params: { path: { setId: props.setId }, query: { photo: mark.photo, subject: mark.subject } },
        }),
      ),
    )
}
async function record(answer: ReturnType<typeof doors.tested>) {
  const settled = await answer
  problem.value = settled.kind === 'failed' ? settled.problem : null
  if (settled.kind === 'ready') what.value = ''
}
</script>

<template>
  <div v-if="map && set.data.value" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="map.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="`${map.left} of ${map.stands.length} parts and points left`"
    >
      <div class="flex flex-wrap items-center gap-2">
        <ChoiceField
          v-if="optionsOfPictures.length > 0"
          v-model="pictureModel"
          class="w-64!"
          inline
          label="Picture"
          :options="optionsOfPictures"
        />
        <template v-if="picture && !drawn">
          <AppButton @click="exportMap(setId, picture, placed, states, 'svg')">
            <ArrowDownTrayIcon class="size-5" aria-hidden="true" />
            SVG
          </AppButton>
          <AppButton @click="exportMap(setId, picture, placed, states, 'png')">
            <ArrowDownTrayIcon class="size-5" aria-hidden="true" />
            PNG
          </AppButton>
        </template>
      </div>
    </BenchHeader>
    <div
      class="grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_22rem] lg:grid-rows-none"
    >
      <div class="relative min-h-0">
        <SchematicPicture
          v-if="drawn && drawing"
          class="h-full"
          :drawing="drawing"
          :chosen="chosen"
          :zoom="drawnZoom"
          :states="drawnStates"
          walking
          :say="say"
          @choose="choose"
          @open="choose"
        />
        <MapStage
          v-else-if="picture"
          ref="stage"
          :set-id="setId"
          :picture="picture"
          :placed="placed"
          :states="states"
          :chosen="chosen"
          :placing="placing"
          @choose="choose"
          @place="place"
        />
        <div v-else class="p-8">
          <h2 class="text-lg font-semibold">No picture to mark yet</h2>
          <p class="my-2 max-w-md text-soft">
            Add a photo of the chassis or a scan of the schematic; then tap each part once, and its mark follows the
            readings by itself.
          </p>
          <RouterLink
            :to="`/sets/${setId}/arrival/photos`"
            class="font-semibold text-accent underline underline-offset-4"
          >
            Add a picture
          </RouterLink>
        </div>
        <div v-if="drawn" class="absolute bottom-3 left-3 flex gap-2">
          <AppButton aria-label="Closer" @click="drawnZoom = Math.min(3, drawnZoom * 1.25)">+</AppButton>
          <AppButton aria-label="Farther" @click="drawnZoom = Math.max(0.3, drawnZoom * 0.8)">−</AppButton>
        </div>
        <div v-else-if="picture" class="absolute bottom-3 left-3 flex gap-2">
          <button
            class="flex size-11 items-center justify-center rounded border border-line bg-raised"
            aria-label="Closer"
            @click="stage?.zoom(1.4)"
          >
            <MagnifyingGlassPlusIcon class="size-6" aria-hidden="true" />
          </button>
          <button
            class="flex size-11 items-center justify-center rounded border border-line bg-raised"
            aria-label="Farther"
            @click="stage?.zoom(0.7)"
          >
            <MagnifyingGlassMinusIcon class="size-6" aria-hidden="true" />
          </button>
          <button
            class="flex size-11 items-center justify-center rounded border border-line bg-raised"
            aria-label="The whole picture"
            @click="stage?.fit()"
          >
            <ArrowsPointingOutIcon class="size-6" aria-hidden="true" />
          </button>
        </div>
        <p
          v-if="placing"
          role="status"
          class="absolute top-3 left-1/2 -translate-x-1/2 rounded bg-accent px-4 py-2 font-semibold text-on-accent"
        >
          Tap where {{ stand && byName(stand) ? say(stand.name) : shortName(chosen) }} is
          <button class="ml-3 min-h-8 underline underline-offset-4" @click="skip">Not on this picture</button>
          <button class="ml-3 min-h-8 underline underline-offset-4" @click="placing = false">Enough</button>
        </p>
      </div>
      <section
        class="flex min-h-0 flex-col border-t border-line bg-sheet lg:border-t-0 lg:border-l"
        aria-label="What is left"
      >
        <ul class="grid grid-cols-2 gap-x-3 border-b border-line px-4 py-2 text-sm">
          <li v-for="one in counts" :key="one.state" class="flex items-center gap-2 py-0.5">
            <StandMark :state="one.state" />
            <span class="font-figures font-semibold">{{ one.count }}</span>
            {{ marks[one.state].word }}
          </li>
        </ul>
        <div v-if="stand" class="border-b border-line px-4 py-3">
          <p class="flex items-center gap-2">
            <StandMark :state="stand.state" />
            <strong class="text-lg">{{ byName(stand) ? say(stand.name) : shortName(stand.subject) }}</strong>
            <span class="text-soft">{{ stand.stateLabel }}</span>
          </p>
          <p v-if="!byName(stand)">{{ say(stand.name) }}</p>
          <p class="mt-1 text-sm text-soft">{{ say(stand.reason) }}</p>
          <div v-if="!stand.point" class="mt-2 flex flex-wrap items-center gap-2">
            <input
              v-model="what"
              aria-label="Read, seen or fitted"
              placeholder="read, seen or fitted"
              class="min-h-11 w-full rounded border border-line bg-raised px-2"
            />
            <AppButton @click="record(doors.tested(stand.subject, true, what))">Sound</AppButton>
            <AppButton look="danger" @click="record(doors.tested(stand.subject, false, what))">Bad</AppButton>
            <AppButton @click="record(doors.replaced(stand.subject, what))">Replaced</AppButton>
          </div>
          <div class="flex flex-wrap gap-x-4">
            <button
              v-if="picture && !drawn"
              class="min-h-11 font-semibold text-accent underline underline-offset-4"
              @click="move"
            >
              {{ isPlaced(stand.subject) ? 'Move its mark' : 'Place its mark' }}
            </button>
            <button
              v-if="!drawn && placed.some((one) => one.subject === chosen)"
              class="min-h-11 text-accent underline underline-offset-4"
              @click="unmark"
            >
              Take it off
            </button>
            <RouterLink
              class="flex min-h-11 items-center text-accent underline underline-offset-4"
              :to="stand.point ? `/sets/${setId}/volts` : `/sets/${setId}/circuit?part=${stand.subject}`"
            >
              {{ stand.point ? 'Read it' : 'Open the part' }}
            </RouterLink>
          </div>
          <ProblemNote :problem="problem" />
        </div>
        <div class="flex items-center gap-2 px-4 py-2">
          <div class="flex" role="group" aria-label="List">
            <button
              v-for="kind in ['left', 'all'] as const"
              :key="kind"
              class="min-h-11 border px-3 whitespace-nowrap first:rounded-l last:rounded-r"
              :class="showing === kind ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised text-soft'"
              :aria-pressed="showing === kind"
              @click="showing = kind"
            >
              {{ kind === 'left' ? `Left (${map.left})` : `All (${map.stands.length})` }}
            </button>
          </div>
          <input
            v-model="wanted"
            aria-label="Find a part or point"
            placeholder="find"
            autocomplete="off"
            class="min-h-11 w-full min-w-0 rounded border border-line bg-raised px-3"
          />
        </div>
        <ul class="min-h-32 flex-1 overflow-auto" tabindex="0" aria-label="Parts and points">
          <li v-for="one in listed" :key="one.subject">
            <button
              class="grid min-h-11 w-full grid-cols-[1.75rem_1fr_auto] items-center gap-2 border-t border-line px-4 py-1 text-left"
              :class="one.subject === chosen ? 'bg-mark' : 'hover:bg-mark/50'"
              @click="choose(one.subject)"
            >
              <StandMark :state="one.state" />
              <span class="min-w-0 truncate">
                <strong v-if="!byName(one)">{{ shortName(one.subject) }}</strong>
                {{ say(one.name) }}
              </span>
              <span class="text-sm text-soft">{{ drawn || isPlaced(one.subject) ? '' : 'no mark' }}</span>
            </button>
          </li>
          <li v-if="listed.length === 0" class="p-4 text-soft">
            {{
              map.stands.length === 0
                ? 'The circuit has no parts yet.'
                : wanted
                  ? 'Nothing is called that.'
                  : 'Nothing is left.'
            }}
          </li>
        </ul>
      </section>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the map…</p>
</template>
