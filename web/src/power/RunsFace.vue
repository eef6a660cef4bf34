<script setup lang="ts">
import { useQueries } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import { useShop } from '../ui/useShop'
import RunChart from './RunChart.vue'
import { clockOf, stretches } from './timeline'
import { useRuns } from './usePower'

/** Earlier runs of this set, laid over each other. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const { runs } = useRuns(() => props.setId)
const chosen = ref<string[]>([])
const shown = ref('')
const ids = computed(() =>
  chosen.value.length > 0 ? chosen.value : (runs.value?.slice(0, 2).map((one) => one.id) ?? []),
)
const loaded = useQueries({
  queries: computed(() =>
    ids.value.map((run) => ({
      queryKey: ['power-run', props.setId, run],
      queryFn: () =>
        orThrow(ask(http.GET('/api/sets/{setId}/power/runs/{run}', { params: { path: { setId: props.setId, run } } }))),
    })),
  ),
})
const first = computed(() => loaded.value[0]?.data ?? null)
const rows = computed(() => first.value?.plan.watched.slice(0, first.value.plan.bands.length) ?? [])
const watched = computed(
  () =>
    rows.value.find((one) => one.id === shown.value) ?? rows.value.find((one) => one.kind === 'RAIL') ?? rows.value[0],
)
const row = computed(() => rows.value.findIndex((one) => one.id === watched.value?.id))
const traces = computed(() =>
  loaded.value.map((one) => {
    const index = one.data?.plan.watched.findIndex((w) => w.id === watched.value?.id) ?? -1
    return (one.data?.points ?? []).flatMap((point) => {
      const value = point.figures[index]
      return value === null || value === undefined ? [] : [[point.seconds, value] as const]
    })
  }),
)
const laidOut = computed(() => {
  const plan = first.value?.plan
  if (!plan) return []
  const begun = first.value?.events.filter((one) => one.kind === 'step').map((one) => one.seconds) ?? []
  return stretches([...plan.steps.map((one) => one.start), plan.seconds], begun, first.value?.state.seconds ?? 0)
})
function toggle(id: string) {
  const now = ids.value.includes(id) ? ids.value.filter((one) => one !== id) : [...ids.value, id]
  chosen.value = now.slice(-4)
}
</script>

<template>
  <div class="h-full overflow-auto">
    <p v-if="runs && runs.length === 0" class="p-8 text-soft">
      No run yet. Each one is kept here whole, and can be laid over another of this set.
    </p>
    <div v-else class="grid lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div class="min-w-0">
        <figure v-if="first && watched" class="px-4 py-3">
          <figcaption class="flex flex-wrap items-center gap-2 pb-1">
            <button
              v-for="one in rows"
              :key="one.id"
              class="min-h-11 border-b-2 px-2 text-sm"
              :class="one.id === watched.id ? 'border-accent font-semibold' : 'border-transparent text-soft'"
              :aria-pressed="one.id === watched.id"
              @click="shown = one.id"
            >
              {{ say(one.what) }}
            </button>
          </figcaption>
          <div class="h-96">
            <RunChart
              :stretches="laidOut"
              :low="first.plan.bands[row]?.low ?? []"
              :high="first.plan.bands[row]?.high ?? []"
              :ghost="first.plan.ghost?.rows[row] ?? null"
              :most="watched.most"
              :unit="watched.kind === 'LAMP' ? '' : watched.unit"
              :title="`${say(watched.what)} in the runs chosen`"
              :trace="traces[0] ?? []"
              :others="traces.slice(1)"
              :marks="first.alarms"
            />
          </div>
        </figure>
        <ol v-if="first" class="px-5 pb-5">
          <li
            v-for="one in first.alarms"
            :key="`${one.kind}${one.seconds}${one.watched}`"
            class="border-t border-line py-2"
          >
            <strong :class="one.grave ? 'text-bad' : 'text-doubt'">
              {{ clockOf(one.seconds) }} {{ say(one.label) }}.
            </strong>
            {{ say(one.says) }}
            <span v-for="who in one.suspects" :key="who.says" class="block text-sm text-soft">
              {{ who.how }}: {{ say(who.says) }}
            </span>
          </li>
          <li v-for="one in first.events" :key="one.number" class="border-t border-line py-2 text-soft">
            {{ clockOf(one.seconds) }}
            {{
              one.kind === 'step'
                ? `${first.plan.steps[Number(one.words.split('|')[0])]?.name ?? ''}${one.words.includes('|') ? `, although not in its band: ${one.words.split('|')[1]}` : ''}`
                : say(one.words)
            }}
          </li>
        </ol>
      </div>
      <ul class="border-line bg-sheet lg:border-l">
        <li v-for="(run, i) in runs ?? []" :key="run.id" class="border-b border-line px-4 py-2">
          <label class="flex min-h-11 cursor-pointer items-center gap-3">
            <input
              type="checkbox"
              class="size-5 shrink-0 accent-accent"
              :checked="ids.includes(run.id)"
              @change="toggle(run.id)"
            />
            <span>
              <strong>{{ `Run ${(runs?.length ?? 0) - i}, ${when(run.startedAt)}` }}</strong>
              <span class="block text-sm text-soft">
                {{ run.ending ? (run.ending === 'by hand' ? 'stopped by hand' : say(run.ending)) : 'goes on' }} ·
                {{ run.feed === 'HAND' ? 'typed in' : 'read by instruments' }}
                {{ run.without ? ` · ${run.without}` : '' }}
              </span>
              <span v-if="run.says" class="block text-sm font-semibold">{{ say(run.says) }}</span>
            </span>
          </label>
          <RouterLink
            class="text-sm text-accent underline underline-offset-4"
            :to="`/sets/${setId}/power/run?run=${run.id}`"
          >
            Open run {{ (runs?.length ?? 0) - i }}
          </RouterLink>
        </li>
      </ul>
    </div>
  </div>
</template>
