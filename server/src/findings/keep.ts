import type { findingBody, findingStepBody, RoundNews } from '@motor-round/contract'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { findings, findingSteps } from '../db/rounds-schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'
import { roundIsThere } from '../rounds/make.ts'
import { loadFindings } from './load.ts'

/** A finding as it stands now, for those who watch a round. */
const newsOf = (tx: Tx, machineId: string, findingId: string) => async (): Promise<RoundNews | undefined> => {
  const finding = (await loadFindings(tx, [machineId])).find((f) => f.id === findingId)
  return finding && { say: 'finding', finding }
}

/** Keep what was found; the same id twice keeps one. */
export const keepFinding = (tx: Tx, body: z.output<typeof findingBody>, author: Author): Promise<Done<null>> =>
  changeMachine(tx, body.machineId, author, async (machine) => {
    if (body.roundId !== null && !(await roundIsThere(tx, body.roundId))) throw fieldProblem('roundId', 'no such round')
    const kept = await tx
      .insert(findings)
      .values({ ...body, siteId: machine.siteId, at: new Date(body.at), by: author.by })
      .onConflictDoNothing()
    return { value: null, fresh: (kept.rowCount ?? 0) > 0, news: newsOf(tx, body.machineId, body.id) }
  })

/** Keep what became of a finding; the same id twice keeps one. */
export async function keepFindingStep(
  tx: Tx,
  body: z.output<typeof findingStepBody>,
  author: Author,
): Promise<Done<null>> {
  const [found] = await tx
    .select({ machineId: findings.machineId })
    .from(findings)
    .where(eq(findings.id, body.findingId))
  if (!found) throw fieldProblem('findingId', 'no such finding')
  if (found.machineId !== body.machineId) throw fieldProblem('machineId', 'is not the machine of that finding')
  return changeMachine(tx, found.machineId, author, async () => {
    const kept = await tx
      .insert(findingSteps)
      .values({ ...body, at: new Date(body.at), by: author.by })
      .onConflictDoNothing()
    return { value: null, fresh: (kept.rowCount ?? 0) > 0, news: newsOf(tx, found.machineId, body.findingId) }
  })
}
