<script setup lang="ts">
import { computed } from 'vue'
import CautionNote from '../ui/CautionNote.vue'
import { useShop } from '../ui/useShop'
import VerdictMark from '../ui/VerdictMark.vue'
import { useRectifying } from './useRectifying'
import VibratorScope from './VibratorScope.vue'
import VoltsBar from './VoltsBar.vue'

/** The supply with something of it changed: silicon for selenium with its remedies, other first filters, a vibrator. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { view, error, scope } = useRectifying(() => props.setId)
const most = computed(() => {
  const all = view.value?.silicon?.ways.flatMap((way) => way.points) ?? []
  return 1.08 * Math.max(1, ...all.map((point) => Math.max(point.peak, point.limit ?? 0)))
})
const empty = computed(() => view.value && !view.value.silicon && !view.value.filter && !view.value.vibrator)
</script>

<template>
  <div v-if="view" class="h-full overflow-auto">
    <CautionNote v-if="view.backfeed.length > 0">
      <p v-for="mind in view.backfeed" :key="mind">{{ say(mind) }}</p>
    </CautionNote>
    <p v-if="empty" class="p-8">
      The circuit shows neither a rectifier with its first filter capacitor nor a metal stack.
      <span class="text-soft">With them in, this page compares what else could stand in their place.</span>
    </p>
    <p v-if="view.usual && !empty" class="px-5 pt-4">
      {{
        say(
          'Some of the circuit is as such sets usually have it, and not compared with this one: the figures move with its own.',
        )
      }}
    </p>
    <div class="space-y-8 p-5">
      <section v-if="view.silicon" class="space-y-3" aria-labelledby="silicon">
        <h2 id="silicon" class="text-lg font-semibold">
          {{ say(`Silicon in the place of ${view.silicon.stack.join(' and ')}`) }}
        </h2>
        <p class="max-w-4xl text-soft">
          {{
            say(
              'Solid: with the tubes at work. Pale: in the seconds before they draw, on a line 10 % high. The stroke is the capacitor’s rating.',
            )
          }}
        </p>
        <ul class="border-t border-line">
          <li
            v-for="way in view.silicon.ways"
            :key="way.name"
            class="grid gap-x-6 gap-y-2 border-b border-line bg-sheet px-4 py-3 lg:grid-cols-[17rem_minmax(0,1fr)_16rem]"
          >
            <div>
              <p class="flex items-center gap-2 font-semibold">
                <VerdictMark :verdict="way.enough ? 'GOOD' : 'DOUBT'" />
                {{ say(way.name) }}
              </p>
              <p class="text-sm text-soft">{{ say(way.does) }}</p>
            </div>
            <div class="space-y-1">
              <div
                v-for="point in way.points"
                :key="point.capacitor"
                class="grid grid-cols-[5.5rem_minmax(0,1fr)_8rem] items-center gap-x-3 text-sm"
              >
                <span class="whitespace-nowrap">
                  {{ point.capacitor }}
                  <span class="text-soft">{{ point.rated ? `(${point.rated})` : '' }}</span>
                </span>
                <VoltsBar :work="point.work" :peak="point.peak" :limit="point.limit" :most="most" />
                <span class="font-figures whitespace-nowrap" :class="point.over ? 'font-semibold text-bad' : ''">
                  {{ `${point.atWork}, ${point.before}` }}
                </span>
              </div>
            </div>
            <p class="text-sm">{{ say(way.says) }} {{ `Peaks of ${way.peak}.` }}</p>
          </li>
        </ul>
        <p>
          {{ say(`The silicon stands ${view.silicon.reverse} backwards at least, as a 1000 V type does.`) }}
          {{ say(view.silicon.path) }}
          {{ say(view.silicon.beside.join(' ')) }}
        </p>
        <p v-for="one in view.silicon.says" :key="one" class="text-soft">{{ say(one) }}</p>
        <h3 class="pt-2 font-semibold">{{ say('By experiment, where the circuit is not known well enough') }}</h3>
        <CautionNote>
          <p>{{ say(view.silicon.danger) }}</p>
        </CautionNote>
        <ol class="max-w-4xl list-decimal space-y-1 pl-6">
          <li v-for="step in view.silicon.experiment" :key="step">{{ say(step) }}</li>
        </ol>
      </section>
      <section v-if="view.filter" class="space-y-3" aria-labelledby="filter">
        <h2 id="filter" class="text-lg font-semibold">
          {{ say(`Another value for ${view.filter.reservoir}, charged by ${view.filter.rectifier}`) }}
        </h2>
        <p v-if="view.filter.limits">{{ say(view.filter.limits) }}</p>
        <div class="overflow-x-auto">
          <table class="w-full max-w-4xl border-t border-line bg-sheet text-left">
            <thead class="text-sm text-soft">
              <tr class="border-b border-line">
                <th scope="col" class="px-4 py-2 font-normal">Value</th>
                <th scope="col" class="px-4 py-2 text-right font-normal">Across it</th>
                <th scope="col" class="px-4 py-2 text-right font-normal">Ripple, p-p</th>
                <th scope="col" class="px-4 py-2 text-right font-normal">Behind the filter</th>
                <th scope="col" class="px-4 py-2 text-right font-normal">It carries, RMS</th>
                <th scope="col" class="px-4 py-2 text-right font-normal">Rectifier peaks</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="one in view.filter.rows"
                :key="one.farads"
                class="border-b border-line"
                :class="one.original ? 'bg-mark font-semibold' : ''"
              >
                <th scope="row" class="px-4 py-2 font-[inherit]">
                  {{ one.farads }}
                  <span v-if="one.original" class="text-sm">{{ say('as on the sheet') }}</span>
                  <span v-if="!one.allowed" class="text-sm text-bad">{{ say('over its limit') }}</span>
                </th>
                <td class="px-4 py-2 text-right font-figures">{{ one.volts }}</td>
                <td class="px-4 py-2 text-right font-figures">{{ one.ripple }}</td>
                <td class="px-4 py-2 text-right font-figures">{{ one.behind || '–' }}</td>
                <td class="px-4 py-2 text-right font-figures">{{ one.rippleCurrent }}</td>
                <td class="px-4 py-2 text-right font-figures">{{ one.peak }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="max-w-4xl text-sm text-soft">
          {{
            say(
              'Solved with this set’s circuit at its own line. At each start the first charge is larger than these peaks: that is what the ohms in series are for.',
            )
          }}
        </p>
      </section>
      <VibratorScope v-if="view.vibrator" :scope="scope" />
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">{{ say('Solving the supply, one value after another…') }}</p>
</template>
