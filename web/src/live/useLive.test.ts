import { expect, it } from 'vitest'
import { shows } from './useLive'

it('has nothing to fetch for the echo of its own change, and everything else to fetch', () => {
  expect(shows({ revision: 7 }, 7)).toBe(true)
  expect(shows({ revision: 8 }, 7)).toBe(true)
  expect(shows({ revision: 6 }, 7)).toBe(false)
  expect(shows({ points: [] }, 7)).toBe(false)
  expect(shows(undefined, 7)).toBe(false)
  expect(shows({ revision: 7 }, NaN)).toBe(false)
})
