/** A figure as the shop writes it; null when it is none. What it may be, the server says. */
export function figureOf(text: string, sign: 'POINT' | 'COMMA'): number | null {
  const plain = text.trim().replace('−', '-')
  const pointed = sign === 'COMMA' ? plain.replace(',', '.') : plain
  return /^[-+]?[0-9]*[.]?[0-9]+$/.test(pointed) ? Number(pointed) : null
}

/** What is wrong with a figure that was typed; nothing where it is one, or where nothing was typed. */
export function figureFault(text: string, sign: 'POINT' | 'COMMA', example: string): string {
  return text.trim() && figureOf(text, sign) === null
    ? `“${text.trim()}” is no figure; write one as in ${example}.`
    : ''
}
