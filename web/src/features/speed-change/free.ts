import { usuallyTold, type DriveToday } from '@motor-round/core/speed-change'
import { pitchAtTurns } from '@motor-round/core/drivetrain'
import { circuitOfPlate } from '@motor-round/core/machine'
import { parseFigure, show } from '@motor-round/core/quantity'
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

/** A cell of a figure. */
export type FreeCell = Exclude<keyof FreeDraft, 'wheel' | 'section'>

/** What each can be, in the unit it is typed in. */
const bounds: Record<FreeCell, readonly [least: number, most: number, unit: string]> = {
  hp: [0.05, 1000, 'hp'],
  plateVolts: [90, 1000, 'V'],
  plateAmps: [0.1, 2000, 'A'],
  plateRpm: [200, 6000, 'rpm'],
  hz: [25, 70, 'Hz'],
  closed: [0.5, 60, 'in'],
  perTurn: [0.01, 2, 'in'],
  turns: [0, 12, 'turns'],
  most: [0.5, 12, 'turns'],
  driven: [0.5, 120, 'in'],
  center: [1, 400, 'in'],
  greatestRpm: [50, 10_000, 'rpm'],
}

/** What is wrong with a figure that was typed, by its cell; a blank one is not wrong. */
export function wrongInFree(d: FreeDraft): Partial<Record<FreeCell, string>> {
  const wrong: Partial<Record<FreeCell, string>> = {}
  for (const [cell, [least, most, unit]] of Object.entries(bounds) as [FreeCell, readonly [number, number, string]][]) {
    if (d[cell].trim() === '') continue
    const value = parseFigure(d[cell])
    if (value === null) wrong[cell] = 'is not a number'
    else if (value < least || value > most) wrong[cell] = `${least} to ${most} ${unit}`
  }
  const [turns, most, closed, perTurn, driven, center] = [d.turns, d.most, d.closed, d.perTurn, d.driven, d.center].map(
    (t) => parseFigure(t),
  )
  if (turns != null && most != null && turns > most)
    wrong.turns ??= `at most ${show.count(most, 'turn')}: it opens no further`
  if (closed != null && perTurn != null && most != null && closed - perTurn * most <= 0)
    wrong.perTurn ??= 'with all its turns open nothing of the sheave is left'
  const touching = closed != null && driven != null ? (closed + driven) / 2 : null
  if (center != null && touching !== null && center <= touching)
    wrong.center ??= `more than ${show.trimmed(touching, 2)} in: the sheaves would touch`
  return wrong
}

/** Its point of today; null while something needed is missing or no figure. */
export function todayOfFree(d: FreeDraft, unit: LengthUnit): DriveToday | null {
  if (Object.keys(wrongInFree(d)).length > 0) return null
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
