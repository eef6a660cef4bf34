<script setup lang="ts">
import { computed, ref } from 'vue'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import RunChart from './RunChart.vue'
import WaysCompared from './WaysCompared.vue'
import { figure, figureAt, glowOf, stretches } from './timeline'
import { usePower, usePowerPlan } from './usePower'

/** How this set is brought up: its steps and why, what a healthy one shows, and what each lamp would do. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { power, follow } = usePower(() => props.setId)
const { data, error, isFetching } = usePowerPlan(() => props.setId)
const problem = ref<Problem | null>(null)
const shown = ref('')
const plan = computed(() => data.value?.plan ?? null)
const ways = computed(() => power.value?.ways.map((way) => ({ id: way.id, name: say(way.label) })) ?? [])
const banded = computed(() => plan.value?.watched.slice(0, plan.value.bands.length) ?? [])
const row = computed(() => {
  const index = banded.value.findIndex((one) => one.id === shown.value)
  return index >= 0
    ? index
    : Math.max(
        0,
        banded.value.findIndex((one) => one.kind === 'RAIL'),
      )
})
const starts = computed(() => [...(plan.value?.steps.map((step) => step.start) ?? []), plan.value?.seconds ?? 0])
/** What a healthy set shows at the end of a step. */
function end(index: number, step: number) {
  const band = plan.value?.bands[index]
  const watched = plan.value?.watched[index]
  if (!band || !watched) return ''
  const place = starts.value[step + 1] ?? 0
  const [low, high] = [Math.max(0, figureAt(band.low, place)), figureAt(band.high, place)]
  if (watched.kind === 'LAMP') return glowOf(low) === glowOf(high) ? glowOf(high) : `${glowOf(low)} to ${glowOf(high)}`
  return `${figure(low, watched.unit)} to ${figure(high, watched.unit)}`
}
async function choose(way: (typeof ways.value)[number]['id']) {
  const answer = await follow(way)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <div class="h-full overflow-auto">
    <section class="flex flex-wrap items-start gap-x-8 gap-y-2 border-b border-line bg-sheet px-5 py-3">
      <ChoiceField
        v-if="power && session.mayWrite.value"
        class="w-96!"
        label="This set is brought up by"
        :model-value="power.way.id"
        :options="ways"
        @update:model-value="choose($event)"
      />
      <p class="max-w-xl min-w-0 flex-1 pt-6 text-soft">{{ say(power?.way.why ?? '') }}</p>
      <p v-if="plan?.fuse" class="text-right leading-tight">
        <span class="font-figures text-lg font-semibold">{{ say(plan.fuse) }}</span>
        <span class="block text-sm text-soft">fuse, for {{ say(plan.running) }} at work</span>
      </p>
    </section>
    <ProblemNote :problem="problem" class="m-5" />
    <p v-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
    <p v-else-if="!data || (isFetching && !plan && !data.reason)" class="p-8 text-soft">
      Warming this set up two dozen times on paper, healthy and with one part bad. Some seconds…
    </p>
    <p v-else-if="!plan" class="max-w-2xl p-8">{{ say(data.reason) }}</p>
    <template v-else>
      <p v-if="plan.usual > 0" class="border-b border-line bg-mark px-5 py-2">
        {{ plan.usual }} {{ plan.usual === 1 ? 'value is' : 'values are' }} as such sets usually have them: the band is
        wider, and no part is named by it.
      </p>
      <ol
        class="grid border-b border-line"
        :style="{ gridTemplateColumns: `repeat(${plan.steps.length}, minmax(0, 1fr))` }"
      >
        <li
          v-for="(step, i) in plan.steps"
          :key="step.start"
          class="border-r border-line bg-sheet px-4 py-2 last:border-r-0"
        >
          <strong>{{ i + 1 }} · {{ step.name }}</strong>
          <span class="block text-sm text-soft">{{ step.seconds }} s at least · {{ say(step.why) }}</span>
        </li>
      </ol>
      <div class="grid lg:grid-cols-[minmax(0,1fr)_27rem]">
        <figure class="min-w-0 px-4 py-3">
          <figcaption class="pb-1 text-sm text-soft">
            {{ say(banded[row]?.what ?? '') }} · shaded: healthy sets of this circuit
            {{ plan.ghost ? ` · dashed: ${plan.ghost.says.toLowerCase()}` : '' }}
          </figcaption>
          <div class="h-80">
            <RunChart
              :stretches="stretches(starts, [0], 0)"
              :low="plan.bands[row]?.low ?? []"
              :high="plan.bands[row]?.high ?? []"
              :ghost="plan.ghost?.rows[row] ?? null"
              :most="banded[row]?.most ?? 0"
              :unit="banded[row]?.unit ?? ''"
              :title="`${say(banded[row]?.what ?? '')} over the plan`"
              :height="340"
            />
          </div>
        </figure>
        <table class="self-start text-left">
          <caption class="sr-only">What a healthy set shows at the end of each step</caption>
          <thead class="text-sm text-soft">
            <tr>
              <th class="px-3 py-2 font-normal">At the end of step</th>
              <th v-for="(step, i) in plan.steps" :key="step.start" class="px-2 py-2 font-normal">{{ i + 1 }}</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="(one, index) in banded"
              :key="one.id"
              class="border-t border-line"
              :class="index === row ? 'bg-mark' : ''"
            >
              <th class="p-0 font-normal">
                <button class="min-h-11 w-full px-3 text-left" :aria-pressed="index === row" @click="shown = one.id">
                  {{ say(one.what) }}
                  <span class="text-sm text-soft">{{ one.kind === 'LAMP' ? '' : one.unit }}</span>
                </button>
              </th>
              <td v-for="(step, i) in plan.steps" :key="step.start" class="px-2 font-figures text-sm">
                {{ end(index, i) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <section class="border-t border-line px-5 py-4" aria-labelledby="why-so">
        <h2 id="why-so" class="pb-1 text-lg font-semibold">Why so</h2>
        <ul class="max-w-4xl list-disc space-y-1 pl-5">
          <li v-for="one in plan.why" :key="one">{{ say(one) }}</li>
        </ul>
      </section>
      <section v-if="data.lamps.length > 0" class="border-t border-line px-5 py-4" aria-labelledby="lamps">
        <h2 id="lamps" class="pb-1 text-lg font-semibold">One lamp in series with this set</h2>
        <table class="w-full max-w-4xl text-left">
          <thead class="text-sm text-soft">
            <tr>
              <th class="py-1 font-normal">Lamp</th>
              <th class="font-normal" colspan="3">Healthy: set sees, {{ say(data.rail) }} reaches, lamp</th>
              <th class="font-normal" colspan="3">First filter shorted: set sees, {{ say(data.rail) }}, lamp</th>
            </tr>
          </thead>
          <tbody class="font-figures">
            <tr
              v-for="lamp in data.lamps"
              :key="lamp.watts"
              class="border-t border-line"
              :class="lamp.planned ? 'bg-mark' : ''"
            >
              <th class="px-2 py-1.5">{{ lamp.watts }} W{{ lamp.planned ? ', planned' : '' }}</th>
              <td>{{ say(lamp.setVolts) }}</td>
              <td>{{ say(lamp.railVolts) }} in {{ lamp.seconds }} s{{ lamp.started ? '' : ' (not started)' }}</td>
              <td class="font-sans">{{ lamp.glow }}</td>
              <td>{{ say(lamp.shortedSetVolts) }}</td>
              <td>{{ say(lamp.shortedRailVolts) }}</td>
              <td class="font-sans">{{ lamp.shortedGlow }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <WaysCompared :set-id="setId" />
    </template>
  </div>
</template>
