import type { traceBody, traceStepBody } from '@motor-round/contract'
import { causeOf, complaints, testOf, unlisted } from '@motor-round/core/trace'
import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { Tx } from '../db/client.ts'
import { traces, traceSteps } from '../db/rounds-schema.ts'
import { visits } from '../db/schema.ts'
import { fieldProblem } from '../http/problem.ts'
import { changeMachine, type Author, type Done } from '../machine/command.ts'

const fresh = (kept: { readonly rowCount: number | null }): Done<null> => ({
  value: null,
  fresh: (kept.rowCount ?? 0) > 0,
})

/** Keep a trace that was begun; the same id twice keeps one. Until it is finished its machine is not known to be good. */
export async function keepTrace(tx: Tx, body: z.output<typeof traceBody>, author: Author): Promise<Done<null>> {
  if (body.complaint !== null && !complaints.some((c) => c.id === body.complaint))
    throw fieldProblem('complaint', `"${body.complaint}" is not a complaint`)
  return changeMachine(tx, body.machineId, author, async (machine) => {
    if (body.visitId !== null) {
      const [visit] = await tx.select({ machineId: visits.machineId }).from(visits).where(eq(visits.id, body.visitId))
      if (visit?.machineId !== body.machineId) throw fieldProblem('visitId', 'no such visit of this machine')
    }
    const row = { ...body, siteId: machine.siteId, at: new Date(body.at), by: author.by }
    return fresh(await tx.insert(traces).values(row).onConflictDoNothing())
  })
}

/** What a step names has to exist. */
function refuseUnknown(step: z.output<typeof traceStepBody>): void {
  if (step.kind === 'result') {
    const test = testOf.get(step.test)
    if (!test) throw fieldProblem('test', `"${step.test}" is not a test`)
    if (!test.outcomes.some((o) => o.id === step.outcome))
      throw fieldProblem('outcome', `"${step.outcome}" is not a result of this test`)
  }
  if (step.kind === 'dropped' || step.kind === 'closed')
    if (!causeOf.has(step.cause) && step.cause !== unlisted)
      throw fieldProblem('cause', `"${step.cause}" is not a cause`)
}

/** Keep what happened in a trace; the same id twice keeps one. What it found stands at its machine until it is answered. */
export async function keepTraceStep(tx: Tx, body: z.output<typeof traceStepBody>, author: Author): Promise<Done<null>> {
  refuseUnknown(body)
  const [of] = await tx.select({ machineId: traces.machineId }).from(traces).where(eq(traces.id, body.traceId))
  if (!of) throw fieldProblem('traceId', 'no such trace')
  if (of.machineId !== body.machineId) throw fieldProblem('machineId', 'is not the machine of that trace')
  const { id, traceId, machineId, at, ...said } = body
  const row = { id, traceId, machineId, at: new Date(at), said, by: author.by }
  return changeMachine(tx, machineId, author, async () =>
    fresh(await tx.insert(traceSteps).values(row).onConflictDoNothing()),
  )
}
