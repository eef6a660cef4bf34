import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import { ask, http, orThrow, ProblemError, type Problem, type Schemas } from '../api/client'

export type Change = Schemas['ChangeEdit']
export type Kind = Change['kind']

/** What each change is called, and what its value means; null when it takes none. */
export const kinds: Record<Kind, { readonly name: string; readonly value: string | null; readonly first: string }> = {
  VALUE: { name: 'another value', value: 'New value', first: '' },
  OPEN: { name: 'open', value: null, first: '' },
  SHORTED: { name: 'shorted', value: null, first: '' },
  LEAK: { name: 'leaks', value: 'Leak in ohms', first: '1M' },
  WEAK: { name: 'weak', value: 'Emission left, in %', first: '50' },
}

/** Cold resistances of a set. */
export function useColdOhms(setId: () => string) {
  return useQuery({
    queryKey: ['circuit', setId, 'cold-ohms'],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/cold-ohms', { params: { path: { setId: setId() } } }))),
  })
}

/** What changed parts do, asked again whenever the changes have stood still for a moment; the last answer stays meanwhile. */
export function useWhatIf(setId: () => string, changes: Ref<readonly Change[]>) {
  const asked = refDebounced(changes, 120)
  const params = () => ({ path: { setId: setId() } })
  const parts = useQuery({
    queryKey: ['circuit', setId, 'what-if-parts'],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/what-if-parts', { params: params() }))),
  })
  const answer = useQuery({
    queryKey: ['circuit', setId, 'what-if', asked],
    queryFn: ({ signal }) =>
      orThrow(
        ask(http.POST('/api/sets/{setId}/what-ifs', { params: params(), body: { changes: [...asked.value] }, signal })),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  })
  const problem = computed<Problem | null>(() =>
    answer.error.value instanceof ProblemError ? answer.error.value.problem : null,
  )
  return { parts, answer, problem }
}
