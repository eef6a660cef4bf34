import { onScopeDispose, ref, shallowRef } from 'vue'
import { ask, type Answer, type Schemas } from '../api/client'
import workletUrl from './recorder.worklet.js?url&no-inline'
import { sixteen, wav } from './wav'

export type Live = Schemas['LiveView']

/** Samples that go to the meter at once, so that it shows four times a second. */
const PIECE_SECONDS = 0.25

/** A recording by microphone or line: the sound stays here, the meter of it comes from the server as it goes on. */
export function useTake(setId: () => string) {
  const live = shallowRef<Live | null>(null)
  const seconds = ref(0)
  const going = ref(false)
  const refused = ref('')
  let pieces: Int16Array[] = []
  let hertz = 48000
  let id = ''
  let end: () => void = () => {}

  async function begin(tone: number): Promise<boolean> {
    refused.value = ''
    live.value = null
    seconds.value = 0
    pieces = []
    id = crypto.randomUUID()
    let stream: MediaStream
    try {
      // What helps speech spoils a tone.
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
      })
    } catch {
      refused.value =
        'The browser does not let this page hear: allow the microphone for it, or choose a sound file instead.'
      return false
    }
    const context = new AudioContext()
    hertz = context.sampleRate
    await context.audioWorklet.addModule(workletUrl)
    const recorder = new AudioWorkletNode(context, 'recorder')
    context.createMediaStreamSource(stream).connect(recorder)
    let sent = 0
    let waiting: Int16Array[] = []
    let busy = false
    async function meter() {
      const length = waiting.reduce((sum, piece) => sum + piece.length, 0)
      if (busy || length < PIECE_SECONDS * hertz) return
      busy = true
      const body = new Blob(waiting.map((piece) => piece.slice().buffer))
      waiting = []
      const answer = await sendPiece(setId(), id, { hertz, tone, from: sent }, body)
      sent += length
      if (answer.kind === 'ready') live.value = answer.value
      busy = false
    }
    recorder.port.onmessage = (message: MessageEvent<Float32Array>) => {
      const piece = sixteen(message.data)
      pieces.push(piece)
      waiting.push(piece)
      seconds.value += piece.length / hertz
      void meter()
    }
    end = () => {
      recorder.port.onmessage = null
      stream.getTracks().forEach((track) => track.stop())
      void context.close()
      going.value = false
    }
    going.value = true
    return true
  }
  onScopeDispose(() => end())
  return {
    live,
    seconds,
    going,
    refused,
    begin,
    /** Ends it; the sound, under the id it was followed by. */
    finish: () => {
      end()
      end = () => {}
      return { id, sound: wav(pieces, hertz) }
    },
    leave: () => {
      end()
      end = () => {}
      live.value = null
    },
  }
}

function sendPiece(
  setId: string,
  take: string,
  at: { hertz: number; tone: number; from: number },
  body: Blob,
): Promise<Answer<Live>> {
  const query = new URLSearchParams(Object.entries(at).map(([key, value]) => [key, String(value)]))
  const send = async () => {
    const response = await fetch(`/api/sets/${setId}/player/takes/${take}/pieces?${query}`, {
      method: 'POST',
      headers: { 'Content-Type': 'audio/L16' },
      body,
    })
    const answer: unknown = await response.json()
    return response.ok ? { data: answer as Live, response } : { error: answer, response }
  }
  return ask(send())
}
