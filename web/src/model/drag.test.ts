import { describe, expect, it } from 'vitest'
import { dragged, figureOf, placeOf, typedOf } from './drag'

describe('dragging a value', () => {
  it('reads figures as the server prints them', () => {
    expect(figureOf('2.70 kΩ')).toBe(2700)
    expect(figureOf('0.02 µF')).toBeCloseTo(2e-8, 12)
    expect(figureOf('50C5')).toBeNull()
  })
  it('goes from a tenth of its own value to ten times, and back to the same place', () => {
    expect(dragged('VALUE', '2.70 kΩ', 0.5)).toBe('2.7k')
    expect(dragged('VALUE', '2.70 kΩ', 1)).toBe('27k')
    expect(dragged('VALUE', '10.0 nF', 0)).toBe('1n')
    for (const place of [0.1, 0.37, 0.9])
      expect(placeOf('VALUE', '470 kΩ', dragged('VALUE', '470 kΩ', place))).toBeCloseTo(place, 2)
    expect(placeOf('LEAK', '10.0 nF', dragged('LEAK', '10.0 nF', 0.6))).toBeCloseTo(0.6, 2)
    expect(dragged('WEAK', '50C5', 0)).toBe('1')
    expect(dragged('VALUE', '50C5', 0.5)).toBe('')
    expect(placeOf('VALUE', '470 kΩ', 'lots')).toBeNull()
    expect(typedOf(999_600)).toBe('1000k')
  })
})
