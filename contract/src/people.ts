import { z } from './z.ts'
import { id, instant, line, role } from './common.ts'

export const login = line(40)
  .min(2)
  .regex(/^[a-z0-9][a-z0-9._-]*$/, 'small letters, digits, dot, dash')
/** How long a password is at least. */
export const passwordLength = 12
export const password = z.string().min(passwordLength, `at least ${passwordLength} characters`).max(200)

export const person = z
  .object({ id, login: z.string(), name: z.string(), role, disabledAt: instant.nullable() })
  .meta({ id: 'Person' })
export type Person = z.infer<typeof person>

/** What an app shows, or one of the codes that were noted. */
const factorCode = z.string().max(40)
export const signIn = z.strictObject({
  login: z.string().max(100),
  password: z.string().max(200),
  code: factorCode.optional(),
})
export const passwordAgain = z.strictObject({ password: z.string().max(200) })
export const session = z
  .object({
    person: person.nullable(),
    /** Sent back in the header `x-csrf-token` with every change. */
    csrf: z.string(),
    organization: z.string(),
    now: instant,
  })
  .meta({ id: 'Session' })

export const newPerson = z.strictObject({ id, login, name: line(60).min(1), role })
export const personEdit = z.strictObject({ role, disabled: z.boolean() })
/** A one-time link by which a person sets the password; shown once. */
export const invitationLink = z.object({ person, path: z.string(), expiresAt: instant })
export const invitation = z.object({ login: z.string().nullable(), name: z.string().nullable(), role })
/** The first account names itself and the organization; others have a name already. */
export const acceptInvitation = z.strictObject({
  login: login.optional(),
  name: line(60).min(1).optional(),
  organization: line(80).min(1).optional(),
  password,
})

export const passwordChange = z.strictObject({ current: z.string().max(200), password })
/** One’s own second factor. */
export const secondFactor = z
  .object({
    on: z.boolean(),
    /** Recovery codes that were not used yet. */
    left: z.int(),
  })
  .meta({ id: 'SecondFactor' })
/** A secret for an authenticator app, as text and as the address that a QR code holds; it counts once a code of it was entered. */
export const factorSecret = z.object({ secret: z.string(), address: z.string() })
export const factorEntry = z.strictObject({ code: factorCode.min(1) })
/** Shown once. */
export const recoveryCodes = z.object({ codes: z.array(z.string()) })

/** Where a person is signed in. */
export const ownSession = z
  .object({
    id: z.string(),
    /** The one that asks. */
    current: z.boolean(),
    startedAt: instant.nullable(),
    /** When it was last used, within some minutes. */
    seenAt: instant.nullable(),
    /** What the browser says of itself. */
    agent: z.string(),
    /** A phone that holds a round: it stays signed in for longer. */
    phone: z.boolean(),
  })
  .meta({ id: 'OwnSession' })
export type OwnSession = z.infer<typeof ownSession>
