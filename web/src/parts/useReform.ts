import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type ReformView = Schemas['ReformView']
export type Setup = Pick<Schemas['ReformStart'], 'part' | 'supplyVolts' | 'seriesOhms' | 'shuntOhms'>

/** Runs in which electrolytics are brought back. */
export function useReform(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ setId: toValue(setId) })
  const query = useQuery({
    queryKey: ['reforms', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/reforms', { params: { path: path() } }))),
    refetchInterval: 60_000,
  })
  async function shown(answer: Answer<ReformView[]>, everything = false) {
    if (answer.kind === 'ready') {
      client.setQueryData(['reforms', toValue(setId)], answer.value)
      if (everything)
        await client.invalidateQueries({
          predicate: (q) => q.queryKey[0] !== 'reforms' && q.queryKey.includes(toValue(setId)),
        })
    }
    return answer
  }
  return {
    runs: query.data,
    error: query.error,
    usual: (part: string) =>
      ask(http.GET('/api/sets/{setId}/reforms/usual', { params: { path: path(), query: { part } } })),
    start: async (setup: Setup) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/reforms', {
            params: { path: path() },
            body: { id: crypto.randomUUID(), ...setup },
          }),
        ),
      ),
    sample: async (run: string, millivolts: string, volts: string) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/reforms/{run}/samples', {
            params: { path: { ...path(), run } },
            body: { millivolts, volts, takenAt: new Date().toISOString() },
          }),
        ),
      ),
    end: async (run: string, why: string) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/reforms/{run}/ends', {
            params: { path: { ...path(), run } },
            body: { id: crypto.randomUUID(), why },
          }),
        ),
        true,
      ),
  }
}
