<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import ChoiceField from '../ui/ChoiceField.vue'

const props = defineProps<{
  conditions: Schemas['ConditionsView']
  say: (text: string) => string
  save: (edit: Schemas['ConditionsEdit']) => Promise<{ kind: string; problem?: Problem }>
}>()

const instruments = useQuery({ queryKey: ['instruments'], queryFn: () => orThrow(ask(http.GET('/api/instruments'))) })
const meters = computed(() => [
  { id: '', name: 'no correction' },
  ...(instruments.data.value ?? [])
    .filter((i) => !i.retired || i.id === props.conditions.instrumentId)
    .flatMap((i) => {
      const volts = i.abilities.find((a) => a.kind === 'VOLTMETER')
      return volts ? [{ id: i.id, name: `${i.name}, ${volts.input || 'input not known'}` }] : []
    }),
])
const line = ref('')
const problem = ref<Problem | null>(null)
/** As the shop writes it; two decimals, since three could be read as a thousands group. */
const shown = computed(() => props.say(String(Number(props.conditions.lineVolts.toFixed(2)))))
watch(
  shown,
  (text) => {
    line.value = text
  },
  { immediate: true },
)

const now = ref(Date.now())
useIntervalFn(() => {
  now.value = Date.now()
}, 5_000)
const minutes = computed(() =>
  props.conditions.switchedOnAt
    ? Math.max(0, Math.floor((now.value - Date.parse(props.conditions.switchedOnAt)) / 60_000))
    : null,
)

async function change(edit: Partial<Schemas['ConditionsEdit']>) {
  const c = props.conditions
  const answer = await props.save({
    lineVolts: line.value,
    instrumentId: c.instrumentId,
    mode: c.mode,
    switchedOnAt: c.switchedOnAt,
    ...edit,
  })
  problem.value = answer.kind === 'failed' ? (answer.problem ?? null) : null
}
function lineLeft() {
  if (line.value !== shown.value) void change({})
}
const meter = computed({
  get: () => props.conditions.instrumentId ?? '',
  set: (id: string) => void change({ instrumentId: id || null }),
})
const mode = computed({ get: () => props.conditions.mode, set: (chosen: string) => void change({ mode: chosen }) })
function toggleOn() {
  now.value = Date.now()
  void change({ switchedOnAt: props.conditions.switchedOnAt ? null : new Date().toISOString() })
}
</script>

<template>
  <div class="flex items-center gap-4 max-sm:flex-wrap max-sm:gap-2">
    <div class="relative flex items-center gap-2">
      <label for="bench-line" class="text-sm text-soft">{{ say('line') }}</label>
      <input
        id="bench-line"
        v-model="line"
        autocomplete="off"
        class="min-h-11 w-24 rounded border bg-raised px-3 font-figures text-lg font-semibold"
        :class="problem ? 'border-bad' : 'border-line'"
        :aria-invalid="!!problem"
        aria-describedby="bench-line-fault"
        @change="lineLeft"
        @keydown.enter="lineLeft"
      />
      <span class="text-soft">V</span>
      <p
        v-if="problem"
        id="bench-line-fault"
        role="alert"
        class="absolute top-full right-0 z-30 mt-1 w-80 rounded border border-bad bg-raised px-3 py-2 text-sm text-bad"
      >
        {{ faultAt(problem, 'lineVolts') || problem.detail }}
      </p>
    </div>
    <ChoiceField v-model="meter" label="meter" :options="meters" inline />
    <ChoiceField
      v-if="conditions.modes.length > 0"
      v-model="mode"
      label="mode"
      :options="conditions.modes.map((m) => ({ id: m, name: m }))"
      inline
    />
    <button
      class="min-h-11 rounded border px-3"
      :class="minutes === null ? 'border-line bg-raised text-soft' : 'border-accent bg-mark font-semibold'"
      :aria-pressed="minutes !== null"
      @click="toggleOn"
    >
      {{ minutes === null ? 'Start warm-up clock' : `on for ${minutes} min` }}
    </button>
  </div>
</template>
