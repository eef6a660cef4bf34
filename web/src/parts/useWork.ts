import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type WorkTask = Schemas['WorkTask']
export type Way = Schemas['ForNowEdit']['way']

/** What is left to do at a set's parts, in the order that keeps access. */
export function useWork(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['work', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/ledger/work', { params: path() }))),
  })
  async function changed(answer: Answer<Schemas['WorkView']>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['work', toValue(setId)], answer.value)
      await client.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'work' && q.queryKey.includes(toValue(setId)),
      })
    }
    return answer
  }
  return {
    work: query.data,
    error: query.error,
    forNow: async (part: string, way: Way, note: string) =>
      changed(
        await ask(
          http.POST('/api/sets/{setId}/ledger/for-now', {
            params: path(),
            body: { id: crypto.randomUUID(), part, way, note },
          }),
        ),
      ),
    putRight: async (entry: string) =>
      changed(
        await ask(
          http.POST('/api/sets/{setId}/ledger/for-now/{entry}/put-right', {
            params: { path: { setId: toValue(setId), entry } },
            body: { id: crypto.randomUUID() },
          }),
        ),
      ),
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
