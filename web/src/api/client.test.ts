import { expect, it } from 'vitest'
import { ask, databaseAway, faultAt, orThrow, passes, ProblemError } from './client'

const answer = (status: number, body: object) =>
  Promise.resolve({
    data: status < 300 ? body : undefined,
    error: status < 300 ? undefined : body,
    response: new Response(null, { status }),
  })

it('gives the value of an answer that is ready', async () => {
  expect(await ask(answer(200, { a: 1 }))).toEqual({ kind: 'ready', value: { a: 1 } })
})

it('gives the problem of one that is not, with the fault at its field', async () => {
  const settled = await ask(
    answer(422, {
      type: '/problems/invalid-entry',
      title: 't',
      detail: 'd',
      errors: [{ pointer: '#/meter', code: 'c', detail: 'no meter' }],
    }),
  )
  expect(settled.kind === 'failed' && faultAt(settled.problem, 'meter')).toBe('no meter')
  expect(settled.kind === 'failed' && faultAt(settled.problem, 'name')).toBe('')
})

it('never throws when nobody answers', async () => {
  const settled = await ask(Promise.reject(new TypeError('network')))
  expect(settled.kind === 'failed' && settled.problem.detail).toContain('still here')
})

it('throws a problem for queries', async () => {
  await expect(orThrow(ask(answer(404, { type: 'x', title: '', detail: 'gone', errors: [] })))).rejects.toBeInstanceOf(
    ProblemError,
  )
})

it('notices that the database is away, and that it is back', async () => {
  const away = { type: '/problems/database-away', detail: 'The database is being started again.' }
  const answer = await ask(Promise.resolve({ error: away, response: new Response(null, { status: 503 }) }))
  expect(answer.kind === 'failed' && passes(answer.problem)).toBe(true)
  expect(databaseAway.value).toBe(true)
  await ask(Promise.resolve({ data: {}, response: new Response(null, { status: 200 }) }))
  expect(databaseAway.value).toBe(false)
})
