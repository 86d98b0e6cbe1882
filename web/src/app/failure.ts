import { problem, type Problem } from '@motor-round/contract'

/** What went wrong with a call: the server's problem details, or no answer at all. */
export interface Failure {
  readonly noSignal: boolean
  readonly problem: Problem
}

/** Read an error of the base query. */
export function failureOf(status: unknown, data: unknown): Failure {
  const parsed = problem.safeParse(data)
  if (parsed.success) return { noSignal: false, problem: parsed.data }
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR')
    return {
      noSignal: true,
      problem: { type: 'about:blank', title: 'No signal', status: 0, detail: 'No answer from the server.' },
    }
  return {
    noSignal: false,
    problem: {
      type: 'about:blank',
      title: 'Server error',
      status: 500,
      detail: 'The server’s answer could not be read. Retry; if it stays, tell your administrator.',
    },
  }
}

/** A call that broke on this side, by a defect of the app: nobody knows whether the server had it. */
export const brokenCall: Failure = {
  noSignal: false,
  problem: {
    type: 'about:blank',
    title: 'The app failed here',
    status: 0,
    detail:
      'Reload the page and check whether it was saved; if not, enter it again. If it happens again, tell your administrator.',
  },
}

/** The message of a failure for a person. */
export const messageOf = (f: Failure): string => f.problem.detail ?? f.problem.title

/** The message that belongs to a field, or undefined. */
export const fieldMessage = (f: Failure | undefined, path: string): string | undefined =>
  f?.problem.errors?.find((e) => e.path === path || e.path.startsWith(`${path}.`))?.message
