import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { post } from '../outbox/outbox'

/** A set's cold bench: its plan, its tests, and what is kept of them. */
export function useCold(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ setId: toValue(setId) })
  return {
    plan: () =>
      useQuery({
        queryKey: ['cold', setId],
        queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/cold', { params: { path: path() } }))),
      }),
    test: (test: MaybeRefOrGetter<string>) =>
      useQuery({
        queryKey: ['cold-test', setId, test],
        queryFn: () =>
          orThrow(
            ask(
              http.GET('/api/sets/{setId}/cold/tests/{test}', { params: { path: { ...path(), test: toValue(test) } } }),
            ),
          ),
      }),
    judge: (test: string, typed: Record<string, string>, text: string | null, at: string, instrument: string) =>
      ask(
        http.POST('/api/sets/{setId}/cold/tests/{test}/drafts', {
          params: { path: { ...path(), test } },
          body: { typed, text, at, instrument },
        }),
      ),
    /** Which test a line typed on the plan belongs to. */
    find: (text: string) =>
      ask(
        http.POST('/api/sets/{setId}/cold/entry-previews', {
          params: { path: path() },
          body: { text, at: '' },
        }),
      ),
    async keep(
      test: string,
      title: string,
      id: string,
      typed: Record<string, string>,
      read: readonly string[],
      instrument: string,
      takenAt: string = new Date().toISOString(),
    ) {
      const answer = await post<Schemas['PlanView']>({
        shown: title,
        setId: toValue(setId),
        path: `/api/sets/${toValue(setId)}/cold/tests/${test}/results`,
        body: { id, typed, read, instrument, takenAt },
      })
      if (answer.kind === 'ready') {
        client.setQueryData(['cold', toValue(setId)], answer.value)
        void client.invalidateQueries({
          predicate: (q) => ['cold-test', 'map', 'log', 'shelf', 'worth', 'arrival'].includes(String(q.queryKey[0])),
        })
      }
      return answer
    },
  }
}
