import type { motorInstalled, plateCorrected } from '@motor-round/contract'
import { and, desc, eq, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import { wasMade } from '../audit/record.ts'
import type { Tx } from '../db/client.ts'
import { components, type MotorSpec } from '../db/schema.ts'
import { refuseFuture } from '../http/in-time.ts'
import { fieldProblem, HttpProblem, notFound } from '../http/problem.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'
import { asMotor } from '../machine/snapshot.ts'
import { refuseStale } from './edit.ts'
import { installInSlot } from './slot.ts'

type Row = typeof components.$inferSelect
type Installed = Omit<z.output<typeof motorInstalled>, 'replaces'> & { readonly replaces?: string | null | undefined }

/** Where another motor is in place than was seen there, the swap is refused with the one that is. */
async function refuseOther(tx: Tx, body: Installed): Promise<void> {
  if (body.replaces === undefined) return
  const [inPlace] = await tx
    .select()
    .from(components)
    .where(and(eq(components.machineId, body.machineId), eq(components.slot, 'motor'), isNull(components.removedAt)))
    .orderBy(desc(components.installedAt))
  if ((inPlace?.id ?? null) === body.replaces || inPlace?.id === body.id) return
  throw new HttpProblem(
    409,
    inPlace
      ? `${inPlace.installedBy} entered another motor there in the meantime.`
      : 'The motor that was there was removed in the meantime.',
    inPlace ? { current: asMotor(inPlace) } : {},
  )
}

/**
 * Install a motor; the one in place moves to the past. The same id twice installs one.
 * @throws a problem: no such machine, another motor in place (409 with it), or one that was installed later
 */
export const keepMotor = (tx: Tx, body: Installed, author: Author): Promise<Done<Row>> =>
  changeMachine(tx, body.machineId, author, async (machine) => {
    refuseFuture('installedAt', body.installedAt, author.now)
    const [known] = await tx.select({ id: components.id }).from(components).where(eq(components.id, body.id))
    if (!known) await refuseOther(tx, body)
    const { row, old, again } = await installInSlot(
      tx,
      machine,
      {
        id: body.id,
        slot: 'motor',
        spec: { plate: body.plate, connectionVolts: body.connectionVolts },
        installedAt: new Date(body.installedAt),
        why: body.why,
        substitute: body.substitute,
      },
      { removedFor: body.removedFor, removedWhy: body.removedWhy },
      author,
    )
    return {
      value: row,
      fresh: !again,
      audit: {
        what: old ? 'motor replaced' : 'motor entered',
        entity: 'motor',
        entityId: row.id,
        why: body.removedWhy,
        before: old ? asMotor(old).plate : {},
        after: body.plate,
      },
    }
  })

const recorded = (c: Row) => {
  const { plate, connectionVolts, installedAt: at } = asMotor(c)
  return { ...plate, connectionVolts, installedAt: at }
}

type Corrected = Pick<
  z.output<typeof plateCorrected>,
  'version' | 'plate' | 'connectionVolts' | 'installedAt' | 'why' | 'substitute'
> & { readonly changeId?: string | undefined }

/**
 * Correct the plate of a motor. With an id of its own, as a phone brings it, the same correction is made once.
 * @throws a problem: no such motor, or a version that is not the one it was made on (409 with what is on record)
 */
export async function keepPlate(tx: Tx, motorId: string, body: Corrected, author: Author): Promise<Done<Row>> {
  const motor = and(eq(components.id, motorId), eq(components.slot, 'motor'))
  const [of] = await tx.select({ machineId: components.machineId }).from(components).where(motor)
  if (!of) throw notFound('motor')
  return changeMachine(tx, of.machineId, author, async () => {
    const [before] = await tx.select().from(components).where(motor).for('no key update')
    if (!before) throw notFound('motor')
    if (body.changeId !== undefined && (await wasMade(tx, body.changeId))) return { value: before, fresh: false }
    await refuseStale(tx, 'motor', before.id, before.version, body.version, asMotor(before))
    const installedAt = new Date(body.installedAt)
    refuseFuture('installedAt', installedAt, author.now)
    if (before.removedAt && installedAt >= before.removedAt)
      throw fieldProblem('installedAt', 'it was removed before that')
    const spec: MotorSpec = { plate: body.plate, connectionVolts: body.connectionVolts }
    const [row] = await tx
      .update(components)
      .set({ spec, installedAt, why: body.why, substitute: body.substitute, version: before.version + 1 })
      .where(eq(components.id, motorId))
      .returning()
    if (!row) throw notFound('motor')
    return {
      value: row,
      fresh: true,
      audit: {
        what: 'plate corrected',
        entity: 'motor',
        entityId: row.id,
        before: recorded(before),
        after: recorded(row),
        ...(body.changeId === undefined ? {} : { changeId: body.changeId }),
      },
    }
  })
}
