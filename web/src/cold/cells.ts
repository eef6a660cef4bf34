import type { Schemas } from '../api/client'

type Block = Schemas['BlockView']

/** Whether every line of a block asks for the same things, so that their names stand once above. */
export function columnsOf(block: Block): readonly string[] {
  const first = block.lines[0]?.cells.map((cell) => cell.label) ?? []
  const same =
    block.lines.length > 1 &&
    first.length > 1 &&
    block.lines.every(
      (line) => line.cells.length === first.length && line.cells.every((cell, i) => cell.label === first[i]),
    )
  return same ? first : []
}

/**
 * The cell that comes after one when a test is walked through, in the order of its form; from the beginning when none is
 * given. Cells filled only where they are needed are passed over, and so are those of {@code filled}.
 */
export function walk(blocks: readonly Block[], filled: Record<string, string>, after: string): string | null {
  const cells = blocks.flatMap((block) => block.lines.flatMap((line) => line.cells))
  const from = cells.findIndex((cell) => cell.key === after) + 1
  return cells.slice(from).find((cell) => !cell.aside && !filled[cell.key])?.key ?? null
}

/** Only what has a place in the form and is not empty; the rest was typed into cells that are gone. */
export function typedOf(blocks: readonly Block[], typed: Record<string, string>): Record<string, string> {
  const keys = new Set(blocks.flatMap((block) => block.lines.flatMap((line) => line.cells.map((cell) => cell.key))))
  return Object.fromEntries(Object.entries(typed).filter(([key, text]) => keys.has(key) && text.trim() !== ''))
}

/** Places 0 to 1 along a scale for results that have one, with the least room between two so that names stay legible. */
export function spread(at: readonly number[], room: number): number[] {
  const most = Math.max(...at, 1e-9)
  const order = at.map((value, i) => ({ i, place: value / most })).sort((a, b) => a.place - b.place)
  for (let k = 1; k < order.length; k++) order[k]!.place = Math.max(order[k]!.place, order[k - 1]!.place + room)
  const last = order[order.length - 1]?.place ?? 1
  const scale = last > 1 ? 1 / last : 1
  const places = new Array<number>(at.length)
  for (const one of order) places[one.i] = one.place * scale
  return places
}

/** Heights moved as little as keeps them at least {@code room} apart, from {@code top} to {@code bottom}. */
export function apart(heights: readonly number[], room: number, top: number, bottom: number): number[] {
  const order = heights.map((height, i) => ({ i, height })).sort((a, b) => a.height - b.height)
  order.forEach((one, k) => {
    one.height = Math.max(one.height, k === 0 ? top : order[k - 1]!.height + room)
  })
  const over = Math.max(0, (order.at(-1)?.height ?? 0) - bottom)
  const placed = new Array<number>(heights.length)
  for (const one of order) placed[one.i] = one.height - over
  return placed
}

const PREFIXES: Record<string, number> = { m: 1e-3, k: 1e3 }
/** A figure as typed, for drawing only; what it means is the server's to say. */
function figure(text: string | undefined): number | null {
  const parts = /^\s*[-−]?(\d+(?:[.,]\d+)?)\s*([mk])?/.exec(text ?? '')
  return parts ? Number(parts[1]!.replace(',', '.')) * (PREFIXES[parts[2] ?? ''] ?? 1) : null
}

/** Of each winding read at two levels or more: by how many percent it strays from its own slope through zero. */
export function proportions(block: Block, typed: Record<string, string>) {
  const labels = new Map(block.lines[0]?.cells.map((cell) => [cell.key.replace(/\.\d+$/, ''), cell.label]))
  return [...labels]
    .filter(([key]) => key !== 'in' && key !== 'a')
    .flatMap(([key, name]) => {
      const pairs = block.lines
        .flatMap((_, i) => {
          const fed = figure(typed[`in.${i}`])
          const out = figure(typed[`${key}.${i}`])
          return fed && out !== null ? [{ fed, out }] : []
        })
        .sort((a, b) => a.fed - b.fed)
      if (pairs.length < 2) return []
      const slope = pairs.reduce((sum, p) => sum + p.fed * p.out, 0) / pairs.reduce((sum, p) => sum + p.fed * p.fed, 0)
      if (!(slope > 0)) return []
      const points = pairs.map((p) => ({ fed: p.fed, strays: 100 * (p.out / (slope * p.fed) - 1) }))
      return [{ name, points, most: Math.max(...points.map((p) => Math.abs(p.strays))) }]
    })
}

/** Figures of a test that were read and not kept yet, each with when it was typed. */
export interface Draft {
  readonly typed: Readonly<Record<string, string>>
  readonly at: Readonly<Record<string, string>>
}
export const noDraft: Draft = { typed: {}, at: {} }

export function typedInto(draft: Draft, key: string, value: string, now: string): Draft {
  return { typed: { ...draft.typed, [key]: value }, at: { ...draft.at, [key]: now } }
}

/**
 * When a draft was read, as it is kept: as old as its oldest figure, so that one of yesterday proves nothing of today.
 * Undefined for an empty one.
 */
export function readAt(draft: Draft): string | undefined {
  return Object.values(draft.at).sort()[0]
}
