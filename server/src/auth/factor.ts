import { createCipheriv, createDecipheriv, createHash, hkdfSync, randomBytes } from 'node:crypto'
import { and, eq, lt } from 'drizzle-orm'
import { Secret, TOTP } from 'otpauth'
import type { Db, Tx } from '../db/client.ts'
import { recoveryCodes, secondFactors } from '../db/schema.ts'
import type { Deps } from '../deps.ts'

const keyOf = (deps: Pick<Deps, 'config'>): Buffer =>
  Buffer.from(hkdfSync('sha256', deps.config.SESSION_SECRET, '', 'second factor', 32))

/** A secret as it lies in the database and in a session: AES-256-GCM, base64 of nonce, tag and text. */
export function sealSecret(deps: Pick<Deps, 'config'>, secret: string): string {
  const nonce = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', keyOf(deps), nonce)
  const text = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()])
  return Buffer.concat([nonce, cipher.getAuthTag(), text]).toString('base64')
}

/** @returns null where another key made it: the server's secret was changed since */
export function openSecret(deps: Pick<Deps, 'config'>, sealed: string): string | null {
  const bytes = Buffer.from(sealed, 'base64')
  try {
    const cipher = createDecipheriv('aes-256-gcm', keyOf(deps), bytes.subarray(0, 12))
    cipher.setAuthTag(bytes.subarray(12, 28))
    return Buffer.concat([cipher.update(bytes.subarray(28)), cipher.final()]).toString('utf8')
  } catch {
    return null
  }
}

export const newSecret = (): string => new Secret({ size: 20 }).base32

const totpOf = (secret: string, label: string): TOTP =>
  new TOTP({
    issuer: 'Motor Round',
    label,
    algorithm: 'SHA1',
    digits: 6,
    period: 30,
    secret: Secret.fromBase32(secret),
  })

/** What a QR code tells an authenticator app. */
export const addressOf = (secret: string, login: string): string => totpOf(secret, login).toString()

/**
 * The step of 30 s of which this is the code; clocks may be one step apart.
 * @returns null where it is of none
 */
export function stepOf(secret: string, code: string, now: Date): number | null {
  const totp = totpOf(secret, '')
  const delta = totp.validate({ token: code.replaceAll(' ', ''), timestamp: now.getTime(), window: 1 })
  return delta === null ? null : totp.counter({ timestamp: now.getTime() }) + delta
}

const codes = 10
const letters = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'
const plain = (code: string) => code.toUpperCase().replace(/[^0-9A-Z]/g, '')
/** Salted by the person’s own id: one table of codes is of no use for all. */
const hashOf = (personId: string, code: string) =>
  createHash('sha256')
    .update(`${personId} ${plain(code)}`)
    .digest('hex')

/** Recovery codes: 50 bits each, in two halves that are read aloud well. */
export const newCodes = (): string[] =>
  Array.from({ length: codes }, () =>
    [...randomBytes(10)].map((b, i) => `${i === 5 ? '-' : ''}${letters[b % letters.length] ?? ''}`).join(''),
  )

export async function hasFactor(db: Db | Tx, personId: string): Promise<boolean> {
  const rows = await db
    .select({ id: secondFactors.personId })
    .from(secondFactors)
    .where(eq(secondFactors.personId, personId))
  return rows.length > 0
}

/** Turn it on, with new recovery codes. */
export async function setFactor(
  tx: Tx,
  personId: string,
  sealed: string,
  step: number,
  recovery: readonly string[],
): Promise<void> {
  await dropFactor(tx, personId)
  await tx.insert(secondFactors).values({ personId, secret: sealed, step })
  await tx.insert(recoveryCodes).values(recovery.map((c) => ({ personId, codeHash: hashOf(personId, c) })))
}

export async function dropFactor(tx: Tx, personId: string): Promise<void> {
  await tx.delete(recoveryCodes).where(eq(recoveryCodes.personId, personId))
  await tx.delete(secondFactors).where(eq(secondFactors.personId, personId))
}

/** Does the code fit, of the app or one that was noted? Either is used up by it, whoever else sends it at the same moment. */
export async function factorFits(
  deps: Pick<Deps, 'config' | 'db' | 'now'>,
  personId: string,
  code: string,
): Promise<boolean> {
  const [row] = await deps.db.select().from(secondFactors).where(eq(secondFactors.personId, personId))
  if (!row) return false
  const secret = openSecret(deps, row.secret)
  const step = secret === null ? null : stepOf(secret, code, deps.now())
  if (step !== null) {
    const used = await deps.db
      .update(secondFactors)
      .set({ step })
      .where(and(eq(secondFactors.personId, personId), lt(secondFactors.step, step)))
      .returning({ id: secondFactors.personId })
    return used.length === 1
  }
  const gone = await deps.db
    .delete(recoveryCodes)
    .where(and(eq(recoveryCodes.personId, personId), eq(recoveryCodes.codeHash, hashOf(personId, code))))
    .returning({ id: recoveryCodes.personId })
  return gone.length === 1
}
