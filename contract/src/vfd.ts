import {
  faultFamilies,
  liveValues,
  parameters,
  registerTypes,
  statusBits,
  wordsOf,
  type ParameterSet,
  type VfdProfile,
  type VfdReading,
} from '@motor-round/core/vfd'
import { z } from './z.ts'
import { id, instant, line, text } from './common.ts'

const table = z.enum(['holding', 'input'])
/** Addresses on the wire, the first is 0. */
const register = z.int().min(0).max(65_535)
const field = z.strictObject({
  register,
  table,
  type: z.enum(registerTypes),
  scale: z.number().positive().max(1e6),
})
const parameterIds = parameters.map((p) => p.id)
const familyIds = faultFamilies.map((f) => f.id)

const some = <K extends string, V extends z.ZodType>(keys: readonly K[], value: V) =>
  z.partialRecord(z.enum(keys), value)

/** A kind of drive as a file describes it: `docs/formats.md`. */
export const vfdProfile: z.ZodType<VfdProfile, VfdProfile> = z
  .strictObject({
    format: z.literal('motor-round-vfd/1'),
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{1,39}$/, 'small letters, digits and dashes, two to forty'),
    maker: line(60).min(1),
    model: line(60).min(1),
    wordOrder: z.enum(['high first', 'low first']),
    values: some(
      liveValues.map((v) => v.id),
      field,
    ),
    status: z.strictObject({ register, table, bits: some(statusBits, z.int().min(0).max(15)) }),
    fault: z.strictObject({
      register,
      table,
      codes: z
        .array(z.strictObject({ code: z.int().min(1).max(65_535), text: line(20).min(1), family: z.enum(familyIds) }))
        .max(300)
        .readonly(),
    }),
    faultLog: z.strictObject({ register, table, entries: z.int().min(1).max(30) }).nullable(),
    parameters: some(parameterIds, field.extend({ writable: z.boolean() })),
  })
  .superRefine((p, ctx) => {
    const last = (at: number, words: number, path: (string | number)[]) => {
      if (at + words > 65_536) ctx.addIssue({ code: 'custom', path, message: 'goes past the last register, 65,535' })
    }
    for (const [key, f] of Object.entries(p.values)) last(f.register, wordsOf(f.type), ['values', key, 'register'])
    for (const [key, f] of Object.entries(p.parameters)) {
      last(f.register, wordsOf(f.type), ['parameters', key, 'register'])
      if (f.writable && f.table === 'input')
        ctx.addIssue({
          code: 'custom',
          path: ['parameters', key, 'writable'],
          message: 'input registers cannot be written',
        })
    }
    if (p.faultLog) last(p.faultLog.register, 2 * p.faultLog.entries, ['faultLog', 'register'])
    const codes = p.fault.codes.map((c) => c.code)
    codes.forEach((c, i) => {
      if (codes.indexOf(c) < i)
        ctx.addIssue({ code: 'custom', path: ['fault', 'codes', i], message: `code ${c} is given twice` })
    })
    if (Object.keys(p.values).length === 0)
      ctx.addIssue({ code: 'custom', path: ['values'], message: 'at least one figure' })
  })
  .meta({ id: 'VfdProfile' })

/** Settings of a drive, each within what such a setting can be. */
export const parameterSet: z.ZodType<ParameterSet, ParameterSet> = some(parameterIds, z.number())
  .superRefine((set, ctx) => {
    for (const { id: key, title, unit, range } of parameters) {
      const value = set[key]
      if (value !== undefined && (value < range[0] || value > range[1]))
        ctx.addIssue({
          code: 'custom',
          path: [key],
          message: `${title.toLowerCase()} lies between ${range[0]} and ${range[1]}${unit === '' ? '' : ` ${unit}`}`,
        })
    }
  })
  .meta({ id: 'ParameterSet' })

