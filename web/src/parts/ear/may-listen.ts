/** Can this browser listen here at all? Without https there is no microphone. */
export const mayListen = (): boolean =>
  'mediaDevices' in navigator && typeof AudioContext !== 'undefined' && typeof AudioWorkletNode !== 'undefined'
