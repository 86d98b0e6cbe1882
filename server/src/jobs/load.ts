import type { JobRecord, JobStepRecord } from '@motor-round/contract'
import { desc, inArray } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { anyOf, prepared } from '../db/prepared.ts'
import { jobs, jobSteps } from '../db/rounds-schema.ts'

export const asJobStep = ({ at, said, ...s }: typeof jobSteps.$inferSelect): JobStepRecord => ({
  ...s,
  at: at.toISOString(),
  ...said,
})
export const asJob = ({
  siteId: _site,
  at,
  kinds,
  skip,
  ...j
}: typeof jobs.$inferSelect): Omit<JobRecord, 'steps'> => ({
  ...j,
  at: at.toISOString(),
  kinds: [...kinds],
  skip: [...skip],
})

/** Jobs of some machines with all that happened on them, newest first. */
export async function loadJobs(db: Db | Tx, machineIds: readonly string[]): Promise<JobRecord[]> {
  if (machineIds.length === 0) return []
  const statement = prepared(db, 'jobs_of', () =>
    db.select().from(jobs).where(anyOf(jobs.machineId)).orderBy(desc(jobs.at), desc(jobs.id)).prepare('jobs_of'),
  )
  const rows = await statement.execute({ ids: [...machineIds] })
  if (rows.length === 0) return []
  const ids = rows.map((r) => r.id)
  const steps = await db.select().from(jobSteps).where(inArray(jobSteps.jobId, ids)).orderBy(jobSteps.at, jobSteps.id)
  const all = steps.map(asJobStep)
  return rows.map((r) => ({ ...asJob(r), steps: all.filter((s) => s.jobId === r.id) }))
}
