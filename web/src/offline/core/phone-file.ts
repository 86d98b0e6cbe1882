import { phoneFile, type Mutation, type PhoneFile } from '@motor-round/contract'
import { queuedMutations, enqueue } from './outbox.ts'
import { deviceName } from './store.ts'

/** The outbox of this phone as a file: for a phone that cannot sync. */
export async function exportOutbox(by: string): Promise<{ name: string; text: string; entries: number }> {
  const device = await deviceName()
  const savedAt = new Date().toISOString()
  const outbox = await queuedMutations()
  const mutations = outbox.map(({ n, kind, body }) => ({ n, kind, body }))
  const authors = Object.fromEntries(
    outbox.flatMap((w) => (w.authorName === '' || w.authorName === by ? [] : [[String(w.n), w.authorName]])),
  )
  const file = { format: 'motor-round-phone', formatVersion: 1, device, by, savedAt, authors, mutations }
  return {
    name: `motor-round-phone-${savedAt.slice(0, 10)}.json`,
    text: JSON.stringify(file),
    entries: mutations.length,
  }
}

const and = (words: string, more: string): string => [words, more].filter(Boolean).join(' ')

/** Import a file into the outbox of this phone. @throws Error with words that name the place that is wrong */
export async function importOutbox(
  text: string,
  reader: { readonly id: string; readonly name: string },
): Promise<number> {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new Error('This is not an export of this app: it is not JSON.')
  }
  const parsed = phoneFile.safeParse(json)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    throw new Error(`This file cannot be read: ${issue?.path.join('.') ?? ''} ${issue?.message ?? ''}`)
  }
  const file: PhoneFile = parsed.data
  // The record says who synced it; whose phone it was is written beside the visit.
  const fromOf = (n: number): string => {
    const taker = file.authors[String(n)]
    if (taker !== undefined) return taker === reader.name ? '' : `Exported by ${taker}.`
    return file.by === reader.name ? '' : `From the phone of ${file.by}.`
  }
  await enqueue(
    reader.id,
    file.mutations.map(({ n, ...mutation }): Mutation => {
      const from = fromOf(n)
      if (mutation.kind === 'visit')
        return { ...mutation, body: { ...mutation.body, note: and(mutation.body.note, from) } }
      if (mutation.kind === 'motor')
        return { ...mutation, body: { ...mutation.body, why: and(mutation.body.why, from) } }
      if (mutation.kind === 'plate')
        return { ...mutation, body: { ...mutation.body, why: and(mutation.body.why, from) } }
      if (mutation.kind === 'part')
        return { ...mutation, body: { ...mutation.body, why: and(mutation.body.why, from) } }
      return mutation
    }),
  )
  return file.mutations.length
}
