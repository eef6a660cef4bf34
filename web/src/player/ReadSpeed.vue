<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, reactive, ref, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import KeyCap from '../ui/KeyCap.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { signed } from './speeds'
import { usePlayer, type PlayerView, type SpeedEdit } from './usePlayer'

/** A speed by strobe disc or by counted turns, of the platter or of the motor's shaft. */
const props = defineProps<{ setId: string; player: PlayerView }>()
const { say, shop } = useShop()
const { judge, keep } = usePlayer(() => props.setId)
const form = reactive({
  how: 'STROBE' as 'STROBE' | 'COUNT',
  what: 'PLATTER' as 'PLATTER' | 'MOTOR',
  rpm: '33.33',
  load: 'FREE' as SpeedEdit['load'],
  minutes: '',
  bars: '',
  drift: '',
  lamp: 'LINE' as SpeedEdit['lamp'],
  hertz: '',
})
const taps = ref<number[]>([])
const counting = ref(false)
const said = ref<Schemas['SpeedSays'] | null>(null)
const problem = ref<Problem | null>(null)
const hows = [
  { id: 'STROBE', name: 'Strobe disc' },
  { id: 'COUNT', name: 'Counted turns' },
] as const
const whats = [
  { id: 'PLATTER', name: 'Platter' },
  { id: 'MOTOR', name: 'Motor shaft' },
] as const
const loads = [
  { id: 'FREE', name: 'Nothing on it' },
  { id: 'RECORD', name: 'Record, arm up' },
  { id: 'PLAYING', name: 'Record and arm' },
] as const
const lamps = [
  { id: 'LINE', name: 'Lamp on the line' },
  { id: 'HALF_WAVE', name: 'LED, one way' },
  { id: 'STATED', name: 'LED, stated flashes' },
] as const
const decimal = (text: string) => (shop.value?.decimalSign === 'COMMA' ? text.replace('.', ',') : text)
watch(
  [() => props.player.lineHertz, () => form.lamp] as const,
  ([hertz, lamp]) => (form.hertz = lamp === 'STATED' ? form.hertz : String(hertz)),
  { immediate: true },
)
watch(
  [() => form.what, () => shop.value?.decimalSign] as const,
  ([what]) => {
    const motor = props.player.drive?.motorRpm
    form.rpm = decimal(what === 'MOTOR' ? (motor ? String(motor) : '') : '33.33')
  },
  { immediate: true },
)
const edit = computed<SpeedEdit>(() => ({ ...form, taps: form.how === 'COUNT' ? taps.value : [] }))
const ready = computed(() => (form.how === 'COUNT' ? taps.value.length >= 6 : form.bars.trim() !== ''))
let asked = 0
watch(
  edit,
  async (now) => {
    const mine = ++asked
    if (!ready.value || counting.value) {
      said.value = null
      return
    }
    const answer = await judge(now)
    if (mine !== asked) return
    said.value = answer.kind === 'ready' ? answer.value : null
    problem.value = answer.kind === 'failed' ? answer.problem : null
  },
  { deep: true },
)
async function save() {
  const answer = await keep(edit.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    Object.assign(form, { bars: '', drift: '' })
    taps.value = []
    said.value = null
  }
}
function tap(event: Event) {
  if (counting.value) taps.value.push(event.timeStamp / 1000)
}
useEventListener(window, 'keydown', (event) => {
  if (counting.value && event.key === ' ' && !event.repeat) {
    event.preventDefault()
    tap(event)
  }
})
async function count() {
  counting.value = !counting.value
  if (counting.value) taps.value = []
  else taps.value = [...taps.value]
}
</script>

<template>
  <section aria-labelledby="read" class="border-b border-line px-5 py-4">
    <h2 id="read" class="mb-2 text-lg font-semibold">Read by eye</h2>
    <form class="space-y-3" @submit.prevent="save">
      <div class="flex flex-wrap gap-3">
        <ChoiceField v-model="form.how" class="w-40!" label="By" :options="hows" />
        <ChoiceField v-model="form.what" class="w-36!" label="Of the" :options="whats" />
        <TextField
          v-model="form.rpm"
          class="w-28!"
          :label="form.what === 'MOTOR' ? 'Plate says' : 'Right speed'"
          :fault="faultAt(problem, 'rpm')"
        />
        <ChoiceField v-model="form.load" class="w-40!" label="With" :options="loads" />
        <TextField
          v-model="form.minutes"
          class="w-28!"
          label="Running for"
          unit="min"
          :fault="faultAt(problem, 'minutes')"
        />
      </div>
      <div v-if="form.how === 'STROBE'" class="flex flex-wrap gap-3">
        <ChoiceField v-model="form.lamp" class="w-44!" label="Light" :options="lamps" />
        <TextField
          v-model="form.hertz"
          class="w-24!"
          :label="form.lamp === 'STATED' ? 'Flashes/s' : 'Line'"
          :unit="form.lamp === 'STATED' ? '' : 'Hz'"
          :fault="faultAt(problem, 'hertz')"
        />
        <TextField v-model="form.bars" class="w-24!" label="Bars" :fault="faultAt(problem, 'bars')" />
        <TextField
          v-model="form.drift"
          class="w-36!"
          label="Drift, bars a second"
          hint="forward +, back −"
          :fault="faultAt(problem, 'drift')"
        />
      </div>
      <div v-else class="flex flex-wrap items-center gap-3">
        <AppButton :aria-pressed="counting" @click="count">
          {{ counting ? 'End counting' : 'Begin to count' }}
        </AppButton>
        <AppButton v-if="counting" @click="tap">Mark passes</AppButton>
        <p v-if="counting" class="text-soft">
          Tap
          <KeyCap>Space</KeyCap>
          each time the mark passes;
          <span class="font-figures">{{ taps.length }}</span>
          so far.
        </p>
        <p v-else-if="taps.length" class="text-soft">{{ taps.length }} passings.</p>
        <p v-if="faultAt(problem, 'taps')" class="text-sm text-bad">{{ faultAt(problem, 'taps') }}</p>
      </div>
      <div class="flex min-h-11 flex-wrap items-center gap-4">
        <AppButton type="submit" :disabled="!said || counting || !session.mayWrite.value">Keep</AppButton>
        <p v-if="said" aria-live="polite">
          <span class="font-figures text-lg font-semibold">{{ say(said.measuredRpm.toFixed(2)) }}</span>
          <span class="text-soft">{{ ` ± ${said.within.toFixed(2)} turns a minute, ` }}</span>
          <strong :class="said.right ? 'text-good' : 'text-bad'">{{ say(signed(said.offPercent, 1)) }} %</strong>
        </p>
      </div>
    </form>
    <ProblemNote v-if="problem && problem.errors.length === 0" class="mt-2" :problem="problem" />
  </section>
</template>
