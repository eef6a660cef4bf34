import type { Kind } from './useModel'

const PREFIXES = { p: 1e-12, n: 1e-9, µ: 1e-6, u: 1e-6, m: 1e-3, k: 1e3, M: 1e6, G: 1e9 } as const
/** Furthest that a slider goes from a part's own value, in decades. */
const DECADES = 1
const LEAK_LEAST = 1e3
const LEAK_DECADES = 5

/** A figure as the server prints it, `2.70 kΩ`; null when it is none. */
export function figureOf(text: string): number | null {
  const found = /^([0-9]*\.?[0-9]+)\s*([pnµumkMG])?[ΩFVHA]?$/.exec(text.trim())
  if (!found) return null
  const prefix = found[2] as keyof typeof PREFIXES | undefined
  return Number(found[1]) * (prefix ? PREFIXES[prefix] : 1)
}

/** Three digits with a prefix, as one types it: `7.54k`. */
export function typedOf(value: number): string {
  const exponent = Math.min(3, Math.max(-4, Math.floor(Math.log10(value) / 3 + 1e-9)))
  const prefix = ['p', 'n', 'u', 'm', '', 'k', 'M', 'G'][exponent + 4] ?? ''
  return `${Number((value / 10 ** (3 * exponent)).toPrecision(3))}${prefix}`
}

/** What a slider at a place, 0 to 1, makes of a part; empty where there is nothing to drag. */
export function dragged(kind: Kind, working: string, place: number): string {
  const own = figureOf(working)
  if (kind === 'WEAK') return String(Math.max(1, Math.round(100 * place)))
  if (kind === 'LEAK') return typedOf(LEAK_LEAST * 10 ** (LEAK_DECADES * place))
  return kind === 'VALUE' && own ? typedOf(own * 10 ** (DECADES * (2 * place - 1))) : ''
}

/** Where a slider stands for what was typed, 0 to 1; null where it cannot. */
export function placeOf(kind: Kind, working: string, typed: string): number | null {
  const value = figureOf(typed)
  const own = figureOf(working)
  if (value === null || !(value > 0)) return null
  const place =
    kind === 'WEAK'
      ? value / 100
      : kind === 'LEAK'
        ? Math.log10(value / LEAK_LEAST) / LEAK_DECADES
        : kind === 'VALUE' && own
          ? (Math.log10(value / own) / DECADES + 1) / 2
          : null
  return place === null ? null : Math.min(1, Math.max(0, place))
}
