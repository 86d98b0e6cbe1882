import { readColumns, type Plate } from '@motor-round/core/plate'
import { z } from './z.ts'
import { line } from './common.ts'

const short = line(60).min(1)
const positive = z.number().positive()

export const plateFields = [
  'maker',
  'model',
  'serial',
  'power',
  'phases',
  'volts',
  'amps',
  'hz',
  'rpm',
  'sf',
  'sfa',
  'frame',
  'insulationClass',
  'design',
  'code',
  'efficiency',
  'powerFactor',
  'enclosure',
  'duty',
  'thermalProtection',
  'bearings',
  'shaft',
  'rotation',
  'capacitorUf',
  'capacitorVolts',
  'speedTaps',
  'lowAmps',
  'lowRpm',
  'signal',
] as const

type Wrong = { path: string; message: string } | null

function readable(volts: string, amps?: string, sfa?: string): Wrong {
  try {
    readColumns(volts, amps, sfa)
    return null
  } catch (e) {
    if (!(e instanceof RangeError)) throw e
    const [path = 'volts', ...rest] = e.message.split(': ')
    return { path, message: rest.join(': ') }
  }
}

/** Low-speed figures that cannot be: columns that do not fit the volts, or a low speed that is not the lower one. */
function wrongLow(p: Plate): Wrong {
  const columns = p.volts === undefined || p.lowAmps === undefined ? null : readable(p.volts, p.lowAmps)
  if (columns) return { ...columns, path: columns.path === 'amps' ? 'lowAmps' : columns.path }
  if (p.lowRpm !== undefined && p.rpm !== undefined && p.lowRpm >= p.rpm)
    return { path: 'lowRpm', message: 'low-speed rpm must be below the full-load rpm' }
  return null
}

/** A motor's nameplate; what is printed in columns stays as printed. */
export const plate = z
  .strictObject({
    maker: short.exactOptional(),
    model: short.exactOptional(),
    serial: short.exactOptional(),
    power: positive.max(2000).exactOptional(),
    powerUnit: z.enum(['hp', 'kW']).exactOptional(),
    phases: z.union([z.literal(1), z.literal(3)]).exactOptional(),
    volts: short.exactOptional(),
    amps: short.exactOptional(),
    hz: short.exactOptional(),
    rpm: positive.max(7200).exactOptional(),
    sf: positive.max(3).exactOptional(),
    sfa: short.exactOptional(),
    frame: short.exactOptional(),
    insulationClass: short.exactOptional(),
    design: short.exactOptional(),
    code: short.exactOptional(),
    efficiency: positive.max(1).exactOptional(),
    powerFactor: positive.max(1).exactOptional(),
    enclosure: short.exactOptional(),
    duty: short.exactOptional(),
    thermalProtection: short.exactOptional(),
    bearings: short.exactOptional(),
    shaft: short.exactOptional(),
    rotation: z.enum(['clockwise', 'counter-clockwise', 'either']).exactOptional(),
    rotationSeenFrom: z.enum(['drive end', 'opposite end']).exactOptional(),
    capacitorUf: positive.max(1000).exactOptional(),
    capacitorVolts: positive.max(1000).exactOptional(),
    speedTaps: short.exactOptional(),
    lowAmps: short.exactOptional(),
    lowRpm: positive.max(7200).exactOptional(),
    signal: short.exactOptional(),
    unreadable: z.array(z.enum(plateFields)).readonly().exactOptional(),
  })
  .superRefine((p, ctx) => {
    if (p.volts !== undefined) {
      const wrong = readable(p.volts, p.amps, p.sfa)
      if (wrong) ctx.addIssue({ code: 'custom', path: [wrong.path], message: wrong.message })
    } else if (p.amps !== undefined || p.lowAmps !== undefined)
      ctx.addIssue({ code: 'custom', path: ['volts'], message: 'enter the volts that belong to these amps' })
    const low = wrongLow(p)
    if (low) ctx.addIssue({ code: 'custom', path: [low.path], message: low.message })
    for (const field of p.unreadable ?? [])
      if (p[field] !== undefined)
        ctx.addIssue({
          code: 'custom',
          path: [field],
          message: 'marked “cannot be read” and also filled in: clear one of the two',
        })
  })
  .meta({ id: 'Plate' }) satisfies z.ZodType<Plate>

/** A nameplate while it is typed: each field by itself, whether or not they fit together yet. */
export const plateAsTyped = z.strictObject(plate.shape)

export const unitPlate = z
  .strictObject({ volts: short, amps: short })
  .superRefine((p, ctx) => {
    const wrong = readable(p.volts, p.amps)
    if (wrong) ctx.addIssue({ code: 'custom', path: [wrong.path], message: wrong.message })
  })
  .meta({ id: 'UnitPlate' })
