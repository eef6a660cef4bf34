/** Where a plan's seconds fall in a run whose steps began when they began. */
export interface Stretch {
  /** Where the step begins and ends in the plan [s]. */
  readonly from: number
  readonly to: number
  /** Where it begins and ends in the run [s]. */
  readonly at: number
  readonly until: number
}

/**
 * @param starts where each step begins in the plan, its end behind the last [s]
 * @param begun when each step that was begun began in the run [s]
 * @param now since the run began [s]
 */
export function stretches(starts: readonly number[], begun: readonly number[], now: number): Stretch[] {
  const all: Stretch[] = []
  let at = 0
  for (let i = 0; i + 1 < starts.length; i++) {
    const [from = 0, to = 0] = [starts[i], starts[i + 1]]
    at = begun[i] ?? at
    const planned = at + to - from
    const next = begun[i + 1]
    const until = next ?? (i === begun.length - 1 ? Math.max(planned, now) : planned)
    all.push({ from, to, at, until })
    at = until
  }
  return all
}

/** A plan's row laid out on the run's time: where a step lasts longer than planned it stays as it ended. */
export function laid(row: readonly number[], all: readonly Stretch[]): [seconds: number, figure: number][] {
  const points: [number, number][] = []
  for (const one of all) {
    const end = Math.min(one.to, one.from + (one.until - one.at))
    for (let second = Math.ceil(one.from); second <= end; second++) {
      points.push([one.at + second - one.from, row[Math.min(second, row.length - 1)] ?? 0])
    }
    if (one.until > one.at + one.to - one.from) points.push([one.until, row[Math.min(one.to, row.length - 1)] ?? 0])
  }
  return points
}

/** Between what a plan's row says around a place. */
export function figureAt(row: readonly number[], place: number): number {
  const before = Math.max(0, Math.min(row.length - 1, Math.floor(place)))
  const after = Math.min(row.length - 1, before + 1)
  return (row[before] ?? 0) + (place - before) * ((row[after] ?? 0) - (row[before] ?? 0))
}

/** {@code 1:05}. */
export const clockOf = (seconds: number) =>
  `${Math.floor(Math.max(0, seconds) / 60)}:${String(Math.floor(Math.max(0, seconds)) % 60).padStart(2, '0')}`

const glows = [
  [0.02, 'dark'],
  [0.35, 'dull'],
  [0.7, 'bright'],
] as const

/** How bright a lamp looks, by the share of what it is made for. */
export const glowOf = (share: number) => glows.find(([below]) => share < below)?.[1] ?? 'full'

/** Three digits, as meters show them. */
export function figure(value: number, unit: string): string {
  const size = Math.abs(value)
  if (unit === 'A') return size < 0.0005 ? '0.000' : value.toFixed(3)
  return size < 0.05 ? '0.0' : size < 100 ? value.toFixed(1) : value.toFixed(0)
}

/** No more points than a chart has room for, the last among them. */
export function thinned<T>(points: readonly T[], most: number): T[] {
  const every = Math.ceil(points.length / most)
  return every <= 1 ? [...points] : points.filter((_, i) => i % every === 0 || i === points.length - 1)
}
