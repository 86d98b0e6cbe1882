import { combustion as worked, mostOxygen } from '../../../air/index.ts'
import { plateBasis, practice, type Basis } from '../../../limits/index.ts'
import { show, type Reading } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { highest } from '../../evidence.ts'
import { verdict, type Rule } from '../../rule.ts'
import { scaleOf } from '../../scale.ts'
import type { Verdict } from '../../verdict.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

export const doNotFire = 'Do not fire it. Have the burner set by a licensed technician, then read again.'

/** Carbon monoxide with the excess air taken out; what was read is the least that it can be. */
function carbonMonoxide(c: Context, check: Rule, co: Reading, oxygen: number | null): Verdict {
  const read = highest(co)
  const look = c.limit('flue-co-look')
  const most = c.limit('flue-co-most')
  const airFree = oxygen === null ? read : worked('natural gas', read, oxygen, null).airFree
  const told = `CO ${read.toFixed(0)} ppm as read${oxygen === null ? '' : `, ${airFree.toFixed(0)} ppm air-free`}`
  const given = { positions: ['co'], value: airFree }
  if (airFree > most.value)
    return verdict(check, {
      ...given,
      level: 'stop',
      limit: most.value,
      basis: [most.basis],
      because: `${told}: over the limit of ${most.value} ppm.`,
      next: 'Shut the burner down and lock it out. Ventilate; call a licensed technician.',
    })
  if (airFree > look.value)
    return verdict(check, {
      ...given,
      level: 'fix',
      limit: look.value,
      basis: [look.basis],
      because: `${told}: over ${look.value} ppm.`,
      next: 'Find out why before it is left in service: air, gas pressure, exchanger. Licensed gas work.',
    })
  if (oxygen === null)
    return verdict(check, {
      ...given,
      level: 'watch',
      limit: look.value,
      basis: [look.basis],
      because: `${told}: it cannot be judged without the oxygen, because excess air dilutes it.`,
      next: 'Read the oxygen with it.',
      confidence: 'low',
      settles: false,
    })
  return verdict(check, {
    ...given,
    level: 'ok',
    limit: look.value,
    basis: [look.basis],
    because: `${told}.`,
    next: 'Nothing to do.',
  })
}

/** Out is out, however close it is. */
function inRange(
  check: Rule,
  position: string,
  told: string,
  [value, low, high]: readonly [number, number, number],
  range: string,
  basis: Verdict['basis'],
): Verdict {
  const out = value < low || value > high
  return verdict(check, {
    level: out ? 'stop' : 'ok',
    positions: [position],
    value,
    limit: value < low ? low : high,
    basis,
    because: out ? `${told}, outside ${range}.` : `${told}.`,
    next: out ? doNotFire : 'Nothing to do.',
  })
}

const celsius = (fahrenheit: number) => (fahrenheit - 32) / 1.8

/** Oxygen in per cent and the stack in °C: the range of this appliance where it is entered, else the usual one. */
function rangesOf(c: Context): readonly [Range, Range] {
  const own = c.machine.controls.burner
  // Half a range is none.
  const range = (entered: readonly (number | null | undefined)[], ...[low, high, basis]: Range): Range => {
    const [from, to] = entered
    return from == null || to == null ? [low, high, basis] : [from, to, plateBasis('the range of this appliance')]
  }
  const [low, high] = [c.limit('flue-oxygen-low'), c.limit('flue-oxygen-high')]
  const [cold, hot] = [c.limit('stack-low'), c.limit('stack-high')]
  const stack = [own?.stackLow, own?.stackHigh].map((f) => (f == null ? f : celsius(f)))
  return [
    range([own?.oxygenLow, own?.oxygenHigh], low.value * 100, high.value * 100, low.basis),
    range(stack, cold.value, hot.value, cold.basis),
  ]
}
type Range = readonly [low: number, high: number, basis: Basis]

/** Oxygen and carbon monoxide of the flame were both read: what makes a combustion test. */
export function flueRead(c: Context): boolean {
  const oxygen = c.reading('flue_oxygen', 'flue')
  return oxygen !== undefined && oxygen.value < mostOxygen && c.reading('flue_co', 'flue') !== undefined
}

/** A combustion test by its figures: oxygen, carbon monoxide with the excess air taken out, and the stack, each by itself. */
export const burning: Rule = {
  id: 'combustion',
  title: 'Combustion',
  subject: 'gas section',
  from: 'visit',
  applies: (c) => c.has('flue_oxygen', 'flue_co') || c.value('temperature', 'stack') !== undefined,
  judge(c) {
    const oxygen = c.reading('flue_oxygen', 'flue')
    const co = c.reading('flue_co', 'flue')
    const stack = c.reading('temperature', 'stack')
    const thin = oxygen !== undefined && oxygen.value >= mostOxygen
    const [[low, high, ofOxygen], [cold, hot, ofStack]] = rangesOf(c)
    const t = (celsius: number) => show.temperature(celsius, scaleOf(c))
    const percent = (v: number) => `${show.trimmed(v, 1)} %`
    return [
      ...(co ? [carbonMonoxide(c, this, co, oxygen && !thin ? oxygen.value : null)] : []),
      ...(thin
        ? [
            verdict(this, {
              level: 'watch',
              positions: ['oxygen'],
              value: oxygen.value,
              limit: mostOxygen,
              basis: [practice('a probe in air reads nothing of the flame')],
              because: `Oxygen ${percent(oxygen.value)}: the probe draws in air, or there is no flame.`,
              next: 'Seal the probe hole, probe ahead of any draft hood, and read again.',
              confidence: 'low',
              settles: false,
            }),
          ]
        : oxygen
          ? [
              inRange(
                this,
                'oxygen',
                `Oxygen ${percent(oxygen.value)}`,
                [oxygen.value, low, high],
                `${show.trimmed(low, 1)} to ${percent(high)}`,
                [ofOxygen],
              ),
            ]
          : []),
      ...(oxygen && !co
        ? [
            verdict(this, {
              level: 'watch',
              positions: ['co'],
              basis: [practice('oxygen and carbon monoxide together')],
              because: 'Carbon monoxide was not read.',
              next: 'Read CO with the oxygen.',
              confidence: 'low',
              settles: false,
            }),
          ]
        : []),
      ...(stack
        ? [
            inRange(this, 'stack', `Stack ${t(stack.value)}`, [stack.value, cold, hot], `${t(cold)} to ${t(hot)}`, [
              ofStack,
            ]),
          ]
        : []),
    ]
  },
}

/** After work on a gas section, or once a season: the figures decide, not a word. */
export const combustionCheck: CheckDefinition = {
  id: 'combustion',
  phase: 'live',
  part: 'electric',
  title: 'Combustion',
  how: 'Fire it five to ten minutes, each stage. Probe undiluted, ahead of any draft hood; wait until it stands still.',
  caution:
    'Gas work is for licensed people under local code. CO that rises, or changes when the fan starts: shut it off.',
  for: (m) => m.controls.gasSection,
  groups: () => [
    {
      title: 'Flue gas',
      asks: [
        ...cells('flue_oxygen', ['flue'], ['Oxygen']),
        ...cells('flue_co', ['flue'], ['CO as read']),
        ...cells('temperature', ['stack'], ['Stack']),
      ],
    },
  ],
  judges: [burning],
}
