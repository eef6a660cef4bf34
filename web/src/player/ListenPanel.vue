<script setup lang="ts">
import { MicrophoneIcon, StopIcon } from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, reactive, ref, useTemplateRef, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import LeadProof from '../alignment/LeadProof.vue'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import KeyCap from '../ui/KeyCap.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { figureFault, figureOf } from './figures'
import { speeds, tapeSpeeds } from './speeds'
import { usePlayer, type PlayerView, type Taken } from './usePlayer'
import { useTake } from './useTake'
import { useToneOut } from './useToneOut'

/** A tone is listened to, by microphone or lead, or taken from a file; while it is recorded the meter is shown. */
const props = defineProps<{ setId: string; player: PlayerView }>()
const emit = defineEmits<{ going: [boolean] }>()
const { say, shop } = useShop()
const { listen } = usePlayer(() => props.setId)
const take = useTake(() => props.setId)
const out = useToneOut()
const said = reactive({
  tone: '3150',
  rpm: '33.33',
  minutes: '',
  grooveMm: '',
  halfRound: false,
  source: 'MICROPHONE' as 'MICROPHONE' | 'LINE',
})
watch(
  () => props.player.turnsRecords,
  (records) => (said.rpm = records ? '33.33' : '9.53'),
  { immediate: true },
)
const marks = ref<number[]>([])
const problem = ref<Problem | null>(null)
const sending = ref(false)
const file = useTemplateRef<HTMLInputElement>('file')
const stop = useTemplateRef<HTMLElement>('stop')
const sources = [
  { id: 'MICROPHONE', name: 'Microphone' },
  { id: 'LINE', name: 'Line input' },
] as const
const sign = computed(() => shop.value?.decimalSign ?? 'POINT')
const number = (text: string) => figureOf(text, sign.value)
const wrong = computed(() => ({
  tone: figureFault(said.tone, sign.value, '3150'),
  minutes: figureFault(said.minutes, sign.value, '10'),
  grooveMm: figureFault(said.grooveMm, sign.value, '100'),
}))
const unread = computed(() => Object.values(wrong.value).some(Boolean) || !said.tone.trim())
const barred = computed(() => said.source === 'LINE' && props.player.listening !== '')

function taken(source: Taken['source']): Taken {
  return {
    tone: number(said.tone) ?? NaN,
    rpm: Number(said.rpm),
    source,
    minutes: number(said.minutes),
    marks: marks.value,
    halfRound: said.halfRound,
    grooveMm: number(said.grooveMm),
  }
}
async function begin() {
  problem.value = null
  marks.value = []
  if (await take.begin(number(said.tone) ?? 3150)) {
    emit('going', true)
    await nextTick()
    stop.value?.querySelector('button')?.focus()
  }
}
async function send(id: string, sound: Blob, source: Taken['source']) {
  sending.value = true
  const answer = await listen(id, sound, taken(source))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  sending.value = false
}
/** Kept until it is sent, so that a refusal or a lost connection costs no recording. */
const last = ref<{ id: string; sound: Blob; source: Taken['source'] } | null>(null)
async function finish() {
  const done = take.finish()
  emit('going', false)
  last.value = { ...done, source: said.source }
  await send(done.id, done.sound, said.source)
  if (!problem.value) last.value = null
}
async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  if (!chosen) return
  marks.value = []
  await send(crypto.randomUUID(), chosen, 'FILE')
  input.value = ''
}
useEventListener(window, 'keydown', (event) => {
  if (!take.going.value || event.key !== 'm' || event.target instanceof HTMLInputElement) return
  event.preventDefault()
  marks.value.push(take.seconds.value)
})
defineExpose({ live: take.live, seconds: take.seconds })
</script>

