import { expect, it } from 'vitest'
import { moved, whole, zoomed } from './marks'

const picture = { width: 2000, height: 1000 }

it('shows the whole picture in a frame of another shape', () => {
  expect(whole(picture, { width: 500, height: 500 })).toEqual({ x: 0, y: -500, width: 2000, height: 2000 })
})

it('keeps what is under the finger where it is', () => {
  const view = zoomed({ x: 0, y: 0, width: 2000, height: 1000 }, 2, { x: 500, y: 250 }, picture)
  expect(view).toEqual({ x: 250, y: 125, width: 1000, height: 500 })
  expect((500 - view.x) / view.width).toBeCloseTo(0.25)
})

it('stops before nothing is left to see', () => {
  expect(zoomed({ x: 0, y: 0, width: 50, height: 25 }, 100, { x: 0, y: 0 }, picture).width).toBe(40)
  expect(zoomed({ x: 0, y: 0, width: 7000, height: 3500 }, 0.01, { x: 0, y: 0 }, picture).width).toBe(8000)
})

it('moves by as much as it is told', () => {
  expect(moved({ x: 1, y: 2, width: 3, height: 4 }, 10, -10)).toEqual({ x: 11, y: -8, width: 3, height: 4 })
})
