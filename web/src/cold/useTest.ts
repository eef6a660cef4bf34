import { useDebounceFn, useSessionStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Problem, Schemas } from '../api/client'
import { type Draft, noDraft, readAt, typedInto, typedOf, walk } from './cells'
import { useCold } from './useCold'

/**
 * A test while it is made: its figures, the cell that is current, and the entry strip's line. A figure goes from the
 * strip into its cell at Enter; the test is kept as a whole.
 */
export function useTest(setId: string, test: string) {
  const cold = useCold(setId)
  const { data: about, error } = cold.test(test)
  /** It outlives a reload. */
  const draft = useSessionStorage<Draft>(`umber.draft.${setId}.${test}`, noDraft)
  const judged = ref<Schemas['JudgedView'] | null>(null)
  const instrument = ref('')
  const problem = ref<Problem | null>(null)
  const text = ref('')
  const current = ref('')
  const keptAs = ref('')
  const busy = ref(false)
  let asked = 0
  let id = crypto.randomUUID()

  /** Kept figures with what was typed since. */
  const typed = computed<Record<string, string>>(() => ({ ...about.value?.typed, ...draft.value.typed }))
  const read = computed(() => Object.keys(draft.value.at))
  const blocks = computed(() => judged.value?.blocks ?? [])
  const cells = computed(() => blocks.value.flatMap((block) => block.lines.flatMap((line) => line.cells)))
  const cell = computed(() => cells.value.find((one) => one.key === current.value) ?? null)
  const rowOf = (key: string) =>
    blocks.value.flatMap((b) => b.lines).find((line) => line.cells.some((c) => c.key === key)) ?? null
  const row = computed(() => rowOf(current.value))
  /** What is said of the row the strip's line goes to, which may be another than the current one. */
  const said = computed(() => {
    const going = judged.value?.entry?.placed[0]?.key
    const label = going ? rowOf(going)?.label : undefined
    return judged.value?.verdict.results.find((result) => result.label === label) ?? null
  })
  /** What the strip's line would put where, shown in its cell before it is there. */
  const pending = computed<Record<string, string>>(() =>
    text.value.trim()
      ? Object.fromEntries((judged.value?.entry?.placed ?? []).map((placed) => [placed.key, placed.shown]))
      : {},
  )
  const faultOf = (key: string) => judged.value?.faults.find((fault) => fault.key === key)?.text ?? ''
  /** Why the line has no place, or why its figure cannot be. */
  const fault = computed(() =>
    text.value.trim()
      ? judged.value?.entry?.fault || (judged.value?.entry?.placed ?? []).map((p) => faultOf(p.key)).find(Boolean) || ''
      : '',
  )

  /** What the server says of everything typed; kept unless something typed later was asked about meanwhile. */
  async function judge(): Promise<Schemas['JudgedView'] | null> {
    const mine = ++asked
    const answer = await cold.judge(
      test,
      typed.value,
      text.value.trim() ? text.value : null,
      current.value,
      instrument.value,
    )
    if (mine === asked) {
      if (answer.kind === 'ready') judged.value = answer.value
      problem.value = answer.kind === 'failed' ? answer.problem : null
    }
    return answer.kind === 'ready' ? answer.value : null
  }
  const look = useDebounceFn(() => void judge(), 120)

  watch(
    about,
    async (a, before) => {
      if (!a || before) return
      instrument.value = a.instrument
      await judge()
    },
    { immediate: true },
  )
  const stop = watch(blocks, (now) => {
    if (now.length === 0) return
    current.value = walk(now, typed.value, '') ?? ''
    stop()
  })
  watch([text, typed, current, instrument], () => {
    if (about.value) void look()
  })

  function type(key: string, value: string) {
    keptAs.value = ''
    id = crypto.randomUUID()
    draft.value = typedInto(draft.value, key, value, new Date().toISOString())
  }
  /** On to the next cell that is walked through; empty behind the last. */
  function onward(from: string) {
    current.value = walk(blocks.value, {}, from) ?? ''
  }
  function back(from: string) {
    const keys = cells.value.filter((one) => !one.aside || one.key === from).map((one) => one.key)
    const at = from ? keys.indexOf(from) : keys.length
    current.value = keys[Math.max(0, at - 1)] ?? ''
  }

  /** Enter: the line into its cells, an empty line on to the next cell. Whether the line was refused. */
  async function commit(): Promise<boolean> {
    if (!text.value.trim()) {
      onward(current.value)
      return false
    }
    if (busy.value) return false
    busy.value = true
    const line = text.value
    const answer = await judge()
    busy.value = false
    if (!answer) return true
    judged.value = answer
    const { entry } = answer
    if (entry.fault || entry.placed.some((placed) => answer.faults.some((f) => f.key === placed.key))) return true
    for (const placed of entry.placed) type(placed.key, placed.text)
    const last = entry.placed.at(-1)
    // Whoever types on while it is asked keeps what was typed.
    if (text.value === line) text.value = ''
    if (entry.to) current.value = entry.to
    else if (last) onward(last.key)
    return false
  }

  async function keep() {
    await judge()
    busy.value = true
    const answer = await cold.keep(
      test,
      about.value?.title ?? '',
      id,
      typedOf(blocks.value, typed.value),
      read.value,
      instrument.value,
      readAt(draft.value),
    )
    busy.value = false
    problem.value = answer.kind === 'failed' ? answer.problem : null
    if (answer.kind === 'failed') return
    // Shown until the kept figures come back.
    draft.value = answer.kind === 'queued' ? noDraft : { ...draft.value, at: {} }
    id = crypto.randomUUID()
    keptAs.value = answer.kind === 'ready' ? 'Kept.' : 'Waits in this browser for the connection.'
  }
  watch(about, (a) => {
    if (a && read.value.length === 0) draft.value = noDraft
  })

  return {
    about,
    error,
    typed,
    read,
    judged,
    blocks,
    instrument,
    problem,
    text,
    current,
    cell,
    row,
    said,
    pending,
    fault,
    faultOf,
    keptAs,
    busy,
    type,
    onward,
    back,
    commit,
    keep,
  }
}
export type Test = ReturnType<typeof useTest>
