import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { columnsOf, spread, typedOf } from './cells'

const cell = (key: string, label = ''): Schemas['CellView'] => ({ key, label, kind: 'FIGURE', unit: 'V', choices: [], expected: '' })
const block = (...lines: Schemas['CellView'][][]): Schemas['BlockView'] => ({ title: 't', lead: '', lines: lines.map((cells, i) => ({ label: `line ${i}`, subject: '', cells })) })

describe('cells', () => {
  it('puts the names above when all lines ask for the same', () => {
    expect(columnsOf(block([cell('a', 'in'), cell('b', 'out')], [cell('c', 'in'), cell('d', 'out')]))).toEqual(['in', 'out'])
    expect(columnsOf(block([cell('a', 'in'), cell('b', 'out')], [cell('c', 'in')]))).toEqual([])
    expect(columnsOf(block([cell('a')], [cell('b')]))).toEqual([])
  })
  it('sends only what the form still asks for', () => {
    expect(typedOf([block([cell('a'), cell('b')])], { a: '12', b: '  ', gone: '3' })).toEqual({ a: '12' })
  })
  it('keeps names apart on a scale and inside it', () => {
    const places = spread([0, 12.1, 13.4, 23.9, 26.2], 0.12)
    const sorted = [...places].sort((a, b) => a - b)
    expect(places).toEqual(sorted)
    expect(Math.max(...places)).toBeLessThanOrEqual(1)
    for (let i = 1; i < sorted.length; i++) expect(sorted[i]! - sorted[i - 1]!).toBeGreaterThan(0.09)
  })
})
