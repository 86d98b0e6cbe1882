import type { Problem } from '@motor-round/contract'
import type { z } from 'zod'

const titles: Record<number, string> = {
  400: 'The request cannot be read',
  401: 'Sign in first',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Changed in the meantime',
  413: 'Too large',
  415: 'Wrong content type',
  422: 'Some entries are not valid',
  429: 'Too many attempts',
  502: 'The drive was not read',
  503: 'The database does not answer',
}

/** An error that crosses the wire as RFC 9457 problem details. */
export class HttpProblem extends Error {
  readonly problem: Problem
  constructor(status: number, detail: string, extra: Partial<Problem> = {}) {
    super(detail)
    this.problem = { type: 'about:blank', title: titles[status] ?? 'Error', status, detail, ...extra }
  }
}

/** The fields of a Zod error as problem details; `where` prefixes the path (`body`, `query`). */
export function invalid(error: z.ZodError, status = 422): HttpProblem {
  const errors = error.issues.map((i) => ({ path: i.path.join('.'), message: i.message }))
  const first = errors[0]
  return new HttpProblem(
    status,
    first ? (first.path === '' ? first.message : `${first.path}: ${first.message}`) : 'not valid',
    {
      errors,
    },
  )
}

/** Thrown where a record is not there, or not any more. */
export const notFound = (what: string): HttpProblem => new HttpProblem(404, `No such ${what}.`)

/** A field that fails for a reason only the database knows. */
export const fieldProblem = (path: string, message: string, status = 422): HttpProblem =>
  new HttpProblem(status, `${path}: ${message}`, { errors: [{ path, message }] })
