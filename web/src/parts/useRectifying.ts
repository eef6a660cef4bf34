import { useQuery } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'

export type ScopeFigures = Schemas['ScopeFigures']
export type SupplyWay = Schemas['SupplyWay']

/** The supply of a set with something of it changed, and what a scope shows of a vibrator. */
export function useRectifying(setId: MaybeRefOrGetter<string>) {
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['rectifying', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/rectifying', { params: path() }))),
  })
  return {
    view: query.data,
    error: query.error,
    scope: (figures: ScopeFigures) =>
      ask(http.POST('/api/sets/{setId}/rectifying/scope', { params: path(), body: figures })),
  }
}
