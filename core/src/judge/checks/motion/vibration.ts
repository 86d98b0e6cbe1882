import { history, standard } from '../../../limits/index.ts'
import { fanLimits, inchPeakFromRms, takenOffAt, ventilationCategory } from '../../../motion/index.ts'
import { amount, vibrationPositions } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { highest } from '../../evidence.ts'
import { byWord } from '../by-word.ts'
import { always, cells, choice, type CheckDefinition } from '../check-definition.ts'
import { vibrationPeak } from './vibration-peak.ts'

/** How it feels, where nobody has an instrument. */
const felt = byWord({
  id: 'vibration-felt',
  title: 'Vibration by hand',
  subject: 'bearings',
  meanings: {
    'vibration.felt': {
      rough: ['watch', 'Shakes more than normal.', 'Measure it. Look for dirt and missing clips first.'],
      violent: [
        'stop',
        'Shakes violently.',
        'Shut it down, nobody in line with the wheel. Lock out and look at blades and hub before anything else.',
      ],
    },
  },
  fine: 'Runs smooth.',
  rule: 'a fan that shakes violently is shut down',
})

/** Velocity on the bearing housings against the limits of a fan in its place, and against its own last, each spot by itself. */
const velocity: Rule = {
  id: 'vibration',
  title: 'Vibration',
  subject: 'bearings',
  from: 'visit',
  running: true,
  applies: (c) => c.readings('vibration').length > 0,
  judge(c) {
    const shown = (v: number) => amount(v, 'in/s', c.machine.units)
    const power = c.motor?.plate.power
    // What is not known is taken as the stricter: a large fan on a rigid base.
    const category =
      power === undefined ? 'BV-3' : ventilationCategory(power * (c.motor?.plate.powerUnit === 'kW' ? 1000 : 745.7))
    const mount = c.answer('vibration.mount') ?? c.layout?.mounting ?? lastMount(c)
    const mounting = mount === 'flexible' ? 'flexible' : 'rigid'
    const limits = fanLimits(category, mounting)
    const startUp = inchPeakFromRms(limits.startUp)
    const alarm = inchPeakFromRms(limits.alarm)
    const off = inchPeakFromRms(takenOffAt(category, mounting))
    const basis = [standard(`ISO 14694, ${category} on a ${mounting} mount, and ISO 20816 for shutdown`, 'from memory')]
    const grown = c.limit('vibration-grown')
    const least = c.limit('vibration-least')
    const confidence = mount === undefined || power === undefined ? ('low' as const) : ('full' as const)
    const read = c
      .readings('vibration')
      .map((r) => ({ position: r.position, value: highest(r), last: lastAt(c, r.position) }))
    const standing = (r: (typeof read)[number]) =>
      r.value > off
        ? 'stop'
        : r.value > alarm
          ? 'fix'
          : r.last !== null && r.value > grown.value * r.last && r.value > 0.1
            ? 'grown'
            : r.value > startUp
              ? 'watch'
              : r.value < least.value
                ? 'still'
                : 'ok'
    const groups = (['stop', 'fix', 'grown', 'watch', 'still', 'ok'] as const).flatMap((level) => {
      const own = read.filter((r) => standing(r) === level)
      const worst = own.reduce<(typeof own)[number] | null>((a, b) => (a === null || b.value > a.value ? b : a), null)
      return worst ? [{ level, worst, positions: own.map((r) => r.position) }] : []
    })
    return groups.map(({ level, worst, positions }) => {
      const told = `${shown(worst.value)} peak at ${worst.position}`
      const given = { positions, value: worst.value, basis, confidence }
      switch (level) {
        case 'stop':
          return verdict(this, {
            ...given,
            level: 'stop',
            limit: off,
            because: `${told}: over the ${shown(off)} shutdown limit.`,
            next: 'Shut it down, nobody in line with the wheel. Lock out and look at blades and hub before anything else.',
          })
        case 'fix':
          return verdict(this, {
            ...given,
            level: 'fix',
            limit: alarm,
            because: `${told}: over the alarm of ${shown(alarm)}.`,
            next: 'Look for dirt and missing clips first. Then read the strongest frequency: the frequency calculator names the part that turns at that speed.',
          })
        case 'grown':
          return verdict(this, {
            ...given,
            level: 'watch',
            limit: grown.value * (worst.last ?? 0),
            basis: [grown.basis, history('its last reading'), ...basis],
            because: `${told}: more than ${grown.value === 2 ? 'twice' : `${grown.value} times`} the ${shown(worst.last ?? 0)} of the last reading, still below the alarm.`,
            next: 'Find what changed; re-read within a month.',
          })
        case 'watch':
          return verdict(this, {
            ...given,
            level: 'watch',
            limit: startUp,
            because: `${told}: over the ${shown(startUp)} for a new fan, below the alarm of ${shown(alarm)}.`,
            next: 'Read again at the next visit, same spot, same direction.',
          })
        case 'still':
          return verdict(this, {
            ...given,
            level: 'watch',
            limit: least.value,
            basis: [least.basis],
            because: `${told}: a fan that runs always moves more than that.`,
            next: 'Is the fan running, the probe firm on bare metal, and the meter on velocity? Read it again.',
            confidence: 'low',
            settles: false,
          })
        case 'ok':
          return verdict(this, {
            ...given,
            level: 'ok',
            limit: startUp,
            because: `${told}: within the ${shown(startUp)} for a new fan.`,
            next: 'Nothing to do.',
          })
      }
    })
  },
}

const earlier = (c: Context) => c.earlier.filter((s) => s.at >= (c.motor?.installedAt ?? -Infinity))

const lastAt = (c: Context, position: string): number | null =>
  earlier(c).flatMap((s) => s.readings.filter((r) => r.quantity === 'vibration' && r.position === position))[0]
    ?.value ?? null

/** What it stands on, as somebody entered it at an earlier visit. */
const lastMount = (c: Context): string | undefined =>
  earlier(c).find((s) => s.answers?.['vibration.mount'])?.answers?.['vibration.mount']

/** Six readings at the bearing housings. */
export const vibrationCheck: CheckDefinition = {
  id: 'vibration',
  phase: 'live',
  part: 'drive',
  title: 'Vibration',
  how: 'On bare metal of each bearing housing, always the same spot: horizontal, vertical, axial.',
  caution: 'Leave the guard on; reach the housings from outside or with a probe. Nobody stands in line with the wheel.',
  for: always,
  groups: () => [
    {
      title: 'Drive end',
      asks: cells('vibration', vibrationPositions.slice(0, 3), ['Horizontal', 'Vertical', 'Axial']),
    },
    {
      title: 'Opposite end',
      asks: cells('vibration', vibrationPositions.slice(3), ['Horizontal', 'Vertical', 'Axial']),
    },
    {
      title: 'By hand',
      asks: [
        choice('vibration.felt', 'It runs', [
          ['smooth', 'Smooth'],
          ['rough', 'Shakes'],
          ['violent', 'Shakes violently'],
        ]),
      ],
    },
    { title: 'Strongest at', asks: cells('vibration_hz', ['dominant'], ['Frequency']), also: true },
  ],
  judges: [velocity, felt, vibrationPeak],
}
