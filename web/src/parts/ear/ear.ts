import worklet from './ear-worklet.ts?worker&url'

/** A microphone that is open. */
export interface Ear {
  /** Samples a second. */
  readonly rate: number
  readonly close: () => void
}

/** Words for what went wrong with the microphone. @param instead what to do without it, as "type the frequency" */
export function earTrouble(e: unknown, instead: string): string {
  const name = e instanceof Error ? e.name : ''
  if (name === 'NotAllowedError') return `Microphone access is blocked. Allow it in the page settings, or ${instead}.`
  if (name === 'NotFoundError') return `No microphone found: ${instead}.`
  return `The microphone is in use. Retry, or ${instead}.`
}

/**
 * Open the microphone, as it hears: what makes speech clearer takes a belt for noise.
 * @param onBlock told the sound as it comes @throws what the browser throws
 */
export async function openEar(onBlock: (block: Float32Array) => void): Promise<Ear> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  })
  const context = new AudioContext()
  const close = () => {
    for (const track of stream.getTracks()) track.stop()
    void context.close()
  }
  try {
    await context.audioWorklet.addModule(worklet)
    const node = new AudioWorkletNode(context, 'motor-round-ear', { numberOfOutputs: 0 })
    node.port.onmessage = (e: MessageEvent<Float32Array>) => onBlock(e.data)
    context.createMediaStreamSource(stream).connect(node)
    await context.resume()
    return { rate: context.sampleRate, close }
  } catch (e) {
    close()
    throw e
  }
}
