import { z } from 'zod'
import { id, instant, role, text } from './common.ts'
import { areaBody, machineBody, motorBody, siteBody, unitBody } from './register.ts'
import { houseRules } from './rules.ts'
import { gatePass } from './judgement.ts'
import { answers, reading, stopState, workBody } from './stop.ts'

/** A stop in a file: as it was recorded, with who took it. */
export const fileStop = z.strictObject({
  id,
  machineId: id,
  takenAt: instant,
  recordedAt: instant,
  by: z.string().max(60),
  state: stopState,
  readings: z.array(reading).max(150),
  answers: answers.default({}),
  passes: z.array(gatePass).max(3).default([]),
  note: text(1000),
  supersedes: id.nullable(),
  reason: text(400),
})
export type FileStop = z.infer<typeof fileStop>

export const fileMotor = motorBody.extend({
  machineId: id,
  removedAt: instant.nullable(),
  removedWhy: text(400),
  fittedBy: z.string().max(60),
})

/** The whole organisation as one file: everything but passwords. */
export const organisationFile = z
  .strictObject({
    format: z.literal('motor-round-organisation'),
    formatVersion: z.literal(1),
    name: z.string().min(1).max(80),
    exportedAt: instant,
    rules: houseRules,
    people: z.array(z.strictObject({ id, login: z.string().max(40), name: z.string().max(60), role })),
    sites: z.array(siteBody),
    areas: z.array(areaBody),
    units: z.array(unitBody),
    machines: z.array(machineBody.extend({ retiredAt: instant.nullable() })),
    motors: z.array(fileMotor),
    work: z.array(workBody.extend({ by: z.string().max(60) })),
    stops: z.array(fileStop),
  })
  .meta({ id: 'OrganisationFile' })
export type OrganisationFile = z.infer<typeof organisationFile>
