import { requirePositive } from '../quantity/index.ts'

/** What is known of a fan that is listened to. */
export interface HeardFan {
  /** Blades of its wheel: as often in a turn the air is struck. */
  readonly blades: number
  /** About what it should turn, rpm. */
  readonly expectedRpm: number
  /** Hertz of the supply, whose hum is no fan. */
  readonly mains: 50 | 60
}

/** A speed that was heard: its value and what it lies between, rpm. */
export interface HeardSpeed {
  readonly rpm: number
  readonly low: number
  readonly high: number
}

/** A fan is looked for from a slipping belt up to a little over what it should turn. */
const from = 0.7
const to = 1.12
/** A tone stands out of the sound around it so far, or it is not clear. Power ratio: 12 dB. */
const clear = 16
/** A second tone that is nearly as strong is another fan: which is which nobody can tell. Power ratio: 6 dB. */
const alone = 4
/** The hum of the supply and its overtones, so wide, hertz. */
const humWidth = 0.7
/** Above this multiple of the mains the hum is faint: what is loud there may be the fan, hidden under a line of it. */
const loudHum = 4.5
const shortest = 1

/** Fewer samples a second, each the mean of some: what is far above the tone does not matter to it. */
function thinned(samples: Float32Array, by: number): Float64Array {
  const out = new Float64Array(Math.floor(samples.length / by))
  for (let i = 0; i < out.length; i++) {
    let sum = 0
    for (let k = 0; k < by; k++) sum += samples[i * by + k] ?? 0
    out[i] = sum / by
  }
  return out
}

/** Power of one frequency in a windowed sound. @source Goertzel 1958 */
function powerAt(x: Float64Array, hz: number, rate: number): number {
  const c = 2 * Math.cos((2 * Math.PI * hz) / rate)
  let a = 0
  let b = 0
  for (const v of x) {
    const next = v + c * a - b
    b = a
    a = next
  }
  return a * a + b * b - c * a * b
}

const isHum = (hz: number, mains: number): boolean => {
  const nearest = Math.round(hz / mains) * mains
  return nearest > 0 && Math.abs(hz - nearest) < humWidth
}

/**
 * The speed of a running fan by the tone of its blades.
 * @param samples of at least a second @param rate samples a second
 * @returns null where no tone stands out, or another fan's is as strong
 * @throws RangeError when blades, speed or rate is not above zero
 * @source blade-pass frequency: blades times turns a second
 */
export function speedByEar(samples: Float32Array, rate: number, fan: HeardFan): HeardSpeed | null {
  requirePositive('blades', fan.blades)
  requirePositive('expectedRpm', fan.expectedRpm)
  requirePositive('rate', rate)
  const tone = (rpm: number) => (rpm * fan.blades) / 60
  const top = tone(fan.expectedRpm) * to
  if (samples.length < shortest * rate || top > rate / 2.5) return null
  const by = Math.max(1, Math.floor(rate / (8 * top)))
  const x = thinned(samples, by)
  const slow = rate / by
  const mean = x.reduce((s, v) => s + v, 0) / x.length
  // A Hann window: a strong tone must not hide a weak one beside it.
  x.forEach((v, i) => (x[i] = (v - mean) * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (x.length - 1)))))
  const line = slow / x.length
  const step = line / 2
  const first = tone(fan.expectedRpm) * from
  const count = Math.max(8, Math.ceil((top - first) / step))
  const powers = Float64Array.from({ length: count }, (_, k) => powerAt(x, first + k * step, slow))
  const usable = (k: number) => !isHum(first + k * step, fan.mains)
  const floor = [...powers].filter((_, k) => usable(k)).sort((a, b) => a - b)[Math.floor(count / 2)] ?? 0
  let best = -1
  for (let k = 1; k < count - 1; k++) {
    const here = powers[k] ?? 0
    if (!usable(k) || here < (powers[k - 1] ?? 0) || here < (powers[k + 1] ?? 0)) continue
    if (best < 0 || here > (powers[best] ?? 0)) best = k
  }
  const peak = powers[best] ?? 0
  if (best < 0 || !(peak > clear * floor)) return null
  const near = Math.ceil((3 * line) / step)
  const mayBeFan = (k: number) => usable(k) || first + k * step > loudHum * fan.mains
  for (let k = 0; k < count; k++)
    if (mayBeFan(k) && Math.abs(k - best) > near && (powers[k] ?? 0) * alone > peak && isTop(powers, k)) return null
  const [a, b, c] = [powers[best - 1] ?? 0, peak, powers[best + 1] ?? 0].map((p) => Math.log(Math.max(p, 1e-300)))
  const bend = (a ?? 0) - 2 * (b ?? 0) + (c ?? 0)
  const off = bend < 0 ? Math.max(-0.5, Math.min(0.5, ((a ?? 0) - (c ?? 0)) / (2 * bend))) : 0
  const rpm = (hz: number) => (hz * 60) / fan.blades
  const hz = first + (best + off) * step
  return { rpm: rpm(hz), low: rpm(hz - line / 2), high: rpm(hz + line / 2) }
}

const isTop = (powers: Float64Array, k: number): boolean =>
  (powers[k] ?? 0) >= (powers[k - 1] ?? 0) && (powers[k] ?? 0) >= (powers[k + 1] ?? 0)

/** Captures that have to agree, and how closely, as a fraction. */
const captures = 3
const agree = 0.01

/** The speed that the last three captures agree on, with the interval they leave; null until they do. */
export function agreedSpeed(heard: readonly HeardSpeed[]): HeardSpeed | null {
  const last = heard.slice(-captures)
  if (last.length < captures) return null
  const all = last.map((h) => h.rpm)
  const [low, high] = [Math.min(...all), Math.max(...all)]
  if (high / low - 1 > agree) return null
  return {
    rpm: all.reduce((a, b) => a + b, 0) / all.length,
    low: Math.min(...last.map((h) => h.low)),
    high: Math.max(...last.map((h) => h.high)),
  }
}
