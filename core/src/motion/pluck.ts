/** The note of something that was plucked. */
export interface Note {
  readonly hz: number
  /** How much one period is like the next, 0 to 1: 1 is a pure tone. */
  readonly clarity: number
}

/** Notes of belt spans: slower ones are heard as a flap, faster ones are no span of a fan. */
const range = { least: 8, most: 300 }
/** Of the strongest likeness, the first that comes near it is the period: later ones are whole multiples of it. */
const nearly = 0.9

/**
 * The note of a stretch of sound, by how far it has to be shifted to be like itself. It needs no fundamental: what a
 * microphone is deaf for is in the distance of the overtones.
 * @param samples at least two periods @param rate samples a second
 * @returns null where nothing repeats
 * @source McLeod and Wyvill 2005: normalised square difference, first key maximum, parabola through its top
 */
export function noteOf(samples: Float32Array, rate: number): Note | null {
  const n = samples.length
  const most = Math.min(Math.floor(rate / range.least), Math.floor(n / 2))
  const least = Math.max(2, Math.floor(rate / range.most))
  const like = new Float64Array(most + 2)
  for (let shift = 1; shift <= most + 1 && shift < n; shift++) {
    let same = 0
    let power = 0
    for (let j = 0; j + shift < n; j++) {
      const a = samples[j] as number
      const b = samples[j + shift] as number
      same += a * b
      power += a * a + b * b
    }
    like[shift] = power > 0 ? (2 * same) / power : 0
  }
  // The highest point of each rise above zero, but for the one that begins at no shift at all.
  const tops: number[] = []
  let shift = 1
  while (shift <= most && (like[shift] as number) > 0) shift++
  for (; shift <= most; shift++) {
    const here = like[shift] as number
    if (here > 0 && here >= (like[shift - 1] as number) && here > (like[shift + 1] as number)) {
      const last = tops.at(-1)
      const fell = last !== undefined && like.subarray(last, shift).some((v) => v <= 0)
      if (last === undefined || fell) tops.push(shift)
      else if (here > (like[last] as number)) tops[tops.length - 1] = shift
    }
  }
  const known = tops.filter((t) => t >= least)
  const best = Math.max(...known.map((t) => like[t] as number), 0)
  const top = known.find((t) => (like[t] as number) >= nearly * best)
  if (top === undefined) return null
  const [a, b, c] = [like[top - 1] as number, like[top] as number, like[top + 1] as number]
  const bend = a - 2 * b + c
  const off = bend < 0 ? Math.max(-0.5, Math.min(0.5, (a - c) / (2 * bend))) : 0
  return { hz: rate / (top + off), clarity: Math.min(1, b - ((a - c) * off) / 4) }
}

/** What a listener heard last. */
export type Heard = { readonly kind: 'note'; readonly note: Note } | { readonly kind: 'unclear' }

/** Plucks as they come in, block by block. */
export interface PluckListener {
  /** @returns what was heard in this block; mostly nothing */
  readonly push: (block: Float32Array) => readonly Heard[]
}

/** Samples a second after thinning: enough for the overtones of any span. */
const thinTo = 4000
/** Seconds: of a frame in which loudness is told, of the finger leaving the belt, of what is listened to. */
const frame = 0.02
const finger = 0.03
const stretch = 0.45
/** So much louder than before is a pluck. */
const jump = 8
const clear = 0.75

/**
 * Listens for plucks: a jump in loudness, then the note of what follows. Nothing of the sound is kept.
 * @param rate samples a second of the blocks
 */
export function pluckListener(rate: number): PluckListener {
  const thin = Math.max(1, Math.floor(rate / thinTo))
  const slow = rate / thin
  const frameSize = Math.round(frame * slow)
  const held = new Float32Array(Math.round((finger + stretch) * slow))
  let sum = 0
  let summed = 0
  let loud = 0
  let inFrame = 0
  let quiet = -1
  let taken = -1
  const heard = (): Heard => {
    const skip = Math.round(finger * slow)
    const sound = held.subarray(skip)
    const mean = sound.reduce((a, v) => a + v, 0) / sound.length
    const note = noteOf(
      sound.map((v) => v - mean),
      slow,
    )
    return note !== null && note.clarity >= clear ? { kind: 'note', note } : { kind: 'unclear' }
  }
  /** One thinned sample. */
  const take = (v: number): Heard | null => {
    if (taken >= 0) {
      held[taken++] = v
      if (taken < held.length) return null
      taken = -1
      quiet = -1
      return heard()
    }
    loud += v * v
    if (++inFrame < frameSize) return null
    const now = loud / frameSize
    loud = 0
    inFrame = 0
    if (quiet >= 0 && now > jump * quiet && now > 1e-8) taken = 0
    else quiet = quiet < 0 ? now : 0.9 * quiet + 0.1 * now
    return null
  }
  return {
    push: (block) => {
      const out: Heard[] = []
      for (const v of block) {
        sum += v
        if (++summed < thin) continue
        const h = take(sum / thin)
        sum = 0
        summed = 0
        if (h) out.push(h)
      }
      return out
    },
  }
}

/** How far plucks of one span may lie apart, as a share. @source common practice: within a few percent */
const together = 0.05

/** The note that the last three plucks agree on; null while they do not. */
export function agreedNote(notes: readonly Note[]): number | null {
  const [a, b, c] = notes.slice(-3).map((n) => n.hz)
  if (a === undefined || b === undefined || c === undefined) return null
  const sorted = [a, b, c].sort((x, y) => x - y)
  const [low = 0, middle = 0, high = 0] = sorted
  return (high - low) / middle <= together ? middle : null
}
