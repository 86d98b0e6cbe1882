import { createHash, randomBytes, randomUUID } from 'node:crypto'
import type { quoteAnswer, newQuoteLink, Quote } from '@motor-round/contract'
import { optionCosts } from '@motor-round/core/job'
import { and, eq, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import { publicUrl } from '../config.ts'
import { dayIn, dayWords } from '../dates.ts'
import type { Db, Tx } from '../db/client.ts'
import { quoteLinks } from '../db/rounds-schema.ts'
import type { Deps } from '../deps.ts'
import { fieldProblem, HttpProblem } from '../http/problem.ts'
import { record, type Who } from '../audit/record.ts'
import { putMail } from '../mail/outbox.ts'
import { keepJobStep } from './keep.ts'
import { placeOf, quoteOf } from './quote.ts'
import { quotePdf } from './quote-pdf.ts'

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')
const dayMs = 86_400_000

const letter = (q: Quote, name: string, link: string, until: string) =>
  [
    `Hello ${name},`,
    '',
    `${q.siteName}, ${q.unitTag} / ${q.tag}: ${q.title}`,
    q.offer.words,
    '',
    'The options with their prices, and a place to approve or decline:',
    link,
    '',
    `The link works once, until ${until}. Whoever has it can answer for you: do not pass it on.`,
    '',
    `${q.by}, ${q.organization}`,
  ].join('\n')

/** Make a link for a job's newest offer, and an e-mail with it where an address is given. */
export async function linkQuote(
  deps: Deps,
  jobId: string,
  body: z.output<typeof newQuoteLink>,
  { by, byId }: Who,
): Promise<{ path: string; expiresAt: string; mailed: boolean }> {
  return deps.db.transaction(async (tx) => {
    const now = deps.now()
    const q = await quoteOf(tx, jobId)
    const place = await placeOf(tx, jobId)
    if (q.offerId !== body.offerId) throw fieldProblem('offerId', 'a newer quote was made: reload the page')
    if (q.decided) throw fieldProblem('offerId', `was ${q.decided.decision} by ${q.decided.who} already`)
    if (q.offer.validUntil < dayIn(now, place.zone))
      throw fieldProblem('offerId', `held until ${dayWords(q.offer.validUntil)}: make a new quote`)
    const token = randomBytes(24).toString('base64url')
    const expiresAt = new Date(now.getTime() + body.days * dayMs)
    const { name, email } = body
    await tx
      .insert(quoteLinks)
      .values({ tokenHash: hashOf(token), jobId, offerId: q.offerId, name, email, madeBy: by, madeAt: now, expiresAt })
    const path = `/quote/${token}`
    if (email !== null)
      await putMail(
        tx,
        {
          to: email,
          subject: `Quote: ${q.title} (${q.unitTag} / ${q.tag})`,
          body: letter(q, name, `${publicUrl(deps.config)}${path}`, dayWords(dayIn(expiresAt, place.zone))),
          attachments: [{ name: 'quote.pdf', base64: (await quotePdf(q, place.paper)).toString('base64') }],
        },
        now,
      )
    await record(tx, {
      by,
      byId,
      at: now,
      what: 'quote link made',
      entity: 'job',
      entityId: jobId,
      after: { for: name, email, until: expiresAt.toISOString() },
    })
    return { path, expiresAt: expiresAt.toISOString(), mailed: email !== null }
  })
}

/** The link of a token, whatever became of it. @throws HttpProblem 404, or 410 where it cannot be used any more */
async function linkOf(db: Db | Tx, token: string, now: Date) {
  const [link] = await db
    .select()
    .from(quoteLinks)
    .where(eq(quoteLinks.tokenHash, hashOf(token)))
  if (!link) throw new HttpProblem(404, 'This link does not exist. Ask for a new one.')
  if (link.usedAt) throw new HttpProblem(410, 'This link was used already: the answer is recorded.')
  if (link.expiresAt <= now) throw new HttpProblem(410, 'This link has expired. Ask for a new one.')
  return link
}

/** The quote that a link shows. */
export async function linkedQuote(deps: Deps, token: string) {
  const link = await linkOf(deps.db, token, deps.now())
  const q = await quoteOf(deps.db, link.jobId)
  if (q.offerId !== link.offerId) throw new HttpProblem(410, 'A newer quote was made for this work. Ask for its link.')
  if (q.decided) throw new HttpProblem(410, `This quote was ${q.decided.decision} by ${q.decided.who} already.`)
  return { quote: q, name: link.name, expiresAt: link.expiresAt.toISOString() }
}

/** Answer a quote by its link: a decision on the job, and the link is used up. */
export async function answerQuote(
  deps: Deps,
  token: string,
  { name, option, words }: z.output<typeof quoteAnswer>,
): Promise<'approved' | 'declined'> {
  return deps.db.transaction(async (tx) => {
    const now = deps.now()
    const link = await linkOf(tx, token, now)
    // Two at once: the one that marks it first answers.
    const used = await tx
      .update(quoteLinks)
      .set({ usedAt: now })
      .where(and(eq(quoteLinks.tokenHash, link.tokenHash), isNull(quoteLinks.usedAt)))
      .returning()
    if (used.length === 0) throw new HttpProblem(410, 'This link was used already: the answer is recorded.')
    const q = await quoteOf(tx, link.jobId)
    if (q.offerId !== link.offerId)
      throw new HttpProblem(410, 'A newer quote was made for this work. Ask for its link.')
    if (q.decided) throw new HttpProblem(410, `This quote was ${q.decided.decision} by ${q.decided.who} already.`)
    const place = await placeOf(tx, link.jobId)
    if (option !== null && q.offer.validUntil < dayIn(now, place.zone))
      throw new HttpProblem(410, `This price held until ${dayWords(q.offer.validUntil)}. Ask for a new quote.`)
    const chosen = option === null ? undefined : optionCosts(q.offer, q.stands)[option]
    if (option !== null && !chosen) throw fieldProblem('option', 'is not one of the options')
    if (chosen && chosen.barred !== '') throw fieldProblem('option', chosen.barred)
    const decision = option === null ? 'declined' : 'approved'
    await keepJobStep(
      tx,
      {
        id: randomUUID(),
        jobId: link.jobId,
        machineId: place.job.machineId,
        at: now.toISOString(),
        kind: 'decision',
        decision,
        who: name,
        means: 'link',
        words,
        trigger: null,
        chosen: option === null ? null : { offerId: q.offerId, option },
      },
      { by: `${name}, by a link of ${link.madeBy}`.slice(0, 60), byId: null, now },
    )
    return decision
  })
}
