import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener } from '@vueuse/core'
import { onUnmounted } from 'vue'
import { useRouter } from 'vue-router'

/** What is on other screens of the shop and changes with any set. */
const acrossSets = ['shelf', 'workshop', 'equipment', 'going-runs']

/** Whether data is of this revision of its set or a later one: the echo of what this page did itself. */
export function shows(data: unknown, revision: number): boolean {
  return typeof data === 'object' && data !== null && 'revision' in data && Number(data.revision) >= revision
}

/**
 * Fetches anew what another screen has changed. Only while this page is looked at, since a browser opens few connections to one
 * server; a page that comes back into view fetches everything again.
 */
export function useLive() {
  const client = useQueryClient()
  const router = useRouter()
  let source: EventSource | null = null

  function changed(set: string, revision: number) {
    const here = router.currentRoute.value.params['setId'] === set
    // Whether a set has power is shown on its own pages too.
    if (here) void client.invalidateQueries({ queryKey: ['going-runs'] })
    void client.invalidateQueries({
      predicate: (query) =>
        here
          ? query.queryKey[0] !== 'shop' && !(query.queryKey.includes(set) && shows(query.state.data, revision))
          : acrossSets.includes(String(query.queryKey[0])),
    })
  }
  function open() {
    if (source || document.hidden || !('EventSource' in window) || !window.EventSource) return
    source = new EventSource('/api/live')
    let ready = false
    source.addEventListener('ready', () => {
      // A stream that was lost and is back: what changed in between was told to nobody here.
      if (ready) void client.invalidateQueries()
      ready = true
    })
    // An answer that is no stream ends it for good; asking for anything else says why.
    source.addEventListener('error', () => {
      if (source?.readyState === EventSource.CLOSED) {
        close()
        void client.invalidateQueries({ queryKey: ['shop'] })
      }
    })
    source.addEventListener('set', (event) => {
      const { data, lastEventId } = event as MessageEvent<string>
      changed(data, Number(lastEventId))
    })
    source.addEventListener('shop', () => void client.invalidateQueries())
  }
  function close() {
    source?.close()
    source = null
  }

  useEventListener(document, 'visibilitychange', () => {
    if (document.hidden) return close()
    open()
    void client.invalidateQueries()
  })
  open()
  onUnmounted(close)
}
