import { expect, test } from 'vitest'
import { figureFault, figureOf } from './figures'

test('a figure is read with the shop’s decimal sign and nothing is guessed', () => {
  expect(figureOf(' 33.3 ', 'POINT')).toBe(33.3)
  expect(figureOf('33,3', 'COMMA')).toBe(33.3)
  expect(figureOf('33,3', 'POINT')).toBeNull()
  expect(figureOf('', 'POINT')).toBeNull()
  expect(figureOf('fast', 'COMMA')).toBeNull()
})

test('what is no figure is said, and nothing typed is nothing wrong', () => {
  expect(figureFault('ten', 'POINT', '10')).toContain('“ten” is no figure')
  expect(figureFault('', 'POINT', '10')).toBe('')
  expect(figureFault('10', 'POINT', '10')).toBe('')
})
