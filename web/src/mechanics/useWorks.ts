import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type WorksView = Schemas['WorksView']
export type WorkPiece = Schemas['WorkPieceView']
export type AgentView = Schemas['AgentView']

/** The work on a set's mechanics and looks. */
export function useWorks(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['works', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/works', { params: path() }))),
  })
  async function shown(answer: Answer<WorksView>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['works', toValue(setId)], answer.value)
      // Not waited for: whoever types on meanwhile must not be overtaken by what is cleared afterwards.
      void client.invalidateQueries({
        predicate: (q) =>
          q.queryKey[0] === 'waits' || (q.queryKey[0] !== 'works' && q.queryKey.includes(toValue(setId))),
      })
    }
    return answer
  }
  return {
    works: query.data,
    error: query.error,
    plan: async (task: string, about: string) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/works', { params: path(), body: { id: crypto.randomUUID(), task, about } }),
        ),
      ),
    step: async (edit: Omit<Schemas['WorkStepEdit'], 'id'>) =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/work-steps', { params: path(), body: { id: crypto.randomUUID(), ...edit } }),
        ),
      ),
  }
}

/** What may touch which material. */
export function useMaterials() {
  return useQuery({
    queryKey: ['materials'],
    queryFn: () => orThrow(ask(http.GET('/api/materials'))),
    staleTime: Infinity,
  })
}
