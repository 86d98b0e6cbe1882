import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tensionFromHertz } from '../drivetrain/index.ts'
import { agreedNote, noteOf, pluckListener, type Heard } from './index.ts'

const rate = 48_000
/** Noise between −1 and 1, the same for the same seed. */
const hiss = (seed: number) => (i: number) => {
  const v = Math.sin(i * 12.9898 + seed * 78.233) * 43_758.5453
  return 2 * (v - Math.floor(v)) - 1
}
/** A span that is plucked at an instant: overtones that die away, under a room's noise. Invented. */
function pluck(hz: number, { seconds = 1, at = 0.3, die = 0.25, noise = 0.01, deaf = 0, seed = 1 } = {}): Float32Array {
  const room = hiss(seed)
  const out = new Float32Array(Math.round(seconds * rate))
  for (let i = 0; i < out.length; i++) {
    const t = i / rate - at
    let v = noise * room(i)
    if (t >= 0)
      for (let k = 1; k <= 5; k++)
        // A small microphone hears little of what is low.
        v +=
          (k * hz < deaf ? 0.02 : 1) *
          (0.4 / k) *
          Math.exp((-t * Math.sqrt(k)) / die) *
          Math.sin(2 * Math.PI * k * hz * t)
    out[i] = v
  }
  return out
}
const listen = (sound: Float32Array, block = 128): Heard[] => {
  const listener = pluckListener(rate)
  const out: Heard[] = []
  for (let i = 0; i < sound.length; i += block) out.push(...listener.push(sound.subarray(i, i + block)))
  return out
}
const hz = (heard: readonly Heard[]) => heard.flatMap((h) => (h.kind === 'note' ? [h.note.hz] : []))

describe('the note of a plucked span', () => {
  it('is that of a tone, to a tenth of a per cent', () => {
    for (const f of [12, 42, 118, 260]) {
      const tone = Float32Array.from({ length: 4000 }, (_, i) => Math.sin((2 * Math.PI * f * i) / 4000))
      expect(Math.abs((noteOf(tone, 4000)?.hz ?? 0) / f - 1)).toBeLessThan(0.001)
    }
  })
  it('is none of noise or silence', () => {
    const room = hiss(4)
    const noise = Float32Array.from({ length: 2000 }, (_, i) => room(i))
    expect(noteOf(noise, 4000)?.clarity ?? 0).toBeLessThan(0.5)
    expect(noteOf(new Float32Array(2000), 4000)).toBeNull()
  })
  it('is heard within one per cent of any span, also where the microphone is deaf for the fundamental', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 15, max: 150, noNaN: true }),
        fc.double({ min: 0.15, max: 0.6, noNaN: true }),
        fc.constantFrom(0, 1.5),
        fc.integer({ min: 1, max: 1000 }),
        (f, die, deaf, seed) => {
          const notes = hz(listen(pluck(f, { die, deaf: deaf * f, seed })))
          expect(notes).toHaveLength(1)
          expect(Math.abs((notes[0] ?? 0) / f - 1)).toBeLessThan(0.01)
        },
      ),
      { numRuns: 40 },
    ))
  it('gives the tension of a worked example', () => {
    // m 0.11 kg/m, span 0.55 m, 42 Hz: 234.8 N, by T = 4 m t² f² (published worked example).
    const [f = 0] = hz(listen(pluck(42)))
    expect(Math.abs(tensionFromHertz(f, 0.55, 0.11) / 234.8 - 1)).toBeLessThan(0.02)
  })
})

describe('listening', () => {
  it('hears each pluck once, however the sound comes in blocks', () => {
    const sound = new Float32Array(3 * rate)
    for (const [i, f] of [41, 42, 41.5].entries()) sound.set(pluck(f, { at: 0.3, seed: i + 1 }), i * rate)
    for (const block of [128, 1000, 4096]) {
      const notes = hz(listen(sound, block))
      expect(notes.map((n) => Math.round(n))).toEqual([41, 42, 42])
    }
  })
  it('takes a bang for no note, and a steady hum for no pluck', () => {
    const room = hiss(9)
    const bang = Float32Array.from(
      { length: rate },
      (_, i) => (i < 0.3 * rate ? 0.005 : Math.exp(-(i / rate - 0.3) / 0.2)) * room(i),
    )
    expect(listen(bang)).toEqual([{ kind: 'unclear' }])
    const hum = Float32Array.from({ length: rate }, (_, i) => 0.2 * Math.sin((2 * Math.PI * 120 * i) / rate))
    expect(listen(hum)).toEqual([])
  })
  it('agrees when three in a row lie together, and not before', () => {
    const notes = (...all: number[]) => all.map((n) => ({ hz: n, clarity: 0.9 }))
    expect(agreedNote(notes(41, 42))).toBeNull()
    expect(agreedNote(notes(41, 60, 42))).toBeNull()
    expect(agreedNote(notes(60, 41, 42, 41.5))).toBe(41.5)
  })
})
