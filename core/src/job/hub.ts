/** One way to free a hub from its shaft, harder than the one before it. */
export interface Rung {
  readonly id: string
  readonly title: string
  /** Minutes of hands, and of soaking. */
  readonly minutes: number
  readonly soak: number
  /** Share of stuck hubs that are free by now. @source common practice */
  readonly free: number
  readonly damage: string
  /** When this rung is over. */
  readonly over: string
}

/** From the gentlest on. Start values. @source common practice */
export const rungs: readonly Rung[] = [
  {
    id: 'clean',
    title: 'Sand the shaft, dress burrs, clean the keyway',
    minutes: 8,
    soak: 0,
    free: 0.15,
    damage: 'none',
    over: 'Bright all around.',
  },
  {
    id: 'oil',
    title: 'Oil both ends and wait',
    minutes: 5,
    soak: 40,
    free: 0.4,
    damage: 'none; keep oil off belts',
    over: 'Two soaks.',
  },
  {
    id: 'screws',
    title: 'Screws right out; look for a second one below; key out',
    minutes: 5,
    soak: 0,
    free: 0.5,
    damage: 'none',
    over: 'The hex rounds: a new key once, then drill it.',
  },
  {
    id: 'turn',
    title: 'Twist both ways; push it on 1/8 in (3 mm) before pulling it off',
    minutes: 10,
    soak: 0,
    free: 0.65,
    damage: 'low',
    over: 'Ten minutes without moving.',
  },
  {
    id: 'drift',
    title: 'Dead-blow hammer or brass drift, the hub backed up',
    minutes: 5,
    soak: 0,
    free: 0.72,
    damage: 'shaft ends spread, dishes bend, bearing races dent',
    over: 'Ten blows. Never steel on the end of a shaft.',
  },
  {
    id: 'puller',
    title: 'Puller square on the hub: tighten, tap, wait',
    minutes: 15,
    soak: 0,
    free: 0.88,
    damage: 'a thin back plate bows',
    over: 'The jaws slip or the plate bows.',
  },
  {
    id: 'heat',
    title: 'Heat gun on a steel hub, to 250 °F (120 °C)',
    minutes: 10,
    soak: 0,
    free: 0.92,
    damage: 'paint, balance, grease and seals',
    over: 'Never near coil, lint, gas, plastic or aluminum.',
  },
  {
    id: 'press',
    title: 'Arbor press',
    minutes: 30,
    soak: 0,
    free: 0.96,
    damage: 'the shaft is likely scrap',
    over: 'It cannot be squared.',
  },
  {
    id: 'cut',
    title: 'Cut the shaft or split the hub',
    minutes: 30,
    soak: 0,
    free: 1,
    damage: 'what is cut',
    over: 'Only after the new parts were checked against the old.',
  },
]

/** What a free hub is worth, and what the next rung costs. Money in one currency, minutes of one person. */
export interface HubMoney {
  /** Saved if it comes free: price of the part, minutes to fit a new one times the rate, lead days times a day down. */
  readonly saved: number
  /** Money for a minute of one person. */
  readonly rate: number
  readonly people: number
  /** Chance that the next rung spoils something, and what that costs. */
  readonly spoils: number
  readonly spoiled: number
}

export interface HubAdvice {
  readonly rung: Rung
  /** Chance that it frees a hub that is still stuck. */
  readonly chance: number
  readonly gain: number
  readonly cost: number
  readonly go: boolean
}

/** So many minutes of hands on one hub, and a person decides. */
export const hubLimit = 45

/**
 * Go on, or cut? The next rung pays while its chance times what is saved is more than its minutes and its damage.
 * @param tried rungs that were tried already, from the first on
 * @returns null where only the cut is left
 * @throws RangeError for a rate, a chance or a sum below zero
 */
export function nextRung(tried: number, money: HubMoney): HubAdvice | null {
  for (const [name, value] of Object.entries(money))
    if (!(value >= 0) || !Number.isFinite(value)) throw new RangeError(`${name}: zero or more`)
  const rung = rungs[tried]
  if (!rung || rung.id === 'cut') return null
  const before = tried === 0 ? 0 : (rungs[tried - 1]?.free ?? 0)
  const chance = (rung.free - before) / (1 - before)
  const gain = chance * money.saved
  const cost = rung.minutes * money.people * money.rate + money.spoils * money.spoiled
  return { rung, chance, gain, cost, go: gain > cost }
}

/** One way that was tried on a hub. */
export interface Tried {
  readonly rung: string
  readonly minutes: number
  readonly freed: boolean
}

/** What is to be done with a stuck hub now. */
export type HubNext =
  | { readonly say: 'free' }
  /** The next way pays. */
  | { readonly say: 'go'; readonly advice: HubAdvice }
  /** It costs more than it saves: cut, once the new part is checked and in hand; without one, leave it. */
  | { readonly say: 'cut'; readonly advice: HubAdvice | null }
  /** A person decides: too long, or two ways without anything moving. */
  | { readonly say: 'ask'; readonly because: 'minutes' | 'still'; readonly advice: HubAdvice | null }

/**
 * What is to be done with a stuck hub now: hands on it so long, or two ways in a row without success beyond oil and screws, and a
 * person decides.
 * @source common practice
 */
export function hubNext(tried: readonly Tried[], money: HubMoney): HubNext {
  if (tried.some((t) => t.freed)) return { say: 'free' }
  const done = Math.max(0, ...tried.map((t) => 1 + rungs.findIndex((r) => r.id === t.rung)))
  const advice = nextRung(done, money)
  const minutes = tried.reduce((sum, t) => sum + t.minutes, 0)
  if (minutes >= hubLimit) return { say: 'ask', because: 'minutes', advice }
  // Cleaning, oil and screws move nothing by themselves: ways that push or pull are counted.
  if (tried.filter((t) => forceful.includes(t.rung)).length >= 2) return { say: 'ask', because: 'still', advice }
  return advice?.go ? { say: 'go', advice } : { say: 'cut', advice }
}
/** Ways that should move it. */
const forceful = ['turn', 'drift', 'puller', 'heat', 'press']