<template>
  <section aria-labelledby="listen" class="border-b border-line px-5 py-4">
    <h2 id="listen" class="mb-2 text-lg font-semibold">Listen to a test tone</h2>
    <template v-if="take.going.value">
      <p class="text-soft">
        Let it run for a minute.
        <template v-if="player.turnsRecords">
          Tap
          <KeyCap>M</KeyCap>
          each time a mark on the platter passes the arm, if you want record and platter told apart.
        </template>
      </p>
      <p class="mt-2 font-figures text-lg">
        {{ take.seconds.value.toFixed(0) }} s
        <span v-if="marks.length" class="text-soft">· {{ marks.length }} passings of the mark</span>
      </p>
      <div ref="stop" class="mt-3 flex flex-wrap gap-3">
        <AppButton look="main" @click="finish">
          <StopIcon class="size-5" aria-hidden="true" />
          End and keep
        </AppButton>
        <AppButton class="sm:hidden" @click="marks.push(take.seconds.value)">Mark passes</AppButton>
        <AppButton
          look="quiet"
          @click="
            () => {
              take.leave()
              emit('going', false)
            }
          "
        >
          Cancel
        </AppButton>
      </div>
    </template>
    <form v-else class="space-y-3" @submit.prevent="begin">
      <div class="flex flex-wrap gap-3">
        <TextField
          v-model="said.tone"
          class="w-24!"
          label="Tone"
          unit="Hz"
          :fault="wrong.tone || faultAt(problem, 'tone')"
        />
        <ChoiceField
          v-if="player.turnsRecords"
          v-model="said.rpm"
          class="w-28!"
          label="Record’s speed"
          :options="speeds"
        />
        <ChoiceField v-else v-model="said.rpm" class="w-32!" label="Tape’s speed, cm/s" :options="tapeSpeeds" />
        <TextField
          v-model="said.minutes"
          class="w-28!"
          label="Running for"
          unit="min"
          :fault="wrong.minutes || faultAt(problem, 'minutes')"
        />
      </div>
      <div v-if="!player.turnsRecords" class="space-y-2">
        <p class="text-sm text-soft">
          Play the tone out into the recorder’s input and record a minute of it on a tape; then play that tape here.
          What record and play both have wrong shows once and does not show as a wrong speed: a tape of another machine
          shows that.
        </p>
        <AppButton @click="out.playing.value ? out.stop() : out.play(number(said.tone) ?? 3150)">
          {{ out.playing.value ? 'Stop the tone' : 'Play the tone out' }}
        </AppButton>
      </div>
      <details v-else>
        <summary class="min-h-9 content-center text-soft">Groove, and the record turned half round</summary>
        <div class="mt-1 flex flex-wrap items-start gap-3">
          <TextField
            v-model="said.grooveMm"
            class="w-40!"
            label="Needle from the middle"
            unit="mm"
            :fault="wrong.grooveMm || faultAt(problem, 'grooveMm')"
          />
          <TickField v-model="said.halfRound" label="The record lies half a turn round from the first recording" />
        </div>
      </details>
      <div class="flex flex-wrap items-end gap-3">
        <ChoiceField v-model="said.source" class="w-36!" label="From" :options="sources" />
        <AppButton type="submit" look="main" :disabled="!session.mayWrite.value || barred || sending || unread">
          <MicrophoneIcon class="size-5" aria-hidden="true" />
          Record
        </AppButton>
        <AppButton :disabled="!session.mayWrite.value || sending || unread" @click="file?.click()">
          Choose a file
        </AppButton>
        <input
          ref="file"
          type="file"
          class="sr-only"
          tabindex="-1"
          accept=".wav,.flac,audio/wav,audio/flac"
          aria-label="A sound file, WAV or FLAC"
          @change="choose"
        />
      </div>
      <p v-if="said.source === 'LINE' && !player.listening" class="text-sm text-soft">
        The lead ties chassis and computer together. Measure volts from chassis to earth in both plug positions first.
      </p>
    </form>
    <LeadProof
      v-if="said.source === 'LINE' && player.listening"
      class="mt-3"
      :set-id="setId"
      :bars="player.listening"
    />
    <p v-if="take.refused.value" role="alert" class="mt-3 text-bad">{{ take.refused.value }}</p>
    <p v-if="sending" role="status" class="mt-3 text-soft">Listening to it…</p>
    <ProblemNote class="mt-3" :problem="problem" />
    <AppButton v-if="last && problem && !sending" class="mt-2" @click="send(last.id, last.sound, last.source)">
      Send the recording again
    </AppButton>
    <p class="sr-only" role="status">{{ say(take.live.value?.says ?? '') }}</p>
  </section>
</template>
