<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { session } from '../account/session'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import ListenPanel from './ListenPanel.vue'
import ReadSpeed from './ReadSpeed.vue'
import SpeedTrace from './SpeedTrace.vue'
import WhatTurns from './WhatTurns.vue'
import { signed, speedName } from './speeds'
import { usePlayer } from './usePlayer'

/** How fast the player turns and how steadily; what turns as often as the unsteadiness comes. */
const props = defineProps<{ setId: string }>()
const { say, clock } = useShop()
const { player, takeBack } = usePlayer(() => props.setId)
const going = ref(false)
const panel = useTemplateRef<InstanceType<typeof ListenPanel>>('panel')
const live = computed(() => (going.value ? (panel.value?.live ?? null) : null))
const last = computed(() => player.value?.speeds.find((one) => one.what !== 'MOTOR' && !one.old) ?? null)
const tone = computed(() => player.value?.tone ?? null)
const most = computed(() => player.value?.wowMostPercent ?? 0.4)
const percent = (value: number | null | undefined, digits = 1) =>
  value === null || value === undefined ? '–' : say(signed(value, digits))
const figures = computed(() => {
  if (going.value) {
    return [
      { name: 'Off its speed', value: percent(live.value?.offPercent), good: null },
      {
        name: 'Wow and flutter, weighted',
        value: percent(live.value?.weightedPercent, 2).replace('+', ''),
        good: null,
      },
    ]
  }
  const all = []
  if (last.value) all.push({ name: 'Off its speed', value: percent(last.value.offPercent), good: last.value.right })
  if (tone.value) {
    all.push({
      name: 'Wow and flutter, weighted',
      value: say(tone.value.weightedPercent.toFixed(2)),
      good: tone.value.weightedPercent <= most.value,
    })
    all.push({ name: 'Drift over it', value: percent(tone.value.driftPercent, 2), good: null })
  }
  return all
})
const lines = computed(() => tone.value?.lines.slice(0, 8) ?? [])
const named = (may: readonly string[]) =>
  may.length === 0 ? 'nothing known turns so often' : may.length === 1 ? may[0] : `${may.join(' or ')}: cannot tell`
</script>

