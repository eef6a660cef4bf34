import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, upload, type Answer, type Schemas } from '../api/client'

type Circuit = Schemas['CircuitView']

/** A set's circuit, points and sheet, and every change to them; each change answers with the new whole. */
export function useCircuit(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const params = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['circuit', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/circuit', { params: params() }))),
  })

  async function refresh() {
    await client.invalidateQueries({
      predicate: (q) =>
        ['circuit', 'volts', 'shelf', 'log', 'map', 'worth', 'originality', 'arrival'].includes(String(q.queryKey[0])),
    })
  }
  async function keep(answer: Promise<Answer<Circuit>>): Promise<Answer<Circuit>> {
    const settled = await answer
    if (settled.kind === 'ready') {
      client.setQueryData(['circuit', toValue(setId)], settled.value)
      await client.invalidateQueries({
        predicate: (q) => ['volts', 'map', 'worth', 'originality', 'arrival', 'shelf'].includes(String(q.queryKey[0])),
      })
    }
    return settled
  }
  /** The same; when somebody else was first, what they made of it is fetched, so that a second try starts from there. */
  async function change(answer: Promise<Answer<Circuit>>): Promise<Answer<Circuit>> {
    const settled = await keep(answer)
    if (settled.kind === 'failed') await refresh()
    return settled
  }
  const seenOf = (value: Omit<Schemas['SheetEdit'], 'seen'>) =>
    query.data.value?.sheet.find(
      (v) => v.node === value.node && v.reference === value.reference && v.kind === value.kind && v.mode === value.mode,
    )?.seen ?? ''
  return {
    circuit: query.data,
    error: query.error,
    readLines: (lines: string[], change: boolean) =>
      ask(
        http.POST('/api/sets/{setId}/part-lines/readings', { params: params(), body: { lines, change, seen: null } }),
      ),
    /** With what was there when the lines were begun, so that nobody else’s change is overwritten unseen. */
    async keepLines(lines: string[], change: boolean, seen: Record<string, string>) {
      const answer = await ask(
        http.POST('/api/sets/{setId}/part-lines', { params: params(), body: { lines, change, seen } }),
      )
      if (answer.kind === 'ready') await refresh()
      return answer
    },
    async putPart(line: string, seen: string) {
      const answer = await keep(ask(http.POST('/api/sets/{setId}/parts', { params: params(), body: { line, seen } })))
      if (answer.kind === 'failed') await refresh()
      return answer
    },
    giveRole: (reference: string, body: Schemas['RoleEdit']) =>
      change(
        ask(
          http.PUT('/api/sets/{setId}/parts/{reference}/role', {
            params: { path: { setId: toValue(setId), reference } },
            body,
          }),
        ),
      ),
    removePart: (reference: string) =>
      keep(
        ask(
          http.DELETE('/api/sets/{setId}/parts/{reference}', {
            params: {
              path: { setId: toValue(setId), reference },
              query: { seen: query.data.value?.parts.find((part) => part.reference === reference)?.line ?? '' },
            },
          }),
        ),
      ),
    async ownSheet() {
      const answer = await ask(http.DELETE('/api/sets/{setId}/sheet-origin', { params: params() }))
      if (answer.kind === 'ready') await refresh()
      return answer
    },
    settleUnread: () =>
      keep(
        ask(
          http.DELETE('/api/sets/{setId}/unread-lines', {
            params: { ...params(), query: { seen: query.data.value?.unreadSeen ?? '' } },
          }),
        ),
      ),
    addValue: (body: Schemas['ValueEdit']) =>
      keep(ask(http.POST('/api/sets/{setId}/part-values', { params: params(), body }))),
    putPaper: (paper: string) => keep(ask(http.PUT('/api/sets/{setId}/paper', { params: params(), body: { paper } }))),
    putPoints: (points: Schemas['PointEdit'][]) =>
      change(
        ask(
          http.PUT('/api/sets/{setId}/test-points', {
            params: params(),
            body: { points, seen: query.data.value?.pointsSeen ?? '' },
          }),
        ),
      ),
    putSheet: (value: Omit<Schemas['SheetEdit'], 'seen'>) =>
      change(
        ask(http.PUT('/api/sets/{setId}/sheet-values', { params: params(), body: { ...value, seen: seenOf(value) } })),
      ),
    async load(kind: 'circuit' | 'sheet' | 'reading' | 'part', file: File) {
      const answer = await upload(
        `/api/sets/${toValue(setId)}/${kind}-imports?fileName=${encodeURIComponent(file.name)}`,
        file,
      )
      if (answer.kind === 'ready') await refresh()
      return answer
    },
  }
}

/** Each part's line as it stands. */
export function partLines(parts: readonly Schemas['PartView'][]): Record<string, string> {
  return Object.fromEntries(parts.map((part) => [part.reference, part.line]))
}
