import { createHash, createHmac, randomBytes } from 'node:crypto'
import type { Role } from '@motor-round/contract'
import { and, eq, gt, isNull, sql } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { invitations } from '../db/schema.ts'

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** Make a one-time link. Only its hash is kept; an older link of the same person ends. */
export async function invite(
  db: Db | Tx,
  personId: string,
  role: Role,
  now: Date,
): Promise<{ path: string; expiresAt: Date }> {
  const token = randomBytes(24).toString('base64url')
  const expiresAt = new Date(now.getTime() + 3 * 86_400_000)
  await db.delete(invitations).where(eq(invitations.personId, personId))
  await db.insert(invitations).values({ tokenHash: hashOf(token), personId, role, expiresAt })
  return { path: `/welcome/${token}`, expiresAt }
}

/** Who makes the first account, and who invites to it, follow each other. */
export const lockFirst = (tx: Tx) => tx.execute(sql`select pg_advisory_xact_lock(727004)`)

/**
 * The one-time link of the first account. It follows from the secret that all servers share and from its end, so that each of them
 * tells the same one as long as it holds. Call it behind `lockFirst`.
 */
export async function inviteFirst(tx: Tx, secret: string, now: Date): Promise<{ path: string; expiresAt: Date }> {
  const tokenOf = (end: Date) =>
    createHmac('sha256', secret)
      .update(`first account ${end.toISOString()}`)
      .digest()
      .subarray(0, 24)
      .toString('base64url')
  const [there] = await tx.select().from(invitations).where(isNull(invitations.personId))
  if (there && there.expiresAt > now && there.tokenHash === hashOf(tokenOf(there.expiresAt)))
    return { path: `/welcome/${tokenOf(there.expiresAt)}`, expiresAt: there.expiresAt }
  const expiresAt = new Date(now.getTime() + 3 * 86_400_000)
  await tx.delete(invitations).where(isNull(invitations.personId))
  await tx
    .insert(invitations)
    .values({ tokenHash: hashOf(tokenOf(expiresAt)), personId: null, role: 'lead', expiresAt })
  return { path: `/welcome/${tokenOf(expiresAt)}`, expiresAt }
}

/** The invitation of a token that still holds, or undefined. */
export async function findInvitation(db: Db | Tx, token: string, now: Date) {
  const [row] = await db
    .select()
    .from(invitations)
    .where(and(eq(invitations.tokenHash, hashOf(token)), gt(invitations.expiresAt, now)))
  return row
}

/** Use it up. @returns false when someone else was faster */
export async function useInvitation(tx: Tx, token: string): Promise<boolean> {
  const gone = await tx
    .delete(invitations)
    .where(eq(invitations.tokenHash, hashOf(token)))
    .returning()
  return gone.length === 1
}
