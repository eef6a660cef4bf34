import type { Schemas } from '../api/client'

export type Verdict = Schemas['PointView']['verdict']

interface Look {
  readonly word: string
  readonly text: string
  readonly fill: string
}

/** Word and colour role of each verdict; its shape is drawn by VerdictMark. */
export const looks: Record<Verdict, Look> = {
  UNREAD: { word: 'not read', text: 'text-soft', fill: 'fill-soft' },
  NO_EXPECTATION: { word: 'no figure', text: 'text-soft', fill: 'fill-soft' },
  UNUSUAL: { word: 'unusual', text: 'text-soft', fill: 'fill-soft' },
  GOOD: { word: 'good', text: 'text-good', fill: 'fill-good' },
  FOLLOWS: { word: 'follows', text: 'text-follows', fill: 'fill-follows' },
  DOUBT: { word: 'doubt', text: 'text-doubt', fill: 'fill-doubt' },
  BAD: { word: 'wrong', text: 'text-bad', fill: 'fill-bad' },
}
