import { z } from './z.ts'
import { auditEntry } from './audit.ts'
import { findingBody, findingStepBody } from './finding.ts'
import { stockItemBody, stockMoveBody, stockPlaceBody } from './stock.ts'
import { jobBody, jobStepBody } from './job.ts'
import { traceBody, traceStepBody } from './trace.ts'
import { conditionClosingBody } from './condition.ts'
import { roofMap, mapPictureBody } from './roof-map.ts'
import { id, instant, role, text } from './common.ts'
import { cameOut, partBody } from './installed.ts'
import { speedChangeBody } from './speed-change.ts'
import { fileLiveBeside, fileLiveDay, fileLivePoint, fileOffHours } from './live.ts'
import { vfdLink, vfdProfile, vfdSettings } from './vfd.ts'
import { areaBody, machineBody, motorBody, siteBody, unitBody } from './register.ts'
import { policies } from './policies.ts'
import { gatePass } from './judgement.ts'
import { level } from './verdict.ts'
import { closing, day, dueTask, pictureBody, recurrence, roundEventBody, route, walker } from './round.ts'
import { answers, reading, visitState, workBody } from './visit.ts'

/** How often a record was changed; left out: never. */
const changed = { version: z.int().min(1).optional() }

/** A visit in a file: as it was recorded, with who took it. */
export const fileVisit = z.strictObject({
  id,
  machineId: id,
  takenAt: instant,
  recordedAt: instant,
  by: z.string().max(60),
  state: visitState,
  readings: z.array(reading).max(150),
  answers: answers.default({}),
  passes: z.array(gatePass).max(4).default([]),
  note: text(1000),
  supersedes: id.nullable(),
  reason: text(400),
  /** How it came to be on record; left out: by a file. */
  source: z.enum(['walk', 'import', 'file']).optional(),
  byId: id.nullable().optional(),
})
export type FileVisit = z.infer<typeof fileVisit>

export const fileMotor = motorBody.extend({
  machineId: id,
  removedAt: instant.nullable(),
  ...cameOut,
  ...changed,
  installedBy: z.string().max(60),
})

export const filePart = partBody.extend({
  machineId: id,
  removedAt: instant.nullable(),
  ...cameOut,
  ...changed,
  installedBy: z.string().max(60),
})

export const fileSpeedChange = speedChangeBody.extend({
  by: z.string().max(60),
  doneAt: instant.nullable(),
  droppedAt: instant.nullable(),
  droppedWhy: text(400),
})

/** A round with its visits, as it was planned and closed. */
export const fileRound = z.strictObject({
  id,
  name: z.string().min(1).max(80),
  day,
  siteIds: z.array(id),
  people: z.array(walker),
  heat: z.strictObject({ from: z.int(), to: z.int() }).nullable(),
  storm: z.int().nullable(),
  recurs: recurrence.nullable(),
  note: text(1000),
  visits: z.array(
    z.strictObject({
      machineId: id,
      tasks: z.array(dueTask),
      minutes: z.number(),
      learnt: z.int(),
      levelBefore: level.nullable(),
      added: z.boolean(),
    }),
  ),
  route: route,
  madeBy: z.string().max(60),
  madeAt: instant,
  closing: closing.nullable(),
  ...changed,
})
export type FileRound = z.infer<typeof fileRound>

/** The whole organization as one file: everything but passwords. */
export const organizationFile = z
  .strictObject({
    format: z.literal('motor-round-organization'),
    formatVersion: z.literal(1),
    name: z.string().min(1).max(80),
    exportedAt: instant,
    policies,
    /** Who set the limits, and when; left out or null: nobody did. */
    policiesVersion: z.int().min(1).optional(),
    policiesBy: z.string().max(60).nullable().optional(),
    policiesAt: instant.nullable().optional(),
    people: z.array(
      z.strictObject({
        id,
        login: z.string().max(40),
        name: z.string().max(60),
        role,
        /** When the account was deactivated. */
        disabledAt: instant.nullable().optional(),
      }),
    ),
    sites: z.array(siteBody.extend(changed)),
    areas: z.array(areaBody.extend({ map: roofMap.optional(), mapVersion: z.int().min(1).optional(), ...changed })),
    mapPictures: z.array(mapPictureBody.extend({ areaId: id, by: z.string().max(60) })).default([]),
    units: z.array(unitBody.extend(changed)),
    machines: z.array(machineBody.extend({ retiredAt: instant.nullable(), ...changed })),
    motors: z.array(fileMotor),
    parts: z.array(filePart).default([]),
    work: z.array(workBody.safeExtend({ by: z.string().max(60) })),
    speedChanges: z.array(fileSpeedChange).default([]),
    visits: z.array(fileVisit),
    /** Kinds of drive that were added, where drives answer, and their settings as they were kept. */
    vfdProfiles: z.array(z.strictObject({ profile: vfdProfile, by: z.string().max(60), at: instant })).default([]),
    vfdLinks: z.array(vfdLink.extend({ machineId: id, by: z.string().max(60) })).default([]),
    vfdSettings: z.array(vfdSettings.extend({ by: z.string().max(60) })).default([]),
    /** Columns of live data, off hours, and what each day came to: judging rests on the days. The minutes are in backups alone. */
    livePoints: z.array(fileLivePoint).default([]),
    liveOffHours: z.array(fileOffHours).default([]),
    liveDays: z.array(fileLiveDay).default([]),
    liveBeside: z.array(fileLiveBeside).default([]),
    rounds: z.array(fileRound).default([]),
    roundEvents: z.array(roundEventBody.safeExtend({ by: z.string().max(60) })).default([]),
    findings: z.array(findingBody.extend({ by: z.string().max(60) })).default([]),
    findingSteps: z.array(findingStepBody.safeExtend({ by: z.string().max(60) })).default([]),
    conditionClosings: z.array(conditionClosingBody.safeExtend({ by: z.string().max(60) })).default([]),
    traces: z.array(traceBody.extend({ by: z.string().max(60) })).default([]),
    jobs: z.array(jobBody.extend({ by: z.string().max(60) })).default([]),
    jobSteps: z.array(z.intersection(jobStepBody, z.object({ by: z.string().max(60) }))).default([]),
    stockPlaces: z.array(stockPlaceBody.extend(changed)).default([]),
    stockItems: z.array(stockItemBody.extend(changed)).default([]),
    stockMoves: z.array(stockMoveBody.safeExtend({ by: z.string().max(60) })).default([]),
    traceSteps: z.array(z.intersection(traceStepBody, z.object({ by: z.string().max(60) }))).default([]),
    pictures: z.array(pictureBody.extend({ by: z.string().max(60) })).default([]),
    digestAddresses: z
      .array(z.strictObject({ email: z.string().max(254), addedBy: z.string().max(60), addedAt: instant }))
      .optional(),
    /** The change log. Its seals are those of the database it is in. */
    audit: z.array(auditEntry.extend({ changeId: id.nullable() })).optional(),
  })
  .meta({ id: 'OrganizationFile' })
export type OrganizationFile = z.infer<typeof organizationFile>
