import { ref } from 'vue'
import type { Verdict } from '../ui/verdicts'

const KEY = 'umber.sound'
const tones: Partial<Record<Verdict, readonly [hertz: number, seconds: number]>> = {
  GOOD: [1400, 0.04],
  FOLLOWS: [1000, 0.06],
  DOUBT: [520, 0.14],
  BAD: [200, 0.3],
}

/** A short tick for good, a low tone for wrong, so that the eyes can stay on the probe. Muted until asked for. */
export function useSound() {
  const on = ref(localStorage.getItem(KEY) === 'on')
  let context: AudioContext | null = null
  function toggle() {
    on.value = !on.value
    localStorage.setItem(KEY, on.value ? 'on' : 'off')
    play('GOOD')
  }
  function play(verdict: Verdict) {
    const tone = tones[verdict]
    if (!on.value || !tone) return
    context ??= new AudioContext()
    const [oscillator, gain] = [context.createOscillator(), context.createGain()]
    oscillator.frequency.value = tone[0]
    gain.gain.value = 0.15
    oscillator.connect(gain).connect(context.destination)
    oscillator.start()
    oscillator.stop(context.currentTime + tone[1])
  }
  return { on, toggle, play }
}
