import { createHash, randomBytes } from 'node:crypto'
import type { Role } from '@motor-round/contract'
import { and, eq, gt } from 'drizzle-orm'
import type { Db, Tx } from '../db/client.ts'
import { invitations } from '../db/schema.ts'

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

/** Make a one-time link. Only its hash is kept; an older link of the same person ends. */
export async function invite(
  db: Db | Tx,
  personId: string | null,
  role: Role,
  now: Date,
): Promise<{ path: string; expiresAt: Date }> {
  const token = randomBytes(24).toString('base64url')
  const expiresAt = new Date(now.getTime() + 3 * 86_400_000)
  if (personId !== null) await db.delete(invitations).where(eq(invitations.personId, personId))
  await db.insert(invitations).values({ tokenHash: hashOf(token), personId, role, expiresAt })
  return { path: `/welcome/${token}`, expiresAt }
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
