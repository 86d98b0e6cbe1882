/** What an audio worklet has and a page has not. */
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void

const size = 2048

/** Passes the sound of one channel on, some forty milliseconds at a time. */
class Ear extends AudioWorkletProcessor {
  private block = new Float32Array(size)
  private filled = 0

  process(inputs: readonly (readonly Float32Array[])[]): boolean {
    for (const v of inputs[0]?.[0] ?? []) {
      this.block[this.filled++] = v
      if (this.filled < size) continue
      this.port.postMessage(this.block, [this.block.buffer])
      this.block = new Float32Array(size)
      this.filled = 0
    }
    return true
  }
}
registerProcessor('motor-round-ear', Ear)
