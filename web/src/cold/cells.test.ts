import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { apart, columnsOf, noDraft, proportions, readAt, spread, typedInto, typedOf, walk } from './cells'

const cell = (key: string, label = ''): Schemas['CellView'] => ({
  key,
  label,
  kind: 'FIGURE',
  unit: 'V',
  choices: [],
  expected: '',
  aside: false,
})
const block = (...lines: Schemas['CellView'][][]): Schemas['BlockView'] => ({
  title: 't',
  lead: '',
  lines: lines.map((cells, i) => ({ label: `line ${i}`, subject: '', cells })),
})

describe('cells', () => {
  it('puts the names above when all lines ask for the same', () => {
    expect(columnsOf(block([cell('a', 'in'), cell('b', 'out')], [cell('c', 'in'), cell('d', 'out')]))).toEqual([
      'in',
      'out',
    ])
    expect(columnsOf(block([cell('a', 'in'), cell('b', 'out')], [cell('c', 'in')]))).toEqual([])
    expect(columnsOf(block([cell('a')], [cell('b')]))).toEqual([])
  })
  it('walks from cell to cell, past those filled only where they are needed', () => {
    const form = [block([cell('a'), { ...cell('lifted'), aside: true }], [cell('b')])]
    expect(walk(form, {}, 'a')).toBe('b')
    expect(walk(form, { a: '1' }, '')).toBe('b')
    expect(walk(form, {}, 'b')).toBeNull()
  })
  it('keeps a draft as old as its oldest figure, until that is read again', () => {
    expect(readAt(noDraft)).toBeUndefined()
    const yesterday = typedInto(noDraft, 'v.C1', '0.2', '2026-11-27T18:00:00.000Z')
    const both = typedInto(yesterday, 'v.C2', '0.3', '2026-11-28T09:00:00.000Z')
    expect(readAt(both)).toBe('2026-11-27T18:00:00.000Z')
    const again = typedInto(both, 'v.C1', '0.1', '2026-11-28T09:01:00.000Z')
    expect(readAt(again)).toBe('2026-11-28T09:00:00.000Z')
    expect(again.typed).toEqual({ 'v.C1': '0.1', 'v.C2': '0.3' })
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

it('draws how far a winding strays from its own proportion', () => {
  const lines = [0, 1, 2].map((i) => ({
    label: `Level ${i}`,
    expected: '',
    cells: [cell(`in.${i}`, 'at the plug'), cell(`a.${i}`, 'current'), cell(`h.${i}`, 'heaters')],
  }))
  const block = { title: '', lead: '', lines } as unknown as Parameters<typeof proportions>[0]
  const straight = proportions(block, {
    'in.0': '1',
    'in.1': '2 V',
    'in.2': '4,0',
    'h.0': '50m',
    'h.1': '0.1',
    'h.2': '200 m',
  })
  expect(straight).toHaveLength(1)
  expect(straight[0]!.most).toBeLessThan(1e-9)
  expect(proportions(block, { 'in.0': '1', 'in.1': '2', 'h.0': '0.05', 'h.1': '0.15' })[0]!.most).toBeGreaterThan(20)
  expect(proportions(block, { 'in.0': '1', 'h.0': '0.05' })).toHaveLength(0)
})

it('keeps names apart and in their order', () => {
  expect(apart([50, 52, 10], 14, 0, 100)).toEqual([50, 64, 10])
  expect(apart([98, 99], 14, 0, 100)).toEqual([86, 100])
})
