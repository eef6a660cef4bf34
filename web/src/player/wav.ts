/** A WAV file of one channel of 16-bit samples. */
export function wav(pieces: readonly Int16Array[], hertz: number): Blob {
  const samples = pieces.reduce((sum, piece) => sum + piece.length, 0)
  const head = new DataView(new ArrayBuffer(44))
  const words = (at: number, text: string) => [...text].forEach((c, i) => head.setUint8(at + i, c.charCodeAt(0)))
  words(0, 'RIFF')
  head.setUint32(4, 36 + 2 * samples, true)
  words(8, 'WAVEfmt ')
  head.setUint32(16, 16, true)
  head.setUint16(20, 1, true)
  head.setUint16(22, 1, true)
  head.setUint32(24, hertz, true)
  head.setUint32(28, 2 * hertz, true)
  head.setUint16(32, 2, true)
  head.setUint16(34, 16, true)
  words(36, 'data')
  head.setUint32(40, 2 * samples, true)
  return new Blob([head.buffer, ...pieces.map((piece) => piece.slice().buffer)], { type: 'audio/wav' })
}

/** Samples from −1 to 1 as 16-bit ones. */
export function sixteen(samples: Float32Array): Int16Array {
  return Int16Array.from(samples, (value) => Math.round(Math.max(-1, Math.min(1, value)) * 32767))
}
