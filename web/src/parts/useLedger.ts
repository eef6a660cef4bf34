import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { post } from '../outbox/outbox'

export type LedgerView = Schemas['LedgerView']
export type LedgerRow = Schemas['LedgerRow']
export type Placing = Schemas['LedgerLine']['placing']
export type Choice = Schemas['ChoiceEdit']['choice']

/** A line of the strip: what was typed, of which part, where it was and with what it is read. */
export interface Line {
  readonly text: string
  readonly part: string
  readonly placing: Placing
  readonly instrument: string
}

/** What is known of a set's parts, and the two ways to add to it: a reading, a decision. */
export function useLedger(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const key = () => ['ledger', toValue(setId)]
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['ledger', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/ledger', { params: path() }))),
  })
  function show(view: LedgerView) {
    client.setQueryData(key(), view)
    void client.invalidateQueries({
      predicate: (q) => q.queryKey[0] !== 'shop' && q.queryKey[0] !== 'ledger' && q.queryKey.includes(toValue(setId)),
    })
  }
  return {
    ledger: query.data,
    error: query.error,
    preview: (line: Line, signal: AbortSignal) =>
      ask(http.POST('/api/sets/{setId}/ledger/entry-previews', { params: path(), body: { ...line }, signal })),
    async keep(id: string, line: Line) {
      const answer = await post<LedgerView>({
        shown: `${line.part} ${line.text}`,
        setId: toValue(setId),
        path: `/api/sets/${toValue(setId)}/ledger/entries`,
        body: { id, ...line, takenAt: new Date().toISOString() },
      })
      if (answer.kind === 'ready') show(answer.value)
      return answer
    },
    async decide(part: string, choice: Choice, reason: string) {
      const answer = await ask(
        http.POST('/api/sets/{setId}/ledger/decisions', {
          params: path(),
          body: { id: crypto.randomUUID(), part, choice, reason },
        }),
      )
      if (answer.kind === 'ready') show(answer.value)
      return answer
    },
    async takeBack(entry: string) {
      const answer = await ask(
        http.POST('/api/sets/{setId}/withdrawals', {
          params: path(),
          body: { id: crypto.randomUUID(), entry, readingId: null },
        }),
      )
      if (answer.kind === 'ready')
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
      return answer
    },
  }
}
