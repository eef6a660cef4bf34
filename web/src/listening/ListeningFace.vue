<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { session } from '../account/session'
import { ask, http, orThrow, sendBytes, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'

/** The listening test: one question at hand; 1 as it should be, 2 not, 3 not there. A bad answer says where to look. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const client = useQueryClient()
const path = () => ({ path: { setId: props.setId } })
const query = useQuery({
  queryKey: ['listening', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/listening', { params: path() }))),
})
const listening = query.data
type Question = Schemas['ListeningQuestionView']
const chosen = ref('')
const note = ref('')
const problem = ref<Problem | null>(null)
const questions = computed(() => listening.value?.questions ?? [])
const open = (one: Question) => !one.answer || one.stale
const at = computed(
  () =>
    questions.value.find((one) => one.id === chosen.value) ?? questions.value.find(open) ?? questions.value[0] ?? null,
)
const groups = computed(() => {
  const seen: { name: string; questions: Question[] }[] = []
  for (const one of questions.value) {
    if (seen.at(-1)?.name !== one.group) seen.push({ name: one.group, questions: [] })
    seen.at(-1)?.questions.push(one)
  }
  return seen
})
async function show(id: string) {
  chosen.value = id
  note.value = questions.value.find((one) => one.id === id)?.note ?? ''
  await nextTick()
  document.getElementById('at-hand')?.focus()
}
async function give(answer: 'good' | 'bad' | 'none' | '') {
  const question = at.value
  if (!question || !session.mayWrite.value) return
  const got = await ask(
    http.POST('/api/sets/{setId}/listening', {
      params: path(),
      body: { id: crypto.randomUUID(), question: question.id, answer, note: note.value },
    }),
  )
  problem.value = got.kind === 'failed' ? got.problem : null
  if (got.kind !== 'ready') return
  client.setQueryData(['listening', props.setId], got.value)
  void client.invalidateQueries({
    predicate: (q) => q.queryKey[0] !== 'listening' && q.queryKey.includes(props.setId),
  })
  note.value = ''
  // What is wrong stays at hand, with where to look.
  if (answer === 'bad') return show(question.id)
  const index = questions.value.findIndex((one) => one.id === question.id)
  const next = questions.value.slice(index + 1).find(open)
  if (next) await show(next.id)
}
useEventListener(window, 'keydown', (event) => {
  if (event.target instanceof HTMLInputElement || event.ctrlKey || event.altKey || event.metaKey) return
  const answer = ({ '1': 'good', '2': 'bad', '3': 'none' } as const)[event.key]
  if (answer) {
    event.preventDefault()
    void give(answer)
  }
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  const to = step ? questions.value[questions.value.findIndex((one) => one.id === at.value?.id) + step] : undefined
  if (to) {
    event.preventDefault()
    void show(to.id)
  }
})
const mark = (one: Question) =>
  one.stale
    ? 'UNREAD'
    : one.answer === 'good'
      ? 'GOOD'
      : one.answer === 'bad'
        ? 'BAD'
        : one.answer
          ? 'NO_EXPECTATION'
          : 'UNREAD'
const file = useTemplateRef<HTMLInputElement>('file')
const distortion = ref<Schemas['DistortionView'] | null>(null)
const sineProblem = ref<Problem | null>(null)
const hearing = ref(false)
async function sine(event: Event) {
  const input = event.target as HTMLInputElement
  const sound = input.files?.[0]
  input.value = ''
  if (!sound) return
  hearing.value = true
  const answer = await sendBytes<Schemas['DistortionView']>(
    'POST',
    `/api/sets/${props.setId}/listening/sines/${crypto.randomUUID()}`,
    sound,
  )
  hearing.value = false
  sineProblem.value = answer.kind === 'failed' ? answer.problem : null
  distortion.value = answer.kind === 'ready' ? answer.value : null
}
const bars = computed(() => distortion.value?.harmonics ?? [])
const tallest = computed(() => Math.max(...bars.value, 0.1))
</script>

<template>
  <p v-if="query.error.value" role="alert" class="p-6 text-bad">{{ say(query.error.value.message) }}</p>
  <div v-else-if="listening">
    <CautionNote>
      <p>In its cabinet, back on, nothing inside touched while the plug is in: B+ and the line stop a heart.</p>
    </CautionNote>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div class="min-w-0 px-5 py-4">
        <div class="flex flex-wrap items-baseline gap-x-4">
          <h2 class="text-xl font-semibold">Listening test</h2>
          <p class="text-soft">
            {{ listening.open ? `${listening.open} of ${questions.length} left` : 'every question answered' }}
            <template v-if="listening.bad">· {{ listening.bad }} not as it should be</template>
          </p>
        </div>
        <section v-for="group in groups" :key="group.name" class="mt-3" :aria-label="group.name">
          <h3 class="text-sm text-soft">{{ group.name }}</h3>
          <ul class="divide-y divide-line border-y border-line">
            <li
              v-for="one in group.questions"
              :id="one.id === at?.id ? 'at-hand' : undefined"
              :key="one.id"
              tabindex="-1"
              class="border-l-4 px-3 outline-none"
              :class="one.id === at?.id ? 'border-l-accent bg-mark py-3' : 'border-l-transparent'"
            >
              <button
                v-if="one.id !== at?.id"
                class="flex min-h-11 w-full items-center gap-3 text-left"
                @click="show(one.id)"
              >
                <VerdictMark :verdict="mark(one)" />
                <span class="min-w-0 flex-1" :class="one.answer ? '' : 'text-soft'">{{ say(one.ask) }}</span>
                <span class="shrink-0 text-sm text-soft">
                  {{
                    one.stale
                      ? 'part replaced since: again'
                      : say(
                          one.answer === 'good'
                            ? one.good
                            : one.answer === 'bad'
                              ? one.bad
                              : one.answer
                                ? 'not there'
                                : `${one.minutes} min`,
                        )
                  }}
                </span>
              </button>
              <template v-else>
                <h4 class="text-lg font-semibold">{{ say(one.ask) }}</h4>
                <p v-if="one.caution" class="mt-1 text-sm text-bad">{{ say(one.caution) }}</p>
                <p v-if="one.how" class="mt-1">{{ say(one.how) }}</p>
                <div class="mt-2 flex flex-wrap items-end gap-3">
                  <AppButton
                    :look="one.answer === 'good' && !one.stale ? 'main' : 'plain'"
                    :disabled="!session.mayWrite.value"
                    @click="give('good')"
                  >
                    <span class="font-figures text-sm opacity-70">1</span>
                    {{ say(one.good) }}
                  </AppButton>
                  <AppButton
                    :look="one.answer === 'bad' && !one.stale ? 'main' : 'plain'"
                    :disabled="!session.mayWrite.value"
                    @click="give('bad')"
                  >
                    <span class="font-figures text-sm opacity-70">2</span>
                    {{ say(one.bad) }}
                  </AppButton>
                  <AppButton :disabled="!session.mayWrite.value" @click="give('none')">
                    <span class="font-figures text-sm opacity-70">3</span>
                    It has none
                  </AppButton>
                  <AppButton v-if="one.answer" look="quiet" @click="give('')">Take back</AppButton>
                </div>
                <TextField v-model="note" wide class="mt-2 max-w-md" label="In your words" />
                <div v-if="one.lead" class="mt-3 rounded border border-line bg-raised p-3">
                  <p class="font-semibold">Where to look: {{ say(one.lead.words) }}</p>
                  <p v-if="one.lead.act" class="text-bad">{{ say(one.lead.act) }}</p>
                  <p class="mt-1">{{ say(one.lead.firstAsk) }}</p>
                  <p v-if="one.lead.parts.length" class="mt-1 text-sm text-soft">
                    In this set, the likeliest by role first: {{ say(one.lead.parts.join('; ')) }}.
                  </p>
                  <ul class="mt-1 list-disc pl-5">
                    <li v-for="test in one.lead.tests" :key="test">{{ say(test) }}</li>
                  </ul>
                  <RouterLink
                    :to="`/sets/${setId}/volts/suspects`"
                    class="mt-1 inline-block min-h-9 content-center text-accent underline-offset-4 hover:underline"
                  >
                    Weigh it with the volts at Suspects
                  </RouterLink>
                </div>
              </template>
            </li>
          </ul>
        </section>
        <ProblemNote class="mt-2" :problem="problem" />
      </div>
      <section class="border-line px-5 py-4 lg:border-l" aria-labelledby="sine">
        <h2 id="sine" class="text-lg font-semibold">Distortion of a sine</h2>
        <p class="mt-1 text-sm text-soft">
          400 Hz or 1 kHz into pick-up or generator, five seconds recorded at the speaker by microphone, as WAV or FLAC.
          The recorder’s own part is in it: a microphone adds half a percent and more.
        </p>
        <AppButton class="mt-2" :disabled="!session.mayWrite.value || hearing" @click="file?.click()">
          Choose a recording
        </AppButton>
        <input
          ref="file"
          type="file"
          class="sr-only"
          tabindex="-1"
          accept=".wav,.flac,audio/wav,audio/flac"
          aria-label="A recorded sine, WAV or FLAC"
          @change="sine"
        />
        <p v-if="hearing" role="status" class="mt-2 text-soft">Listening to it…</p>
        <ProblemNote class="mt-2" :problem="sineProblem" />
        <div v-if="distortion" class="mt-3">
          <p class="font-figures text-3xl">
            {{ say(distortion.thdPercent.toFixed(2)) }} %
            <span class="text-base text-soft">of harmonics on {{ say(distortion.hertz.toFixed(0)) }} Hz</span>
          </p>
          <svg
            viewBox="0 0 320 110"
            class="mt-2 block w-full"
            role="img"
            :aria-label="`Harmonics two to ten: ${bars.map((b) => b.toFixed(2)).join(', ')} %`"
          >
            <g v-for="(bar, i) in bars" :key="i">
              <rect
                :x="8 + i * 34"
                :y="88 - (bar / tallest) * 80"
                width="24"
                :height="(bar / tallest) * 80"
                class="fill-accent"
              />
              <text :x="20 + i * 34" y="104" text-anchor="middle" class="fill-soft font-figures text-[12px]">
                {{ i + 2 }}
              </text>
            </g>
          </svg>
          <ul class="mt-1 space-y-1 text-sm">
            <li v-for="one in distortion.says" :key="one" class="font-semibold">{{ say(one) }}</li>
            <li v-for="one in distortion.hum" :key="one.hertz" class="text-soft">
              {{ say(`${one.hertz} Hz: ${one.decibels.toFixed(0)} dB`) }}
            </li>
          </ul>
        </div>
        <p v-else-if="listening.distortion" class="mt-2">Last: {{ say(listening.distortion) }}.</p>
      </section>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Opening the script…</p>
</template>
