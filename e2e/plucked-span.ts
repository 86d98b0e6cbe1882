/** Sound of a span that is plucked every second and a half, as a wave file: invented, with a room's noise under it. */
export function pluckedSpan(hz: number): Buffer {
  const rate = 48_000
  const samples = Math.round(3 * rate)
  const wave = Buffer.alloc(44 + 2 * samples)
  wave.write('RIFF', 0)
  wave.writeUInt32LE(36 + 2 * samples, 4)
  wave.write('WAVEfmt ', 8)
  for (const [at, v] of [
    [16, 16],
    [24, rate],
    [28, 2 * rate],
    [40, 2 * samples],
  ] as const)
    wave.writeUInt32LE(v, at)
  for (const [at, v] of [
    [20, 1],
    [22, 1],
    [32, 2],
    [34, 16],
  ] as const)
    wave.writeUInt16LE(v, at)
  wave.write('data', 36)
  for (let i = 0; i < samples; i++) {
    const t = ((i / rate) % 1.5) - 0.4
    let v = 0.004 * Math.sin(i * 12.9898 * (i % 7))
    if (t > 0) for (let k = 1; k <= 4; k++) v += (0.3 / k) * Math.exp(-t / 0.3) * Math.sin(2 * Math.PI * k * hz * t)
    wave.writeInt16LE(Math.round(20_000 * v), 44 + 2 * i)
  }
  return wave
}
