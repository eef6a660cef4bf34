import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { computed, readonly, ref } from 'vue'
import { session } from '../account/session'
import { heard, isProblem, sessionEnded, unreachable, type Answer, type Problem } from '../api/client'

/** One write that waits in this browser: kept until the server has taken it, in the order it was made. */
export interface Waiting {
  /** Its place in the order. */
  readonly place?: number
  /** What people call it: {@code V4 grid 7.1}. */
  readonly shown: string
  readonly setId: string
  readonly path: string
  /** JSON with an id of its own, so that sending it again changes nothing. */
  readonly body: Record<string, unknown>
  /** A file's bytes; then the id is in the path, and they go in by PUT instead of the body. */
  readonly bytes?: ArrayBuffer
  /** Whose it is: nobody else's session sends it. */
  readonly account: string
  readonly at: string
  /** Why the server did not take it; null while it waits. */
  readonly refused: Problem | null
}

interface Kept extends DBSchema {
  waiting: { key: number; value: Waiting }
}

export type Posted<T> = Answer<T> | { kind: 'queued' }

let opened: Promise<IDBPDatabase<Kept>> | null = null
function store() {
  opened ??= openDB<Kept>('umber-outbox', 1, {
    upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'place', autoIncrement: true }),
  })
  return opened
}

const me = () => session.current.value?.accountId ?? ''
/** Whether it waits, and for this session. */
const mine = (waiting: Waiting) => !waiting.refused && waiting.account === me()

const entries = ref<readonly Waiting[]>([])
const listeners = new Set<(setId: string) => void>()
let draining: Promise<void> | null = null

async function reread() {
  entries.value = await (await store()).getAll('waiting')
}

type Outcome = { kind: 'answered'; response: Response } | { kind: 'silent' }

type Entry = Pick<Waiting, 'shown' | 'setId' | 'path' | 'body' | 'bytes'>

async function send({ path, body, bytes }: Entry): Promise<Outcome> {
  try {
    const response = bytes
      ? await fetch(path, { method: 'PUT', headers: { 'Content-Type': 'application/octet-stream' }, body: bytes })
      : await fetch(path, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        })
    if (response.status === 401) sessionEnded()
    if (response.status >= 500) heard(await problemOf(response.clone()))
    // A server or database that is only just coming up, a full disk, a proxy without a server behind it, or a session that
    // ended: not answered yet. What was too much at once goes in later.
    return response.status >= 500 || response.status === 429 || response.status === 401
      ? { kind: 'silent' }
      : { kind: 'answered', response }
  } catch {
    return { kind: 'silent' }
  }
}

async function problemOf(response: Response): Promise<Problem> {
  const said: unknown = await response.json().catch(() => null)
  return isProblem(said) ? { ...unreachable, ...said } : unreachable
}

/**
 * Sends a write, or keeps it in this browser when nobody answers. While earlier ones wait, a later one waits behind them.
 */
export async function post<T>(entry: Entry): Promise<Posted<T>> {
  await drain()
  if (!entries.value.some(mine)) {
    const sent = await send(entry)
    if (sent.kind === 'answered')
      return sent.response.ok
        ? { kind: 'ready', value: (await sent.response.json()) as T }
        : { kind: 'failed', problem: await problemOf(sent.response) }
  }
  const at = new Date().toISOString()
  // A picture that carries no time of its own was taken when it was handed over.
  const path = entry.bytes ? `${entry.path}&takenAt=${encodeURIComponent(at)}` : entry.path
  await (await store()).add('waiting', { ...entry, path, at, account: me(), refused: null })
  await reread()
  return { kind: 'queued' }
}

/** Sends what waits, in order, until nobody answers; what is refused stays with its reason. One tab at a time does it. */
export function drain(): Promise<void> {
  draining ??= locked().finally(() => {
    draining = null
  })
  return draining
}

async function locked() {
  await reread()
  if (!entries.value.some(mine)) return
  if ('locks' in navigator && navigator.locks)
    await navigator.locks.request('umber-outbox', { ifAvailable: true }, (lock) => (lock ? sendAll() : undefined))
  else await sendAll()
}

async function sendAll() {
  const db = await store()
  for (const waiting of await db.getAll('waiting')) {
    if (!mine(waiting)) continue
    const sent = await send(waiting)
    if (sent.kind === 'silent') break
    if (sent.response.ok) await db.delete('waiting', waiting.place!)
    else await db.put('waiting', { ...waiting, refused: await problemOf(sent.response) })
    listeners.forEach((tell) => tell(waiting.setId))
    await reread()
  }
}

/** Sends one that was only asked about: its question is answered with yes. */
export async function insist(waiting: Waiting) {
  await (await store()).put('waiting', { ...waiting, body: { ...waiting.body, confirmed: true }, refused: null })
  await drain()
}

export async function discard(waiting: Waiting) {
  await (await store()).delete('waiting', waiting.place!)
  await reread()
}

/** Calls back with the set each time one of its entries was taken or refused. */
export function onSent(tell: (setId: string) => void): () => void {
  listeners.add(tell)
  return () => void listeners.delete(tell)
}

export const outbox = {
  entries: readonly(entries),
  waiting: computed(() => entries.value.filter(mine)),
  refused: computed(() => entries.value.filter((one) => one.refused && one.account === me())),
  /** Of somebody else at this screen: only their number is anybody's business. */
  others: computed(() => entries.value.filter((one) => one.account !== me()).length),
}
