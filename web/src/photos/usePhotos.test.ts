import 'fake-indexeddb/auto'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { defineComponent } from 'vue'
import { drain, outbox } from '../outbox/outbox'
import { usePhotos } from './usePhotos'

function doors() {
  let made: ReturnType<typeof usePhotos> | undefined
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  mount(
    defineComponent({
      setup() {
        made = usePhotos('s')
        return () => null
      },
    }),
    { global: { plugins: [[VueQueryPlugin, { queryClient: client }]] } },
  )
  return made!
}
function answers(...bodies: (Error | { status: number; body: unknown })[]) {
  const puts: string[] = []
  vi.stubGlobal('fetch', (input: Request | string, init?: RequestInit) => {
    if (init?.method !== 'PUT')
      return Promise.resolve(new Response('[]', { status: 200, headers: { 'Content-Type': 'application/json' } }))
    puts.push(String(input))
    const next = bodies.shift()!
    return next instanceof Error
      ? Promise.reject(next)
      : Promise.resolve(new Response(JSON.stringify(next.body), { status: next.status }))
  })
  return puts
}
afterEach(() => vi.unstubAllGlobals())
const photo = (name: string) => new File(['x'], name, { type: 'image/jpeg' })

it('lets a picture wait in this browser when nobody answers, and sends it under the same id', async () => {
  const puts = answers(new TypeError('network'), { status: 200, body: [] })
  const photos = doors()
  await photos.add([photo('a.jpg')], 'SET')
  expect(photos.sending.value).toHaveLength(0)
  expect(outbox.waiting.value.map((one) => one.shown)).toEqual(['a.jpg'])
  await drain()
  expect(outbox.waiting.value).toHaveLength(0)
  expect(puts[1]!.startsWith(`${puts[0]}&takenAt=20`)).toBe(true)
})

it('keeps a picture on the page when the browser has no room for it', async () => {
  answers(new TypeError('network'))
  const full = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  const photos = doors()
  expect(await photos.add([photo('a.jpg')], 'SET')).toBeNull()
  expect(photos.sending.value[0]!.fault).toContain('still here')
  full.mockRestore()
})

it('shows why one is refused and still sends the next', async () => {
  answers(
    { status: 422, body: { type: '/problems/invalid-entry', detail: 'This is a program.' } },
    { status: 200, body: [] },
  )
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
