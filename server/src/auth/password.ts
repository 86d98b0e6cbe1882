import { hash, verify } from '@node-rs/argon2'

/** argon2id with the library's defaults for interactive sign-in (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password)

// Verified against when the name is unknown, so that the answer takes as long either way.
const decoy = hash('nobody has this password')

/** Does the password fit? A missing hash takes the same time and never fits. */
export async function fits(stored: string | null | undefined, password: string): Promise<boolean> {
  const good = await verify(stored ?? (await decoy), password)
  return good && typeof stored === 'string'
}
