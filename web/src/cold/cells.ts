import type { Schemas } from '../api/client'

type Block = Schemas['BlockView']

/** Whether every line of a block asks for the same things, so that their names stand once above. */
export function columnsOf(block: Block): readonly string[] {
  const first = block.lines[0]?.cells.map((cell) => cell.label) ?? []
  const same = block.lines.length > 1 && first.length > 1 && block.lines.every((line) => line.cells.length === first.length && line.cells.every((cell, i) => cell.label === first[i]))
  return same ? first : []
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
