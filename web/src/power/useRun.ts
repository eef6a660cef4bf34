import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, onUnmounted, ref, shallowRef, type Ref } from 'vue'
import { ask, http, type Problem, type Schemas } from '../api/client'

type Whole = Schemas['RunWhole']
export type RunState = Schemas['RunState']
export type AlarmView = Schemas['RunAlarm']
type Entry = { number: number; seconds: number; kind: string; body: string }

/** No word for so long, and nobody watches here [ms]. */
const SILENT = 2500

/** One run as it goes on: followed by its stream, which goes on where it broke off. */
export function useRun(setId: () => string, runId: Readonly<Ref<string | null>>) {
  const client = useQueryClient()
  const whole = shallowRef<Whole | null>(null)
  const state = shallowRef<RunState | null>(null)
  const points = shallowRef<Whole['points']>([])
  const problem = ref<Problem | null>(null)
  const heardAt = ref(Date.now())
  const now = ref(Date.now())
  let stateAt = Date.now()
  let source: EventSource | null = null
  let next = 0

  const params = () => ({ path: { setId: setId(), run: runId.value ?? '' } })
  function take(fresh: RunState) {
    const was = state.value?.state
    state.value = fresh
    stateAt = Date.now()
    if (was && was !== fresh.state) void client.invalidateQueries({ predicate: (q) => q.queryKey.includes(setId()) })
  }
  async function load() {
    if (!runId.value) return
    const answer = await ask(http.GET('/api/sets/{setId}/power/runs/{run}', { params: params() }))
    problem.value = answer.kind === 'failed' ? answer.problem : null
    if (answer.kind === 'ready') {
      whole.value = answer.value
      points.value = answer.value.points
      next = Math.max(next, answer.value.next)
      take(answer.value.state)
    }
  }
  function entered(entry: Entry) {
    if (entry.number < next) return
    next = entry.number + 1
    if (entry.kind === 'sample') {
      const figures = entry.body
        .slice(2)
        .split(',')
        .map((cell) => (cell === '' ? null : Number(cell))) as (number | null)[]
      points.value = [...points.value, { seconds: entry.seconds, figures: figures as number[] }]
    } else if (whole.value && entry.kind === 'alarm') {
      whole.value = { ...whole.value, alarms: [...whole.value.alarms, JSON.parse(entry.body) as AlarmView] }
    } else if (whole.value) {
      const { number, seconds: at, kind, body } = entry
      whole.value = { ...whole.value, events: [...whole.value.events, { number, seconds: at, kind, words: body }] }
    }
  }
  function follow() {
    source?.close()
    if (!runId.value || state.value?.state === 'ENDED' || document.hidden || !window.EventSource) return
    source = new EventSource(`/api/sets/${setId()}/power/runs/${runId.value}/live?from=${next}`)
    source.addEventListener('ready', () => (heardAt.value = Date.now()))
    source.addEventListener('entry', (event) => {
      heardAt.value = Date.now()
      entered(JSON.parse((event as MessageEvent<string>).data) as Entry)
    })
    source.addEventListener('state', (event) => {
      heardAt.value = Date.now()
      take(JSON.parse((event as MessageEvent<string>).data) as RunState)
      if (state.value?.state === 'ENDED') source?.close()
    })
    // An answer that is no stream ends it for good; then it is opened anew.
    source.addEventListener('error', () => {
      if (source?.readyState === EventSource.CLOSED) setTimeout(follow, 1000)
    })
  }
  async function open() {
    next = 0
    whole.value = null
    state.value = null
    points.value = []
    await load()
    follow()
  }
  useIntervalFn(() => (now.value = Date.now()), 250)
  // A browser opens few connections to one server; a page nobody looks at gives its own back.
  useEventListener(document, 'visibilitychange', () => {
    if (document.hidden) source?.close()
    else if (runId.value && state.value?.state !== 'ENDED') void load().then(follow)
  })
  onUnmounted(() => source?.close())

  const seconds = computed(() => {
    const one = state.value
    if (!one) return 0
    return one.state === 'ENDED' ? one.seconds : one.seconds + (Math.max(0, now.value - stateAt) / 1000) * one.speed
  })
  async function acted(request: ReturnType<typeof ask<RunState>>) {
    const answer = await request
    problem.value = answer.kind === 'failed' ? answer.problem : null
    if (answer.kind === 'ready') take(answer.value)
    return answer
  }
  return {
    whole,
    state,
    points,
    problem,
    seconds,
    open,
    /** Whether the server has said nothing for so long that nobody watches here. */
    silent: computed(() => state.value?.state !== 'ENDED' && now.value - heardAt.value > SILENT),
    read: (figures: Record<string, string>) =>
      acted(ask(http.POST('/api/sets/{setId}/power/runs/{run}/samples', { params: params(), body: { figures } }))),
    advance: (from: number, reason: string) =>
      acted(
        ask(http.POST('/api/sets/{setId}/power/runs/{run}/advances', { params: params(), body: { from, reason } })),
      ),
    note: (words: string) =>
      acted(ask(http.POST('/api/sets/{setId}/power/runs/{run}/notes', { params: params(), body: { words } }))),
    stop: (why: string) =>
      acted(ask(http.POST('/api/sets/{setId}/power/runs/{run}/stops', { params: params(), body: { why } }))),
  }
}
