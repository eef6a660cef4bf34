import { expect, test } from 'vitest'
import { figureOf } from './figures'

test('a figure is read with the shop’s decimal sign and nothing is guessed', () => {
  expect(figureOf(' 33.3 ', 'POINT')).toBe(33.3)
  expect(figureOf('33,3', 'COMMA')).toBe(33.3)
  expect(figureOf('33,3', 'POINT')).toBeNull()
  expect(figureOf('', 'POINT')).toBeNull()
  expect(figureOf('fast', 'COMMA')).toBeNull()
})
