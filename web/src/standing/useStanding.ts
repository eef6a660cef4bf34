import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, watch, type Ref } from 'vue'
import { ask, databaseAway, http, orThrow } from '../api/client'
import { drain } from '../outbox/outbox'

const LOOK_MILLIS = 60_000
const AWAY_MILLIS = 1_500

/** How the machine stands: its database, its disk, and what went wrong lately and was put right. */
export function useStanding(inside: Ref<boolean>) {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: ['standing'],
    queryFn: () => orThrow(ask(http.GET('/api/standing'))),
    enabled: inside,
    refetchInterval: LOOK_MILLIS,
  })
  const read = useLocalStorage('umber-standing-read', '')
  const event = computed(() =>
    query.data.value?.event && query.data.value.event.at !== read.value ? query.data.value.event : null,
  )

  // Any answer without a complaint takes the word back; then everything is fetched anew and what waits goes in.
  useIntervalFn(() => {
    if (databaseAway.value) void ask(http.GET('/api/session'))
  }, AWAY_MILLIS)
  watch(databaseAway, (away) => {
    if (away) return
    void drain()
    void client.invalidateQueries()
  })
  return {
    away: databaseAway,
    space: computed(() => query.data.value?.space ?? ''),
    event,
    readEvent: () => {
      read.value = event.value?.at ?? ''
    },
  }
}
