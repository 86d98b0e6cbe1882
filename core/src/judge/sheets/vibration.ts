import { history, standard } from '../../limits/index.ts'
import { fanVibration, inchPeakFromRms, rmsFromInchPeak, ventilationCategory } from '../../motion/index.ts'
import { vibrationPositions } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { always, cells, type SheetCheck } from './sheet.ts'
import { vibrationPeak } from './vibration-peak.ts'

/** The worst of a stop, in/s peak. */
const worstOf = (readings: Context['stop']['readings']) =>
  readings
    .filter((r) => r.quantity === 'vibration')
    .reduce<{ position: string; value: number } | null>((a, r) => (a === null || r.value > a.value ? r : a), null)

const inch = (v: number) => v.toFixed(2)

/** Velocity on the bearing housings against the limits of a fan in its place, and against its own last. */
const velocity: Check = {
  id: 'vibration',
  title: 'Vibration',
  applies: (c) => c.has('vibration'),
  judge(c) {
    const worst = worstOf(c.stop.readings) ?? { position: '', value: 0 }
    const power = c.motor?.plate.power
    const category = ventilationCategory((power ?? 4) * (c.motor?.plate.powerUnit === 'kW' ? 1000 : 745.7))
    const mount = c.answer('vibration.mount') ?? c.layout?.mounting ?? undefined
    const mounting = mount === 'rigid' ? 'rigid' : 'flexible'
    const v = fanVibration(rmsFromInchPeak(worst.value), category, mounting)
    const startUp = inchPeakFromRms(v.startUp)
    const alarm = inchPeakFromRms(v.alarm)
    const off = inchPeakFromRms(v.shutdown ?? v.alarm)
    const basis = [standard(`ISO 14694, ${category} on a ${mounting} mount, from memory`)]
    const told = `${inch(worst.value)} in/s peak at ${worst.position}`
    const last = c.history
      .filter((s) => s.at < c.stop.at && s.at >= (c.motor?.fittedAt ?? -Infinity))
      .sort((a, b) => b.at - a.at)
      .flatMap((s) => worstOf(s.readings) ?? [])[0]
    const grown = c.limit('vibration-grown')
    const sure = {
      confidence: mount === undefined || power === undefined ? 'low' : 'full',
    } as const
    if (v.stands === 'shutdown')
      return verdict(this, {
        level: 'stop',
        value: worst.value,
        limit: off,
        basis,
        because: `${told}: over the ${inch(off)} in/s at which a fan is taken off.`,
        next: 'Stop it in order, nobody in line with the wheel. Blades, hub, bearings, then balance.',
        ...sure,
      })
    if (v.stands === 'alarm')
      return verdict(this, {
        level: 'fix',
        value: worst.value,
        limit: alarm,
        basis,
        because: `${told}: over the alarm of ${inch(alarm)} in/s.`,
        next: 'Dirt and missing clips first, then belt, sheaves, screws, bearings; the frequency names it on the bench.',
        ...sure,
      })
    if (last && worst.value > grown.value * last.value && worst.value > 0.1)
      return verdict(this, {
        level: 'watch',
        value: worst.value,
        limit: grown.value * last.value,
        basis: [grown.basis, history('its last reading'), ...basis],
        because: `${told}: more than ${grown.value === 2 ? 'twice' : `${grown.value} times`} the ${inch(last.value)} in/s of last time, still below the alarm.`,
        next: 'What changed since? Read again within the month.',
        ...sure,
      })
    if (v.stands === 'above start-up')
      return verdict(this, {
        level: 'watch',
        value: worst.value,
        limit: startUp,
        basis,
        because: `${told}: over the ${inch(startUp)} in/s of a fan as new, below the alarm of ${inch(alarm)}.`,
        next: 'Read again at the next visit, same spot, same direction.',
        ...sure,
      })
    return verdict(this, {
      level: 'ok',
      value: worst.value,
      limit: startUp,
      basis,
      because: `${told}: within the ${inch(startUp)} in/s of a fan as new.`,
      next: 'Nothing to do.',
      ...sure,
    })
  },
}

/** Six readings at the bearing housings. */
export const vibrationSheet: SheetCheck = {
  id: 'vibration',
  phase: 'live',
  part: 'drive',
  title: 'Vibration',
  how: 'On bare metal of each bearing housing, always the same spot: across, up, along the shaft.',
  caution: 'The guard stays on; reach the housings from outside or with a stick. Nobody in line with the wheel.',
  for: always,
  groups: () => [
    { title: 'Drive end', asks: cells('vibration', vibrationPositions.slice(0, 3), ['Across', 'Up', 'Along']) },
    { title: 'Opposite end', asks: cells('vibration', vibrationPositions.slice(3), ['Across', 'Up', 'Along']) },
    { title: 'Strongest at', asks: cells('vibration_hz', ['dominant'], ['Frequency']), also: true },
  ],
  judges: [velocity, vibrationPeak],
}
