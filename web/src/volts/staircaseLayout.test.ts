import { expect, it } from 'vitest'
import { layOut } from './staircaseLayout'
import type { VoltsView } from './useVolts'

function point(node: string, expected: number | null, read: number | null) {
  return {
    node,
    name: node,
    expected,
    band: 5,
    verdict: 'GOOD',
    reading: read === null ? null : { value: read, text: `${read} V` },
  }
}
const view = {
  points: [point('b1', 120, 118), point('b2', 90, null), point('plate', 45, 50), point('grid', 0, 7)],
  staircase: {
    treads: [
      { node: 'b1', depth: 0, near: false },
      { node: 'b2', depth: 1, near: false },
      { node: 'plate', depth: 2, near: false },
      { node: 'grid', depth: 3, near: true },
    ],
    risers: [
      { from: 'b1', to: 'b2', kind: 'CONDUCTS', parts: ['R1'] },
      { from: 'b2', to: 'plate', kind: 'CONDUCTS', parts: ['R2'] },
      { from: 'plate', to: 'grid', kind: 'BLOCKS', parts: ['C1'] },
    ],
  },
} as unknown as VoltsView

it('steps down from left to right and keeps everything inside the drawing', () => {
  const layout = layOut(view, 700, 300)
  const at = (node: string) => layout.treads.find((tread) => tread.node === node)!
  expect(at('b1').x).toBeLessThan(at('b2').x)
  expect(at('b2').x).toBeLessThan(at('plate').x)
  expect(at('b1').readY!).toBeLessThan(at('plate').readY!)
  expect(at('b2').readY).toBeNull()
  for (const tread of layout.treads) {
    expect(tread.x + tread.width).toBeLessThanOrEqual(700)
    for (const y of [tread.readY, tread.expectedY]) if (y !== null) expect(y).toBeGreaterThanOrEqual(0)
  }
})

it('magnifies what lies near the reference', () => {
  const layout = layOut(view, 700, 300)
  const grid = layout.treads.find((tread) => tread.node === 'grid')!
  expect(grid.readY!).toBeGreaterThan(layout.splitY)
  expect(grid.expectedY! - grid.readY!).toBeGreaterThan(20)
  expect(grid.blocked).toBe(true)
  expect(layout.risers.find((riser) => riser.kind === 'BLOCKS')!.path).toBe('')
})

it('draws an empty stair for a set without points', () => {
  expect(
    layOut({ points: [], staircase: { treads: [], risers: [] } } as unknown as VoltsView, 700, 300).treads,
  ).toEqual([])
})
