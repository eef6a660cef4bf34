<script setup lang="ts">
import { useDebounceFn, useSessionStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { unreachable, type Problem, type Schemas } from '../api/client'
import StripFrame from '../entry/StripFrame.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import type { LedgerRow, Line, Placing, useLedger } from './useLedger'

/** The entry strip of Parts: what was read of the part at hand, and what it proves, before Enter keeps it. */
const props = defineProps<{
  setId: string
  row: LedgerRow | undefined
  following: LedgerRow | undefined
  placing: Placing
  instrument: string
  doors: Pick<ReturnType<typeof useLedger>, 'preview' | 'keep'>
  say: (text: string) => string
}>()
const emit = defineEmits<{ move: [steps: number]; kept: [] }>()
const text = useSessionStorage(`umber.parts.${props.setId}`, '')
const strip = useTemplateRef('strip')
const seen = ref<Schemas['LedgerPreview'] | null>(null)
const problem = ref<Problem | null>(null)
const said = ref('')
const busy = ref(false)
let id = crypto.randomUUID()
let abort = new AbortController()

const line = (): Line => ({
  text: text.value,
  part: props.row?.reference ?? '',
  placing: props.placing,
  instrument: props.instrument,
})
const look = useDebounceFn(async () => {
  abort.abort()
  abort = new AbortController()
  const { signal } = abort
  if (!text.value.trim()) return
  const answer = await props.doors.preview(line(), signal)
  if (signal.aborted) return
  seen.value = answer.kind === 'ready' ? answer.value : null
  problem.value = answer.kind === 'failed' ? answer.problem : null
}, 80)
watch(
  [text, () => props.row?.reference, () => props.placing, () => props.instrument],
  () => {
    id = crypto.randomUUID()
    seen.value = null
    problem.value = null
    if (text.value) said.value = ''
    else abort.abort()
    void look()
  },
  { immediate: true },
)
const fault = computed(() =>
  problem.value?.type === unreachable.type
    ? 'No answer from Umber Dial. Enter keeps this in the browser until there is one.'
    : (problem.value?.detail ?? seen.value?.fault ?? ''),
)
const hint = computed(() => {
  switch (props.row?.kind) {
    case 'ELECTROLYTIC':
      return '46u esr 0.6 leak 200uA @350 formed'
    case 'CAPACITOR':
      return '.047 leak 2.1M @400'
    case 'TUBE':
      return '62/40, good, short'
    default:
      return '231k'
  }
})

async function commit() {
  if (busy.value) return
  const typed = text.value
  if (!typed.trim()) {
    emit('move', 1)
    return
  }
  const at = props.row?.reference
  // A line that names another part leaves the one at hand where it is.
  const ofAnother = seen.value?.row && seen.value.row.reference !== at
  busy.value = true
  const answer = await props.doors.keep(id, line()).finally(() => (busy.value = false))
  if (answer.kind === 'failed') {
    problem.value = answer.problem
    strip.value?.select()
    return
  }
  said.value = answer.kind === 'queued' ? 'Waits in this browser.' : `Kept: ${seen.value?.understood ?? typed}.`
  if (text.value === typed) text.value = ''
  if (!ofAnother && props.row?.reference === at) emit('kept')
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    emit('move', event.key === 'ArrowDown' ? 1 : -1)
  }
}
onMounted(() => void nextTick(() => strip.value?.focus()))
defineExpose({ focus: () => strip.value?.focus() })
</script>

<template>
  <StripFrame
    ref="strip"
    v-model="text"
    :label="say(row ? `${row.called}${row.job ? `, ${row.job}` : ''}` : 'Name a part, then what it reads')"
    :placeholder="hint"
    :fault="!!fault && text !== ''"
    @commit="commit"
    @key="onKey"
  >
    <p v-if="text && fault" class="text-bad">{{ say(fault) }}</p>
    <template v-else-if="text && seen?.row">
      <p class="flex items-center gap-2">
        <VerdictMark :verdict="seen.row.mark" />
        <span>
          <strong>{{ seen.row.called }}</strong>
          <span :class="looks[seen.row.mark].text">{{ ` ${seen.row.state}` }}</span>
          <span v-if="seen.row.consequence">{{ say(`: ${seen.row.consequence}`) }}</span>
        </span>
      </p>
      <p class="line-clamp-2 text-sm text-soft">{{ say(seen.row.says) }}</p>
    </template>
    <p v-else-if="said" role="status" class="font-semibold text-good">{{ say(said) }}</p>
    <template v-else>
      <p class="max-sm:hidden">
        {{ following ? say(`Enter keeps it and goes on to ${following.called}.`) : 'Enter keeps it.' }}
        <span class="text-soft">Up and down choose the part.</span>
      </p>
      <p class="text-sm text-soft max-sm:hidden">
        Another part: name it first, as in C7 .047 leak 2.1M @400. Add lifted, in place or out where it was read so.
      </p>
    </template>
  </StripFrame>
</template>
