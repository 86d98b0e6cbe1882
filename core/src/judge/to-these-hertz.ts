import { mean } from '../quantity/index.ts'
import { hertzOf, loadPoint, meanVolts, type LoadPoint, type Visit } from '../trend/index.ts'
import { ampsAtHz, type FanOnDrive } from '../vfd/index.ts'

/** Farther apart than this, or slower, the model of the motor says too little. */
const farthest = 1.4
const slowest = 1 / 3

/** May amps read at one frequency be brought to another? */
const within = (fan: FanOnDrive, a: number, b: number): boolean =>
  Math.min(a, b) >= slowest * fan.plateHz && Math.max(a, b) <= farthest * Math.min(a, b)

/**
 * Brings what other visits read to the hertz of one, by the model of the motor: 41 Hz in March can be held against 52 Hz in July.
 * @param visit to whose hertz
 * @param reference volts its own amps are referred to. A drive makes its own volts, so those of the other visits say nothing
 * @returns null for a visit that cannot be brought there
 */
export function toHertzOf(visit: Visit, fan: FanOnDrive, reference: number | null): (other: Visit) => LoadPoint | null {
  const to = hertzOf(visit)
  const volts = meanVolts(visit)
  const referred = volts !== null && volts > 0 && reference !== null ? volts / reference : 1
  return (other) => {
    const from = hertzOf(other)
    const read = loadPoint(other, null)
    if (to === undefined || from === undefined || read === null || !within(fan, from, to)) return null
    const legs = read.legs.flatMap((amps) => (amps > 0 ? (ampsAtHz(fan, { amps, hz: from }, to)?.amps ?? []) : []))
    if (legs.length < read.legs.length) return null
    const amps = mean(legs)
    return { at: read.at, amps, normal: amps * referred, legs, readAtHz: from }
  }
}
