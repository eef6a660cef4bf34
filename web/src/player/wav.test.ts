import { expect, test } from 'vitest'
import { sixteen, wav } from './wav'

function read(blob: Blob): Promise<ArrayBuffer> {
  return new Promise((done) => {
    const reader = new FileReader()
    reader.onload = () => done(reader.result as ArrayBuffer)
    reader.readAsArrayBuffer(blob)
  })
}

test('a recording is a WAV file that says its rate and its length', async () => {
  const blob = wav([sixteen(new Float32Array([0, 1, -1])), sixteen(new Float32Array([0.5, 2]))], 48000)
  const bytes = new DataView(await read(blob))
  expect(bytes.byteLength).toBe(54)
  expect(bytes.getUint32(24, true)).toBe(48000)
  expect(bytes.getUint32(40, true)).toBe(10)
  expect([44, 46, 48, 50, 52].map((at) => bytes.getInt16(at, true))).toEqual([0, 32767, -32767, 16384, 32767])
})
