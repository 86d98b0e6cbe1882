import { z } from './z.ts'
import { id, instant } from './common.ts'
import { at } from './define-endpoint.ts'

export const mail = z
  .object({
    id,
    to: z.string(),
    subject: z.string(),
    madeAt: instant,
    sentAt: instant.nullable(),
    tries: z.int(),
    /** Why the last try failed; empty where it did not. */
    problem: z.string(),
  })
  .meta({ id: 'Mail' })

/** E-mails that were written, and the weekly digest. */
export const mailEndpoints = {
  mails: at('mails', {
    role: 'lead',
    summary: 'The last e-mails that were written, and what became of each',
    response: z.object({
      sends: z.enum(['smtp', 'file', 'no']),
      mails: z.array(mail),
      /** Who gets the weekly digest. */
      digest: z.array(z.string()),
    }),
  }),
  setDigest: at('setDigest', {
    role: 'lead',
    summary: 'Set who gets the weekly digest',
    body: z.strictObject({ emails: z.array(z.email('enter an e-mail address').max(120)).max(20) }),
    response: z.object({ emails: z.array(z.string()) }),
  }),
  digestText: at('digestText', {
    role: 'lead',
    summary: 'The digest as it would go out now',
    response: z.object({ subject: z.string(), text: z.string() }),
  }),
}
