/** Paper in millimetres, landscape, within its margins; smaller letters than the last are not read at a bench. */
const PAPER = { width: 277, height: 172, letters: 1.7 }
/** Height of a letter in the drawing's units. */
const LETTERS = 11
/** Left, top, width and height. */
export type Box = readonly number[]
/** A part of the drawing on a sheet of its own, at so many millimetres a unit. */
export interface Sheet {
  view: [x: number, y: number, width: number, height: number]
  scale: number
}

function sheet(...view: Sheet['view']): Sheet {
  return { view, scale: Math.min(PAPER.width / view[2], PAPER.height / view[3]) }
}
/** Where a cut goes through no box, the nearest to the middle; the middle itself where there is no such place. */
function cut(boxes: readonly Box[], from: 0 | 1, length: number): number {
  const spans = boxes.map((box) => [box[from] ?? 0, (box[from] ?? 0) + (box[from + 2] ?? 0)])
  const clear = spans
    .map(([, end = 0]) => end + 4)
    .filter((at) => at < 0.8 * length && spans.every(([start = 0, end = 0]) => at <= start || at >= end))
  return clear.sort((a, b) => Math.abs(a - length / 2) - Math.abs(b - length / 2))[0] ?? length / 2
}
/**
 * A drawing on one sheet where its letters are large enough there, else on two, cut across or down, whichever leaves
 * them larger.
 *
 * @param boxes what no cut should go through
 */
export function sheetsOf(width: number, height: number, boxes: readonly Box[]): Sheet[] {
  const one = [sheet(0, 0, width, height)]
  if (LETTERS * one[0]!.scale >= PAPER.letters) return one
  const x = cut(boxes, 0, width)
  const y = cut(boxes, 1, height)
  const across = [sheet(0, 0, x, height), sheet(x, 0, width - x, height)]
  const down = [sheet(0, 0, width, y), sheet(0, y, width, height - y)]
  const least = (some: readonly Sheet[]) => Math.min(...some.map((each) => each.scale))
  return [one, across, down].reduce((best, next) => (least(next) > 1.1 * least(best) ? next : best))
}
