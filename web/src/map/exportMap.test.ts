import { expect, it } from 'vitest'
import { svgText } from './exportMap'

it('writes a file that stands alone, with every mark where it is and what it says', () => {
  const text = svgText(
    { width: 1000, height: 500 },
    'data:image/png;base64,AAAA',
    [{ photo: 'p', subject: 'R<7', x: 0.5, y: 0.5 }],
    { 'R<7': 'TO_REPLACE' },
    (name) => name,
  )
  const svg = new DOMParser().parseFromString(text, 'image/svg+xml')
  expect(svg.querySelector('parsererror')).toBeNull()
  expect(svg.querySelector('image')?.getAttribute('href')).toContain('data:')
  expect(svg.querySelector('g')?.getAttribute('transform')).toContain('translate(500 250)')
  expect(svg.querySelector('title')?.textContent).toBe('R<7: to be replaced')
})
