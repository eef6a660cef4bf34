import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, ref, toValue } from 'vue'
import { ask, http, orThrow, unreachable, type Schemas } from '../api/client'
import { post, type Posted } from '../outbox/outbox'

export type Photo = Schemas['PhotoView']
export type Shows = Photo['shows']

/** One file on its way. It stays, with what went wrong, until it is in or given up. */
export interface Sending {
  readonly id: string
  readonly file: File
  readonly shows: Shows
  fault: string
  busy: boolean
}

const LARGEST = 64_000_000

export function photoUrl(setId: string, photo: string, size: 'full' | 'thumb'): string {
  return `/api/sets/${setId}/photos/${photo}/${size}`
}

/** A set's pictures, and files on their way to it, one after the other. */
export function usePhotos(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const params = () => ({ path: { setId: toValue(setId) } })
  const query = useQuery({
    queryKey: ['photos', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/photos', { params: params() }))),
  })
  const sending = ref<Sending[]>([])

  function put(photos: Photo[]) {
    client.setQueryData(['photos', toValue(setId)], photos)
    void client.invalidateQueries({ predicate: (q) => ['arrival', 'map', 'shelf'].includes(String(q.queryKey[0])) })
  }
  /** By way of what waits in this browser; a browser without room for it leaves the picture here on the page. */
  async function handOver(one: Sending, path: string): Promise<Posted<Photo[]>> {
    try {
      return await post<Photo[]>({
        shown: one.file.name,
        setId: toValue(setId),
        path,
        body: {},
        bytes: await one.file.arrayBuffer(),
      })
    } catch {
      return { kind: 'failed', problem: unreachable }
    }
  }
  async function send(one: Sending) {
    one.busy = true
    one.fault = ''
    const query = new URLSearchParams({ fileName: one.file.name, shows: one.shows })
    const answer = await handOver(one, `/api/sets/${toValue(setId)}/photos/${one.id}/content?${query}`)
    one.busy = false
    if (answer.kind !== 'failed') {
      sending.value = sending.value.filter((other) => other.id !== one.id)
      if (answer.kind === 'ready') put(answer.value)
    } else {
      one.fault =
        answer.problem.type === '/problems/unreachable'
          ? 'The upload was cut off; the picture is still here. Try again.'
          : answer.problem.detail
    }
  }
  /** Takes files on, and gives the id the first will have. */
  async function add(files: Iterable<File>, shows: Shows): Promise<string | null> {
    const taken: Sending[] = [...files].map((file) => ({
      id: crypto.randomUUID(),
      file,
      shows,
      busy: false,
      fault:
        file.size > LARGEST
          ? `${file.name} has ${Math.round(file.size / 1e6)} MB; up to 64 MB are taken. A photo for the record needs no more than 10.`
          : '',
    }))
    sending.value.push(...taken)
    for (const one of taken) {
      const kept = sending.value.find((other) => other.id === one.id)
      if (kept && !kept.fault) await send(kept)
    }
    return taken[0] && !sending.value.some((other) => other.id === taken[0]?.id) ? taken[0].id : null
  }
  return {
    photos: query.data,
    error: query.error,
    sending,
    add,
    again: send,
    giveUp: (id: string) => {
      sending.value = sending.value.filter((one) => one.id !== id)
    },
    async label(photo: Photo, edit: Partial<Schemas['PhotoEdit']>) {
      const body = {
        shows: photo.shows,
        phase: photo.phase,
        caption: photo.caption,
        beforeId: photo.beforeId ?? null,
        showsOwner: photo.showsOwner,
        version: photo.version,
        ...edit,
      }
      const answer = await ask(
        http.PUT('/api/sets/{setId}/photos/{photoId}', {
          params: { path: { setId: toValue(setId), photoId: photo.id } },
          body,
        }),
      )
      if (answer.kind === 'ready') put(answer.value)
      return answer
    },
    async remove(photo: Photo) {
      const answer = await ask(
        http.DELETE('/api/sets/{setId}/photos/{photoId}', {
          params: { path: { setId: toValue(setId), photoId: photo.id } },
        }),
      )
      if (answer.kind === 'ready') put(answer.value)
      return answer
    },
  }
}

export const phases: readonly { id: string; name: string }[] = [
  { id: 'ARRIVAL', name: 'Arrival' },
  { id: 'COLD', name: 'Cold' },
  { id: 'PARTS', name: 'Parts' },
  { id: 'RECAP', name: 'Recap' },
  { id: 'POWER', name: 'Power' },
  { id: 'VOLTS', name: 'Volts' },
  { id: 'MOTION', name: 'Motion' },
  { id: 'TUNE', name: 'Tune' },
  { id: 'HANDOVER', name: 'Handover' },
]
