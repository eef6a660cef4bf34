import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type PowerView = Schemas['PowerView']
export type ReadyView = Schemas['ReadyView']
export type CheckView = Schemas['CheckView']
export type PlanView = Schemas['PowerPlanView']
export type WatchedView = Schemas['WatchedView']
export type RunView = Schemas['RunView']

/** What stands before a set's first power, and the checks while it is limited. */
export function usePower(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['power', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/power', { params: path() }))),
  })
  async function shown(answer: Answer<PowerView>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['power', toValue(setId)], answer.value)
      await client.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'power' && q.queryKey.includes(toValue(setId)),
      })
    }
    return answer
  }
  return {
    power: query.data,
    error: query.error,
    answer: async (gate: string, answer: string, reason = '') =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/power/answers', {
            params: path(),
            body: { id: crypto.randomUUID(), gate, answer, reason },
          }),
        ),
      ),
    check: async (check: string, cells: Record<string, string>, note: string) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/power/checks', {
            params: path(),
            body: { id: crypto.randomUUID(), check, cells, note },
          }),
        ),
      ),
    preview: (check: string, cells: Record<string, string>) =>
      ask(
        http.POST('/api/sets/{setId}/power/check-previews', {
          params: path(),
          body: { id: crypto.randomUUID(), check, cells, note: '' },
        }),
      ),
    follow: async (school: Schemas['PowerWayView']['id']) => {
      const answer = await ask(
        http.POST('/api/sets/{setId}/plan/schools', {
          params: path(),
          body: { id: crypto.randomUUID(), question: 'FIRST_POWER', school },
        }),
      )
      if (answer.kind === 'ready')
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
      return answer
    },
  }
}

/** How the set is brought up; the first time it takes some seconds to work out. */
export function usePowerPlan(setId: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['power-plan', setId],
    queryFn: () =>
      orThrow(ask(http.GET('/api/sets/{setId}/power/plan', { params: { path: { setId: toValue(setId) } } }))),
    staleTime: 60_000,
  })
}

/** The same set by every school, side by side; some seconds' work, so only when asked for. */
export function usePowerWays(setId: MaybeRefOrGetter<string>, asked: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['power-ways', setId],
    queryFn: () =>
      orThrow(ask(http.GET('/api/sets/{setId}/power/plan/ways', { params: { path: { setId: toValue(setId) } } }))),
    enabled: () => toValue(asked),
    staleTime: 60_000,
  })
}

/** A set's runs, the latest first. */
export function useRuns(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: ['power-runs', setId],
    queryFn: () =>
      orThrow(ask(http.GET('/api/sets/{setId}/power/runs', { params: { path: { setId: toValue(setId) } } }))),
  })
  return {
    runs: query.data,
    start: async (feed: RunView['feed']) => {
      const id = crypto.randomUUID()
      const answer = await ask(
        http.POST('/api/sets/{setId}/power/runs', { params: { path: { setId: toValue(setId) } }, body: { id, feed } }),
      )
      if (answer.kind === 'ready') {
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
        await client.invalidateQueries({ queryKey: ['going-runs'] })
      }
      return answer
    },
  }
}

/** The networked instruments of the shop. */
export function useLinks() {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: ['instrument-links'],
    queryFn: () => orThrow(ask(http.GET('/api/instrument-links'))),
  })
  function kept<T extends Schemas['LinksView']>(answer: Answer<T>) {
    if (answer.kind === 'ready') client.setQueryData(['instrument-links'], answer.value)
    return answer
  }
  return {
    links: query.data,
    add: async (body: Omit<Schemas['LinkEdit'], 'id'>) =>
      kept(await ask(http.POST('/api/instrument-links', { body: { id: crypto.randomUUID(), ...body } }))),
    remove: async (id: string) =>
      kept(await ask(http.DELETE('/api/instrument-links/{id}', { params: { path: { id } } }))),
    identify: (id: string) => ask(http.POST('/api/instrument-links/{id}/questions', { params: { path: { id } } })),
  }
}
