/** A sound as a wave file. @param at what it is at a second, about 1 at its loudest */
export function waveFile(seconds: number, at: (t: number, i: number) => number): Buffer {
  const rate = 48_000
  const samples = Math.round(seconds * rate)
  const wave = Buffer.alloc(44 + 2 * samples)
  wave.write('RIFF', 0)
  wave.writeUInt32LE(36 + 2 * samples, 4)
  wave.write('WAVEfmt ', 8)
  for (const [place, v] of [
    [16, 16],
    [24, rate],
    [28, 2 * rate],
    [40, 2 * samples],
  ] as const)
    wave.writeUInt32LE(v, place)
  for (const [place, v] of [
    [20, 1],
    [22, 1],
    [32, 2],
    [34, 16],
  ] as const)
    wave.writeUInt16LE(v, place)
  wave.write('data', 36)
  for (let i = 0; i < samples; i++) wave.writeInt16LE(Math.round(20_000 * at(i / rate, i)), 44 + 2 * i)
  return wave
}

/** Sound of a span that is plucked every second and a half: invented, with a room's noise under it. */
export const pluckedSpan = (hz: number): Buffer =>
  waveFile(3, (at, i) => {
    const t = (at % 1.5) - 0.4
    let v = 0.004 * Math.sin(i * 12.9898 * (i % 7))
    if (t > 0) for (let k = 1; k <= 4; k++) v += (0.3 / k) * Math.exp(-t / 0.3) * Math.sin(2 * Math.PI * k * hz * t)
    return v
  })
