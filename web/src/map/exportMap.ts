import { photoUrl } from '../photos/usePhotos'
import type { Schemas } from '../api/client'
import { marks, shortName, type ProofState } from './marks'

async function dataUrl(address: string): Promise<string> {
  const blob = await (await fetch(address)).blob()
  return new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(new Error('the picture cannot be read'))
    reader.readAsDataURL(blob)
  })
}

function colour(variable: string): string {
  return variable.startsWith('var(')
    ? getComputedStyle(document.documentElement).getPropertyValue(variable.slice(4, -1)).trim()
    : variable
}

/** The picture with its marks as one SVG file that needs nothing beside it. */
export function svgText(
  picture: { width: number; height: number },
  image: string,
  placed: readonly Schemas['Mark'][],
  states: Record<string, ProofState>,
  paint = colour,
): string {
  const size = Math.max(picture.width, picture.height) / 1000
  const escape = (text: string) => text.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`)
  const drawn = placed.map((mark) => {
    const look = marks[states[mark.subject] ?? 'UNPROVEN']
    const sheet = paint('var(--c-sheet)')
    const sign = look.sign
      ? `<path d="${look.sign}" fill="none" stroke="${look.hollow ? paint(look.colour) : sheet}" stroke-width="2.6" stroke-linecap="round" stroke-linejoin="round"/>`
      : ''
    return `<g transform="translate(${mark.x * picture.width} ${mark.y * picture.height}) scale(${size})"><title>${escape(mark.subject)}: ${look.word}</title><circle r="13.5" fill="${sheet}"/><path d="${look.outline}" fill="${look.hollow ? sheet : paint(look.colour)}" stroke="${paint(look.colour)}" stroke-width="2"${look.dashes ? ` stroke-dasharray="${look.dashes}"` : ''}/>${sign}<text y="26" text-anchor="middle" font-family="sans-serif" font-size="12" font-weight="700" paint-order="stroke" stroke="${sheet}" stroke-width="4" fill="${paint('var(--c-ink)')}">${escape(shortName(mark.subject))}</text></g>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${picture.width} ${picture.height}" width="${picture.width}" height="${picture.height}"><image href="${image}" width="${picture.width}" height="${picture.height}"/>${drawn.join('')}</svg>`
}

function save(blob: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** Saves a picture of the map as a file. */
export async function exportMap(
  setId: string,
  picture: Schemas['MapPicture'],
  placed: readonly Schemas['Mark'][],
  states: Record<string, ProofState>,
  format: 'svg' | 'png',
) {
  const name = `${(picture.caption || 'map').replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.${format}`
  const svg = new Blob([svgText(picture, await dataUrl(photoUrl(setId, picture.id, 'full')), placed, states)], {
    type: 'image/svg+xml',
  })
  if (format === 'svg') {
    save(svg, name)
    return
  }
  const image = new Image()
  image.src = URL.createObjectURL(svg)
  await image.decode()
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width: picture.width, height: picture.height })
  canvas.getContext('2d')?.drawImage(image, 0, 0)
  URL.revokeObjectURL(image.src)
  canvas.toBlob((blob) => {
    if (blob) save(blob, name)
  }, 'image/png')
}
