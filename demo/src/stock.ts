import type { OrganizationFile, StockMoveBody, StockSpec } from '@motor-round/contract'
import { itemTitle } from '@motor-round/core/stock'
import { seeded } from '@motor-round/core/machine'
import { seededId } from './ids.ts'

type Stock = Pick<OrganizationFile, 'stockPlaces' | 'stockItems' | 'stockMoves'>
type Known = Pick<OrganizationFile, 'sites' | 'machines' | 'parts' | 'jobs'>

/** How many kinds of a part the terminal keeps, the commonest first; price and days until one comes. */
const kept = {
  belt: { most: 8, price: 34, leadDays: 5 },
  filter: { most: 4, price: 9, leadDays: 10 },
  bearing: { most: 4, price: 62, leadDays: 12 },
  capacitor: { most: 4, price: 18, leadDays: 3 },
  fuse: { most: 3, price: 11, leadDays: 3 },
} as const

/** What is in service, each once, the commonest first. */
function specsInService(file: Known): StockSpec[] {
  const seen = new Map<string, { spec: StockSpec; n: number }>()
  const see = (spec: StockSpec) => {
    const known = seen.get(itemTitle(spec))
    if (known) known.n += 1
    else seen.set(itemTitle(spec), { spec, n: 1 })
  }
  for (const { part, removedAt } of file.parts) {
    if (removedAt !== null) continue
    if (part.slot === 'belts') see({ kind: 'belt', section: part.spec.section, number: part.spec.number })
    if (part.slot === 'filters') see({ kind: 'filter', size: part.spec.size })
    if (part.slot === 'bearing-de' && part.spec.mark !== '') see({ kind: 'bearing', mark: part.spec.mark })
  }
  for (const { controls } of file.machines) {
    const cap = controls?.capacitor
    if (cap && cap.volts !== null) see({ kind: 'capacitor', microfarads: cap.run, volts: cap.volts })
    if (controls?.protectionAmps && controls.protection && controls.protection !== 'breaker')
      see({ kind: 'fuse', amps: controls.protectionAmps, type: controls.protection.replace(' fuse', '') })
  }
  const all = [...seen.values()].sort((a, b) => b.n - a.n || (itemTitle(a.spec) < itemTitle(b.spec) ? -1 : 1))
  return Object.entries(kept).flatMap(([kind, { most }]) =>
    all
      .filter((x) => x.spec.kind === kind)
      .slice(0, most)
      .map((x) => x.spec),
  )
}

/** A shop, a van, a cage on site and a shelf of a supplier, with what lies there. */
export function demoStock(file: Known, now: Date, birth: number): Stock {
  const random = seeded(53)
  const next = () => seededId(random, birth)
  const at = (days: number) => new Date(now.getTime() - days * 86_400_000).toISOString()
  const by = 'Mosi Okonjo'
  const [shop, van, cage, shelf] = [next(), next(), next(), next()]
  const out: Stock = {
    stockPlaces: [
      { id: shop, name: 'Workshop', kind: 'shop', siteId: null },
      { id: van, name: 'Van 2', kind: 'van', siteId: null },
      { id: cage, name: 'Terminal cage', kind: 'cage', siteId: file.sites[0]?.id ?? null },
      { id: shelf, name: 'Supplier on Tallow Street', kind: 'supplier', siteId: null },
    ],
    stockItems: [],
    stockMoves: [],
  }
  const move = (
    m: Pick<StockMoveBody, 'itemId' | 'placeId' | 'kind' | 'count'> & Partial<StockMoveBody>,
    days: number,
  ) =>
    out.stockMoves.push({
      toPlaceId: null,
      jobId: null,
      tested: null,
      condition: 'new',
      note: '',
      ...m,
      id: next(),
      at: at(days),
      by,
    })
  const job = file.jobs.find((j) => j.title.startsWith('Replace the motor'))
  specsInService(file).forEach((spec, i) => {
    const itemId = next()
    const { price, leadDays } = kept[spec.kind as keyof typeof kept]
    const code = `${spec.kind.slice(0, 2).toUpperCase()}-${String(i + 1).padStart(3, '0')}`
    out.stockItems.push({ id: itemId, code, spec, price, leadDays, min: null, max: null, note: '' })
    const many = spec.kind === 'filter' ? 24 : 4
    move({ itemId, placeId: shop, kind: 'received', count: many + (i % 5), tested: true }, 60)
    if (i % 3 === 0) move({ itemId, placeId: shop, kind: 'moved', count: 2, toPlaceId: van }, 20)
    if (i % 4 === 1) move({ itemId, placeId: cage, kind: 'received', count: 2 }, 33)
    // Every fifth has run low.
    if (i % 5 === 2) move({ itemId, placeId: shop, kind: 'taken', count: many + (i % 5) - 1 }, 6)
    if (spec.kind === 'capacitor' && i % 2 === 0)
      move({ itemId, placeId: shop, kind: 'bad', count: 1, note: 'Bulged in its box.' }, 9)
    if (spec.kind === 'belt' && i === 0 && job)
      move({ itemId, placeId: shop, kind: 'reserved', count: 2, jobId: job.id }, 1)
  })
  return out
}
