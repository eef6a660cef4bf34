import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { whileUnderway } from '../api/underway'

export type PracticeView = Schemas['PracticeView']
export type Move = Omit<Schemas['PracticeMoveEdit'], 'id'>
export type Step = Schemas['HindsightStepView']

const ASK_AGAIN_MS = 500

/** All practices of the shop, and how to begin another. */
export function usePractices() {
  const client = useQueryClient()
  const query = useQuery({ queryKey: ['practices'], queryFn: () => orThrow(ask(http.GET('/api/practice'))) })
  return {
    practices: query.data,
    error: query.error,
    async begin(level: Schemas['NewPractice']['level'], number: number | null) {
      const begun = await ask(http.POST('/api/practice', { body: { id: crypto.randomUUID(), level, number } }))
      if (begun.kind === 'ready') await client.invalidateQueries({ queryKey: ['practices'] })
      return begun
    },
  }
}

/** One practice; every move answers with the new whole. */
export function usePractice(id: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const params = () => ({ path: { practiceId: toValue(id) } })
  const query = useQuery({
    queryKey: ['practice', id],
    queryFn: () => orThrow(ask(http.GET('/api/practice/{practiceId}', { params: params() }))),
  })
  const drawing = useQuery({
    queryKey: ['practice', id, 'drawing'],
    queryFn: () => orThrow(ask(http.GET('/api/practice/{practiceId}/drawing', { params: params() }))),
    staleTime: Infinity,
  })
  const over = computed(() => query.data.value?.over ?? false)
  const hindsight = useQuery({
    queryKey: ['practice', id, 'hindsight'],
    queryFn: () => orThrow(ask(http.GET('/api/practice/{practiceId}/hindsight', { params: params() }))),
    enabled: over,
    refetchInterval: whileUnderway(ASK_AGAIN_MS),
  })
  const moving = useMutation({
    mutationFn: (move: Move) =>
      orThrow(
        ask(
          http.POST('/api/practice/{practiceId}/moves', {
            params: params(),
            body: { ...move, id: crypto.randomUUID() },
          }),
        ),
      ),
    onSuccess: (view) => {
      client.setQueryData(['practice', toValue(id)], view)
      void client.invalidateQueries({ queryKey: ['practices'] })
    },
  })
  return { practice: query.data, drawing: drawing.data, error: query.error, hindsight: hindsight.data, over, moving }
}

export const minutesText = (minutes: number) => `${minutes.toFixed(minutes % 1 === 0 ? 0 : 1)} min`
