import { session } from '@motor-round/contract'
import { markThisPhone } from './mark.ts'
import { store, type Fact, type Waiting } from './store.ts'

/** Everything that waits, oldest first; refused ones too. */
export const allWaiting = (): Promise<Waiting[]> => store.line.orderBy('n').toArray()

/** Put facts at the end of the line, all or none. @param by id of who took them @throws what the store throws: full, or not allowed */
export async function keepHere(by: string, facts: readonly (Fact & { level?: string | null })[]): Promise<void> {
  markThisPhone()
  await store.transaction('rw', store.line, store.kept, async () => {
    const signedIn = session.safeParse((await store.kept.get('/session'))?.data).data?.person
    for (const { level, ...fact } of facts)
      await store.line.add({
        ...fact,
        // What one person took goes home as theirs, whoever signs in on this phone later.
        by,
        byName: signedIn?.id === by ? signedIn.name : '',
        refused: null,
        level: level ?? null,
        readings: fact.kind === 'visit' ? fact.body.readings.length : 0,
      })
  })
}
