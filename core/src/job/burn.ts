import { combustion, fuels, usualOxygen, usualStack, type Fuel } from '../air/index.ts'
import { limitRegister } from '../limits/index.ts'
import { convert, show } from '../quantity/index.ts'

/** A combustion test with the appliance's own limits. Temperatures in °F. */
export interface BurnTest {
  readonly fuel: Fuel
  /** ppm as read, and per cent of oxygen. */
  readonly co: number
  readonly oxygen: number
  /** Where it burns well by the appliance; left out: where it usually does. */
  readonly oxygenLow?: number | undefined
  readonly oxygenHigh?: number | undefined
  /** Flue gas after it has fired for five minutes, with the range of the appliance; left out: not read, and the usual range. */
  readonly stack?: number | undefined
  readonly stackLow?: number | undefined
  readonly stackHigh?: number | undefined
  /** The figures stand still; left out: nobody said. */
  readonly steady?: boolean | undefined
  /** Rise over the exchanger, and the range on its nameplate. */
  readonly rise: number
  readonly riseLow: number
  readonly riseHigh: number
  readonly leakFree: boolean
}

/** Over this it is looked into; over that it does not run. ppm air-free. */
export const burnLimits = {
  investigate: limitRegister['flue-co-look'].value,
  stop: limitRegister['flue-co-most'].value,
} as const

/** What a combustion test says of one thing, and how it may be left. */
export interface BurnPart {
  readonly about: 'leak' | 'oxygen' | 'co' | 'stack' | 'rise'
  readonly grade: 'good' | 'investigate' | 'stop'
  readonly words: string
}

/** What a grade is at the machine. */
export const burnLevel = { good: 'ok', investigate: 'fix', stop: 'stop' } as const

export interface BurnGrade {
  readonly grade: BurnPart['grade']
  /** Carbon monoxide with the excess air taken out; null: the probe drew in air. ppm */
  readonly airFree: number | null
  /** What is wrong, or that nothing is. */
  readonly words: readonly string[]
  /** Of everything that was read. */
  readonly parts: readonly BurnPart[]
}

/** Out is out, however close it is. */
function within(
  about: 'oxygen' | 'stack',
  [read, low, high]: readonly [number, number, number],
  told: (value: number) => string,
  unit: string,
): BurnPart {
  const what = `${about === 'oxygen' ? 'Oxygen' : 'Stack'} ${told(read)} ${unit}`
  return read < low || read > high
    ? {
        about,
        grade: 'stop',
        words: `${what}, outside ${told(low)} to ${told(high)} ${unit}: have the burner set, then read again.`,
      }
    : { about, grade: 'good', words: `${what}.` }
}

/** A temperature in °F, and a difference of two, in the scale of a site. */
const degrees = (scale: Scale) => (value: number) =>
  show.trimmed(scale === 'F' ? value : convert(value, 'degF', 'degC'), 1)
const difference = (scale: Scale) => (value: number) =>
  scale === 'F' ? `${show.trimmed(value, 1)} °F` : `${show.trimmed(value / 1.8, 1)} K`
type Scale = 'F' | 'C'

function carbonMonoxide(airFree: number, steady: boolean): BurnPart {
  const told = `CO ${airFree.toFixed(0)} ppm air-free`
  const about = 'co'
  if (airFree > burnLimits.stop)
    return { about, grade: 'stop', words: `${told}, over the limit of ${burnLimits.stop}: shut it off.` }
  const reasons = [
    ...(airFree > burnLimits.investigate ? [`${told}, over ${burnLimits.investigate}: find out why.`] : []),
    ...(steady
      ? []
      : ['The figures do not stand still: fire it for ten minutes and read again. CO that keeps rising: shut it off.']),
  ]
  return reasons.length > 0
    ? { about, grade: 'investigate', words: reasons.join(' ') }
    : { about, grade: 'good', words: `${told}.` }
}

function rise({ rise: read, riseLow, riseHigh }: BurnTest, words: (value: number) => string): BurnPart {
  const about = 'rise'
  const told = `Rise ${words(read)}`
  if (read < riseLow)
    return {
      about,
      grade: 'investigate',
      words: `${told}, below the ${words(riseLow)} of the nameplate: too much air, or too little gas.`,
    }
  return read > riseHigh
    ? { about, grade: 'investigate', words: `${told}, over the ${words(riseHigh)} of the nameplate: too little air.` }
    : { about, grade: 'good', words: `${told}.` }
}

/**
 * May the appliance run?
 * @param scale in which its words tell temperatures
 * @source CO air-free over 100 ppm is looked into, over 400 ppm it is off; oxygen, stack and rise are in the range of the appliance, and
 * out of range it does not run (common practice)
 */
export function gradeBurn(t: BurnTest, scale: Scale = 'F'): BurnGrade {
  const off = (about: BurnPart['about'], words: string): BurnGrade => ({
    grade: 'stop',
    airFree: null,
    words: [words],
    parts: [{ about, grade: 'stop', words }],
  })
  if (!t.leakFree) return off('leak', 'Gas leaks: shut the gas cock, get everybody out, call a licensed technician.')
  if (!(t.fuel in fuels)) throw new RangeError('fuel: natural gas or propane')
  if (t.oxygen >= 15)
    return off('oxygen', 'Oxygen is 15 % or more: the probe draws in air, or there is no flame. Read it again.')
  const { airFree } = combustion(t.fuel, t.co, t.oxygen, null)
  const parts: readonly BurnPart[] = [
    { about: 'leak', grade: 'good', words: 'No gas leaks.' },
    carbonMonoxide(airFree, t.steady !== false),
    within('oxygen', [t.oxygen, t.oxygenLow ?? usualOxygen.low, t.oxygenHigh ?? usualOxygen.high], String, '%'),
    ...(t.stack === undefined
      ? []
      : [
          within(
            'stack',
            [t.stack, t.stackLow ?? usualStack.low, t.stackHigh ?? usualStack.high],
            degrees(scale),
            `°${scale}`,
          ),
        ]),
    rise(t, difference(scale)),
  ]
  const bad = parts.filter((p) => p.grade !== 'good')
  const grade = bad.some((p) => p.grade === 'stop') ? 'stop' : bad.length > 0 ? 'investigate' : 'good'
  const words = bad.length > 0 ? bad.map((p) => p.words) : ['Burns clean, everything in range.']
  return { grade, airFree, words, parts }
}
