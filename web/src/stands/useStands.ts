import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'

export type StandsView = Schemas['StandsView']
export type StageView = Schemas['StageView']
export type StopView = Schemas['StopView']

/** A set's front page, which the rail beside every screen of the set reads too. */
export function useStands(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['stands', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/stands', { params: path() }))),
  })
  return {
    stands: query.data,
    error: query.error,
    /** Goes on over a stop that nobody has looked at, with the reason. */
    async decide(stop: string, reason: string) {
      const answer = await ask(
        http.POST('/api/sets/{setId}/decisions', { params: path(), body: { id: crypto.randomUUID(), stop, reason } }),
      )
      if (answer.kind === 'ready')
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
      return answer
    },
    /** This person has seen the set as it is now. */
    looked: () => ask(http.PUT('/api/sets/{setId}/last-look', { params: path() })),
  }
}
