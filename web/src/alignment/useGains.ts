import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'

/** What each stage amplifies, as it should and as it was read. */
export function useGains(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['gains', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/gains', { params: path() }))),
  })
  return {
    gains: query.data,
    error: query.error,
    level: async (edit: Omit<Schemas['LevelEdit'], 'id'>) => {
      const answer = await ask(
        http.POST('/api/sets/{setId}/gains', { params: path(), body: { id: crypto.randomUUID(), ...edit } }),
      )
      if (answer.kind === 'ready') client.setQueryData(['gains', toValue(setId)], answer.value)
      return answer
    },
  }
}
