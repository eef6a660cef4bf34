<script setup lang="ts">
import { ArrowUturnLeftIcon, ExclamationTriangleIcon, PencilIcon } from '@heroicons/vue/24/outline'
import { computed, nextTick, reactive, ref, useTemplateRef } from 'vue'
import { faultAt, type Problem, type Schemas } from '../api/client'
import SpotField from '../photos/SpotField.vue'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import SpotThumb from '../photos/SpotThumb.vue'
import { useArrival } from './useArrival'

/** The take-apart register forwards, and backwards the list by which the set goes together again. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useArrival(() => props.setId)
const { data: register, error } = doors.register()
type Kind = Schemas['ItemEdit']['kind']
const kinds: readonly { id: Kind; name: string }[] = [
  { id: 'PLUG', name: 'Plug' },
  { id: 'LEAD', name: 'Lead' },
  { id: 'SCREW', name: 'Screws' },
  { id: 'NUT', name: 'Nuts' },
  { id: 'WASHER', name: 'Washers' },
  { id: 'KNOB', name: 'Knob' },
  { id: 'SHIELD', name: 'Shield' },
  { id: 'JOINT', name: 'Solder joint' },
  { id: 'TUBE', name: 'Tube' },
  { id: 'OTHER', name: 'Other' },
]
const joined: readonly Kind[] = ['PLUG', 'LEAD', 'JOINT']
const together = ref(false)
const blank = { kind: 'SCREW' as Kind, what: '', count: '1', absent: '0', place: '', ends: '', fault: '' }
const form = reactive({ ...blank })
const spot = ref<Schemas['SpotEdit'] | null>(null)
const problem = ref<Problem | null>(null)
const correcting = ref<Schemas['RegisterItem'] | null>(null)
const closing = reactive({ leftOver: '', reason: '' })
const closeProblem = ref<Problem | null>(null)
const what = useTemplateRef<InstanceType<typeof TextField>>('what')
/** Half way through, whatever is still open is no longer work but a question. */
const shouting = computed(
  () =>
    done.value * 2 >= (register.value?.items.length ?? 0) ||
    !!register.value?.alarms.some((alarm) => alarm.startsWith('Too many')),
)
const done = computed(() => register.value?.items.filter((item) => item.done).length ?? 0)

function whole(text: string): number {
  return /^\d+$/.test(text.trim()) ? Number(text) : Number.NaN
}
async function keep() {
  const count = whole(form.count)
  const absent = whole(form.absent || '0')
  if (Number.isNaN(count) || Number.isNaN(absent)) {
    const field = Number.isNaN(count) ? 'count' : 'absent'
    problem.value = {
      type: '',
      title: '',
      detail: '',
      errors: [
        {
          pointer: `#/${field}`,
          code: 'not_a_number',
          detail: `“${form[field]}” is no count; write a whole number such as 4.`,
        },
      ],
    }
    return
  }
  const body = {
    kind: form.kind,
    what: form.what,
    count,
    absent,
    place: form.place,
    ends: form.ends,
    fault: form.fault,
    spot: spot.value,
  }
  const answer = await (correcting.value ? doors.correctItem(correcting.value.id, body) : doors.takeOff(body))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  correcting.value = null
  Object.assign(form, { ...blank, kind: form.kind, place: form.place })
  spot.value = null
  await nextTick()
  what.value?.focus()
}
/** Puts an entry back into the form; the log keeps both, and it stays in its place. */
async function correct(item: Schemas['RegisterItem']) {
  if (!item.taken) return
  correcting.value = item
  Object.assign(form, { ...item.taken, count: String(item.taken.count), absent: String(item.taken.absent) })
  spot.value = item.spot ?? null
  problem.value = null
  await nextTick()
  what.value?.focus()
}
function leave() {
  correcting.value = null
  Object.assign(form, blank)
  spot.value = null
  problem.value = null
}
function tick(item: Schemas['RegisterItem']) {
  void (item.done ? doors.untick(item.id) : doors.putBack(item.id, Math.max(1, item.open)))
}
async function close() {
  const answer = await doors.close(closing.leftOver, closing.reason)
  closeProblem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') Object.assign(closing, { leftOver: '', reason: '' })
}
</script>

