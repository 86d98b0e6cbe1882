import { allowedCurrent, readColumns, type Plate } from '../plate/index.ts'
import { show } from '../quantity/index.ts'
import type { Point, Swap } from './swap.ts'
import { missing, row } from './row.ts'

/** Amps alike within this are the same. @source common practice */
const alike = 0.05
/** A motor runs on its rated volts within ten percent. @source NEMA MG 1, 12.44 */
const window = 0.1

const A = (amps: number) => `${show.amps(amps)} A`
const limitOf = (s: Swap, plate: Plate): number | null =>
  allowedCurrent(plate, null, s.machine.serviceVolts)?.amps ?? null

const amps: Point = (s) => {
  const [old, now] = [limitOf(s, s.old), limitOf(s, s.now)]
  const name = 'Amps'
  const words = [old === null ? undefined : A(old), now === null ? undefined : A(now)] as const
  if (old === null || now === null) return missing(name, ...words, 'Read the amps of this supply on both nameplates.')
  if (s.amps !== null && s.amps > now)
    return row(name, ...words, 'does not fit', `It runs at ${A(s.amps)}: the new motor would be overloaded.`)
  if (now > old * (1 + alike)) {
    const unit = allowedCurrent(null, s.machine.unitPlate, s.machine.serviceVolts)?.amps ?? null
    const stays = unit !== null && now > unit ? ` The unit plate stays the limit: ${A(unit)}.` : ''
    return row(
      name,
      ...words,
      'fits with changes',
      `Set the overload to the new amps; check fuse and wire for them (NEC 430.22, 430.52).${stays}`,
      ['overload of the right range'],
    )
  }
  if (now >= old * (1 - alike)) return row(name, ...words, 'drops in')
  if (s.amps === null) return missing(name, ...words, 'The new motor is smaller: read the amps it runs at first.')
  return row(name, ...words, 'fits with changes', `It runs at ${A(s.amps)}. Set the overload to the new amps.`, [
    'overload of the right range',
  ])
}

/** The voltages of a nameplate; null where they cannot be read. */
function voltsOf(plate: Plate): readonly number[] | null {
  if (plate.volts === undefined) return null
  try {
    return readColumns(plate.volts).map((c) => c.volts)
  } catch (e) {
    if (e instanceof RangeError) return null // what cannot be read is not known
    throw e
  }
}

const volts: Point = (s) => {
  const [old, now] = [voltsOf(s.old), voltsOf(s.now)]
  if (!now) return missing('Volts', s.old.volts, s.now.volts, 'Read the volts on the new nameplate.')
  const service = s.machine.serviceVolts
  const near = [...now].sort((a, b) => Math.abs(a - service) - Math.abs(b - service))[0] ?? 0
  if (!(Math.abs(service / near - 1) <= window))
    return row('Volts', s.old.volts, s.now.volts, 'does not fit', `No column for ${service} V.`)
  if (old && old.length === now.length && old.every((v, i) => v === now[i]))
    return row('Volts', s.old.volts, s.now.volts, 'drops in')
  return row('Volts', s.old.volts, s.now.volts, 'fits with changes', `Connect it for ${near} V by its own diagram.`)
}

const phases: Point = (s) => {
  const { phases: now } = s.now
  if (now === undefined) return missing('Phases', s.machine.phases, now, 'Read the phases on the new nameplate.')
  return now === s.machine.phases
    ? row('Phases', s.machine.phases, now, 'drops in')
    : row(
        'Phases',
        s.machine.phases,
        now,
        'does not fit',
        `The machine is fed with ${s.machine.phases === 3 ? 'three phases' : 'one phase'}.`,
      )
}

const hertz: Point = (s) => {
  const printed = s.now.hz?.match(/\d+(?:\.\d+)?/g)?.map(Number)
  if (!printed) return missing('Hertz', s.old.hz, s.now.hz, 'Read the hertz on the new nameplate.')
  return printed.includes(s.hz)
    ? row('Hertz', s.old.hz, s.now.hz, 'drops in')
    : row('Hertz', s.old.hz, s.now.hz, 'does not fit', `The supply has ${s.hz} Hz.`)
}