/** A name or address in a network: letters, digits, dots, dashes, or an IPv6 address. */
const host = z
  .string()
  .trim()
  .max(120)
  .regex(/^(?:[A-Za-z0-9][A-Za-z0-9.-]*|[0-9A-Fa-f:.]+)$/, 'an address such as 10.20.4.31, or a name in your network')

/** Where the drive of a machine answers. */
export const vfdLinkBody = z
  .strictObject({
    host,
    port: z.int().min(1).max(65_535).default(502),
    unit: z.int().min(0).max(247).default(1),
    profileId: z.string().max(40),
    /** Settings may be written from here. */
    mayWrite: z.boolean().default(false),
    /** It is read every minute: its hertz, amps and whether it runs are live data. */
    live: z.boolean().default(false),
  })
  .meta({ id: 'VfdLinkBody' })
export const vfdLink = vfdLinkBody.extend({ by: z.string(), at: instant }).meta({ id: 'VfdLink' })
export type VfdLink = z.infer<typeof vfdLink>

const shownFault = z.object({ code: z.int(), text: z.string().nullable(), family: z.enum(familyIds).nullable() })

/** What a drive said at one moment. Hz, V, A, kW, °C, h. */
export const vfdReading: z.ZodType<VfdReading, VfdReading> = z
  .object({
    values: z.record(z.enum(liveValues.map((v) => v.id)), z.number().nullable()),
    status: z.record(z.enum(statusBits), z.boolean().nullable()),
    fault: shownFault.nullable(),
    log: z.array(shownFault.extend({ hours: z.number() })).readonly(),
    doubts: z.array(z.string()).readonly(),
  })
  .meta({ id: 'VfdReading' })

export const vfdRead = z
  .object({
    at: instant,
    profileId: z.string(),
    reading: vfdReading,
    /** Null where they were not asked for. */
    settings: z.object({ set: parameterSet, doubts: z.array(z.string()).readonly() }).nullable(),
  })
  .meta({ id: 'VfdRead' })
export type VfdRead = z.infer<typeof vfdRead>

/** Settings to be kept: read off the wire or off the display. A visit of that time keeps what they came to. */
export const vfdSettingsBody = z
  .strictObject({
    id,
    visitId: id,
    takenAt: instant,
    how: z.enum(['read', 'typed']),
    set: parameterSet,
    /** Why they are not as they were last; empty where nobody knows. */
    why: text(400).default(''),
  })
  .superRefine((s, ctx) => {
    if (Object.keys(s.set).length === 0)
      ctx.addIssue({ code: 'custom', path: ['set'], message: 'at least one setting' })
  })
  .meta({ id: 'VfdSettingsBody' })

export const vfdSettings = z
  .object({
    id,
    machineId: id,
    visitId: id,
    takenAt: instant,
    by: z.string(),
    how: z.enum(['read', 'typed', 'written']),
    set: parameterSet,
    why: z.string(),
  })
  .meta({ id: 'VfdSettings' })
export type VfdSettings = z.infer<typeof vfdSettings>

/** Settings as a file, to be compared or given on. */
export const vfdSettingsFile = z
  .object({
    format: z.literal('motor-round-vfd-settings/1'),
    takenAt: instant,
    by: z.string().max(60),
    set: parameterSet,
  })
  .meta({ id: 'VfdSettingsFile' })

export const vfdWriteBody = z
  .strictObject({
    id,
    visitId: id,
    takenAt: instant,
    parameter: z.enum(parameterIds),
    value: z.number(),
    why: text(400).refine((t) => t.trim() !== '', 'enter why it is changed'),
  })
  .meta({ id: 'VfdWriteBody' })

/** What is known of a machine's drive. */
export const vfdPage = z
  .object({
    link: vfdLink.nullable(),
    profile: vfdProfile.nullable(),
    /** The newest first. */
    settings: z.array(vfdSettings),
    /** The drives of its twin fans, with the settings kept last. */
    twins: z.array(z.object({ machineId: id, tag: z.string(), settings: vfdSettings.nullable() })),
  })
  .meta({ id: 'VfdPage' })
export type VfdPage = z.infer<typeof vfdPage>
