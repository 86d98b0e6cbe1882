import { useMemo } from 'react'
import { jobsApi } from '../../app/jobs-api.ts'

/** How long steps take here, by the jobs that were done; where it is not known, as the templates say. */
export function usePace(): { readonly pace: ReadonlyMap<string, number>; readonly jobs: number } {
  const known = jobsApi.useJobPaceQuery({}).data
  return useMemo(
    () => ({ pace: new Map(known?.steps.map((s) => [s.step, s.factor])), jobs: known?.jobs ?? 0 }),
    [known],
  )
}
