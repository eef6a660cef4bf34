import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, sendBytes, type Answer, type Schemas } from '../api/client'

export type PlayerView = Schemas['PlayerView']
export type SpeedEdit = Omit<Schemas['SpeedEdit'], 'id'>
export type QuestionView = Schemas['PlayerQuestionView']
export type ToneView = Schemas['ToneView']
export type DriveView = Schemas['DriveView']

/** What was said of a recording beside its sound. */
export interface Taken {
  tone: number
  rpm: number
  source: 'MICROPHONE' | 'LINE' | 'FILE'
  minutes: number | null
  marks: readonly number[]
  halfRound: boolean
  grooveMm: number | null
}

/** The player in a set: what is known of it, and what can be added. */
export function usePlayer(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['player', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/player', { params: path() }))),
  })
  async function shown(answer: Answer<PlayerView>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['player', toValue(setId)], answer.value)
      // Not waited for: whoever types on meanwhile must not be overtaken by what is cleared afterwards.
      void client.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'player' && q.queryKey.includes(toValue(setId)),
      })
    }
    return answer
  }
  const id = () => crypto.randomUUID()
  return {
    player: query.data,
    error: query.error,
    describe: async (edit: Omit<Schemas['DriveEdit'], 'id'>) =>
      shown(await ask(http.POST('/api/sets/{setId}/player/drives', { params: path(), body: { id: id(), ...edit } }))),
    judge: (edit: SpeedEdit) =>
      ask(http.POST('/api/sets/{setId}/player/speed-previews', { params: path(), body: { id: id(), ...edit } })),
    keep: async (edit: SpeedEdit) =>
      shown(await ask(http.POST('/api/sets/{setId}/player/speeds', { params: path(), body: { id: id(), ...edit } }))),
    answer: async (question: string, answer: string, note = '') =>
      shown(
        await ask(
          http.POST('/api/sets/{setId}/player/answers', { params: path(), body: { id: id(), question, answer, note } }),
        ),
      ),
    mend: async (cause: string, note: string) =>
      shown(
        await ask(http.POST('/api/sets/{setId}/player/mendings', { params: path(), body: { id: id(), cause, note } })),
      ),
    /** Takes a reading back; the log keeps it, and it speaks no longer. */
    takeBack: async (entry: string) => {
      const answer = await ask(
        http.POST('/api/sets/{setId}/withdrawals', { params: path(), body: { id: id(), entry, readingId: null } }),
      )
      if (answer.kind === 'ready')
        await client.invalidateQueries({ predicate: (q) => q.queryKey.includes(toValue(setId)) })
      return answer
    },
    /** Sends a whole sound; sent again under the same id it is kept once. */
    listen: async (take: string, sound: Blob, said: Taken) => {
      const query = new URLSearchParams({
        tone: String(said.tone),
        rpm: String(said.rpm),
        source: said.source,
        halfRound: String(said.halfRound),
        marks: said.marks.map((s) => s.toFixed(3)).join(','),
      })
      if (said.minutes !== null) query.set('minutes', String(said.minutes))
      if (said.grooveMm !== null) query.set('grooveMm', String(said.grooveMm))
      return shown(
        await sendBytes<PlayerView>('POST', `/api/sets/${toValue(setId)}/player/sounds/${take}?${query}`, sound),
      )
    },
  }
}
