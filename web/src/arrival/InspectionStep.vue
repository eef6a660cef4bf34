<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { type Problem, type Schemas } from '../api/client'
import SpotField from '../photos/SpotField.vue'
import SpotThumb from '../photos/SpotThumb.vue'
import AppButton from '../ui/AppButton.vue'
import KeyCap from '../ui/KeyCap.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import SeverityMark from '../ui/SeverityMark.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useArrival } from './useArrival'

/** The walk: one area at a time, one key per finding, F when nothing is wrong, the arrows to go on. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useArrival(() => props.setId)
const { data: inspection, error } = doors.inspection()
const current = ref('')
const part = ref('')
const note = ref('')
const spot = ref<Schemas['SpotEdit'] | null>(null)
const problem = ref<Problem | null>(null)
const heading = useTemplateRef<HTMLElement>('heading')
const area = computed(() => inspection.value?.areas.find((a) => a.name === current.value) ?? null)
watch(
  inspection,
  (i) => {
    if (i && !area.value) current.value = (i.areas.find((a) => !a.looked) ?? i.areas[0])?.name ?? ''
  },
  { immediate: true },
)
const open = computed(() => inspection.value?.tasks.filter((task) => !task.done) ?? [])
const settled = computed(() => inspection.value?.tasks.filter((task) => task.done) ?? [])

function clear() {
  part.value = ''
  note.value = ''
  spot.value = null
  problem.value = null
}
async function go(name: string) {
  current.value = name
  clear()
  await nextTick()
  heading.value?.focus()
}
/** On a phone the areas are a row that scrolls. */
watch(
  current,
  () => document.querySelector('nav [aria-current="true"]')?.scrollIntoView({ block: 'nearest', inline: 'center' }),
  { flush: 'post' },
)
function step(by: number) {
  const areas = inspection.value?.areas ?? []
  const at = areas.findIndex((a) => a.name === current.value)
  const next = areas[Math.min(areas.length - 1, Math.max(0, at + by))]
  if (next) void go(next.name)
}
async function found(row: Schemas['RowView']) {
  const already = area.value?.found.find((f) => f.row === row.id)
  if (already) {
    await doors.withdraw(already.id)
    return
  }
  const answer = await doors.look({
    area: current.value,
    row: row.id,
    part: part.value,
    note: note.value,
    spot: spot.value,
  })
  if (answer.kind === 'failed') problem.value = answer.problem
  else clear()
}
async function fine() {
  const answer = area.value?.looked ? null : await doors.look({ area: current.value, row: '', part: '', note: '' })
  if (answer?.kind === 'failed') problem.value = answer.problem
  else step(1)
}
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.altKey || event.metaKey || target.closest('input, [role="dialog"], [role="listbox"]'))
    return
  const row = area.value?.rows[Number(event.key) - 1]
  if (/^[1-9]$/.test(event.key) && row) void found(row)
  else if (event.key.toLowerCase() === 'f') void fine()
  else if (event.key === 'ArrowRight') step(1)
  else if (event.key === 'ArrowLeft') step(-1)
  else return
  event.preventDefault()
})
const state = (a: Schemas['AreaView']) =>
  a.found.length > 0 ? `${a.found.length} found` : a.fine ? 'fine' : 'not looked at'
</script>

