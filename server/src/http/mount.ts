import {
  mayAct,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type Person,
  type QueryOf,
  type ResponseOf,
} from '@motor-round/contract'
import { json, type NextFunction, type Request, type Response, type Router } from 'express'
import { z } from 'zod'
import type { Deps } from '../deps.ts'
import { checkConfirmed, checkToken, personOf } from '../auth/session.ts'
import { HttpProblem, invalid } from './problem.ts'
import { takeTurn } from './turns.ts'
import { Written } from './written.ts'

/** What a handler is given: the input as the contract types it, and who asks. */
export interface Call<E extends Endpoint, Who = Person> {
  readonly params: ParamsOf<E>
  readonly query: QueryOf<E>
  readonly body: BodyOf<E>
  readonly person: Who
  readonly req: Request
  readonly res: Response
}

type Answer<E extends Endpoint> = ResponseOf<E> | Written<ResponseOf<E>> | undefined

type WhoOf<E extends Endpoint> = E['role'] extends 'anyone' ? Person | null : Person

function parse<T extends z.ZodType>(schema: T, value: unknown, status?: number): z.output<T> {
  const parsed = schema.safeParse(value)
  if (!parsed.success) throw invalid(parsed.error, status)
  return parsed.data
}

/** Who is not signed in sends no more than a name and a password. */
const bodyParser = { anyone: json({ limit: '16kb', strict: true }), known: json({ limit: '2mb', strict: true }) }

/** A body of two megabytes over a poor line; who sends a byte now and then is sent away. */
const bodyMs = 120_000

/** The body comes in time, or not at all. */
function inTime(req: Request, res: Response, next: NextFunction): void {
  const timer = setTimeout(() => {
    if (!req.complete) req.destroy(new Error('the body took too long'))
  }, bodyMs)
  res.once('close', () => clearTimeout(timer))
  next()
}

/**
 * Serve an endpoint of the contract: role, token, input and, where asked for, the answer are checked here and nowhere
 * else. A handler that has answered by itself (a stream) returns undefined.
 */
export function mount<E extends Endpoint>(
  router: Router,
  deps: Deps,
  endpoint: E,
  handler: (call: Call<E, WhoOf<E>>) => Promise<Answer<E>> | Answer<E>,
): void {
  const path = endpoint.path.replace(/\{(\w+)\}/g, ':$1')
  // Before a byte of the body is read: what is not allowed costs nothing.
  const enter = async (req: Request, res: Response, next: NextFunction) => {
    res.locals['endpoint'] = endpoint.id
    const person = await personOf(deps, req)
    if (endpoint.role !== 'anyone') {
      if (!person) throw new HttpProblem(401, 'Sign in first.')
      if (!mayAct(person.role, endpoint.role)) {
        deps.security.warn({ event: 'refused by role', person: person.id, role: person.role, endpoint: endpoint.id })
        throw new HttpProblem(403, `That takes a ${endpoint.role}; you are signed in as ${person.role}.`)
      }
    }
    if (endpoint.method !== 'get') checkToken(req)
    if (endpoint.confirmed) checkConfirmed(req)
    if (person && endpoint.id.startsWith('export'))
      deps.security.info({ event: 'export', person: person.id, endpoint: endpoint.id })
    // What is said to one person is kept for no other; what may be kept says so itself.
    res.set('cache-control', 'no-store')
    res.locals['person'] = person
    next()
  }
  const answer = async (req: Request, res: Response) => {
    const person = res.locals['person'] as Person | null
    const call = {
      params: parse(endpoint.params, req.params, 404),
      query: parse(endpoint.query, req.query),
      body: endpoint.bodyType ? undefined : parse(endpoint.body, bodyOf(endpoint, req)),
      person,
      req,
      res,
    } as Call<E, WhoOf<E>>
    if (person) takeTurn(endpoint, person.id, res)
    const result = await handler(call)
    if (result === undefined) return
    if (deps.config.CHECK_ANSWERS === 'yes')
      endpoint.response.parse(result instanceof Written ? JSON.parse(result.text) : result)
    if (result instanceof Written) res.type('json').send(result.text)
    else res.json(result)
  }
  const parser = bodyParser[endpoint.role === 'anyone' ? 'anyone' : 'known']
  const steps = endpoint.bodyType ? [enter, answer] : [enter, inTime, parser, answer]
  router[endpoint.method](path, ...steps)
}

/** A request without a body arrives as undefined or as {}: where none is wanted, both are "no body". */
function bodyOf(endpoint: Endpoint, req: Request): unknown {
  const body: unknown = req.body
  if (!(endpoint.body instanceof z.ZodUndefined)) return body
  return typeof body === 'object' && body !== null && Object.keys(body).length === 0 ? undefined : body
}