<template>
  <div class="p-5">
    <div class="flex flex-wrap items-center gap-4">
      <div class="flex" role="group" aria-label="Direction">
        <button
          class="min-h-11 rounded-l border px-5"
          :class="together ? 'border-line bg-raised text-soft' : 'border-accent bg-mark font-semibold'"
          :aria-pressed="!together"
          @click="together = false"
        >
          Take apart
        </button>
        <button
          class="min-h-11 rounded-r border px-5"
          :class="together ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised text-soft'"
          :aria-pressed="together"
          @click="together = true"
        >
          Put together
        </button>
      </div>
      <p v-if="register" class="font-figures text-lg">
        {{ done }} of {{ register.items.length }}
        <span class="font-sans text-base text-soft">back in place</span>
      </p>
      <p v-if="register?.closed" class="font-semibold text-good">{{ register.closed }}</p>
    </div>
    <p v-if="error" role="alert" class="py-3 text-bad">{{ error.message }}</p>

    <template v-if="!together">
      <form
        class="mt-4 space-y-3 rounded border bg-sheet p-4"
        :class="correcting ? 'border-accent' : 'border-line'"
        :aria-label="correcting ? `Correct ${correcting.title}` : 'One more thing that comes off'"
        @submit.prevent="keep"
        @keydown.esc="correcting && leave()"
      >
        <p v-if="correcting" class="font-semibold">
          Correcting number {{ correcting.order }}, {{ say(correcting.title) }}; it keeps its place.
        </p>
        <div class="flex flex-wrap gap-1" role="group" aria-label="What comes off">
          <button
            v-for="kind in kinds"
            :key="kind.id"
            type="button"
            class="min-h-11 rounded border px-3"
            :class="form.kind === kind.id ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised'"
            :aria-pressed="form.kind === kind.id"
            @click="form.kind = kind.id"
          >
            {{ say(kind.name) }}
          </button>
        </div>
        <div class="flex flex-wrap items-start gap-3">
          <TextField ref="what" v-model="form.what" class="w-60!" label="Which" hint="M4 × 12 slotted, green lead" />
          <TextField v-model="form.count" class="w-20!" label="How many came off" :fault="faultAt(problem, 'count')" />
          <TextField v-model="form.absent" class="w-24!" label="Missing besides" :fault="faultAt(problem, 'absent')" />
          <TextField v-model="form.place" class="w-52!" label="Where" hint="back, lower row" />
          <TextField
            v-if="joined.includes(form.kind)"
            v-model="form.ends"
            class="w-60!"
            label="From, to"
            hint="V3.5 to tone switch"
          />
          <TextField v-model="form.fault" class="w-52!" label="Wrong with it" />
        </div>
        <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
        <div class="flex items-center gap-3">
          <SpotField v-model="spot" :set-id="setId" />
          <AppButton look="main" type="submit">{{ correcting ? 'Save the correction' : 'Add to the list' }}</AppButton>
          <AppButton v-if="correcting" look="quiet" @click="leave">Cancel</AppButton>
          <span v-else class="text-sm text-soft">Enter keeps it; the place stays for the next one.</span>
        </div>
      </form>
      <p v-if="register?.items.length === 0" class="mt-5 text-soft">
        Nothing is off yet. What comes off first goes back last.
      </p>
      <ol class="mt-4">
        <li
          v-for="item in [...(register?.items ?? [])].reverse()"
          :key="item.id"
          class="grid min-h-14 grid-cols-[3rem_1fr_auto_auto] items-center gap-3 border-t border-line max-sm:grid-cols-[2rem_1fr_auto]"
          :class="correcting?.id === item.id ? 'bg-mark' : ''"
        >
          <span class="text-right font-figures text-lg text-soft">{{ item.order }}</span>
          <span>
            <strong>{{ say(item.title) }}</strong>
            {{ ' ' }}
            <span class="text-soft">{{ say(item.where) }}</span>
            <strong v-if="item.absent" class="ml-2 text-bad">{{ item.absent }} missing</strong>
          </span>
          <SpotThumb v-if="item.spot" :set-id="setId" :spot="item.spot" />
          <span v-else></span>
          <span class="flex max-sm:col-span-full max-sm:justify-end">
            <AppButton v-if="item.taken" look="quiet" :aria-label="`Correct ${item.title}`" @click="correct(item)">
              <PencilIcon class="size-5" aria-hidden="true" />
              Correct
            </AppButton>
            <AppButton
              look="quiet"
              :aria-label="`Take ${item.title} off the register`"
              @click="doors.withdraw(item.id)"
            >
              <ArrowUturnLeftIcon class="size-5" aria-hidden="true" />
              Undo
            </AppButton>
          </span>
        </li>
      </ol>
    </template>

    <template v-else>
      <ol class="mt-4" aria-label="Reassembly list">
        <li
          v-for="item in register?.reassembly"
          :key="item.id"
          class="grid min-h-16 grid-cols-[3.25rem_3rem_1fr_auto] items-center gap-3 border-t border-line"
          :class="item.done ? 'text-soft' : ''"
        >
          <button
            class="flex size-11 items-center justify-center rounded border-2"
            :class="item.done ? 'border-good bg-good text-sheet' : 'border-ink bg-raised'"
            role="checkbox"
            :aria-checked="item.done"
            :aria-label="say(item.act)"
            @click="tick(item)"
          >
            <svg
              v-if="item.done"
              viewBox="0 0 20 20"
              class="size-7"
              fill="none"
              stroke="currentColor"
              stroke-width="3"
              aria-hidden="true"
            >
              <path d="M3 10.5 8 15.5 17 5" />
            </svg>
          </button>
          <span class="font-figures text-lg text-soft">{{ item.order }}</span>
          <span class="text-lg" :class="item.done ? 'line-through' : ''">
            {{ say(item.act) }}
            <span v-if="item.back > 0 && !item.done" class="ml-2 text-base text-doubt">
              {{ item.back }} of {{ item.belong }} back
            </span>
          </span>
          <span class="flex items-center gap-2">
            <AppButton
              v-if="item.open > 1"
              look="quiet"
              :aria-label="`One of ${item.title} is back`"
              @click="doors.putBack(item.id, 1)"
            >
              One
            </AppButton>
            <SpotThumb v-if="item.spot" :set-id="setId" :spot="item.spot" />
          </span>
        </li>
      </ol>
      <section
        v-if="register && register.items.length > 0"
        class="mt-6 rounded border-2 p-4"
        :class="register.alarms.length === 0 ? 'border-good' : shouting ? 'border-bad' : 'border-line'"
        aria-label="Before the set is closed"
      >
        <template v-if="register.alarms.length">
          <h2 v-if="shouting" class="flex items-center gap-2 text-xl font-semibold text-bad">
            <ExclamationTriangleIcon class="size-7" aria-hidden="true" />
            Something is missing or left over
          </h2>
          <h2 v-else class="text-lg font-semibold">Not together yet</h2>
          <ul class="mt-1 space-y-0.5" :class="shouting ? 'text-lg font-semibold' : 'text-soft'" role="status">
            <li v-for="alarm in register.alarms" :key="alarm">{{ say(alarm) }}</li>
          </ul>
        </template>
        <h2 v-else class="text-lg font-semibold text-good">Everything is back where it came from</h2>
        <form class="mt-3 flex flex-wrap items-start gap-3" @submit.prevent="close">
          <TextField v-model="closing.leftOver" class="w-72!" label="Left over on the bench, in no entry above" />
          <TextField
            v-if="register.alarms.length || closing.leftOver"
            v-model="closing.reason"
            class="w-72!"
            label="Closed all the same because"
            :fault="faultAt(closeProblem, 'reason')"
          />
          <AppButton look="main" type="submit" class="mt-6">The set is closed</AppButton>
        </form>
      </section>
    </template>
  </div>
</template>
