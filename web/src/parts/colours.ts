import type { Schemas } from '../api/client'

export type Colour = Schemas['ColoursSeen']['colours'][number]
export type Scheme = Schemas['ColoursSeen']['scheme']

/** The trade's colours as they look on old parts; the name always stands beside. */
export const paint: Record<Colour, string> = {
  BLACK: '#161310',
  BROWN: '#7a4320',
  RED: '#c22a1e',
  ORANGE: '#e2741c',
  YELLOW: '#e9c22d',
  GREEN: '#3c8a3e',
  BLUE: '#2b57a8',
  VIOLET: '#7d4aa5',
  GREY: '#8a8780',
  WHITE: '#f6f3ec',
  GOLD: '#b8913a',
  SILVER: '#bfc0c2',
}
export const order = Object.keys(paint) as Colour[]
export const spoken = (colour: Colour) => colour.toLowerCase()

/** What each tap stands for, in order; as long as the longest that can be read. */
export const places: Record<Scheme, readonly string[]> = {
  BANDS: ['first band', 'second', 'third', 'fourth', 'fifth'],
  BODY_END_DOT: ['body', 'end', 'dot', 'other end'],
  MICA_DOTS: ['upper left', 'upper middle', 'upper right', 'lower left', 'lower middle', 'lower right'],
}
/** So many make a reading at least. */
export const least: Record<Scheme, number> = { BANDS: 3, BODY_END_DOT: 4, MICA_DOTS: 6 }
