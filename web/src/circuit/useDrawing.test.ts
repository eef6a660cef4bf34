import { describe, expect, it } from 'vitest'
import { neighbour, type DrawnPart } from './useDrawing'

function part(reference: string, x: number, y: number): DrawnPart {
  return {
    reference,
    name: reference,
    job: '',
    box: [x - 10, y - 10, 20, 20],
    nodes: [],
    strokes: [],
    texts: [],
    confirmed: true,
  }
}
const parts = [part('R1', 0, 0), part('R2', 100, 0), part('R3', 60, 90), part('R4', 0, 100)]

describe('the part next to another', () => {
  const from = parts[0] as DrawnPart
  it('is the one straight ahead before a nearer one aslant', () => {
    expect(neighbour(parts, from, 'ArrowRight').reference).toBe('R2')
    expect(neighbour(parts, from, 'ArrowDown').reference).toBe('R4')
  })
  it('is itself where nothing lies that way', () => {
    expect(neighbour(parts, from, 'ArrowLeft').reference).toBe('R1')
    expect(neighbour(parts, from, 'ArrowUp').reference).toBe('R1')
  })
})
