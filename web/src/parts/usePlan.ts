import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type RecapView = Schemas['RecapView']
export type SetSchool = Schemas['SetSchool']
export type Old = NonNullable<Schemas['FittedEdit']['old']>
export type Renewal = Schemas['RenewalView']

/** What goes into a set. */
export function usePlan(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['plan', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/plan', { params: path() }))),
  })
  async function changed<T>(answer: Answer<T>): Promise<Answer<T>> {
    if (answer.kind === 'ready') {
      client.setQueryData(['plan', toValue(setId)], answer.value)
      await client.invalidateQueries({
        predicate: (q) =>
          q.queryKey[0] === 'shopping' || (q.queryKey[0] !== 'plan' && q.queryKey.includes(toValue(setId))),
      })
    }
    return answer
  }
  return {
    plan: query.data,
    error: query.error,
    list: async (listed: boolean) =>
      changed(await ask(http.PUT('/api/sets/{setId}/plan/listed', { params: path(), body: { listed } }))),
    fitted: async (part: string, item: string, standsIn: boolean, old: Old) =>
      changed(
        await ask(
          http.POST('/api/sets/{setId}/plan/fitted', {
            params: path(),
            body: { id: crypto.randomUUID(), part, with: item, standsIn, old },
          }),
        ),
      ),
    /** @param school none, and the house's holds again */
    follow: async (question: SetSchool['question'], school: SetSchool['follows'] | null) =>
      changed(
        await ask(
          http.POST('/api/sets/{setId}/plan/schools', {
            params: path(),
            body: { id: crypto.randomUUID(), question, school },
          }),
        ),
      ),
  }
}
