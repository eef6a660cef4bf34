/* global AudioWorkletProcessor, registerProcessor */
/** Hands on what the input hears, a tenth of a second at a time. */
class Recorder extends AudioWorkletProcessor {
  constructor() {
    super()
    this.piece = new Float32Array(4096)
    this.filled = 0
  }

  process(inputs) {
    const heard = inputs[0]?.[0]
    if (heard) {
      for (const value of heard) {
        this.piece[this.filled++] = value
        if (this.filled === this.piece.length) {
          this.port.postMessage(this.piece.slice())
          this.filled = 0
        }
      }
    }
    return true
  }
}
registerProcessor('recorder', Recorder)
