import type { Schemas } from '../api/client'

export type ProofState = Schemas['Stand']['state']

interface Look {
  readonly word: string
  readonly colour: string
  /** Around the origin, about 18 across. */
  readonly outline: string
  readonly hollow?: boolean
  readonly dashes?: string
  readonly sign?: string
}

const ring = 'M9 0A9 9 0 1 1-9 0A9 9 0 1 1 9 0Z'

/** Each state has a shape and a colour role of its own: dashed ring, ring with half a tick, ticked disc, half shield, barred square, ringed plus. */
export const marks: Record<ProofState, Look> = {
  UNPROVEN: { word: 'unproven', colour: 'var(--c-soft)', outline: ring, hollow: true, dashes: '4 3' },
  PARTLY: { word: 'partly proven', colour: 'var(--c-good)', outline: ring, hollow: true, sign: 'M-4.5 0.5-1.5 3.5' },
  PROVEN: { word: 'proven', colour: 'var(--c-good)', outline: ring, sign: 'M-4.5 0.5-1.5 3.5 4.5-3.5' },
  DOUBTFUL: {
    word: 'doubtful',
    colour: 'var(--c-doubt)',
    outline: 'M-9-9H9V0C9 5 5 8.5 0 10C-5 8.5-9 5-9 0Z',
    sign: 'M0-5V1.5M0 5V5.2',
  },
  TO_REPLACE: { word: 'to be replaced', colour: 'var(--c-bad)', outline: 'M-9-9H9V9H-9Z', sign: 'M-5 0H5' },
  REPLACED: {
    word: 'replaced',
    colour: 'var(--c-follows)',
    outline: 'M0-10.5 10.5 0 0 10.5-10.5 0Z',
    sign: 'M-4 0H4M0-4V4',
  },
}

/** Whether a subject is a part's reference; a set without a circuit has its parts by their names. */
export const isReference = (subject: string) => /\d/.test(subject)

/** A tube is called by its socket; its card in the circuit has an X before that. */
export function shortName(subject: string): string {
  return subject.toUpperCase().replace(/^X(?=V\d)/, '')
}

/** Part of a picture that is shown, in its own pixels. */
export interface View {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** The whole picture, centred in a frame of another shape. */
export function whole(picture: { width: number; height: number }, frame: { width: number; height: number }): View {
  const scale = Math.max(picture.width / Math.max(1, frame.width), picture.height / Math.max(1, frame.height))
  const width = frame.width * scale
  const height = frame.height * scale
  return { x: (picture.width - width) / 2, y: (picture.height - height) / 2, width, height }
}

/** Closer by `factor` above 1, farther below it, keeping what is under the point where it is. */
export function zoomed(
  view: View,
  factor: number,
  at: { x: number; y: number },
  picture: { width: number; height: number },
): View {
  const most = 4 * Math.max(picture.width, picture.height)
  const width = Math.min(most, Math.max(40, view.width / factor))
  const by = width / view.width
  return { x: at.x - (at.x - view.x) * by, y: at.y - (at.y - view.y) * by, width, height: view.height * by }
}

export function moved(view: View, dx: number, dy: number): View {
  return { ...view, x: view.x + dx, y: view.y + dy }
}
