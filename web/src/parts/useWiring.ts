import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'

export type WireEdit = Omit<Schemas['WireEdit'], 'id'>

/** The wires of a set, from where to where. */
export function useWiring(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['wires', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/wires', { params: path() }))),
  })
  return {
    wiring: query.data,
    note: async (wire: WireEdit) => {
      const answer = await ask(
        http.POST('/api/sets/{setId}/wires', { params: path(), body: { id: crypto.randomUUID(), ...wire } }),
      )
      if (answer.kind === 'ready') client.setQueryData(['wires', toValue(setId)], answer.value)
      return answer
    },
    takeBack: async (entry: string) => {
      const answer = await ask(
        http.POST('/api/sets/{setId}/withdrawals', {
          params: path(),
          body: { id: crypto.randomUUID(), entry, readingId: null },
        }),
      )
      if (answer.kind === 'ready')
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
      return answer
    },
  }
}
