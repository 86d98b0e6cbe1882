import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'
import { safeError, safeUrl } from './log-safe.ts'
import { HttpProblem } from './problem.ts'
import type { Trouble } from './trouble.ts'

/** An error of the database. */
export interface PgError {
  code: string
  constraint?: string
  detail?: string
  table?: string
}
/** Its codes have a figure in them: a broken pipe is called EPIPE, and is none. */
export const isPg = (e: unknown): e is PgError =>
  typeof e === 'object' &&
  e !== null &&
  'code' in e &&
  typeof e.code === 'string' &&
  /^[0-9A-Z]{5}$/.test(e.code) &&
  /[0-9]/.test(e.code)

const taken: Record<string, [string, string]> = {
  sites_name_unique: ['name', 'a site of that name exists'],
  areas_name: ['name', 'that site has an area of that name'],
  units_tag: ['tag', 'that site has a unit of that tag'],
  machines_tag: ['tag', 'that unit has a machine of that tag'],
  people_login_unique: ['login', 'that sign-in name is taken'],
  stock_places_name_unique: ['name', 'a place of that name exists'],
  stock_items_code_unique: ['code', 'another item has that label'],
  components_one_in_place: ['installedAt', 'another part was installed there in the meantime; reload'],
}

/** What lies under an error that was handed on. */
export function cause(e: unknown): unknown {
  return e instanceof Error && e.cause !== undefined && !isPg(e) ? cause(e.cause) : e
}

function fromDatabase(e: PgError): HttpProblem | null {
  if (e.code === '23505') {
    const [path, message] = taken[e.constraint ?? ''] ?? ['id', 'that id is in use']
    return new HttpProblem(409, `${path}: ${message}`, { errors: [{ path, message }] })
  }
  if (e.code === '23503') return new HttpProblem(422, 'It refers to something that does not exist.')
  if (e.code === '22P05' || e.code === '22021')
    return new HttpProblem(422, 'The text contains a character that cannot be stored.')
  // Whatever else of the data cannot be kept: it is the entry's fault, and must not hold back the others.
  if (/^2[23]/.test(e.code)) return new HttpProblem(422, 'A number, date or text in it cannot be stored.')
  // Two writers waited for each other, and went on doing so when tried again.
  if (e.code === '40P01' || e.code === '40001')
    return new HttpProblem(503, 'Others are changing the same records. Nothing was saved; retry.')
  if (e.code === '53100')
    return new HttpProblem(
      503,
      'The disk of the database is full. Nothing was saved. Free some space there, then retry.',
    )
  if (e.code === '53300')
    return new HttpProblem(503, 'The database takes no more connections. Nothing was saved; retry in a minute.')
  if (/^(08|57P|53)/.test(e.code))
    return new HttpProblem(503, 'The database does not answer. Nothing was saved; retry.')
  return null
}

function fromBody(e: unknown): HttpProblem | null {
  if (typeof e !== 'object' || e === null || !('type' in e)) return null
  if (e.type === 'entity.parse.failed') return new HttpProblem(400, 'The body is not JSON.')
  if (e.type === 'entity.too.large') return new HttpProblem(413, 'The body is too large.')
  if (typeof e.type === 'string' && /^(encoding|charset|request)\./.test(e.type))
    return new HttpProblem(400, 'The request cannot be read.')
  return null
}

/** What the web framework refuses by itself: no such file, an address that is none. */
function fromFramework(e: unknown): HttpProblem | null {
  if (!(e instanceof Error) || !('status' in e) || typeof e.status !== 'number') return null
  if (e.status === 404) return new HttpProblem(404, 'No such file.')
  return e.status >= 400 && e.status < 500 ? new HttpProblem(e.status, 'The request cannot be read.') : null
}

/** The connection to the database broke or never came: at the socket, in its client, or waiting for one. */
const unreachable = (e: unknown) =>
  e instanceof Error &&
  /ECONNREFUSED|ECONNRESET|ECONNABORTED|EPIPE|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOTFOUND|EAI_AGAIN|Connection terminated|timeout exceeded when trying to connect|terminating connection|is not queryable|pool after calling end/.test(
    `${e.message} ${(e as NodeJS.ErrnoException).code ?? ''}`,
  )

/** An error that somebody foresaw, as problem details; null for any other. */
export function foreseen(error: unknown): HttpProblem | null {
  const e = cause(error)
  if (e instanceof HttpProblem) return e
  if (e instanceof URIError) return new HttpProblem(400, 'The address cannot be read.')
  if (isPg(e)) return fromDatabase(e)
  if (unreachable(e)) return new HttpProblem(503, 'The database does not answer. Nothing was saved; retry.')
  return fromBody(e) ?? fromFramework(e)
}

/** Every error becomes problem details; what nobody foresaw is logged whole and answered without its insides. */
export function problemHandler(log: Logger, trouble: Trouble): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    const known = foreseen(error)
    const id = String(res.getHeader('x-request-id') ?? '')
    if (known?.problem.status === 503) {
      trouble.note(known.problem.detail ?? '')
      log.error({ err: known.problem.detail, url: safeUrl(req.url), id }, 'the database refused')
    }
    if (!known) log.error({ fault: safeError(error), url: safeUrl(req.url), id }, 'unforeseen')
    if (res.headersSent) {
      next(error)
      return
    }
    const problem = known?.problem ?? {
      type: 'about:blank',
      title: 'Server error',
      status: 500,
      detail: `Something went wrong on the server. It has been logged as ${id}.`,
    }
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem))
  }
}
