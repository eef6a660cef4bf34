<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { useShop } from '../ui/useShop'
import { useVolts } from '../volts/useVolts'
import LineUpForm from './LineUpForm.vue'
import PrintSheets from './PrintSheets.vue'
import SchematicPicture from './SchematicPicture.vue'
import { useDrawing, useWalk } from './useDrawing'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const route = useRoute()
const router = useRouter()
const { data: drawing, error } = useDrawing(() => props.setId)
const { walk } = useWalk(() => props.setId)
const { volts } = useVolts(() => props.setId)
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
/** The highlighter that works alone: what is proven of each part, as on the map. */
const map = useQuery({
  queryKey: ['map', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/map', { params: { path: { setId: props.setId } } }))),
})
const states = computed(() =>
  Object.fromEntries(
    (map.data.value?.stands ?? []).flatMap((stand) =>
      stand.state === 'UNPROVEN' ? [] : [[stand.subject, stand.state] as const],
    ),
  ),
)
/** What parts carry when all is well. */
const flows = useQuery({
  queryKey: ['volts', () => props.setId, 'flows'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/flows', { params: { path: { setId: props.setId } } }))),
})
const flow = computed(() => flows.data.value?.find((one) => one.part === chosen.value) ?? null)
const picture = useTemplateRef('picture')
const chosen = ref(typeof route.query['part'] === 'string' ? route.query['part'] : '')
const zoom = ref(1)
const part = computed(() => drawing.value?.parts.find((one) => one.reference === chosen.value) ?? null)
const step = computed(() => walk.value?.steps.find((one) => one.reference === chosen.value) ?? null)
const open = computed(() => (walk.value ? walk.value.steps.length - walk.value.confirmed : 0))
/** What stands at the chosen part's ends: expected, and read. */
const ends = computed(() =>
  [...new Set(part.value?.nodes ?? [])].map((node) => {
    const point = volts.value?.points.find((p) => p.node === node)
    return { node, name: point?.name ?? node, expected: point?.expectedText ?? '', read: point?.reading?.text ?? '' }
  }),
)
/** Read volts before expected ones; a point that nothing is expected of stays empty. */
const figures = computed(() =>
  Object.fromEntries(
    (volts.value?.points ?? []).flatMap((point) => {
      const text = point.reading?.text ?? point.expectedText
      return text ? [[point.node, { text: text.replace(' ', ''), read: !!point.reading }] as const] : []
    }),
  ),
)
watch(chosen, (reference) => router.replace({ query: reference ? { part: reference } : {} }))
function fit() {
  const pane = picture.value?.pane
  if (pane && drawing.value) {
    zoom.value = Math.min(pane.clientWidth / drawing.value.width, pane.clientHeight / drawing.value.height)
  }
}
/** Parts of the drawing one can look at by themselves, by what they are and by their tubes; one chosen fills the pane. */
const stages = computed(() =>
  (drawing.value?.stages ?? []).flatMap((one, index) => {
    const tubes = one.parts.filter((reference) => /^XV\d+/.test(reference)).map((reference) => reference.slice(1))
    const name = [one.label, tubes.join(', ')].filter(Boolean).join(' · ')
    return name && one.parts.length > 1
      ? [{ id: String(index), name: say(name), box: one.box, main: tubes[0] ? `X${tubes[0]}` : one.parts[0]! }]
      : []
  }),
)
const stage = ref('')
watch(stage, approach)
/** Its tube, or its first part, comes to the middle, as large as lets all of the stage be seen. */
function approach(id: string) {
  const pane = picture.value?.pane
  const one = stages.value.find((candidate) => candidate.id === id)
  const [, , width = 1, height = 1] = one?.box ?? []
  if (!pane || !one) return
  zoom.value = Math.min(2, (0.8 * pane.clientWidth) / width, (0.8 * pane.clientHeight) / height)
  chosen.value = one.main
}
function nearer(factor: number) {
  zoom.value = Math.min(3, Math.max(0.3, zoom.value * factor))
}
const paper = useTemplateRef('paper')
function look(reference: string) {
  void router.push(`/sets/${props.setId}/circuit?part=${encodeURIComponent(reference)}`)
}
</script>

<template>
  <div v-if="set.data.value" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="say('Drawn from the circuit as it is')"
    >
      <div v-if="drawing && drawing.parts.length > 0" class="flex flex-wrap gap-2">
        <ChoiceField v-if="stages.length > 1" v-model="stage" class="w-48!" inline label="Look at" :options="stages" />
        <AppButton aria-label="Smaller" @click="nearer(0.8)">−</AppButton>
        <AppButton aria-label="Larger" @click="nearer(1.25)">+</AppButton>
        <AppButton @click="fit">All of it</AppButton>
        <AppButton @click="paper?.print()">Print</AppButton>
        <a
          :href="`/api/sets/${setId}/drawing.svg`"
          download
          class="flex min-h-11 items-center rounded border border-line bg-raised px-4 font-semibold hover:border-accent"
        >
          Save as SVG
        </a>
      </div>
    </BenchHeader>
    <PrintSheets
      ref="paper"
      :set-id="setId"
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :source="set.data.value.paper"
      :boxes="drawing?.stages.map((one) => one.box) ?? []"
      :drawn-height="drawing?.height ?? 0"
      :say="say"
    />
    <p v-if="error" role="alert" class="p-5 text-bad">{{ error.message }}</p>
    <div v-else-if="drawing && drawing.parts.length === 0" class="overflow-auto p-6">
      <h2 class="text-lg font-semibold">No circuit yet</h2>
      <p class="mb-3 max-w-prose text-soft">
        Type the tubes of the set: Umber Dial drafts the circuit such a set usually has, and draws it. Then compare it
        with the set’s own schematic, part by part.
      </p>
      <LineUpForm :set-id="setId" :say="say" />
    </div>
    <template v-else-if="drawing">
      <p v-if="drawing.doubt" role="alert" class="border-b border-bad px-5 py-2 text-bad">{{ say(drawing.doubt) }}</p>
      <p v-if="open > 0" class="flex flex-wrap items-center gap-x-3 border-b border-line bg-sheet px-5">
        <span>
          <strong>{{ walk?.confirmed }}</strong>
          of {{ walk?.steps.length }} parts compared with this set. The dashed ones are as usually built and accuse
          nothing.
        </span>
        <RouterLink
          class="flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
          :to="`/sets/${setId}/circuit/walk`"
        >
          Walk against the schematic
        </RouterLink>
      </p>
      <SchematicPicture
        ref="picture"
        class="flex-1"
        :drawing="drawing"
        :chosen="chosen"
        :zoom="zoom"
        :states="states"
        :volts="figures"
        walking
        :say="say"
        @choose="chosen = $event"
        @open="look"
      />
      <footer class="flex min-h-20 flex-wrap items-center gap-x-8 gap-y-1 border-t border-line bg-raised px-5 py-2">
        <template v-if="part">
          <div>
            <p class="text-sm text-soft">
              {{ say(part.job || 'No job named') }}{{ part.confirmed ? '' : ' · as usually built' }}
            </p>
            <p class="font-figures text-2xl font-semibold">{{ part.name }} {{ say(step?.value ?? '') }}</p>
          </div>
          <dl class="flex flex-wrap gap-x-6">
            <div v-for="end in ends" :key="end.node">
              <dt class="text-sm text-soft">{{ say(end.name) }}</dt>
              <dd class="font-figures">
                <strong v-if="end.read">{{ say(end.read) }}</strong>
                <span :class="end.read ? 'ml-2 text-sm text-soft' : ''">
                  {{ end.expected ? say(`${end.expected} expected`) : end.read ? '' : 'no test point' }}
                </span>
              </dd>
            </div>
            <div v-if="flow">
              <dt class="text-sm text-soft">Carries</dt>
              <dd class="font-figures" :class="flow.strained ? 'text-bad' : ''">
                {{ say(`${flow.amperes}, ${flow.watts}`) }}
                <span class="text-sm text-soft">{{ flow.rated ? say(`made for ${flow.rated}`) : '' }} expected</span>
              </dd>
            </div>
          </dl>
          <AppButton class="ml-auto" @click="look(part.reference)">Open {{ part.name }}</AppButton>
        </template>
        <p v-else class="text-soft">
          Choose a part: click it, or go from part to part with the arrow keys. Enter opens it.
        </p>
      </footer>
    </template>
    <p v-else class="p-6 text-soft">Drawing the circuit…</p>
  </div>
</template>
