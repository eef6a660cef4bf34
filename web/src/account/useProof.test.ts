import { describe, expect, it, vi } from 'vitest'
import { http, unreachable, type Answer } from '../api/client'
import { useProof } from './useProof'

const asked: Answer<string> = { kind: 'failed', problem: { ...unreachable, type: '/problems/prove-first' } }
const done: Answer<string> = { kind: 'ready', value: 'a link' }

describe('useProof', () => {
  it('does at once what needs no proof', async () => {
    const proof = useProof()
    expect(await proof.proved(() => Promise.resolve(done))).toEqual(done)
    expect(proof.open.value).toBe(false)
  })

  it('asks, and does it again once the password was right', async () => {
    const proof = useProof()
    const act = vi.fn<() => Promise<Answer<string>>>().mockResolvedValueOnce(asked).mockResolvedValueOnce(done)
    const outcome = proof.proved(act)
    await vi.waitFor(() => expect(proof.open.value).toBe(true))
    const post = vi.spyOn(http, 'POST')
    post.mockResolvedValueOnce({
      error: { type: '/problems/invalid-entry', detail: 'That is not your password.' },
      response: new Response(null, { status: 422 }),
    } as never)
    await proof.byPassword('wrong')
    expect(proof.problem.value?.detail).toBe('That is not your password.')
    post.mockResolvedValueOnce({ data: undefined, response: new Response(null, { status: 200 }) } as never)
    await proof.byPassword('right')
    expect(await outcome).toEqual(done)
    expect(act).toHaveBeenCalledTimes(2)
  })

  it('leaves it undone when the person leaves', async () => {
    const proof = useProof()
    const act = vi.fn<() => Promise<Answer<string>>>().mockResolvedValue(asked)
    const outcome = proof.proved(act)
    await vi.waitFor(() => expect(proof.open.value).toBe(true))
    proof.leave()
    expect(await outcome).toEqual({ kind: 'left' })
    expect(act).toHaveBeenCalledTimes(1)
  })
})
