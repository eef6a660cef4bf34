import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'
import { whileUnderway } from '../api/underway'
import { post, type Posted } from '../outbox/outbox'

export type VoltsView = Schemas['VoltsView']
export type PointView = Schemas['PointView']

/** Whatever is shown of a set. */
export const of = (setId: string) => (query: { queryKey: readonly unknown[] }) => query.queryKey.includes(setId)

const ASK_AGAIN_MS = 1000

/** Everything the Volts screen shows of one set, and what can be done to it. Every write answers with the new whole. */
export function useVolts(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const key = () => ['volts', toValue(setId)]
  const query = useQuery({
    queryKey: ['volts', setId],
    queryFn: () => orThrow(load()),
    // While the faults of its circuit are being solved the answer is not whole.
    refetchInterval: whileUnderway(ASK_AGAIN_MS),
  })

  function path() {
    return { path: { setId: toValue(setId) } }
  }
  function load(): Promise<Answer<VoltsView>> {
    return ask(http.GET('/api/sets/{setId}/volts', { params: path() }))
  }
  async function keep<A extends Posted<VoltsView>>(answer: Promise<A>): Promise<A> {
    const settled = await answer
    if (settled.kind === 'ready') {
      client.setQueryData(key(), settled.value)
      void client.invalidateQueries({ queryKey: ['shelf'] })
      void client.invalidateQueries({ queryKey: ['log', toValue(setId)] })
    }
    return settled
  }

  return {
    volts: query.data,
    error: query.error,
    preview: (text: string, node: string, signal: AbortSignal) =>
      ask(http.POST('/api/sets/{setId}/reading-previews', { params: path(), body: { text, node }, signal })),
    /** Waits in this browser when nobody answers. */
    add: (reading: Schemas['NewReading']) =>
      keep(
        post<VoltsView>({
          shown: `${reading.node ? `${reading.node}: ` : ''}${reading.text}`,
          setId: toValue(setId),
          path: `/api/sets/${toValue(setId)}/readings`,
          body: { ...reading },
        }),
      ),
    async withdraw(readingId: string) {
      const settled = await ask(
        http.POST('/api/sets/{setId}/withdrawals', {
          params: path(),
          body: { id: crypto.randomUUID(), entry: readingId, readingId: null },
        }),
      )
      if (settled.kind === 'ready') await client.invalidateQueries({ predicate: of(toValue(setId)) })
      return settled
    },
    async setConditions(edit: Schemas['ConditionsEdit']) {
      const settled = await ask(http.PUT('/api/sets/{setId}/conditions', { params: path(), body: edit }))
      if (settled.kind === 'ready') await client.invalidateQueries({ queryKey: key() })
      return settled
    },
    refresh: () => client.invalidateQueries({ queryKey: key() }),
  }
}
