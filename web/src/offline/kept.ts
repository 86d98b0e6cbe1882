import { roofMapPage, machinePage, places, roundPage, session, type MachinePage } from '@motor-round/contract'
import { allWaiting } from './line.ts'
import { drawnHere, pageOfFound, roundWithPending, withPending } from './pending.ts'
import { store } from './store.ts'

/** Keep an answer of the server for when there is no signal. */
export const keepAnswer = (url: string, data: unknown) => store.kept.put({ url, data, at: Date.now() })

/** Is this address kept, so that a newer answer should replace it? */
export const isKept = async (url: string): Promise<boolean> => (await store.kept.where('url').equals(url).count()) > 0

async function who(): Promise<string> {
  const parsed = session.safeParse((await store.kept.get('/session'))?.data)
  return parsed.success ? (parsed.data.person?.name ?? '') : ''
}

/** How far the server's clock was ahead of this phone's when it last answered, ms. */
async function clockAhead(): Promise<number> {
  return Number((await store.facts.get('ahead'))?.value ?? 0)
}
export const noteClock = (serverNow: string) =>
  store.facts.put({ key: 'ahead', value: String(Date.parse(serverNow) - Date.now()) })

/** Machines of the rounds on this phone whose tag or purpose holds the words that are looked for. */
async function found(url: string): Promise<unknown> {
  const words = (new URLSearchParams(url.split('?')[1]).get('q') ?? '').toLowerCase()
  const pages = await store.kept.where('url').startsWith('/machines/').toArray()
  return pages.flatMap(({ data }) => {
    const page = machinePage.safeParse(data)
    if (!page.success) return []
    const { machine, unit, site } = page.data
    const hit = `${unit.tag} / ${machine.tag} ${machine.purpose}`.toLowerCase().includes(words)
    return hit
      ? [{ id: machine.id, unitTag: unit.tag, tag: machine.tag, purpose: machine.purpose, siteName: site.name }]
      : []
  })
}

/** A machine's page as it is on this phone: kept, or of a unit that was found on the roof and is not home yet. */
async function machineHere(id: string): Promise<MachinePage | null> {
  const line = await allWaiting()
  const kept = machinePage.safeParse((await store.kept.get(`/machines/${id}`))?.data)
  const found = line.find((w) => w.kind === 'found' && w.body.machine.id === id)
  const known = places.safeParse((await store.kept.get('/places'))?.data)
  const page = kept.success
    ? kept.data
    : found?.kind === 'found' && known.success
      ? pageOfFound(found.body, known.data)
      : null
  return page && withPending(page, line, await who())
}

/** What the phone has of an address, with what is still to be brought home in it; undefined where it has nothing. */
export async function answerFrom(url: string): Promise<unknown> {
  if (url.startsWith('/find?q=')) return found(url)
  const machine = /^\/machines\/([0-9a-f-]{36})$/.exec(url)
  if (machine) return (await machineHere(machine[1] ?? '')) ?? undefined
  const kept = await store.kept.get(url)
  if (!kept) return undefined
  if (url === '/session') {
    const parsed = session.safeParse(kept.data)
    return parsed.success
      ? { ...parsed.data, now: new Date(Date.now() + (await clockAhead())).toISOString() }
      : undefined
  }
  return withLine(url, kept.data)
}

/** An answer, fresh or kept, with what waits on this phone. */
export async function withLine(url: string, data: unknown): Promise<unknown> {
  const machine = url.startsWith('/machines/') ? machinePage.safeParse(data) : null
  if (machine?.success) return withPending(machine.data, await allWaiting(), await who())
  const round = url.startsWith('/rounds/') ? roundPage.safeParse(data) : null
  if (round?.success) return roundWithPending(round.data, await allWaiting(), await who(), machineHere)
  const area = url.endsWith('/map') ? roofMapPage.safeParse(data) : null
  if (area?.success) return { ...area.data, ...drawnHere(await allWaiting(), area.data.area.id) }
  return data
}
