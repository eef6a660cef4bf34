import createClient from 'openapi-fetch'
import { readonly, ref } from 'vue'
import type { components, paths } from './schema'

export type Schemas = components['schemas']

/** What the server answered about a request it did not do. */
export interface Problem {
  readonly type: string
  readonly title: string
  readonly detail: string
  readonly errors: readonly { pointer: string; code: string; detail: string }[]
}

/** An answer, or the reason there is none; requests never throw. */
export type Answer<T> = { kind: 'ready'; value: T } | { kind: 'failed'; problem: Problem }

export const http = createClient<paths>({ baseUrl: location.origin })

export const unreachable: Problem = {
  type: '/problems/unreachable',
  title: 'No answer',
  detail: 'Umber Dial does not answer. What you typed is still here; check that it is running, then try again.',
  errors: [],
}

export function isProblem(value: unknown): value is Problem {
  return typeof value === 'object' && value !== null && 'detail' in value
}

/** Where a 401 is about what was typed, not about the session. */
const doors = ['/api/session', '/api/pairing-redemptions', '/login/webauthn']
const signedOut = new Set<() => void>()
/** Calls back when an answer says that this screen's session has ended. */
export function onSignedOut(tell: () => void) {
  signedOut.add(tell)
}

export function sessionEnded() {
  signedOut.forEach((tell) => tell())
}

const DATABASE_AWAY = '/problems/database-away'
const away = ref(false)
/** Whether the last answers said that the database is being started again. */
export const databaseAway = readonly(away)

/** Takes notice of what an answer says about the database, whichever way it was asked for. */
export function heard(problem: Problem | null) {
  away.value = problem?.type === DATABASE_AWAY
}

/** Whether the same request may well do better in a moment. */
export function passes(problem: Problem): boolean {
  return problem.type === unreachable.type || problem.type === DATABASE_AWAY || problem.type === '/problems/too-busy'
}

/** Turns a request into an answer. */
export async function ask<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<Answer<T>> {
  try {
    const { data, error, response } = await request
    heard(isProblem(error) ? { ...unreachable, ...error } : null)
    if (response.ok) return { kind: 'ready', value: data as T }
    if (response.status === 401 && !doors.some((door) => response.url.endsWith(door))) sessionEnded()
    return { kind: 'failed', problem: isProblem(error) ? { ...unreachable, ...error } : unreachable }
  } catch {
    return { kind: 'failed', problem: unreachable }
  }
}

/** For queries, whose library wants a throw. */
export async function orThrow<T>(answer: Promise<Answer<T>>): Promise<T> {
  const settled = await answer
  if (settled.kind === 'failed') throw new ProblemError(settled.problem)
  return settled.value
}

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
}

/** The sentence for one field, if the problem names it. */
export function faultAt(problem: Problem | null, field: string): string {
  return problem?.errors.find((fault) => fault.pointer === `#/${field}`)?.detail ?? ''
}

/** Sends a file's own bytes. */
export async function sendBytes<T>(method: 'POST' | 'PUT', path: string, file: Blob): Promise<Answer<T>> {
  const send = async () => {
    const response = await fetch(path, { method, headers: { 'Content-Type': 'application/octet-stream' }, body: file })
    const body: unknown = await response.json()
    return response.ok ? { data: body as T, response } : { error: body, response }
  }
  return ask(send())
}

export function upload(path: string, file: File): Promise<Answer<Schemas['ReadingFile']>> {
  return sendBytes('POST', path, file)
}
