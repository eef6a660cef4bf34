import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { post, type Posted } from '../outbox/outbox'

/** What is computed from a set's journal and changes with any entry of it. */
const following = [
  'arrival',
  'register',
  'inspection',
  'complaints',
  'worth',
  'originality',
  'map',
  'log',
  'shelf',
  'photos',
  'cold',
  'cold-test',
  'workshop',
]

type Spot = Schemas['SpotEdit'] | null
/** An entry as a form makes it: the id and the time are added here, and most have no mark on a picture. */
type Draft<T> = Omit<T, 'id' | 'takenAt' | 'spot'> & { spot?: Spot }

/** A set's arrival and every entry of its journal; each write answers with the new whole of its part. */
export function useArrival(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const params = () => ({ path: { setId: toValue(setId) } })
  const id = () => crypto.randomUUID() as string
  /** The published types cannot say that a mark may be missing. */
  const entry = <T extends { spot?: Spot }>(draft: T) => ({
    id: id(),
    takenAt: null,
    ...draft,
    spot: (draft.spot ?? null) as Schemas['SpotEdit'],
  })

  function refresh(but?: string) {
    return client.invalidateQueries({
      predicate: (q) => following.includes(String(q.queryKey[0])) && q.queryKey[0] !== but,
    })
  }
  /** Puts the answer in its place and has everything that follows from it fetched anew. */
  async function keep<A extends Posted<unknown>>(part: string, answer: Promise<A>): Promise<A> {
    const settled = await answer
    if (settled.kind === 'ready') {
      client.setQueryData([part, toValue(setId)], settled.value)
      void refresh(part)
    }
    return settled
  }
  /** An entry that waits in this browser when nobody answers, with the time it was made. */
  const waiting = <A>(shown: string, path: string, body: Record<string, unknown>) =>
    post<A>({
      shown,
      setId: toValue(setId),
      path: `/api/sets/${toValue(setId)}/${path}`,
      body: { ...body, takenAt: new Date().toISOString() },
    })
  async function done<A extends Posted<unknown>>(answer: Promise<A>) {
    const settled = await answer
    if (settled.kind === 'ready') await refresh()
    return settled
  }

  return {
    id,
    refresh,
    arrival: () =>
      useQuery({
        queryKey: ['arrival', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/arrival', { params: params() }))),
      }),
    register: () =>
      useQuery({
        queryKey: ['register', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/register', { params: params() }))),
      }),
    inspection: () =>
      useQuery({
        queryKey: ['inspection', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/inspection', { params: params() }))),
      }),
    complaints: () =>
      useQuery({
        queryKey: ['complaints', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/complaints', { params: params() }))),
      }),
    worth: () =>
      useQuery({
        queryKey: ['worth', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/worth', { params: params() }))),
      }),
    saveArrival: (body: Schemas['ArrivalEdit']) =>
      keep('arrival', ask(http.PUT('/api/sets/{setId}/arrival', { params: params(), body }))),
    eraseOwner: () =>
      keep('arrival', ask(http.POST('/api/sets/{setId}/owner-erasures', { params: params(), body: { id: id() } }))),
    startFrom: (circuit: string) =>
      keep('arrival', ask(http.POST('/api/sets/{setId}/circuit-starts', { params: params(), body: { circuit } }))),
    copyFrom: (sister: string) =>
      keep('arrival', ask(http.POST('/api/sets/{setId}/circuit-copies', { params: params(), body: { sister } }))),
    takeOff: (body: Draft<Schemas['ItemEdit']>) =>
      keep('register', waiting<Schemas['RegisterView']>(`${body.count} × ${body.what}`, 'register-items', entry(body))),
    correctItem: (item: string, body: Draft<Schemas['ItemEdit']>) =>
      keep(
        'register',
        ask(
          http.PUT('/api/sets/{setId}/register-items/{entry}', {
            params: { path: { setId: toValue(setId), entry: item } },
            body: entry(body),
          }),
        ),
      ),
    findControl: (body: Draft<Schemas['ControlEdit']>) =>
      keep('register', waiting<Schemas['RegisterView']>(`control at ${body.position}`, 'controls-found', entry(body))),
    putBack: (item: string, count: number) =>
      keep(
        'register',
        ask(http.POST('/api/sets/{setId}/put-backs', { params: params(), body: { id: id(), entry: item, count } })),
      ),
    untick: (entry: string) =>
      keep(
        'register',
        ask(
          http.POST('/api/sets/{setId}/put-backs/{entry}/withdrawals', {
            params: { path: { setId: toValue(setId), entry } },
          }),
        ),
      ),
    close: (leftOver: string, reason: string) =>
      keep(
        'register',
        ask(http.POST('/api/sets/{setId}/closings', { params: params(), body: { id: id(), leftOver, reason } })),
      ),
    look: (body: Draft<Schemas['LookEdit']>) =>
      keep(
        'inspection',
        waiting<Schemas['InspectionView']>(`${body.area}${body.part ? `, ${body.part}` : ''}`, 'looks', entry(body)),
      ),
    taskDone: (finding: string, note: string) =>
      keep(
        'inspection',
        ask(http.POST('/api/sets/{setId}/tasks-done', { params: params(), body: { id: id(), entry: finding, note } })),
      ),
    tell: (body: Omit<Schemas['ToldEdit'], 'id' | 'takenAt'>) =>
      keep(
        'complaints',
        waiting<Schemas['ComplaintsView']>(`owner: ${body.words}`, 'complaints', { id: id(), ...body }),
      ),
    sayWorth: (value: string, sentiment: string) =>
      keep(
        'worth',
        ask(http.POST('/api/sets/{setId}/worth', { params: params(), body: { id: id(), value, sentiment } })),
      ),
    reckonJob: (job: string, hours: string, price: string) =>
      keep(
        'worth',
        ask(http.POST('/api/sets/{setId}/worth-jobs', { params: params(), body: { id: id(), job, hours, price } })),
      ),
    tested: (subject: string, sound: boolean, how: string) =>
      done(
        ask(http.POST('/api/sets/{setId}/part-tests', { params: params(), body: { id: id(), subject, sound, how } })),
      ),
    replaced: (part: string, what: string, standsIn = false) =>
      done(
        ask(
          http.POST('/api/sets/{setId}/replacements', {
            params: params(),
            body: { id: id(), part, with: what, standsIn },
          }),
        ),
      ),
    withdraw: (wrong: string) =>
      done(
        ask(
          http.POST('/api/sets/{setId}/withdrawals', {
            params: params(),
            body: { id: id(), entry: wrong, readingId: null },
          }),
        ),
      ),
    remark: (words: string) => done(waiting<unknown>(words, 'remarks', { id: id(), subject: '', words })),
  }
}

export type Arrival = ReturnType<typeof useArrival>
