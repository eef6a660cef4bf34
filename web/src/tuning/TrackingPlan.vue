<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, http, orThrow, ProblemError } from '../api/client'
import { figureFault, figureOf } from '../player/figures'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import type { DialBand } from './useDials'

/** Padder, trimmer and coils by which the oscillator keeps with the signal circuit at two or three points, for a rewound coil. */
const props = defineProps<{ setId: string; band: DialBand }>()
const { say, shop } = useShop()
const least = ref('45')
const points = ref('3')
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const picofarads = computed(() => figureOf(least.value, sign.value))
const plan = useQuery({
  queryKey: ['tracking', () => props.setId, () => props.band, picofarads, points],
  queryFn: () =>
    orThrow(
      ask(
        http.GET('/api/sets/{setId}/dials/tracking', {
          params: {
            path: { setId: props.setId },
            query: { band: props.band.name, leastPicofarads: picofarads.value ?? 0, points: Number(points.value) },
          },
        }),
      ),
    ),
  enabled: () => picofarads.value !== null,
  placeholderData: keepPreviousData,
  retry: false,
})
const fault = computed(
  () =>
    figureFault(least.value, sign.value, '45') ||
    (plan.error.value instanceof ProblemError ? plan.error.value.problem.detail : ''),
)
const worst = computed(() => Math.max(0, ...(plan.data.value?.errors ?? []).map((one) => Math.abs(one.offKilohertz))))
const figures = computed(() =>
  plan.data.value
    ? [
        { name: 'Signal coil', value: plan.data.value.signalMicrohenries, unit: 'µH' },
        { name: 'Oscillator coil', value: plan.data.value.oscillatorMicrohenries, unit: 'µH' },
        ...(plan.data.value.padderPicofarads != null
          ? [{ name: 'Padder in series', value: plan.data.value.padderPicofarads, unit: 'pF' }]
          : []),
        { name: 'More across the gang', value: plan.data.value.trimmerPicofarads, unit: 'pF' },
      ]
    : [],
)
const WIDTH = 360
const HEIGHT = 110
const line = computed(() =>
  (plan.data.value?.errors ?? [])
    .map((one, i, all) => {
      const x = (i / (all.length - 1)) * WIDTH
      const y = HEIGHT / 2 - (one.offKilohertz / Math.max(worst.value, 0.1)) * (HEIGHT / 2 - 6)
      return `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`
    })
    .join(''),
)
</script>

<template>
  <details class="px-5 py-4">
    <summary class="min-h-11 content-center text-lg font-semibold">Coil or padder missing?</summary>
    <p class="mb-2 text-sm text-soft">
      What makes oscillator and signal circuit keep together at points of {{ band.name }}, with the same gang in both.
      Sets with cut oscillator plates need no padder.
    </p>
    <div class="flex flex-wrap items-start gap-3">
      <TextField v-model="least" class="w-44!" label="Gang open, with wiring" unit="pF" :fault="fault" />
      <ChoiceField
        v-model="points"
        class="w-44!"
        label="Together at"
        :options="[
          { id: '3', name: 'three points' },
          { id: '2', name: 'two, no padder' },
        ]"
      />
    </div>
    <template v-if="plan.data.value && !fault">
      <dl class="mt-3 grid grid-cols-[1fr_auto] gap-x-4">
        <template v-for="one in figures" :key="one.name">
          <dt>{{ one.name }}</dt>
          <dd class="text-right font-figures">{{ say(one.value.toFixed(one.value < 100 ? 1 : 0)) }} {{ one.unit }}</dd>
        </template>
      </dl>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        class="mt-3 block w-full rounded border border-line bg-sheet"
        role="img"
        :aria-label="`How far the signal circuit is off over the band, ${worst.toFixed(1)} kHz at most`"
      >
        <line x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" class="stroke-line" />
        <path :d="line" fill="none" class="stroke-accent" stroke-width="2" />
      </svg>
      <p class="text-sm text-soft">
        Exact at {{ plan.data.value.exact.map((one) => say(one.toFixed(0))).join(', ') }} kHz; between them the signal
        circuit is {{ say(worst.toFixed(1)) }} kHz off at most.
      </p>
    </template>
  </details>
</template>
