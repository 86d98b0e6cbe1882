import type { Person } from '@motor-round/contract'
import connect from 'connect-pg-simple'
import session, { type SessionData } from 'express-session'
import type pg from 'pg'

interface Row {
  readonly sess: SessionData
  readonly id: string | null
  readonly login: string
  readonly name: string
  readonly role: Person['role']
  readonly disabled_at: Date | null
}

const sessionWithPerson = `
  select s.sess, p.id, p.login, p.name, p.role, p.disabled_at
  from session s left join people p on p.id = (s.sess ->> 'personId')::uuid
  where s.sid = $1 and s.expire > now()`

const Store = connect(session)

/** Sessions in PostgreSQL. Who a session is of is read with it: one look into the database for every request instead of two. */
export class SessionStore extends Store {
  readonly #pool: pg.Pool
  /** Of the requests that have not asked yet. */
  readonly #people = new Map<string, Person>()

  constructor(options: connect.PGStoreOptions & { readonly pool: pg.Pool }) {
    super(options)
    this.#pool = options.pool
  }

  override get(sid: string, done: (error: unknown, data?: SessionData | null) => void): void {
    this.#people.delete(sid)
    this.#pool.query<Row>({ name: 'session_with_person', text: sessionWithPerson, values: [sid] }).then(
      ({ rows: [row] }) => {
        if (row && row.id !== null) {
          const { id, login, name, role, disabled_at } = row
          this.#people.set(sid, { id, login, name, role, disabledAt: disabled_at?.toISOString() ?? null })
        }
        done(null, row?.sess ?? null)
      },
      (error: unknown) => done(error),
    )
  }

  /** Who the session was of when it was read for this request; undefined once that was told, or where it was not read. */
  take(sid: string): Person | undefined {
    const person = this.#people.get(sid)
    this.#people.delete(sid)
    return person
  }
}
