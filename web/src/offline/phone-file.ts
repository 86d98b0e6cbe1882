import { phoneFile, type PhoneFile } from '@motor-round/contract'
import { allWaiting, keepHere } from './line.ts'
import { deviceName, type Fact } from './store.ts'

/** Everything on this phone that is not home, as a file: for one that never comes home by itself. */
export async function emptyToFile(by: string): Promise<{ name: string; text: string; entries: number }> {
  const device = await deviceName()
  const savedAt = new Date().toISOString()
  const line = await allWaiting()
  const entries = line.map(({ n, kind, body }) => ({ n, kind, body }))
  const takenBy = Object.fromEntries(
    line.flatMap((w) => (w.byName === '' || w.byName === by ? [] : [[String(w.n), w.byName]])),
  )
  const file = { format: 'motor-round-phone', formatVersion: 1, device, by, savedAt, takenBy, entries }
  return { name: `motor-round-phone-${savedAt.slice(0, 10)}.json`, text: JSON.stringify(file), entries: entries.length }
}

const and = (words: string, more: string): string => [words, more].filter(Boolean).join(' ')

/** Import a file into the line of this phone. @throws Error with words that name the place that is wrong */
export async function readFile(text: string, reader: { readonly id: string; readonly name: string }): Promise<number> {
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
  // The book says who brought it; whose phone it was is written beside the visit.
  const fromOf = (n: number): string => {
    const taker = file.takenBy[String(n)]
    if (taker !== undefined) return taker === reader.name ? '' : `Exported by ${taker}.`
    return file.by === reader.name ? '' : `From the phone of ${file.by}.`
  }
  await keepHere(
    reader.id,
    file.entries.map(({ n, ...fact }): Fact => {
      const from = fromOf(n)
      if (fact.kind === 'visit') return { ...fact, body: { ...fact.body, note: and(fact.body.note, from) } }
      if (fact.kind === 'motor') return { ...fact, body: { ...fact.body, why: and(fact.body.why, from) } }
      if (fact.kind === 'plate') return { ...fact, body: { ...fact.body, why: and(fact.body.why, from) } }
      if (fact.kind === 'part') return { ...fact, body: { ...fact.body, why: and(fact.body.why, from) } }
      return fact
    }),
  )
  return file.entries.length
}
