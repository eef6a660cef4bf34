import { describe, expect, it } from 'vitest'
import { frequency, level } from './useAlignment'

describe('figures of an alignment', () => {
  it('has kilohertz up to 5 MHz, and megahertz above', () => {
    expect(frequency(455_000)).toBe('455 kHz')
    expect(frequency(460_254)).toBe('460.25 kHz')
    expect(frequency(10_700_000)).toBe('10.7 MHz')
    expect(frequency(88_200_000)).toBe('88.2 MHz')
  })
  it('shows a level with three figures in its own unit', () => {
    expect(level(35.234)).toBe('35.2 µV')
    expect(level(813.3)).toBe('813 µV')
    expect(level(13_809)).toBe('13.8 mV')
    expect(level(878_846)).toBe('879 mV')
    expect(level(1_250_000)).toBe('1.25 V')
  })
})
