import type { MachineFacts } from '../../core/src/judge/index.ts'
import type { Plate } from '../../core/src/plate/index.ts'
import type { Random } from './random.ts'

/** A made-up machine and what is true of it, whatever anybody reads. */
export interface Machine {
  readonly facts: MachineFacts
  readonly plate: Plate
  /** Nameplate current in the column it is connected for, amperes. */
  readonly allowed: number
  readonly serviceFactor: number
  /** What it draws on a good day, as a share of the nameplate. */
  readonly load: number
  /** Hertz at which its drive runs it; 60 across the line. */
  readonly hz: number
  /** What its supply carries, within two percent of the service: ANSI C84.1 range A with room. */
  readonly volts: number
  /** Any pair of a three-phase motor, the main winding of a single-phase one. */
  readonly windingOhms: number
  /** What its insulation reads on a dry day, megohms. */
  readonly megohms: number
  readonly capacitorUf: number
}

interface Supply {
  readonly service: number
  readonly volts: string
  /** Amps per horsepower, about NEC Table 430.250 and 430.248, at each printed column. */
  readonly perHp: readonly number[]
  readonly column: number
}
const threePhase: readonly Supply[] = [
  { service: 480, volts: '460', perHp: [1.4], column: 0 },
  { service: 480, volts: '208-230/460', perHp: [3.08, 2.8, 1.4], column: 2 },
  { service: 480, volts: '230/460', perHp: [2.8, 1.4], column: 1 },
  { service: 208, volts: '208-230/460', perHp: [3.08, 2.8, 1.4], column: 0 },
  { service: 208, volts: '200', perHp: [3.2], column: 0 },
  { service: 240, volts: '230/460', perHp: [2.8, 1.4], column: 0 },
  { service: 600, volts: '575', perHp: [1.1], column: 0 },
]
const singlePhase: readonly Supply[] = [
  { service: 240, volts: '230', perHp: [8], column: 0 },
  { service: 120, volts: '115', perHp: [16], column: 0 },
  { service: 240, volts: '115/230', perHp: [16, 8], column: 1 },
  { service: 208, volts: '208-230', perHp: [8.8, 8], column: 0 },
]
/** Ranges that share one separator are written with it: "27.0-25.6/12.8" beside "208-230/460". */
export const written = (volts: string, figures: readonly string[]): string => {
  let at = 0
  return volts.replace(/[\d.]+/g, () => figures[at++] ?? '')
}

/**
 * The winding burns two to five percent of what the motor takes in: 3 I² R/2 of it over the pairs of a three-phase motor, I² R of a
 * single-phase one, small ones more.
 */
const ohms = (r: Random, phases: 1 | 3, volts: number, amps: number): number =>
  phases === 3
    ? (2 * r.between(0.02, 0.05) * Math.sqrt(3) * volts * 0.83) / (3 * amps)
    : (r.between(0.05, 0.12) * volts) / amps

/** Any machine of the trade: belt or direct, across the line or on a drive, one phase or three. */
export function anyMachine(r: Random): Machine {
  const phases = r.chance(0.75) ? 3 : 1
  const supply = r.one(phases === 3 ? threePhase : singlePhase)
  const power = phases === 3 ? r.one([1, 1.5, 2, 3, 5, 7.5, 10, 15, 20, 25]) : r.one([0.25, 0.33, 0.5, 0.75, 1])
  const shift = r.between(0.88, 1.05)
  const amps = supply.perHp.map((a) => (a * power * shift).toFixed(1))
  const serviceFactor = r.one([1, 1.15, 1.15, 1.25])
  const hasVfd = phases === 3 && r.chance(0.3)
  const capacitorUf = phases === 1 ? r.one([5, 7.5, 10, 15]) : 0
  const starter = hasVfd ? 'none' : phases === 3 ? 'starter' : 'contactor'
  return {
    facts: {
      phases,
      serviceVolts: supply.service,
      hasVfd,
      hasTwin: false,
      drive: phases === 3 && r.chance(0.7) ? 'belt' : 'direct',
      controls: {
        starter,
        poles: phases === 3 ? 3 : 2,
        overload: starter === 'starter' ? 'relay' : phases === 1 ? 'internal' : 'electronic',
        protection: null,
        protectionAmps: null,
        controlVolts: 24,
        transformer: null,
        gasSection: r.chance(0.3),
        phaseMonitor: false,
        capacitor: null,
      },
      unitPlate: null,
    },
    plate: {
      volts: supply.volts,
      amps: written(supply.volts, amps),
      phases,
      power,
      powerUnit: 'hp',
      hz: '60',
      rpm: r.one([1140, 1725, 1750, 1755]),
      ...(r.chance(0.8) ? { sf: serviceFactor } : {}),
      ...(r.chance(0.5) ? { insulationClass: r.one(['B', 'F', 'H']) } : {}),
      ...(phases === 1 ? { capacitorUf, capacitorVolts: 370 } : {}),
    },
    allowed: Number(amps[supply.column]),
    serviceFactor,
    load: r.between(0.55, 0.93),
    hz: hasVfd ? r.one([40, 45, 50, 60]) : 60,
    volts: supply.service * r.between(0.98, 1.02),
    windingOhms: ohms(r, phases, supply.service, Number(amps[supply.column])),
    megohms: r.decades(150, 2000),
    capacitorUf,
  }
}
