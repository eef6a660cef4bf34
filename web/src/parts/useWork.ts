import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'

export type WorkTask = Schemas['WorkTask']

/** What is left to do at a set's parts, in the order that keeps access. */
export function useWork(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['work', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/ledger/work', { params: path() }))),
  })
  return {
    work: query.data,
    error: query.error,
    async cover(part: string, by: string) {
      const answer = await ask(
        http.POST('/api/sets/{setId}/ledger/covers', {
          params: path(),
          body: { id: crypto.randomUUID(), part, by },
        }),
      )
      if (answer.kind === 'ready') client.setQueryData(['work', toValue(setId)], answer.value)
      return answer
    },
  }
}
