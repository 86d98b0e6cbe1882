import { randomBytes, timingSafeEqual } from 'node:crypto'
import type { Person } from '@motor-round/contract'
import { eq, sql } from 'drizzle-orm'
import type { Request, RequestHandler } from 'express'
import session from 'express-session'
import type { Db } from '../db/client.ts'
import { prepared } from '../db/prepared.ts'
import { people } from '../db/schema.ts'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { SessionStore } from './session-store.ts'

declare module 'express-session' {
  interface SessionData {
    personId: string
    csrf: string
    /** When it was last written, ms since 1970. */
    keptAt?: number
    /** When it began, ms since 1970. */
    startedAt?: number
    /** What the browser says of itself. */
    agent?: string
    /** When the password was entered last, ms since 1970. */
    confirmedAt?: number
    /** A secret that an app was given and no code of it entered yet. */
    factor?: string
    /** It holds a round to be taken to where there is no signal. */
    phone?: boolean
  }
}

/** An ordinary session ends when it was not used for so long. */
const idleMs = 12 * 3_600_000
/** A phone that holds a round stays signed in: there may be no signal to sign in again. */
const phoneIdleMs = 30 * 86_400_000
/** However it is used, it ends. */
export const longestMs = 90 * 86_400_000

/** On https a cookie that no other host and no plain http can set. */
export const cookieName = ({ TLS_CERT, PUBLIC_URL }: Deps['config']): string =>
  TLS_CERT !== undefined || PUBLIC_URL?.startsWith('https:') ? '__Host-motor-round' : 'motor-round'

/** A session of a phone that holds a round. */
export function keepForRounds(req: Request): void {
  req.session.phone = true
  req.session.cookie.originalMaxAge = phoneIdleMs
  req.session.cookie.maxAge = phoneIdleMs
}

/** Server-side sessions in PostgreSQL; the cookie holds only a signed id. */
export function sessions(deps: Deps): RequestHandler {
  return session({
    name: cookieName(deps.config),
    secret: deps.config.SESSION_SECRET,
    store: new SessionStore({
      pool: deps.pool,
      tableName: 'session',
      pruneSessionInterval: 900,
      // A session that is used is written every few minutes, not at every look: see `keepAlive`.
      disableTouch: true,
      errorLog: (...args: unknown[]) => deps.log.warn({ args }, 'session store'),
    }),
    resave: false,
    saveUninitialized: false,
    // "auto": secure on https; on plain http only loopback serves, see the listen address.
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: idleMs, path: '/' },
  })
}

const keptMs = 5 * 60_000

/** Keep a session that is used from ending: with its cookie, every few minutes. */
export function keepAlive(req: Request): void {
  if (req.session.personId !== undefined && Date.now() - (req.session.keptAt ?? 0) > keptMs)
    req.session.keptAt = Date.now()
}

/** For so long after the password was entered nobody is asked for it again. */
const confirmedMs = 3_600_000

/** Accounts, limits and imports are changed by who knows the password, not by who found a device. */
export function checkConfirmed(req: Request): void {
  if (Date.now() - (req.session.confirmedAt ?? 0) > confirmedMs)
    throw new HttpProblem(403, 'Enter your password once more.', { needs: 'password' })
}

export const newToken = (): string => randomBytes(24).toString('base64url')

export const asPerson = (p: typeof people.$inferSelect): Person => ({
  id: p.id,
  login: p.login,
  name: p.name,
  role: p.role,
  disabledAt: p.disabledAt?.toISOString() ?? null,
})

const personById = (db: Db) =>
  prepared(db, 'person_by_id', () =>
    db
      .select()
      .from(people)
      .where(eq(people.id, sql.placeholder('id')))
      .prepare('person_by_id'),
  )

/** Who is signed in. Read afresh at every request, so that a closed account or a changed role holds at once. */
export async function personOf(deps: Deps, req: Request): Promise<Person | null> {
  const id = req.session.personId
  if (id === undefined) return null
  if (Date.now() - (req.session.startedAt ?? Date.now()) > longestMs) return null
  keepAlive(req)
  const { sessionStore } = req
  const read = sessionStore instanceof SessionStore ? sessionStore.take(req.sessionID) : undefined
  // A session that began in this very request was not read from anywhere.
  const person = read?.id === id ? read : (await personById(deps.db).execute({ id })).map(asPerson)[0]
  return person && person.disabledAt === null ? person : null
}

/** Defence against forged requests: same origin, and the session's own token in a header. */
export function checkToken(req: Request): void {
  const origin = req.get('origin')
  // A page without an origin of its own sends `null`: it is not ours either.
  if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== req.get('host')))
    throw new HttpProblem(403, 'This request comes from another site.')
  if (req.session.personId === undefined) return
  const sent = Buffer.from(req.get('x-csrf-token') ?? '')
  const own = Buffer.from(req.session.csrf ?? '')
  if (own.length === 0 || sent.length !== own.length || !timingSafeEqual(sent, own))
    throw new HttpProblem(403, 'This page is out of date: reload it.')
}
