import { describe, expect, it } from 'vitest'
import { clockOf, figure, figureAt, glowOf, laid, stretches, thinned } from './timeline'

describe('a plan on the time of a run', () => {
  it('lies as planned while nothing is late', () => {
    expect(stretches([0, 20, 50], [0], 5)).toEqual([
      { from: 0, to: 20, at: 0, until: 20 },
      { from: 20, to: 50, at: 20, until: 50 },
    ])
  })
  it('stays at the end of a step that lasts longer, and moves what follows', () => {
    const all = stretches([0, 2, 4], [0], 3)
    expect(all[1]).toEqual({ from: 2, to: 4, at: 3, until: 5 })
    expect(laid([1, 2, 3, 4, 5], all)).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 3],
      [3, 3],
      [4, 4],
      [5, 5],
    ])
  })
  it('shortens a step that was left early', () => {
    const all = stretches([0, 20, 40], [0, 5], 6)
    expect(all[0]).toEqual({ from: 0, to: 20, at: 0, until: 5 })
    expect(
      laid(
        Array.from({ length: 41 }, (_, i) => i),
        all,
      )[5],
    ).toEqual([5, 5])
  })
  it('finds what lies between two seconds', () => {
    expect(figureAt([0, 10, 30], 1.5)).toBe(20)
    expect(figureAt([0, 10, 30], 9)).toBe(30)
  })
})

it('writes figures as a meter does', () => {
  expect(figure(0.2114, 'A')).toBe('0.211')
  expect(figure(-0.003, 'V')).toBe('0.0')
  expect(figure(117.4, 'V')).toBe('117')
  expect(clockOf(72.9)).toBe('1:12')
  expect(glowOf(0.5)).toBe('bright')
})

it('thins a long run, and keeps where it is now', () => {
  const long = Array.from({ length: 18_000 }, (_, i) => i)
  const kept = thinned(long, 1200)
  expect(kept.length).toBeLessThan(1202)
  expect(kept[kept.length - 1]).toBe(17_999)
  expect(thinned([1, 2, 3], 1200)).toEqual([1, 2, 3])
})
