import { randomUUID } from 'node:crypto'
import { and, asc, desc, isNull, lt, lte, eq } from 'drizzle-orm'
import { mails } from '../db/rounds-schema.ts'
import type { Tx } from '../db/client.ts'
import type { Deps } from '../deps.ts'
import { transportOf, type Letter, type Transport } from './transport.ts'

/** After so many failed tries it is given up and shown as failed. */
const mostTries = 8

/** Keep an e-mail with what it tells, in the same transaction: it is sent when that is kept, and not if it is not. */
export async function putMail(tx: Tx, letter: Omit<Letter, 'id'>, now: Date): Promise<void> {
  await tx.insert(mails).values({ ...letter, id: randomUUID(), madeAt: now, nextAt: now })
}

/** Minutes until it is tried again: 1, 2, 4 … */
const waits = (tries: number) => 2 ** tries * 60_000

async function sendNext(deps: Deps, transport: Transport): Promise<boolean> {
  return deps.db.transaction(async (tx) => {
    const now = deps.now()
    const [next] = await tx
      .select()
      .from(mails)
      .where(and(isNull(mails.sentAt), lte(mails.nextAt, now), lt(mails.tries, mostTries)))
      .orderBy(asc(mails.nextAt))
      .limit(1)
      .for('update', { skipLocked: true })
    if (!next) return false
    const ours = eq(mails.id, next.id)
    try {
      await transport.send({ ...next, body: next.body ?? '' })
      // What was sent is not kept a second time: a link in it is a key.
      await tx.update(mails).set({ sentAt: now, body: null, attachments: [], problem: '' }).where(ours)
    } catch (e) {
      const problem = e instanceof Error ? e.message : String(e)
      deps.log.warn({ mail: next.id }, 'an e-mail could not be sent')
      const tries = next.tries + 1
      await tx
        .update(mails)
        .set({ tries, problem: problem.slice(0, 300), nextAt: new Date(now.getTime() + waits(next.tries)) })
        .where(ours)
    }
    return true
  })
}

/** Send what is to be sent; several servers take turns. Without a transport everything waits. */
export async function sendMails(deps: Deps): Promise<void> {
  const transport = transportOf(deps.config)
  if (transport.way === 'no') return
  while (await sendNext(deps, transport)) continue
}

/** Send without keeping an answer waiting: what fails now is tried again. */
export function sendSoon(deps: Deps): void {
  sendMails(deps).catch((e: unknown) => {
    deps.log.warn({ err: e instanceof Error ? e.message : String(e) }, 'e-mails were not sent')
  })
}

/** The newest e-mails and what became of each. */
export const newestMails = (deps: Deps) => deps.db.select().from(mails).orderBy(desc(mails.madeAt)).limit(100)
