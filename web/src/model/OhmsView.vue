<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/24/solid'
import { useQuery } from '@tanstack/vue-query'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import { useShop } from '../ui/useShop'
import { useColdOhms } from './useModel'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
const { data: chart, error } = useColdOhms(() => props.setId)
</script>

<template>
  <div v-if="set.data.value && chart" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="say(`Cold ohms${chart.mode ? ` · ${chart.mode}` : ''}`)"
    >
      <RouterLink
        :to="`/sets/${setId}/cold/between`"
        class="flex min-h-11 items-center rounded border border-line bg-raised px-3 font-semibold"
      >
        Judge a reading between two points
      </RouterLink>
    </BenchHeader>
    <aside
      class="flex items-center gap-3 bg-caution px-4 py-2 text-[14px] leading-tight text-on-caution"
      aria-label="Caution"
    >
      <ExclamationTriangleIcon class="size-6 shrink-0" aria-hidden="true" />
      <p>
        {{
          say(
            'Plug out of the wall. Discharge every filter capacitor through a resistor and prove it with the voltmeter before the ohmmeter goes in: a charged capacitor can kill the meter and you.',
          )
        }}
      </p>
    </aside>
    <p v-if="chart.refusal" class="m-6 max-w-2xl rounded border border-line bg-sheet p-5 text-lg">
      {{ say(chart.refusal) }}
    </p>
    <div v-else class="min-h-0 flex-1 overflow-auto px-5 py-3" tabindex="0" role="region" aria-label="Resistance chart">
      <p class="max-w-4xl text-sm text-soft">
        {{
          say(
            `What a low-voltage ohmmeter shows in the cold set, plus lead at the pin, once the figure stands still: capacitors are charged then, tubes and rectifiers do not conduct, heaters are cold. Lower than this: something leaks or is shorted. Higher: something is open or has drifted.`,
          )
        }}
      </p>
      <div class="mt-3 grid gap-4 [grid-template-columns:repeat(auto-fill,minmax(20rem,1fr))]">
        <section
          v-for="socket in chart.sockets"
          :key="socket.socket"
          class="rounded border border-line bg-sheet"
          :aria-label="`Socket ${socket.socket}`"
        >
          <h2 class="flex items-baseline gap-2 border-b border-line px-3 py-1.5">
            <strong class="text-lg">{{ socket.socket }}</strong>
            <span class="text-soft">{{ socket.type }}</span>
          </h2>
          <table class="w-full text-[15px]">
            <thead class="text-xs text-soft">
              <tr>
                <th class="py-1 pl-3 text-left font-normal">Pin</th>
                <th class="text-left font-normal">leads to</th>
                <th class="text-right font-normal">to {{ say(chart.reference) }}</th>
                <th class="pr-3 text-right font-normal">{{ chart.supply ? say(`to ${chart.supply}`) : '' }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="pin in socket.pins" :key="pin.pin" class="border-t border-line">
                <th scope="row" class="w-14 py-1 pr-2 pl-3 text-left font-semibold">{{ pin.pin }}</th>
                <td class="max-w-28 truncate text-soft">{{ say(pin.name) }}</td>
                <td class="text-right font-figures" :class="pin.toReference === 'open' ? 'text-soft' : 'font-semibold'">
                  {{ say(pin.toReference) }}
                </td>
                <td class="pr-3 text-right font-figures" :class="pin.toSupply === 'open' ? 'text-soft' : ''">
                  {{ chart.supply ? say(pin.toSupply) : '' }}
                </td>
              </tr>
            </tbody>
          </table>
        </section>
        <section v-if="chart.points.length > 0" class="rounded border border-line bg-sheet" aria-label="Test points">
          <h2 class="border-b border-line px-3 py-1.5 text-lg font-semibold">Test points</h2>
          <table class="w-full text-[15px]">
            <thead class="text-xs text-soft">
              <tr>
                <th class="py-1 pl-3 text-left font-normal">Point</th>
                <th class="text-right font-normal">to {{ say(chart.reference) }}</th>
                <th class="pr-3 text-right font-normal">{{ chart.supply ? say(`to ${chart.supply}`) : '' }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="point in chart.points" :key="point.node" class="border-t border-line">
                <th scope="row" class="py-1 pl-3 text-left font-normal">{{ say(point.name) }}</th>
                <td
                  class="text-right font-figures"
                  :class="point.toReference === 'open' ? 'text-soft' : 'font-semibold'"
                >
                  {{ say(point.toReference) }}
                </td>
                <td class="pr-3 text-right font-figures" :class="point.toSupply === 'open' ? 'text-soft' : ''">
                  {{ chart.supply ? say(point.toSupply) : '' }}
                </td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out the resistances…</p>
</template>
