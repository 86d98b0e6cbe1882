import type { BodyOf, vfdEndpoints, Person } from '@motor-round/contract'
import {
  answeredFor,
  cameTo,
  knownSettings,
  plateForDrive,
  shownParameter,
  type ParameterSet,
} from '@motor-round/core/vfd'
import { eq } from 'drizzle-orm'
import { record } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { machines, visits } from '../db/schema.ts'
import { vfdLinks, vfdSettings } from '../db/vfd-schema.ts'
import { refuseFuture } from '../http/in-time.ts'
import { fieldProblem, notFound } from '../http/problem.ts'
import { authorOf } from '../machine/command.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { keepVisit, lockId } from '../visits/keep.ts'
import { vfdPageOf } from './page.ts'
import { profileOf } from './profiles.ts'

/** A machine that has a drive, locked until the transaction ends. @throws a problem: no such machine, or it has none */
export async function lockDriven(tx: Tx, machineId: string): Promise<{ readonly siteId: string }> {
  const [row] = await tx
    .select({ siteId: machines.siteId, hasVfd: machines.hasVfd })
    .from(machines)
    .where(eq(machines.id, machineId))
    .for('no key update')
  if (!row) throw notFound('machine')
  if (!row.hasVfd) throw fieldProblem('machineId', 'this machine has no variable-frequency drive')
  return row
}

/** Enter where the drive of a machine answers. @throws a problem at the field */
export async function keepLink(
  tx: Tx,
  machineId: string,
  body: BodyOf<typeof vfdEndpoints.setVfdLink>,
  person: Person,
  now: Date,
): Promise<void> {
  await lockDriven(tx, machineId)
  if (!(await profileOf(tx, body.profileId))) throw fieldProblem('profileId', 'no such profile')
  const [before] = await tx.select().from(vfdLinks).where(eq(vfdLinks.machineId, machineId))
  const row = { ...body, machineId, by: person.name, at: now }
  await tx.insert(vfdLinks).values(row).onConflictDoUpdate({ target: vfdLinks.machineId, set: row })
  await record(tx, {
    by: person.name,
    byId: person.id,
    at: now,
    what: 'drive connection entered',
    entity: 'machine',
    entityId: machineId,
    before: before
      ? {
          host: before.host,
          port: before.port,
          unit: before.unit,
          profileId: before.profileId,
          mayWrite: before.mayWrite,
        }
      : {},
    after: body,
  })
}

/** The drive of a machine is not read any more. */
export async function dropLink(tx: Tx, machineId: string, person: Person, now: Date): Promise<void> {
  await lockDriven(tx, machineId)
  const [gone] = await tx.delete(vfdLinks).where(eq(vfdLinks.machineId, machineId)).returning()
  if (!gone) return
  await record(tx, {
    by: person.name,
    byId: person.id,
    at: now,
    what: 'drive connection removed',
    entity: 'machine',
    entityId: machineId,
    before: { host: gone.host, port: gone.port, unit: gone.unit, profileId: gone.profileId },
    after: {},
  })
}

interface Kept {
  readonly id: string
  readonly visitId: string
  readonly takenAt: string
  readonly how: 'read' | 'typed' | 'written'
  readonly set: ParameterSet
  readonly why: string
}

/**
 * Keep the settings of a drive, with a visit that says what they came to: so they stand among the conditions of the machine like
 * anything that was found. The same id twice keeps them once.
 * @throws a problem: no such machine, no drive, a time to come, an id that belongs to something else
 */
export async function keepSettings(tx: Tx, machineId: string, kept: Kept, person: Person, now: Date): Promise<void> {
  await lockId(tx, kept.id)
  const { siteId } = await lockDriven(tx, machineId)
  const [again] = await tx.select().from(vfdSettings).where(eq(vfdSettings.id, kept.id))
  if (again) {
    if (again.machineId !== machineId) throw fieldProblem('id', 'that id belongs to another machine', 409)
    return
  }
  const [taken] = await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, kept.visitId))
  if (taken) throw fieldProblem('visitId', 'that id belongs to another visit', 409)
  const takenAt = new Date(kept.takenAt)
  refuseFuture('takenAt', takenAt, now)
  const [known] = await loadSnapshots(tx, [machineId])
  if (!known) throw notFound('machine')
  const { settings, twins } = await vfdPageOf(tx, machineId)
  const motor = known.motors.find((m) => m.removedAt === null) ?? null
  const plate = plateForDrive(motor?.plate ?? null, known.machine.serviceVolts, motor?.connectionVolts ?? null)
  const before = settings.filter((s) => Date.parse(s.takenAt) < takenAt.getTime()).reverse()
  const came = cameTo(
    { ...knownSettings(before), ...kept.set },
    plate,
    await currentPolicies(tx),
    answeredFor(before),
    kept.why,
    twins.flatMap((t) => (t.settings ? [{ tag: t.tag, set: t.settings.set }] : [])),
  )
  await tx.insert(vfdSettings).values({ ...kept, takenAt, machineId, siteId, by: person.name })
  await keepVisit(
    tx,
    {
      id: kept.visitId,
      machineId,
      takenAt: kept.takenAt,
      state: { settled: null, mode: null, filters: null, panels: null, twin: null, turning: null },
      readings: [],
      answers: {
        ...(came.settings === null ? {} : { 'drive.settings': came.settings }),
        ...(came.which === '' ? {} : { 'drive.settings-which': came.which }),
      },
      passes: [],
      note: kept.why.trim() === '' ? `Settings of the drive saved: ${Object.keys(kept.set).length}.` : kept.why,
      supersedes: null,
      reason: '',
    },
    person,
    now,
  )
}

/** The one line of the change log for a setting that was written from here. */
export async function recordWrite(
  tx: Tx,
  machineId: string,
  { parameter, value, why }: Pick<BodyOf<typeof vfdEndpoints.writeVfdSetting>, 'parameter' | 'value' | 'why'>,
  was: number | undefined,
  person: Person,
  now: Date,
): Promise<void> {
  const { by, byId } = authorOf(person, now)
  await record(tx, {
    by,
    byId,
    at: now,
    what: 'drive setting written',
    entity: 'machine',
    entityId: machineId,
    why,
    before: { [parameter]: was === undefined ? null : shownParameter(parameter, was) },
    after: { [parameter]: shownParameter(parameter, value) },
  })
}
