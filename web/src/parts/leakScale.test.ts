import { expect, it } from 'vitest'
import { leakAt } from './leakScale'

it('places a leak by its ratio, and keeps to the bar', () => {
  expect(leakAt(1e4)).toBe(0)
  expect(leakAt(0)).toBe(0)
  expect(leakAt(null)).toBe(1)
  expect(leakAt(1e12)).toBe(1)
  expect(leakAt(1e8) - leakAt(1e7)).toBeCloseTo(leakAt(1e9) - leakAt(1e8), 10)
})
