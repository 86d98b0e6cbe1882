import { DrizzleQueryError } from 'drizzle-orm'
import { describe, expect, it } from 'vitest'
import { foreseen, isPg } from './errors.ts'

const withCode = (message: string, code: string) => Object.assign(new Error(message), { code })
const statusOf = (e: unknown) => foreseen(e)?.problem.status ?? null

// A phone takes 503 for a server in trouble and sends again; an error that nobody foresaw sets its entry aside.
describe('a connection to the database that broke', () => {
  it.each([
    withCode('write EPIPE', 'EPIPE'),
    withCode('read ECONNRESET', 'ECONNRESET'),
    withCode('connect ECONNREFUSED 127.0.0.1:5432', 'ECONNREFUSED'),
    withCode('connect ETIMEDOUT', 'ETIMEDOUT'),
    withCode('getaddrinfo EAI_AGAIN db', 'EAI_AGAIN'),
    withCode('terminating connection due to administrator command', '57P01'),
    new Error('Connection terminated unexpectedly'),
    new Error('Client has encountered a connection error and is not queryable'),
    new Error('Client was closed and is not queryable'),
    new Error('timeout exceeded when trying to connect'),
    new Error('Cannot use a pool after calling end on the pool'),
  ])('is nobody’s fault: %s', (e) => {
    expect(statusOf(e)).toBe(503)
    // As the statement that met it hands it on.
    expect(statusOf(new DrizzleQueryError('rollback', [], e))).toBe(503)
  })
  it('is told from what the database says of the data, and from what nobody foresaw', () => {
    expect(isPg(withCode('write EPIPE', 'EPIPE'))).toBe(false)
    expect(isPg(withCode('division by zero', '22012'))).toBe(true)
    expect(statusOf(withCode('division by zero', '22012'))).toBe(422)
    expect(statusOf(withCode('internal error', 'XX000'))).toBeNull()
    expect(statusOf(new TypeError('x is not a function'))).toBeNull()
  })
})
