import type { foundBody } from '@motor-round/contract'
import { unknownControls } from '@motor-round/core/judge'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { areas, machines, units } from '../db/schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { unitKind } from '../register/places.ts'
import { addMachine, type Author, type Done } from '../machine/command.ts'
import { lockId } from '../visits/keep.ts'

/** A unit that was found on the roof and is not on record; a fan of a unit that is there brings the unit's own id. */
export const keepFound = (tx: Tx, body: z.output<typeof foundBody>, author: Author): Promise<Done<null>> =>
  addMachine(tx, body.machine.id, author, async () => {
    await lockId(tx, body.machine.id)
    const [known] = await tx.select({ id: machines.id }).from(machines).where(eq(machines.id, body.machine.id))
    if (known) return { value: null, fresh: false }
    const [area] = await tx.select().from(areas).where(eq(areas.id, body.unit.areaId))
    if (!area) throw fieldProblem('unit.areaId', 'no such area')
    await tx
      .insert(units)
      .values({ ...body.unit, kind: unitKind(body.unit.kind), siteId: area.siteId })
      .onConflictDoNothing({ target: units.id })
    // A unit that is on record stands where the record has it, wherever this phone had it.
    const [unit] = await tx.select({ siteId: units.siteId }).from(units).where(eq(units.id, body.unit.id))
    if (!unit) throw fieldProblem('unit.id', 'no such unit')
    await tx.insert(machines).values({
      ...body.machine,
      unitId: body.unit.id,
      siteId: unit.siteId,
      hasVfd: false,
      hasTwin: false,
      controls: unknownControls,
      unitPlate: null,
    })
    return {
      value: null,
      fresh: true,
      audit: {
        what: 'machine found on a round',
        entity: 'machine',
        entityId: body.machine.id,
        after: { ...body.unit, ...body.machine },
      },
    }
  })
