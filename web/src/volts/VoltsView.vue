<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import NextAct from '../guide/NextAct.vue'
import { useShop } from '../ui/useShop'
import CautionRibbon from './CautionRibbon.vue'
import ConditionsBar from './ConditionsBar.vue'
import EntryStrip from './EntryStrip.vue'
import PointDetail from './PointDetail.vue'
import PointRows from './PointRows.vue'
import StaircaseChart from './StaircaseChart.vue'
import { useVolts } from './useVolts'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useVolts(() => props.setId)
const { volts, error } = doors
const current = ref('')
const strip = useTemplateRef('strip')

watch(
  volts,
  (view) => {
    if (!view || view.points.some((point) => point.node === current.value)) return
    const wanted = view.next?.area === 'volts' ? view.next.subject : view.points[0]?.node
    current.value = view.points.find((point) => point.node === wanted)?.node ?? view.points[0]?.node ?? ''
  },
  { immediate: true },
)

/** The next act leads here with the point it is about; again when it is asked for twice. */
const route = useRoute()
watch(
  () => [route.fullPath, volts.value?.setId] as const,
  () => {
    const point = route.query['point']
    if (typeof point === 'string' && volts.value?.points.some((p) => p.node === point)) choose(point)
  },
  { immediate: true, flush: 'post' },
)

const index = computed(() => volts.value?.points.findIndex((point) => point.node === current.value) ?? -1)
function move(steps: number) {
  const target = volts.value?.points[index.value + steps]
  if (target) current.value = target.node
}
/** After a reading: on to the point below it, in probing order. */
function kept(node: string) {
  const points = volts.value?.points ?? []
  const at = points.findIndex((point) => point.node === node)
  current.value = points[at + 1]?.node ?? points[at]?.node ?? current.value
}
function choose(node: string) {
  current.value = node
  strip.value?.focus()
}

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  const typing = target.closest('input, textarea, [role=dialog], [role=listbox], [role=option]') !== null
  if (!typing && !event.ctrlKey && !event.altKey && !event.metaKey && /^[0-9.\-]$/.test(event.key)) strip.value?.focus()
})
</script>

<template>
  <div v-if="volts" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="volts.title"
      :danger="volts.danger"
      :live-chassis="volts.liveChassis"
      :place="[volts.ticket && `ticket ${volts.ticket}`, volts.place].filter(Boolean).join(' · ')"
    >
      <ConditionsBar :conditions="volts.conditions" :say="say" :save="doors.setConditions" />
    </BenchHeader>
    <CautionRibbon :set-id="setId" :cautions="volts.cautions" :say="say" />
    <p v-if="volts.meterReach" class="bg-caution px-4 py-2 font-semibold text-on-caution" role="alert">
      {{ say(volts.meterReach) }}
    </p>
    <div
      v-if="volts.points.length > 0"
      class="grid min-h-0 flex-1 grid-rows-[minmax(0,1.35fr)_minmax(0,1fr)] max-sm:flex max-sm:flex-col-reverse max-sm:justify-end max-sm:overflow-auto lg:grid-cols-[minmax(0,1fr)_minmax(22rem,27rem)] lg:grid-rows-1"
    >
      <div class="grid min-h-0 grid-rows-[minmax(14rem,1.6fr)_minmax(7rem,1fr)] max-sm:block max-sm:min-h-auto">
        <section class="flex min-h-0 flex-col px-3 pt-2 max-sm:hidden" aria-labelledby="stair">
          <h2 id="stair" class="text-sm font-semibold text-soft">
            From rectifier to stages
            <span class="font-normal">
              · shaded: a healthy set on this {{ say('line') }} and meter · bars: what you read
            </span>
          </h2>
          <StaircaseChart class="flex-1" :view="volts" :current="current" :say="say" @choose="choose" />
        </section>
        <PointDetail :view="volts" :current="current" :say="say" @choose="choose" />
      </div>
      <section
        class="flex min-h-0 flex-col border-t border-line bg-sheet max-sm:min-h-auto lg:border-t-0 lg:border-l"
        aria-labelledby="order"
      >
        <div class="flex items-baseline justify-between px-4 py-2">
          <h2 id="order" class="text-sm font-semibold text-soft">Probing order</h2>
          <span class="text-sm text-soft">
            expected · read, in V ·
            <RouterLink
              class="inline-flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
              :to="`/sets/${setId}/volts/rehearsal`"
            >
              Rehearse
            </RouterLink>
            ·
            <RouterLink
              class="inline-flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
              :to="`/sets/${setId}/volts/part`"
            >
              Which part?
            </RouterLink>
          </span>
        </div>
        <PointRows :points="volts.points" :current="current" :say="say" @choose="choose" />
      </section>
    </div>
    <div v-else class="flex flex-1 items-center justify-center p-8">
      <div class="max-w-md">
        <h2 class="text-xl font-semibold">No test points yet</h2>
        <p class="my-3">
          Give this set its circuit: a SPICE deck, or part by part. With a voltage chart alone, name its points and copy
          its voltages; readings are then judged by the chart, without saying which part is wrong.
        </p>
        <RouterLink
          :to="`/sets/${setId}/circuit`"
          class="inline-flex min-h-11 items-center rounded bg-accent px-4 font-semibold text-on-accent"
        >
          Enter the circuit or the chart
        </RouterLink>
      </div>
    </div>
    <NextAct :set-id="setId" :next="volts.next" />
    <EntryStrip
      v-if="volts.points.length > 0"
      ref="strip"
      :key="volts.setId"
      :view="volts"
      :current="current"
      :doors="doors"
      :say="say"
      @move="move"
      @kept="kept"
    />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the readings…</p>
</template>
