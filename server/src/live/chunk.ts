import { deflateRawSync, inflateRawSync } from 'node:zlib'
import type { Rolled } from '@motor-round/core/live'

/** Minutes of one UTC day, ascending, 0 to 1439, with whole numbers of a quantity's step. */
export interface ChunkMinutes {
  readonly minutes: Int16Array
  readonly values: Int32Array
}

export const minutesADay = 1440
/** Little is gained by trying harder, and it takes three times as long. */
const level = 1

/** Writer of numbers of one to five bytes, seven bits each, the lowest first. */
class Out {
  #bytes = Buffer.allocUnsafe(8192)
  #n = 0
  /** @param v from 0 to 2^32 - 1 */
  whole(v: number): void {
    if (this.#n + 5 > this.#bytes.length) this.#bytes = Buffer.concat([this.#bytes], this.#bytes.length * 2)
    let rest = v >>> 0
    while (rest >= 0x80) {
      this.#bytes[this.#n++] = (rest & 0x7f) | 0x80
      rest >>>= 7
    }
    this.#bytes[this.#n++] = rest
  }
  /** Small numbers of either sign stay small. */
  signed(v: number): void {
    this.whole((v << 1) ^ (v >> 31))
  }
  get plain(): Buffer {
    return Buffer.from(this.#bytes.subarray(0, this.#n))
  }
  packed(): Buffer {
    return deflateRawSync(this.#bytes.subarray(0, this.#n), { level })
  }
}

class In {
  readonly #bytes: Buffer
  #at = 0
  constructor(bytes: Buffer) {
    this.#bytes = bytes
  }
  /** @throws RangeError where the bytes end in the middle */
  whole(): number {
    let [value, shift] = [0, 0]
    for (;;) {
      const b = this.#bytes[this.#at++]
      if (b === undefined) throw new RangeError('chunk: its bytes end too early')
      value |= (b & 0x7f) << shift
      if (b < 0x80) return value >>> 0
      shift += 7
    }
  }
  signed(): number {
    const v = this.whole()
    return (v >>> 1) ^ -(v & 1)
  }
}

/**
 * Pack minutes and values: runs of minutes in a row, then each value as its difference from the one before, then deflated.
 * @throws RangeError when minutes do not ascend within a day
 */
export function packMinutes({ minutes, values }: ChunkMinutes): Buffer {
  const runs: number[] = []
  let end = 0
  for (let i = 0; i < minutes.length;) {
    const start = minutes[i] ?? 0
    if (start < end || start >= minutesADay) throw new RangeError('minutes: ascend from 0 to 1439')
    let n = 1
    while (i + n < minutes.length && minutes[i + n] === start + n) n++
    runs.push(start - end, n)
    end = start + n
    i += n
  }
  if (end > minutesADay) throw new RangeError('minutes: ascend from 0 to 1439')
  const out = new Out()
  out.whole(runs.length / 2)
  runs.forEach((r) => out.whole(r))
  let before = 0
  for (let i = 0; i < minutes.length; i++) {
    const v = values[i] ?? 0
    out.signed((v - before) | 0)
    before = v
  }
  return out.packed()
}

/** @throws RangeError or an error of zlib when the bytes are not a chunk */
export function unpackMinutes(packed: Buffer): ChunkMinutes {
  const from = new In(inflateRawSync(packed))
  const runs = from.whole()
  const at: number[] = []
  let end = 0
  for (let r = 0; r < runs; r++) {
    end += from.whole()
    const n = from.whole()
    if (end + n > minutesADay) throw new RangeError('chunk: past the end of its day')
    for (let k = 0; k < n; k++) at.push(end + k)
    end += n
  }
  const minutes = Int16Array.from(at)
  const values = new Int32Array(at.length)
  let before = 0
  for (let i = 0; i < values.length; i++) values[i] = before = (before + from.signed()) | 0
  return { minutes, values }
}

/** The newest minute of a chunk, ms since 1970. @param day since 1970 */
export const newestAt = (day: number, packed: Buffer): number =>
  (day * minutesADay + (unpackMinutes(packed).minutes.at(-1) ?? 0)) * 60_000

/** Means of an hour of whole numbers are sixtieths: a fan that ran twenty minutes of it ran a third. */
const parts = 60

/**
 * The hours of a day as bytes, few enough to be left as they are, and a year of them is drawn quickly: how many minutes, and
 * lowest, mean and highest in whole numbers of the step.
 */
export function packHours(hours: ReadonlyMap<number, Rolled>): Buffer {
  const out = new Out()
  out.whole(hours.size)
  let before = 0
  for (const [hour, r] of [...hours].sort((a, b) => a[0] - b[0])) {
    const mean = Math.round(r.mean * parts)
    out.whole(hour)
    out.whole(r.n)
    out.signed(mean - before)
    out.whole(mean - r.low * parts)
    out.whole(r.high * parts - mean)
    before = mean
  }
  return out.plain
}

/** Hours of a day, by the hour; lowest, mean and highest in whole numbers of the step. */
export function unpackHours(bytes: Buffer): Map<number, Rolled> {
  const from = new In(bytes)
  const n = from.whole()
  const hours = new Map<number, Rolled>()
  let before = 0
  for (let i = 0; i < n; i++) {
    const hour = from.whole()
    const count = from.whole()
    const mean = before + from.signed()
    const low = mean - from.whole()
    hours.set(hour, { n: count, low: low / parts, mean: mean / parts, high: (mean + from.whole()) / parts })
    before = mean
  }
  return hours
}

/** Two sets of minutes as one: what is there stays. */
export function mergeMinutes(
  there: ChunkMinutes,
  more: ChunkMinutes,
): { readonly all: ChunkMinutes; readonly added: number; readonly already: number; readonly differ: number } {
  const slots = new Float64Array(minutesADay).fill(NaN)
  there.minutes.forEach((m, i) => (slots[m] = there.values[i] ?? 0))
  let [added, already, differ] = [0, 0, 0]
  more.minutes.forEach((m, i) => {
    const has = slots[m] ?? NaN
    const v = more.values[i] ?? 0
    if (Number.isNaN(has)) {
      slots[m] = v
      added++
    } else if (has === v) already++
    else differ++
  })
  if (added === 0) return { all: there, added, already, differ }
  const n = there.minutes.length + added
  const minutes = new Int16Array(n)
  const values = new Int32Array(n)
  let i = 0
  slots.forEach((v, m) => {
    if (Number.isNaN(v)) return
    minutes[i] = m
    values[i++] = v
  })
  return { all: { minutes, values }, added, already, differ }
}
