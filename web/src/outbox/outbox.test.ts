import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { entered, type Session } from '../account/session'
import { discard, drain, insist, outbox, post } from './outbox'

type Reply = { status: number; body: unknown } | 'nobody'
const sent: { path: string; body: Record<string, unknown> }[] = []
let replies: Reply[] = []

function answering(...next: Reply[]) {
  replies = next
}
const entry = (text: string) => ({
  shown: text,
  setId: 's1',
  path: '/api/sets/s1/readings',
  body: { id: `id-${text}`, text, confirmed: false },
})
const ok: Reply = { status: 200, body: { points: [] } }
const refusal = (type: string, detail: string): Reply => ({
  status: 422,
  body: { type, title: '', detail, errors: [] },
})

beforeEach(() => {
  sent.length = 0
  vi.stubGlobal('fetch', (path: string, init: { body: string }) => {
    const reply = replies.shift() ?? 'nobody'
    if (reply === 'nobody') return Promise.reject(new TypeError('no network'))
    sent.push({ path, body: JSON.parse(init.body) as Record<string, unknown> })
    return Promise.resolve(new Response(JSON.stringify(reply.body), { status: reply.status }))
  })
})
afterEach(async () => {
  answering()
  for (const one of outbox.entries.value) await discard(one)
  vi.unstubAllGlobals()
})

it('sends at once while somebody answers', async () => {
  answering(ok)
  expect(await post(entry('82.4'))).toEqual({ kind: 'ready', value: { points: [] } })
  expect(outbox.waiting.value).toHaveLength(0)
})

it('keeps what nobody answers and sends it in order, each once', async () => {
  for (const text of ['1', '2', '3']) expect((await post(entry(text))).kind).toBe('queued')
  expect(outbox.waiting.value.map((one) => one.shown)).toEqual(['1', '2', '3'])
  answering(ok, ok, ok)
  await drain()
  expect(sent.map((one) => one.body['id'])).toEqual(['id-1', 'id-2', 'id-3'])
  expect(outbox.entries.value).toHaveLength(0)
  await drain()
  expect(sent).toHaveLength(3)
})

it('stops at the first silence and goes on from there', async () => {
  await post(entry('1'))
  await post(entry('2'))
  answering(ok, 'nobody')
  await drain()
  expect(outbox.waiting.value.map((one) => one.shown)).toEqual(['2'])
  // A later one waits behind it, also when somebody would answer now.
  answering('nobody')
  await post(entry('3'))
  answering(ok, ok)
  await drain()
  expect(sent.map((one) => one.body['text'])).toEqual(['1', '2', '3'])
})

it('takes a server that fails as one that does not answer', async () => {
  answering({ status: 503, body: {} })
  expect((await post(entry('1'))).kind).toBe('queued')
})

it('brings back what is refused, with its reason, and sends the rest', async () => {
  await post(entry('lots'))
  await post(entry('2'))
  answering(refusal('/problems/invalid-entry', '“lots” is not a value.'), ok)
  await drain()
  expect(outbox.waiting.value).toHaveLength(0)
  expect(outbox.refused.value.map((one) => one.refused?.detail)).toEqual(['“lots” is not a value.'])
})

it('asks once more for what was only doubted', async () => {
  await post(entry('900'))
  answering(refusal('/problems/ask-first', '900 V at a cathode?'))
  await drain()
  answering(ok)
  await insist(outbox.refused.value[0]!)
  expect(sent[1]!.body).toMatchObject({ id: 'id-900', confirmed: true })
  expect(outbox.entries.value).toHaveLength(0)
})

it('answers a refusal straight away while nothing waits', async () => {
  answering(refusal('/problems/invalid-entry', 'no'))
  expect(await post(entry('x'))).toMatchObject({ kind: 'failed', problem: { detail: 'no' } })
})

it('waits for a session that ended instead of taking it for a refusal', async () => {
  answering({
    status: 401,
    body: { type: '/problems/signed-out', title: '', detail: 'You are signed out.', errors: [] },
  })
  expect((await post(entry('1'))).kind).toBe('queued')
  answering(ok)
  await drain()
  expect(outbox.entries.value).toHaveLength(0)
})

it('sends nothing of one person in the session of another', async () => {
  await post(entry('1'))
  answering(ok)
  entered({ kind: 'ready', value: { state: 'SIGNED_IN', accountId: 'bo', role: 'BENCH' } as Session })
  await drain()
  expect(outbox.waiting.value).toHaveLength(0)
  expect(outbox.others.value).toBe(1)
  expect(sent).toHaveLength(0)
})
