<script setup lang="ts">
import { PrinterIcon } from '@heroicons/vue/24/outline'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, reactive, watch } from 'vue'
import { ask, http, orThrow, ProblemError } from '../api/client'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { figureFault, figureOf } from './figures'
import { speeds } from './speeds'
import { usePlayer } from './usePlayer'

/** A strobe disc to print in true size, for the lamp there is. */
const props = defineProps<{ setId: string }>()
const { say, shop } = useShop()
const { player } = usePlayer(() => props.setId)
const form = reactive({
  lamp: 'LINE' as 'LINE' | 'HALF_WAVE' | 'STATED',
  hertz: '',
  chosen: { '33.33': true, '45': true, '78.26': true } as Record<string, boolean>,
  other: '',
})
watch(
  () => player.value?.lineHertz,
  (now) => {
    if (now && !form.hertz) form.hertz = String(now)
  },
  { immediate: true },
)
const lamps = [
  { id: 'LINE', name: 'Lamp on the line' },
  { id: 'HALF_WAVE', name: 'LED that conducts one way' },
  { id: 'STATED', name: 'LED at stated flashes' },
] as const
const hints = {
  LINE: 'Two flashes a period: filament, neon, an LED behind a bridge. A lamp on the set’s own inverter: its frequency.',
  HALF_WAVE: 'One flash a period.',
  STATED: 'Flashes a second, as its maker or its maker’s circuit says.',
}
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const wanted = computed(() => {
  const other = figureOf(form.other, sign.value)
  return [...speeds.filter((one) => form.chosen[one.id]).map((one) => Number(one.id)), ...(other ? [other] : [])]
})
const hertz = computed(() => figureOf(form.hertz, sign.value))
const disc = useQuery({
  queryKey: ['strobe', wanted, hertz, () => form.lamp],
  queryFn: () =>
    orThrow(
      ask(
        http.GET('/api/strobe-discs', {
          params: { query: { lamp: form.lamp, hertz: hertz.value ?? 0, speeds: wanted.value } },
          querySerializer: { array: { style: 'form', explode: false } },
        }),
      ),
    ),
  enabled: () => hertz.value !== null && wanted.value.length > 0,
  placeholderData: keepPreviousData,
  retry: false,
})
const picture = computed(() =>
  disc.data.value ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(disc.data.value.svg)}` : '',
)
const fault = computed(() => (disc.error.value instanceof ProblemError ? disc.error.value.problem.detail : ''))
const file = (kind: 'svg' | 'pdf') =>
  `/api/strobe-discs/${kind}?lamp=${form.lamp}&hertz=${hertz.value ?? 0}&speeds=${wanted.value.join(',')}`
</script>

<template>
  <div class="grid gap-x-8 lg:grid-cols-[24rem_minmax(0,1fr)]">
    <form class="space-y-4 px-5 py-4" @submit.prevent>
      <h2 class="text-lg font-semibold">A disc for this light</h2>
      <div>
        <ChoiceField v-model="form.lamp" label="Light" :options="lamps" />
        <p class="mt-1 text-sm text-soft">{{ hints[form.lamp] }} A smoothed LED never flashes: no bars stand still.</p>
      </div>
      <TextField
        v-model="form.hertz"
        :label="form.lamp === 'STATED' ? 'Flashes a second' : 'Frequency of what feeds it'"
        :unit="form.lamp === 'STATED' ? '' : 'Hz'"
        :fault="figureFault(form.hertz, sign, '60')"
      />
      <fieldset>
        <legend class="text-sm text-soft">Rings for</legend>
        <div class="flex flex-wrap gap-x-6">
          <TickField
            v-for="one in speeds"
            :key="one.id"
            :model-value="form.chosen[one.id] ?? false"
            :label="one.name"
            @update:model-value="(now) => (form.chosen[one.id] = now)"
          />
        </div>
      </fieldset>
      <TextField
        v-model="form.other"
        label="And another speed"
        unit="1/min"
        :fault="figureFault(form.other, sign, '80')"
      />
      <table v-if="disc.data.value && !fault" class="w-full">
        <thead class="text-left text-sm text-soft">
          <tr>
            <th class="font-normal">Speed</th>
            <th class="font-normal">Bars</th>
            <th class="font-normal">Stands still at</th>
          </tr>
        </thead>
        <tbody class="font-figures">
          <tr v-for="one in disc.data.value.rings" :key="one.rpm" class="border-t border-line">
            <td class="py-1">{{ say(String(one.rpm)) }}</td>
            <td>{{ one.bars }}</td>
            <td>{{ say(one.exactRpm.toFixed(2)) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="fault" role="alert" class="text-bad">{{ fault }}</p>
      <div v-if="picture && !fault" class="flex flex-wrap gap-3">
        <a
          :href="file('pdf')"
          download
          class="flex min-h-11 items-center gap-2 rounded border border-accent bg-accent px-4 font-semibold text-on-accent"
        >
          <PrinterIcon class="size-5" aria-hidden="true" />
          PDF to print
        </a>
        <a
          :href="file('svg')"
          download
          class="flex min-h-11 items-center rounded border border-line bg-raised px-4 font-semibold"
        >
          SVG
        </a>
      </div>
      <p class="text-sm text-soft">
        Print at 100 %, not fitted to the page, and lay a rule on its line: 100 mm. Glue it on card before it goes on
        the spindle.
      </p>
    </form>
    <div class="p-5">
      <img v-if="picture && !fault" :src="picture" alt="The disc as it prints" class="mx-auto max-h-150 bg-white" />
    </div>
  </div>
</template>
