<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { useQueryClient } from '@tanstack/vue-query'
import { RouterLink, useRouter } from 'vue-router'
import { ask, faultAt, http, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import KeyCap from '../ui/KeyCap.vue'
import TextField from '../ui/TextField.vue'

/** The tubes of a set in one line, in any order; what each is stands below as it is typed. Enter drafts the circuit. */
const props = defineProps<{ setId: string; say: (text: string) => string }>()
const client = useQueryClient()
const router = useRouter()
const edit = reactive({ lineUp: '', feed: '', lineVolts: '', filter: '', rectifier: '', output: '' })
const seen = ref<Schemas['DraftView'] | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref(false)
const feeds = [
  { id: '', name: 'as the heaters say' },
  { id: 'SERIES', name: 'AC/DC, heaters in series' },
  { id: 'TRANSFORMER', name: 'mains transformer' },
  { id: 'AUTOTRANSFORMER', name: 'autotransformer' },
  { id: 'BATTERY', name: 'batteries' },
  { id: 'VIBRATOR', name: 'vibrator' },
] as const
const filters = [
  { id: '', name: 'as usual' },
  { id: 'RESISTOR', name: 'resistor' },
  { id: 'CHOKE', name: 'choke' },
  { id: 'FIELD_PLUS', name: 'field coil, plus lead' },
  { id: 'FIELD_MINUS', name: 'field coil, minus lead' },
] as const
const rectifiers = [
  { id: '', name: 'the tube, or silicon' },
  { id: 'SELENIUM', name: 'selenium' },
  { id: 'SILICON', name: 'silicon' },
  { id: 'BRIDGE', name: 'bridge' },
  { id: 'DOUBLER', name: 'voltage doubler' },
] as const
const ends = [
  { id: '', name: 'as the tubes say' },
  { id: 'PUSH_PULL', name: 'push-pull' },
  { id: 'STEREO', name: 'two channels' },
] as const
const body = computed<Schemas['DraftEdit']>(() => ({
  lineUp: edit.lineUp,
  lineVolts: edit.lineVolts,
  feed: (edit.feed || null) as Schemas['DraftEdit']['feed'],
  filter: (edit.filter || null) as Schemas['DraftEdit']['filter'],
  rectifier: (edit.rectifier || null) as Schemas['DraftEdit']['rectifier'],
  output: (edit.output || null) as Schemas['DraftEdit']['output'],
}))
const params = () => ({ path: { setId: props.setId } })
const feedName = computed(() => feeds.find((one) => one.id === seen.value?.feed)?.name ?? '')
const look = useDebounceFn(async () => {
  const asked = JSON.stringify(body.value)
  if (!edit.lineUp.trim()) {
    seen.value = problem.value = null
    return
  }
  const answer = await ask(http.POST('/api/sets/{setId}/drafts/readings', { params: params(), body: body.value }))
  if (asked !== JSON.stringify(body.value)) return
  if (answer.kind === 'ready') seen.value = answer.value
  problem.value = answer.kind === 'failed' ? answer.problem : null
}, 200)
watch(edit, look)

async function draft() {
  if (busy.value || !edit.lineUp.trim()) return
  busy.value = true
  const answer = await ask(http.POST('/api/sets/{setId}/drafts', { params: params(), body: body.value }))
  busy.value = false
  if (answer.kind === 'failed') {
    problem.value = answer.problem
    return
  }
  await client.invalidateQueries({
    predicate: (q) => ['circuit', 'volts', 'shelf', 'arrival', 'map'].includes(String(q.queryKey[0])),
  })
  await router.push(`/sets/${props.setId}/circuit/walk`)
}
</script>

<template>
  <form class="max-w-4xl" @submit.prevent="draft">
    <div class="flex flex-wrap items-start gap-3">
      <TextField
        v-model="edit.lineUp"
        class="w-full! max-w-xl"
        :label="say('Its tubes, in any order')"
        hint="12BE6 12BA6 12AV6 50C5 35W4 · suffixes do not matter · an unknown one with its heater: 99Z9[6.3V 0.3A]"
        :fault="faultAt(problem, 'lineUp')"
      />
      <AppButton class="mt-6" look="main" type="submit" :disabled="busy || !edit.lineUp.trim()">
        Draft the circuit
        <KeyCap>↵</KeyCap>
      </AppButton>
    </div>
    <details class="mt-2">
      <summary class="min-h-11 content-center font-semibold text-accent">What the tubes cannot say</summary>
      <div class="flex flex-wrap gap-4 pb-3">
        <ChoiceField v-model="edit.feed" label="Fed by" :options="feeds" />
        <TextField
          v-model="edit.lineVolts"
          :label="say('Line volts')"
          unit="V"
          hint="usual unless said"
          :fault="faultAt(problem, 'lineVolts')"
        />
        <ChoiceField v-model="edit.filter" :label="say('B+ smoothed by')" :options="filters" />
        <ChoiceField v-model="edit.rectifier" label="Rectifier" :options="rectifiers" />
        <ChoiceField v-model="edit.output" label="Two output tubes" :options="ends" />
      </div>
    </details>
    <p v-if="problem && problem.errors.length === 0" role="alert" class="text-bad">{{ say(problem.detail) }}</p>
    <div v-if="seen" aria-live="polite">
      <p class="font-semibold">{{ seen.parts }} parts, {{ say(feedName) }}, {{ say(`${seen.lineVolts} V`) }}</p>
      <ul class="mt-1 grid grid-cols-1 gap-x-6 md:grid-cols-2">
        <li
          v-for="tube in seen.tubes"
          :key="tube.socket"
          class="grid grid-cols-[2.5rem_6rem_1fr] items-baseline gap-2 border-t border-line py-1"
        >
          <span class="text-soft">{{ tube.socket }}</span>
          <strong class="font-figures">{{ tube.type || tube.typed }}</strong>
          <span class="text-sm" :class="tube.known ? 'text-soft' : 'text-doubt'">
            {{ say(tube.use) }}{{ tube.heater ? ` · ${say(tube.heater)}` : '' }}
            <RouterLink
              v-if="!tube.known"
              :to="{ path: '/house/tubes', query: { type: tube.typed.replace(/\[.*/, ''), new: '' } }"
              class="font-semibold text-accent underline-offset-4 hover:underline"
            >
              say what you know of it
            </RouterLink>
          </span>
        </li>
      </ul>
      <ul v-if="seen.says.length" class="mt-2 list-disc pl-5">
        <li v-for="sentence in seen.says" :key="sentence" class="text-doubt">{{ say(sentence) }}</li>
      </ul>
    </div>
  </form>
</template>
