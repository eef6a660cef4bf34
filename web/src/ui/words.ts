/** Puts a text into another vocabulary, keeping a capital first letter. Terms come from the server, longest first. */
export function translate(text: string, terms: Record<string, string>): string {
  const words = Object.keys(terms)
  if (words.length === 0) return text
  const pattern = new RegExp(
    `(?<![A-Za-z])(${words.map((word) => word.replace('+', '\\+')).join('|')})(?![A-Za-z+])`,
    'gi',
  )
  return text.replace(pattern, (found) => {
    const term = terms[found.toLowerCase()] ?? found
    return /^[A-Z]/.test(found) ? term.charAt(0).toUpperCase() + term.slice(1) : term
  })
}

/** Figures with the shop's decimal sign; pin names such as V3.7 stay. */
export function withDecimalComma(text: string): string {
  return text.replace(/(?<![A-Za-z\d.])(\d+)\.(\d+)(?![.\d])/g, '$1,$2')
}
