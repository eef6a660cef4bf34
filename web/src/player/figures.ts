/** A figure as the shop writes it; null when it is none. What it may be, the server says. */
export function figureOf(text: string, sign: 'POINT' | 'COMMA'): number | null {
  const plain = text.trim().replace('−', '-')
  const pointed = sign === 'COMMA' ? plain.replace(',', '.') : plain
  return /^[-+]?[0-9]*[.]?[0-9]+$/.test(pointed) ? Number(pointed) : null
}
