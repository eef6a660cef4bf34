import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type DrawingView = Schemas['DrawingView']
export type DrawnPart = Schemas['DrawnPartView']
export type WalkView = Schemas['WalkView']
export type WalkStep = Schemas['WalkStepView']

/** A set's schematic, drawn by the server from the circuit as it is. */
export function useDrawing(setId: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['circuit', setId, 'drawing'],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/drawing', { params: { path: { setId: toValue(setId) } } }))),
  })
}

/** The walk against the set's own schematic; each word on a part answers with the new whole. */
export function useWalk(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const params = () => ({ path: { setId: toValue(setId) } })
  const key = () => ['circuit', toValue(setId), 'walk']
  const query = useQuery({
    queryKey: ['circuit', setId, 'walk'],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/walk', { params: params() }))),
  })
  const siblings = useQuery({
    queryKey: ['circuit', setId, 'walk', 'siblings'],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/walk/siblings', { params: params() }))),
  })
  function show(walk: WalkView) {
    client.setQueryData(key(), walk)
    // The next part is typed meanwhile.
    void client.invalidateQueries({
      predicate: (q) =>
        q.queryKey.includes('drawing') ||
        (q.queryKey[0] === 'circuit' && q.queryKey.length === 2) ||
        ['volts', 'shelf', 'arrival', 'map'].includes(String(q.queryKey[0])),
    })
  }
  async function keep(answer: Promise<Answer<WalkView>>): Promise<Answer<WalkView>> {
    const settled = await answer
    if (settled.kind === 'ready') show(settled.value)
    return settled
  }
  return {
    walk: query.data,
    siblings: siblings.data,
    /** Makes a stage another of its kind. */
    async swap(word: string) {
      const answer = await ask(http.POST('/api/sets/{setId}/walk/swaps', { params: params(), body: { word } }))
      if (answer.kind === 'ready') {
        show(answer.value.walk)
        void client.invalidateQueries({ queryKey: ['circuit', toValue(setId), 'walk', 'siblings'] })
      }
      return answer
    },
    error: query.error,
    confirm: (body: Schemas['ConfirmEdit']) =>
      keep(ask(http.POST('/api/sets/{setId}/walk/confirmations', { params: params(), body }))),
    takeBack: (id: string, reference: string, line: string) =>
      keep(ask(http.POST('/api/sets/{setId}/walk/withdrawals', { params: params(), body: { id, reference, line } }))),
    add: (typed: string) =>
      keep(ask(http.POST('/api/sets/{setId}/walk/additions', { params: params(), body: { typed } }))),
    async remove(reference: string, seen: string): Promise<Answer<WalkView>> {
      const gone = await ask(
        http.DELETE('/api/sets/{setId}/parts/{reference}', {
          params: { path: { setId: toValue(setId), reference }, query: { seen } },
        }),
      )
      return gone.kind === 'failed' ? gone : keep(ask(http.GET('/api/sets/{setId}/walk', { params: params() })))
    },
  }
}

/** The part next to another in a direction: the nearest whose middle lies that way, straight ahead before aslant. */
export function neighbour(
  parts: readonly DrawnPart[],
  from: DrawnPart,
  direction: 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown',
): DrawnPart {
  const [x, y] = middle(from)
  let best = from
  let least = Infinity
  for (const part of parts) {
    const [px, py] = middle(part)
    const [dx, dy] = [px - x, py - y]
    const [ahead, aside] = {
      ArrowLeft: [-dx, dy],
      ArrowRight: [dx, dy],
      ArrowUp: [-dy, dx],
      ArrowDown: [dy, dx],
    }[direction] as [number, number]
    const distance = ahead + 2.5 * Math.abs(aside)
    if (part !== from && ahead > 4 && distance < least) {
      best = part
      least = distance
    }
  }
  return best
}

function middle(part: DrawnPart): [number, number] {
  const [x = 0, y = 0, width = 0, height = 0] = part.box
  return [x + width / 2, y + height / 2]
}
