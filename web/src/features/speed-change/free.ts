import { usuallyTold, type DriveToday } from '@motor-round/core/speed-change'
import { pitchAtTurns } from '@motor-round/core/drivetrain'
import { circuitOfPlate } from '@motor-round/core/machine'
import { parseFigure } from '@motor-round/core/quantity'
import { typedLength, type LengthUnit } from '../../app/lengths.ts'

/** A machine that is not on record, as it is typed. */
export interface FreeDraft {
  readonly hp: string
  readonly plateVolts: string
  readonly plateAmps: string
  readonly plateRpm: string
  readonly hz: string
  readonly closed: string
  readonly perTurn: string
  readonly most: string
  readonly turns: string
  readonly driven: string
  readonly section: string
  readonly center: string
  readonly greatestRpm: string
  readonly wheel: 'forward-curved' | 'backward-inclined' | 'propeller'
}

/** The worked example: a 10 hp fan on an adjustable sheave of the B section. */
export const freeExample: FreeDraft = {
  hp: '10',
  plateVolts: '460',
  plateAmps: '12.8',
  plateRpm: '1755',
  hz: '60',
  closed: '5.4',
  perTurn: '0.2',
  most: '6',
  turns: '2',
  driven: '11',
  section: 'B',
  center: '22',
  greatestRpm: '1000',
  wheel: 'forward-curved',
}

/** Its point of today; null while something needed is missing or no figure. */
export function todayOfFree(d: FreeDraft, unit: LengthUnit): DriveToday | null {
  const read = (t: string) => parseFigure(t)
  const long = (t: string) => typedLength(t, unit)
  const [hp, plateVolts, plateAmps, plateRpm, hz] = [d.hp, d.plateVolts, d.plateAmps, d.plateRpm, d.hz].map(read)
  const [closed, perTurn, driven] = [d.closed, d.perTurn, d.driven].map(long)
  const [most, turns] = [d.most, d.turns].map(read)
  if (!plateVolts || !plateAmps || !plateRpm || !hz || !closed || !driven) return null
  const adjustable =
    perTurn &&
    most &&
    turns !== null &&
    turns !== undefined &&
    turns >= 0 &&
    turns <= most &&
    closed - perTurn * most > 0
      ? { closed, perTurn, most, least: 0.5, step: 0.5 as const, turns }
      : null
  const plate = {
    power: hp ?? 0,
    powerUnit: 'hp',
    volts: d.plateVolts,
    amps: d.plateAmps,
    rpm: plateRpm,
    hz: d.hz,
    phases: 3,
  } as const
  const circuit = hp ? circuitOfPlate(plate, { volts: plateVolts, amps: plateAmps }, hz) : null
  return {
    phases: 3,
    legs: [plateAmps, plateAmps, plateAmps],
    volts: plateVolts,
    hz,
    onDrive: false,
    allowed: plateAmps,
    plateAmps,
    plateRpm,
    circuit: circuit?.circuit ?? null,
    drive: {
      driver: adjustable ? pitchAtTurns(adjustable, adjustable.turns) : closed,
      driven,
      adjustable,
      section: d.section || null,
      belts: 1,
      beltLength: null,
      center: long(d.center),
      takeUp: null,
    },
    fanRpm: null,
    wheel: { type: d.wheel, greatestRpm: read(d.greatestRpm) },
    flow: null,
    pressure: null,
    shaft: null,
    misses: [],
    ...usuallyTold,
  }
}
