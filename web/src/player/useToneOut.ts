import { onScopeDispose, ref } from 'vue'

/** A steady tone from this computer's output, to be recorded on a tape or a wire. */
export function useToneOut() {
  const playing = ref(false)
  let context: AudioContext | null = null
  function stop() {
    void context?.close()
    context = null
    playing.value = false
  }
  function play(hertz: number) {
    stop()
    context = new AudioContext()
    const tone = new OscillatorNode(context, { frequency: hertz })
    const level = new GainNode(context, { gain: 0.25 })
    tone.connect(level).connect(context.destination)
    tone.start()
    playing.value = true
  }
  onScopeDispose(stop)
  return { playing, play, stop }
}