<template>
  <div v-if="player">
    <CautionNote>
      <p>{{ say(player.cautions.join(' ')) }}</p>
    </CautionNote>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_27rem]">
      <div class="min-w-0">
        <section class="px-5 pt-3 pb-2" aria-labelledby="now">
          <h2 id="now" class="sr-only">Speed now</h2>
          <div class="flex flex-wrap items-end gap-x-8 gap-y-2">
            <p v-if="going" class="leading-none">
              <span class="font-figures text-5xl font-semibold">
                {{ live?.heardHertz ? say(live.heardHertz.toFixed(1)) : '…' }}
              </span>
              <span class="ml-2 text-soft">Hz</span>
            </p>
            <p v-else-if="last" class="leading-none">
              <span class="font-figures text-5xl font-semibold">{{ say(last.measuredRpm.toFixed(2)) }}</span>
              <span class="ml-2 text-soft">
                {{ last.unit === '1/min' ? '' : `${last.unit} ` }}for {{ say(speedName(last.rpm)) }}
              </span>
            </p>
            <p v-else class="max-w-prose py-3">
              No speed yet. Play a test record’s tone for a minute, or lay a strobe disc on the platter: both say how
              far off it turns; the tone also says which part makes it unsteady.
            </p>
            <p v-for="one in figures" :key="one.name">
              <span class="block text-sm text-soft">{{ one.name }}</span>
              <span class="font-figures text-2xl font-semibold" :class="one.good === false ? 'text-bad' : ''">
                {{ one.value }}
              </span>
              <span class="text-soft">%</span>
              <span v-if="one.good !== null" class="ml-2 inline-flex align-middle">
                <VerdictMark :verdict="one.good ? 'GOOD' : 'BAD'" />
              </span>
            </p>
          </div>
          <p v-if="going && live?.says" class="mt-2 text-doubt">{{ say(live.says) }}</p>
          <p v-else-if="!going && last" class="mt-1 text-sm text-soft">
            {{ last.howLabel }}, {{ last.loadLabel }}{{ last.minutes !== null ? `, after ${last.minutes} min` : '' }} ·
            {{ last.author }} · allowed ±{{ say(player.speedApartPercent.toFixed(1)) }} % of speed, wow and flutter
            {{ say(most.toFixed(2)) }} %
          </p>
        </section>
        <section v-if="going ? live?.trace.length : tone" class="px-5" aria-labelledby="course">
          <h3 id="course" class="text-sm text-soft">
            {{ going ? 'The last ten seconds' : `Variation over ${tone?.seconds.toFixed(0)} s` }}, in percent of the
            speed; the band is ±{{ say(most.toFixed(2)) }} %
          </h3>
          <SpeedTrace
            :trace="going ? (live?.trace ?? []) : (tone?.trace ?? [])"
            :per-second="tone?.tracePerSecond ?? 20"
            :most="most"
            title="Variation of the speed over time"
          />
        </section>
        <section v-if="!going && tone" class="px-5 pb-4" aria-labelledby="lines">
          <h3 id="lines" class="text-sm text-soft">How often it varies, and what turns as often</h3>
          <WhatTurns :lines="tone.lines" :turning="player.drive?.turning ?? []" />
          <table v-if="lines.length" class="mt-1 w-full max-w-3xl">
            <thead class="text-left text-sm text-soft">
              <tr>
                <th class="font-normal">Comes</th>
                <th class="font-normal">Peak</th>
                <th class="font-normal">As often as</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in lines" :key="one.hertz" class="border-t border-line align-baseline">
                <td class="py-1 pr-4 font-figures whitespace-nowrap">{{ say(one.hertz.toFixed(2)) }} Hz</td>
                <td class="pr-4 font-figures whitespace-nowrap">{{ say(one.percent.toFixed(3)) }} %</td>
                <td :class="one.part ? 'font-semibold' : 'text-soft'">
                  {{ named(one.may) }}
                  <span v-if="one.offsetMm !== null" class="block text-sm font-normal text-soft">
                    {{ say(one.offsetMm.toFixed(2)) }} mm off the middle at this groove, if it is the record’s hole
                  </span>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-else class="mt-1">No line stands out: it turns evenly.</p>
          <p v-if="!player.drive" class="mt-2 text-soft">
            Describe the drive and each line finds the part that turns as often.
          </p>
          <p v-if="player.halfRound" class="mt-2 font-semibold">{{ player.halfRound.says }}</p>
          <p v-if="tone.clicks" class="mt-1 text-sm text-soft">
            {{ tone.clicks }} {{ tone.clicks === 1 ? 'click was' : 'clicks were' }} passed over.
          </p>
        </section>
      </div>
      <div class="border-line lg:border-l">
        <ListenPanel ref="panel" :set-id="setId" :player="player" @going="(now) => (going = now)" />
        <ReadSpeed v-if="player.turnsRecords" :set-id="setId" :player="player" />
        <section v-if="player.speeds.length" class="px-5 py-4" aria-labelledby="read-so-far">
          <h2 id="read-so-far" class="mb-1 text-lg font-semibold">Speeds read</h2>
          <ol class="divide-y divide-line">
            <li v-for="one in player.speeds" :key="one.id" class="flex items-baseline gap-3 py-1.5">
              <VerdictMark v-if="!one.old" :verdict="one.right ? 'GOOD' : 'BAD'" />
              <span class="w-32 shrink-0 font-figures" :class="one.old ? 'text-soft line-through' : ''">
                {{ say(one.measuredRpm.toFixed(2)) }}
                <span class="text-soft">/ {{ say(speedName(one.rpm)) }}</span>
              </span>
              <span class="min-w-0 flex-1 text-sm text-soft">
                {{ one.what === 'MOTOR' ? 'motor shaft, ' : '' }}{{ one.howLabel }}, {{ one.loadLabel }} ·
                {{ clock(one.at) }}{{ one.old ? ' · before it was put right' : '' }}
              </span>
              <AppButton
                v-if="session.mayWrite.value"
                look="quiet"
                class="px-2!"
                :aria-label="`Take back ${one.measuredRpm.toFixed(2)}, ${one.howLabel}`"
                @click="takeBack(one.id)"
              >
                Take back
              </AppButton>
            </li>
          </ol>
        </section>
      </div>
    </div>
  </div>
</template>
