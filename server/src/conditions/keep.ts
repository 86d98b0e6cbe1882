import type { conditionClosingBody } from '@motor-round/contract'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { conditionClosings } from '../db/rounds-schema.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'

/** Keep that a person closed a condition or opened it again; the same id twice keeps one. */
export const keepClosing = (tx: Tx, body: z.output<typeof conditionClosingBody>, author: Author): Promise<Done<null>> =>
  changeMachine(tx, body.machineId, author, async (machine) => {
    const kept = await tx
      .insert(conditionClosings)
      .values({ ...body, siteId: machine.siteId, at: new Date(body.at), by: author.by })
      .onConflictDoNothing()
    return { value: null, fresh: (kept.rowCount ?? 0) > 0 }
  })
