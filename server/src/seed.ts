import { demoOrganization, demoPassword, demoPeople } from '@motor-round/demo'
import { defaultPolicies } from '@motor-round/core/limits'
import { eq } from 'drizzle-orm'
import { inviteFirst, lockFirst } from './auth/invitations.ts'
import { fits, hashPassword } from './auth/password.ts'
import { applyOrganization } from './import-export/organization/apply.ts'
import { inMemory } from './import-export/organization/source.ts'
import { organization, people } from './db/schema.ts'
import type { Deps } from './deps.ts'
import { keepDemoLive } from './live/demo.ts'
import { refreshMany } from './machine/refresh.ts'

/** Load the demo into an empty database. @returns false when there is something in it already */
export async function loadDemo(deps: Deps): Promise<boolean> {
  return deps.db.transaction(async (tx) => {
    const [there] = await tx.select().from(organization)
    if (there) return false
    const file = demoOrganization(deps.now())
    const { machines } = await applyOrganization(tx, inMemory(file), false)
    await keepDemoLive(tx, file, deps.now())
    for (const p of demoPeople)
      await tx
        .update(people)
        .set({ passwordHash: await hashPassword(demoPassword(p.login)) })
        .where(eq(people.id, p.id))
    await refreshMany(tx, machines)
    return true
  })
}

/** Make an organization without demo, and a one-time link for its first lead while nobody has an account. */
export async function firstLead(deps: Deps): Promise<string | null> {
  return deps.db.transaction(async (tx) => {
    // Servers that start together follow each other, and tell the same link.
    await lockFirst(tx)
    await tx
      .insert(organization)
      .values({ id: 1, name: 'Our rounds', policies: defaultPolicies, policiesVersion: 1 })
      .onConflictDoNothing()
    const [someone] = await tx.select({ id: people.id }).from(people).limit(1)
    if (someone) return null
    return (await inviteFirst(tx, deps.config.SESSION_SECRET, deps.now())).path
  })
}

/**
 * Sign-ins of the demo that work: none where it was loaded into an organization of one's own, which gives its people no passwords,
 * nor where somebody has another password by now.
 * @returns null without any
 */
export async function demoSignIns(deps: Deps): Promise<{ login: string; password: string; role: string }[] | null> {
  const rows = await deps.db.select({ id: people.id, passwordHash: people.passwordHash }).from(people)
  const open = await Promise.all(
    demoPeople.map(async ({ id, login, role }) => {
      const own = rows.find((r) => r.id === id)
      const password = demoPassword(login)
      return own && (await fits(own.passwordHash, password)) ? [{ login, password, role }] : []
    }),
  )
  return open.flat().length === 0 ? null : open.flat()
}
