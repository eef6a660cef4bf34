import { useQuery } from '@tanstack/vue-query'
import { ask, http, orThrow, type Schemas } from '../api/client'

export type FormingWait = Schemas['FormingWait']

/** What the sets wait for by themselves: parts on their way, capacitors on their volts. */
export function useWaits() {
  return useQuery({
    queryKey: ['waits'],
    queryFn: () => orThrow(ask(http.GET('/api/waits'))),
    refetchInterval: 60_000,
  })
}
