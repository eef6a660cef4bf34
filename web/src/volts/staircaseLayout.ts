import type { VoltsView } from './useVolts'

/** Geometry only: where the treads and risers of a staircase stand in a drawing of a given size, in pixels. */
export interface Tread {
  readonly node: string
  readonly x: number
  readonly width: number
  /** Room from this tread's start to the next one's. */
  readonly slot: number
  readonly top: number
  /** Middle of the expected band, and its half height; null without an expectation. */
  readonly expectedY: number | null
  readonly bandHeight: number
  /** Where the reading stands, null when unread. */
  readonly readY: number | null
  /** First base line under the tread, how many lines have room there, and what leads to the tread. */
  readonly under: number
  readonly lines: number
  readonly parts: readonly string[]
  readonly blocked: boolean
}
export interface Riser {
  readonly key: string
  readonly path: string
  readonly kind: 'CONDUCTS' | 'BLOCKS' | 'TUBE'
}
export interface Scale {
  readonly ticks: readonly { readonly volts: number; readonly y: number }[]
  readonly zeroY: number
}
export interface Layout {
  readonly treads: readonly Tread[]
  readonly risers: readonly Riser[]
  readonly upper: Scale
  readonly lower: Scale | null
  readonly splitY: number
}

const LEFT = 44
const LABEL_ROOM = 34
const LINE = 13
const NEAR_SHARE = 0.37

interface Band {
  readonly y: (volts: number) => number
  readonly scale: Scale
}

function niceStep(span: number, most: number): number {
  const raw = span / most
  const power = 10 ** Math.floor(Math.log10(raw))
  return ([1, 2, 5, 10].find((step) => step * power >= raw) ?? 10) * power
}

function band(lowest: number, highest: number, top: number, bottom: number, most: number): Band {
  const span = Math.max(highest - lowest, 1)
  const step = niceStep(span, most)
  const y = (volts: number) => bottom - ((volts - lowest) / span) * (bottom - top)
  const ticks = []
  for (let volts = Math.ceil(lowest / step) * step; volts <= highest; volts += step) ticks.push({ volts, y: y(volts) })
  return { y, scale: { ticks, zeroY: y(0) } }
}

/** Children after their feeder, so that the stair goes down from left to right. */
function ordered(view: VoltsView, near: boolean): string[] {
  const members = view.staircase.treads.filter((tread) => tread.near === near).map((tread) => tread.node)
  if (near) return view.points.map((point) => point.node).filter((node) => members.includes(node))
  const feeder = new Map(
    view.staircase.risers.filter((riser) => riser.kind === 'CONDUCTS').map((riser) => [riser.to, riser.from]),
  )
  const order: string[] = []
  const visit = (node: string) => {
    if (order.includes(node)) return
    order.push(node)
    const volts = (child: string) => view.points.find((point) => point.node === child)?.expected ?? 0
    members
      .filter((child) => feeder.get(child) === node)
      .sort((a, b) => Number(hasChildren(a)) - Number(hasChildren(b)) || volts(b) - volts(a))
      .forEach(visit)
  }
  const hasChildren = (node: string) => members.some((child) => feeder.get(child) === node)
  members.filter((node) => !members.includes(feeder.get(node) ?? '')).forEach(visit)
  return order
}

export function layOut(view: VoltsView, width: number, height: number): Layout {
  const byNode = new Map(view.points.map((point) => [point.node, point]))
  const upperNodes = ordered(view, false)
  const lowerNodes = ordered(view, true)
  const split =
    lowerNodes.length > 0 && upperNodes.length > 0 ? height * (1 - NEAR_SHARE) : lowerNodes.length > 0 ? 0 : height
  const values = (nodes: readonly string[]) =>
    nodes.flatMap((node) => {
      const point = byNode.get(node)
      const expected = point?.expected ?? 0
      const band = point?.expected == null ? 0 : point.band
      return [expected - band, expected + band, point?.reading?.value ?? 0]
    })
  const upperBand = band(
    Math.min(0, ...values(upperNodes)),
    Math.max(10, ...values(upperNodes)),
    LABEL_ROOM + 2,
    split - 10,
    5,
  )
  const lowerBand =
    lowerNodes.length > 0
      ? band(
          Math.min(-1, ...values(lowerNodes)),
          Math.max(1, ...values(lowerNodes)),
          split + LABEL_ROOM + 8,
          height - 18,
          3,
        )
      : null

  const leads = new Map(view.staircase.risers.map((riser) => [riser.to, riser]))
  const place = (nodes: readonly string[], on: Band, bottom: number): Tread[] => {
    const slot = (width - LEFT - 8) / Math.max(nodes.length, 4)
    return nodes.map((node, i) => {
      const point = byNode.get(node)
      const expected = point?.expected ?? null
      const read = point?.reading?.value ?? null
      const expectedY = expected === null ? null : on.y(expected)
      const readY = read === null ? null : on.y(read)
      const half = expected === null ? 0 : Math.max(2, Math.abs(on.y(expected) - on.y(expected + (point?.band ?? 0))))
      const highest = Math.min(readY ?? bottom, expectedY === null ? bottom : expectedY - half)
      const lowest = Math.max(readY ?? 0, expectedY === null ? 0 : expectedY + half)
      const under = lowest + LINE + 1
      const riser = leads.get(node)
      return {
        node,
        x: LEFT + i * slot,
        width: Math.min(slot * 0.8, 96),
        slot,
        top: highest,
        expectedY,
        bandHeight: half,
        readY,
        under,
        lines: Math.max(0, Math.floor((bottom - under + 6) / LINE)),
        parts: riser && riser.kind !== 'TUBE' ? riser.parts : [],
        blocked: riser?.kind === 'BLOCKS',
      }
    })
  }
  const treads = [...place(upperNodes, upperBand, split), ...(lowerBand ? place(lowerNodes, lowerBand, height) : [])]
  const at = new Map(treads.map((tread) => [tread.node, tread]))
  const level = (tread: Tread) => tread.readY ?? tread.expectedY ?? height
  const risers = view.staircase.risers.flatMap((riser): Riser[] => {
    const from = at.get(riser.from)
    const to = at.get(riser.to)
    if (!from || !to || (lowerNodes.includes(riser.to) && riser.kind === 'CONDUCTS')) return []
    const [startX, startY, endX, endY] = [from.x + from.width, level(from), to.x, level(to)]
    const turn = endX - 7
    const path = riser.kind === 'CONDUCTS' ? `M${startX} ${startY}H${turn}V${endY}H${endX}` : ''
    return [{ key: `${riser.from}>${riser.to}`, path, kind: riser.kind }]
  })
  return { treads, risers, upper: upperBand.scale, lower: lowerBand?.scale ?? null, splitY: split }
}