<template>
  <div
    v-if="inspection"
    class="grid h-full grid-cols-[11rem_minmax(0,1fr)] max-sm:grid-cols-1 max-sm:grid-rows-[auto_minmax(0,1fr)] lg:grid-cols-[12.5rem_minmax(0,1fr)]"
  >
    <nav
      class="overflow-auto border-r border-line py-2 max-sm:flex max-sm:border-r-0 max-sm:border-b max-sm:py-0"
      aria-label="Areas"
    >
      <p class="px-3 pb-1 text-sm text-soft max-sm:shrink-0 max-sm:self-center max-sm:pb-0">
        {{ inspection.looked }} of {{ inspection.areas.length }} areas
      </p>
      <button
        v-for="a in inspection.areas"
        :key="a.name"
        class="grid min-h-11 w-full grid-cols-[1.5rem_1fr] items-center gap-1 border-l-4 px-2 max-sm:w-auto max-sm:shrink-0 max-sm:border-l-0 max-sm:border-b-4 text-left"
        :class="a.name === current ? 'border-accent bg-sheet font-semibold' : 'border-transparent hover:bg-mark/50'"
        :aria-current="a.name === current"
        @click="go(a.name)"
      >
        <SeverityMark
          v-if="a.found.length > 0"
          :severity="a.found.some((f) => f.severity === 'STOP' && !f.done) ? 'STOP' : 'DOUBT'"
          :settled="a.found.every((f) => f.done)"
        />
        <SeverityMark v-else-if="a.fine" severity="NOTE" settled />
        <span
          v-else
          class="mx-auto size-3 rounded-full border-2 border-dashed border-soft"
          role="img"
          aria-label="not looked at"
        ></span>
        <span class="truncate">{{ say(a.name) }}</span>
      </button>
    </nav>
    <div class="min-w-0 overflow-auto p-5 max-sm:p-4" tabindex="-1">
      <template v-if="area">
        <div class="flex flex-wrap items-center gap-4">
          <h2 ref="heading" tabindex="-1" class="text-xl font-semibold first-letter:uppercase focus:outline-none">
            {{ say(area.name) }}
          </h2>
          <span class="text-soft">{{ state(area) }}</span>
          <AppButton look="main" class="ml-auto" :disabled="area.found.length > 0" @click="fine">
            Nothing wrong here
            <KeyCap>F</KeyCap>
          </AppButton>
          <AppButton @click="step(1)">
            Next area
            <KeyCap>→</KeyCap>
          </AppButton>
        </div>
        <ul class="mt-3">
          <li v-for="(row, i) in area.rows" :key="row.id">
            <button
              class="grid min-h-14 w-full grid-cols-[2.25rem_1.75rem_1fr] max-sm:grid-cols-[1.75rem_1fr] items-center gap-2 border-t border-line px-1 text-left hover:bg-mark/50"
              :class="area.found.some((f) => f.row === row.id) ? 'bg-mark' : ''"
              :aria-pressed="area.found.some((f) => f.row === row.id)"
              @click="found(row)"
            >
              <KeyCap class="justify-self-center">{{ i + 1 }}</KeyCap>
              <SeverityMark :severity="row.severity" />
              <span class="py-1 leading-snug">
                <strong class="inline-block first-letter:uppercase">{{ say(row.lookFor) }}</strong>
                <span class="block text-sm text-soft">{{ say(row.means) }}. Then: {{ say(row.followUp) }}.</span>
              </span>
            </button>
          </li>
        </ul>
        <div class="mt-3 flex flex-wrap items-start gap-3 border-t border-line pt-3">
          <TextField v-model="part" class="w-32!" label="Part, if one" hint="C7" />
          <TextField
            v-model="note"
            class="w-80! max-w-full"
            label="In your words"
            hint="Fill these in, then choose what you see"
          />
          <SpotField v-model="spot" class="mt-6" :set-id="setId" />
        </div>
        <ProblemNote class="mt-2" :problem="problem" />
        <p
          v-for="f in area.found.filter((one) => one.caution)"
          :key="f.id"
          class="mt-3 rounded bg-caution px-4 py-2 text-on-caution"
        >
          {{ say(f.caution ?? '') }}
        </p>
      </template>
      <section v-if="inspection.tasks.length > 0" class="mt-6" aria-labelledby="tasks">
        <h2 id="tasks" class="text-lg font-semibold">
          What the findings ask for
          <span v-if="inspection.stops" class="text-bad">· {{ inspection.stops }} before any power</span>
        </h2>
        <ul>
          <li
            v-for="task in open"
            :key="task.id"
            class="grid grid-cols-[1.75rem_1fr_auto_auto] items-center gap-2 border-t border-line py-1"
          >
            <SeverityMark :severity="task.severity" />
            <span>
              <strong class="first-letter:uppercase inline-block">{{ say(task.followUp) }}</strong>
              <span class="block text-sm text-soft">
                {{ say(task.area) }}
                <template v-if="task.part">· {{ task.part }}</template>
                : {{ say(task.found) }}
                <template v-if="task.note">· “{{ task.note }}”</template>
              </span>
            </span>
            <SpotThumb v-if="task.spot" :set-id="setId" :spot="task.spot" />
            <span v-else></span>
            <AppButton look="quiet" :aria-label="`Done: ${task.followUp}`" @click="doors.taskDone(task.id, '')">
              Done
            </AppButton>
          </li>
        </ul>
        <p v-if="settled.length" class="border-t border-line py-2 text-sm text-soft">
          Settled: {{ settled.map((task) => say(task.followUp)).join(' · ') }}
        </p>
      </section>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-5 text-bad">{{ error.message }}</p>
</template>
