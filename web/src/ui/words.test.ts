import { expect, it } from 'vitest'
import { translate, withDecimalComma } from './words'

const british = { plates: 'anodes', plate: 'anode', 'b+': 'HT', line: 'mains', tube: 'valve' }

it('puts whole words into the shop vocabulary and keeps capitals', () => {
  expect(translate('Plate of the tube: B+ on a 120 V line', british)).toBe('Anode of the valve: HT on a 120 V mains')
  expect(translate('template outline', british)).toBe('template outline')
})

it('leaves a text alone without terms', () => {
  expect(translate('plate', {})).toBe('plate')
})

it('writes figures with a decimal comma and leaves pin names alone', () => {
  expect(withDecimalComma('V3.7: 46.8 V, −0.65 of 2.70 kΩ')).toBe('V3.7: 46,8 V, −0,65 of 2,70 kΩ')
})
