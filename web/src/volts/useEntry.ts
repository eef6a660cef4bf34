import { useDebounceFn, useSessionStorage } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { faultAt, unreachable, type Answer, type Problem, type Schemas } from '../api/client'
import type { Posted } from '../outbox/outbox'
import type { VoltsView } from './useVolts'

type Preview = Schemas['PreviewView']

interface Doors {
  readonly setId: string
  readonly current: Ref<string>
  readonly preview: (text: string, node: string, signal: AbortSignal) => Promise<Answer<Preview>>
  readonly add: (reading: Schemas['NewReading']) => Promise<Posted<VoltsView>>
  /** It waits in this browser; what it says is not known yet. */
  readonly queued: (node: string) => void
  readonly kept: (view: VoltsView, node: string, partRead: boolean) => void
}

/**
 * The entry strip's state: what is typed (kept over a reload), what was understood, and why it cannot be kept. One entry
 * keeps one id until it is kept, so that sending it again after a lost answer does not double it.
 */
export function useEntry(doors: Doors) {
  const text = useSessionStorage(`umber.entry.${doors.setId}`, '')
  const understood = ref<Preview | null>(null)
  const problem = ref<Problem | null>(null)
  const question = ref('')
  const busy = ref(false)
  let id = crypto.randomUUID()
  let abort = new AbortController()

  const look = useDebounceFn(async () => {
    abort.abort()
    abort = new AbortController()
    const { signal } = abort
    if (!text.value.trim()) return
    const answer = await doors.preview(text.value, doors.current.value, signal)
    if (signal.aborted) return
    understood.value = answer.kind === 'ready' ? answer.value : null
    problem.value = answer.kind === 'failed' ? answer.problem : null
  }, 60)

  watch(
    [text, doors.current],
    () => {
      id = crypto.randomUUID()
      question.value = ''
      if (!text.value.trim()) {
        abort.abort()
        understood.value = null
        problem.value = null
      }
      void look()
    },
    { immediate: true },
  )

  async function commit() {
    if (!text.value.trim() || busy.value) return
    busy.value = true
    const node = doors.current.value
    const entry = {
      id,
      text: text.value,
      node,
      confirmed: question.value !== '',
      takenAt: new Date().toISOString(),
      note: '',
    }
    const answer = await doors.add(entry)
    busy.value = false
    if (answer.kind === 'ready') {
      const subject = understood.value?.subject ?? node
      const partRead = understood.value?.part ?? false
      text.value = ''
      doors.kept(answer.value, subject, partRead)
    } else if (answer.kind === 'queued') {
      text.value = ''
      doors.queued(node)
    } else if (answer.problem.type === '/problems/ask-first') {
      question.value = answer.problem.detail
    } else {
      problem.value = answer.problem
    }
  }

  const fault = computed(() =>
    problem.value?.type === unreachable.type
      ? 'No answer from Umber Dial. Enter keeps this in the browser until there is one.'
      : problem.value
        ? faultAt(problem.value, 'text') || problem.value.detail
        : '',
  )
  return { text, understood, fault, question, busy, commit }
}