const serviceFactor: Point = (s) => {
  const [old, now] = [s.old.sf, s.now.sf]
  if (old === undefined || now === undefined)
    return missing('Service factor', old, now, 'Without it the nameplate amps are the limit.')
  if (now >= old) return row('Service factor', old, now, 'drops in')
  const limit = limitOf(s, s.now)
  if (s.amps === null || limit === null)
    return missing('Service factor', old, now, 'The old motor may have run in its service factor: read the amps first.')
  return row(
    'Service factor',
    old,
    now,
    'fits with changes',
    `It runs at ${A(s.amps)}, below the ${A(limit)} of the new nameplate.`,
  )
}

const classes = ['A', 'B', 'F', 'H']
const insulation: Point = (s) => {
  const rank = (p: Plate) => classes.indexOf((p.insulationClass ?? '').trim().toUpperCase())
  const [old, now] = [rank(s.old), rank(s.now)]
  const words = [s.old.insulationClass, s.now.insulationClass] as const
  if (now < 0) return missing('Insulation class', ...words, 'Read the insulation class on the new nameplate.')
  if (s.machine.hasVfd && now < 2)
    return row(
      'Insulation class',
      ...words,
      'fits with changes',
      'On a drive: add an output filter, or take class F.',
      ['output filter'],
    )
  if (old < 0) return missing('Insulation class', ...words, 'The old nameplate does not say what was there.')
  return now >= old
    ? row('Insulation class', ...words, 'drops in')
    : row('Insulation class', ...words, 'does not fit', 'A lower class ages faster at the same load.')
}

const capacitor: Point = (s) => {
  if (s.machine.phases !== 1) return null
  const uf = (p: Plate) =>
    p.capacitorUf === undefined
      ? undefined
      : `${p.capacitorUf} µF${p.capacitorVolts === undefined ? '' : `, ${p.capacitorVolts} V`}`
  const words = [uf(s.old), uf(s.now)] as const
  if (s.now.capacitorUf === undefined)
    return missing(
      'Capacitor',
      ...words,
      'Read the capacitor on the new nameplate: the new motor decides, not the old one.',
    )
  if (s.now.capacitorUf === s.old.capacitorUf && (s.now.capacitorVolts ?? Infinity) <= (s.old.capacitorVolts ?? 0))
    return row('Capacitor', ...words, 'drops in')
  return row(
    'Capacitor',
    ...words,
    'fits with changes',
    'Put in the capacitor of the new nameplate; its volts are never lower.',
    [`capacitor ${words[1] ?? ''}`.trim()],
  )
}

const protector: Point = (s) => {
  const none = (text: string | undefined) => text !== undefined && /^(none|no|-)$/i.test(text.trim())
  const [old, now] = [s.old.thermalProtection, s.now.thermalProtection]
  if (now === undefined || now.trim() === '')
    return missing('Protector', old, now, 'Read on the new nameplate whether it has a protector.')
  if (none(now))
    return old !== undefined && none(old)
      ? row('Protector', old, now, 'drops in')
      : row('Protector', old, now, 'fits with changes', 'Without one it needs an overload relay.', ['overload relay'])
  return /auto/i.test(now) && !/auto/i.test(old ?? '')
    ? row('Protector', old, now, 'fits with changes', 'It starts again by itself: put a tag on it.', [
        'automatic-start tag',
      ])
    : row('Protector', old, now, 'drops in')
}

/** Locked-rotor code letters in their order. @source NEMA MG 1, 10.37 */
const letters = 'ABCDEFGHJKLMNPRSTUV'
const code: Point = (s) => {
  if (s.machine.phases !== 3 || s.machine.hasVfd) return null
  const at = (p: Plate) =>
    p.code === undefined || p.code.trim() === '' ? -1 : letters.indexOf(p.code.trim().toUpperCase())
  const [old, now] = [at(s.old), at(s.now)]
  if (old < 0 || now < 0)
    return missing('Code letter', s.old.code, s.now.code, 'Without it the starting amps are not known.')
  return now <= old
    ? row('Code letter', s.old.code, s.now.code, 'drops in')
    : row(
        'Code letter',
        s.old.code,
        s.now.code,
        'fits with changes',
        'More starting amps: check the fuses and the dip in volts.',
      )
}

/** Amps first: they decide, not the horsepower. */
export const electricalPoints: readonly Point[] = [
  amps,
  volts,
  phases,
  hertz,
  serviceFactor,
  insulation,
  capacitor,
  protector,
  code,
]
