import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type DialBand = Schemas['DialBand']

/** The bands of a receiver with what was read at their dials. */
export function useDials(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['dials', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/dials', { params: path() }))),
  })
  async function shown(answer: Answer<Schemas['DialsView']>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['dials', toValue(setId)], answer.value)
      // Not waited for: whoever types on meanwhile must not be overtaken by what is cleared afterwards.
      void client.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'dials' && q.queryKey.includes(toValue(setId)),
      })
    }
    return answer
  }
  return {
    dials: query.data,
    error: query.error,
    say: async (edit: Omit<Schemas['BandEdit'], 'id'>) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/dials/bands', { params: path(), body: { id: crypto.randomUUID(), ...edit } }),
        ),
      ),
    read: async (edit: Omit<Schemas['DialEdit'], 'id'>) =>
      shown(
        await ask(http.POST('/api/sets/{setId}/dials', { params: path(), body: { id: crypto.randomUUID(), ...edit } })),
      ),
  }
}
