import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { computed, readonly, ref } from 'vue'
import { isProblem, unreachable, type Answer, type Problem } from '../api/client'

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
  opened ??= openDB<Kept>('umber-outbox', 1, { upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'place', autoIncrement: true }) })
  return opened
}

const entries = ref<readonly Waiting[]>([])
const listeners = new Set<(setId: string) => void>()
let draining: Promise<void> | null = null

async function reread() {
  entries.value = await (await store()).getAll('waiting')
}

type Outcome = { kind: 'answered'; response: Response } | { kind: 'silent' }

async function send(path: string, body: unknown): Promise<Outcome> {
  try {
    const response = await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
    // A server that is only just coming up, or a proxy without one behind it, has not answered yet.
    return response.status >= 500 ? { kind: 'silent' } : { kind: 'answered', response }
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
export async function post<T>(entry: Pick<Waiting, 'shown' | 'setId' | 'path' | 'body'>): Promise<Posted<T>> {
  await drain()
  if (!entries.value.some((waiting) => !waiting.refused)) {
    const sent = await send(entry.path, entry.body)
    if (sent.kind === 'answered') return sent.response.ok ? { kind: 'ready', value: (await sent.response.json()) as T } : { kind: 'failed', problem: await problemOf(sent.response) }
  }
  await (await store()).add('waiting', { ...entry, at: new Date().toISOString(), refused: null })
  await reread()
  return { kind: 'queued' }
}

/** Sends what waits, in order, until nobody answers; what is refused stays with its reason. One tab at a time does it. */
export function drain(): Promise<void> {
  draining ??= locked().finally(() => { draining = null })
  return draining
}

async function locked() {
  await reread()
  if (!entries.value.some((waiting) => !waiting.refused)) return
  if ('locks' in navigator && navigator.locks) await navigator.locks.request('umber-outbox', { ifAvailable: true }, (lock) => (lock ? sendAll() : undefined))
  else await sendAll()
}

async function sendAll() {
  const db = await store()
  for (const waiting of await db.getAll('waiting')) {
    if (waiting.refused) continue
    const sent = await send(waiting.path, waiting.body)
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
  waiting: computed(() => entries.value.filter((one) => !one.refused)),
  refused: computed(() => entries.value.filter((one) => one.refused)),
}
