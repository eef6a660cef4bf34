import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { usePhotos } from './usePhotos'

function doors() {
  let made: ReturnType<typeof usePhotos> | undefined
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  mount(defineComponent({ setup() { made = usePhotos('s'); return () => null } }), { global: { plugins: [[VueQueryPlugin, { queryClient: client }]] } })
  return made!
}
function answers(...bodies: (Error | { status: number; body: unknown })[]) {
  const puts: string[] = []
  vi.stubGlobal('fetch', (input: Request | string, init?: RequestInit) => {
    if (init?.method !== 'PUT') return Promise.resolve(new Response('[]', { status: 200, headers: { 'Content-Type': 'application/json' } }))
    puts.push(String(input))
    const next = bodies.shift()!
    return next instanceof Error ? Promise.reject(next) : Promise.resolve(new Response(JSON.stringify(next.body), { status: next.status }))
  })
  return puts
}
afterEach(() => vi.unstubAllGlobals())
const photo = (name: string) => new File(['x'], name, { type: 'image/jpeg' })

it('keeps a picture whose upload was cut off, and sends it again under the same id', async () => {
  const puts = answers(new TypeError('network'), { status: 200, body: [] })
  const photos = doors()
  expect(await photos.add([photo('a.jpg')], 'SET')).toBeNull()
  const kept = photos.sending.value[0]!
  expect(kept.fault).toContain('cut off')
  await photos.again(kept)
  expect(photos.sending.value).toHaveLength(0)
  expect(puts[0]).toBe(puts[1])
})

it('shows why one is refused and still sends the next', async () => {
  answers({ status: 422, body: { type: '/problems/invalid-entry', detail: 'This is a program.' } }, { status: 200, body: [] })
  const photos = doors()
  await photos.add([photo('bad.jpg'), photo('good.jpg')], 'SET')
  expect(photos.sending.value.map((one) => [one.file.name, one.fault])).toEqual([['bad.jpg', 'This is a program.']])
  photos.giveUp(photos.sending.value[0]!.id)
  expect(photos.sending.value).toHaveLength(0)
})

it('does not even send what is far too large', async () => {
  const puts = answers()
  const photos = doors()
  const large = photo('large.jpg')
  Object.defineProperty(large, 'size', { value: 200_000_000 })
  await photos.add([large], 'SHEET')
  expect(photos.sending.value[0]?.fault).toContain('200 MB')
  expect(puts).toHaveLength(0)
})
