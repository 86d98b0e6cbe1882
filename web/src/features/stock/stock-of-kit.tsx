import { stockApi } from '../../app/stock-api.ts'

/** Of a thing of the kit: is there enough, and where; nothing where the stock does not keep it. */
export function StockOfKit({ what, count }: { what: string; count: number }) {
  const stock = stockApi.useStockQuery({}).data
  const item = stock?.items.find((i) => i.title.toLowerCase() === what.toLowerCase())
  if (!stock || !item) return null
  const there = item.levels.filter((l) => l.free > 0)
  const free = there.reduce((sum, l) => sum + l.free, 0)
  const van = there.filter((l) => stock.places.find((p) => p.id === l.placeId)?.kind === 'van')
  const aboard = van.reduce((sum, l) => sum + l.free, 0)
  const where = there.map((l) => `${stock.places.find((p) => p.id === l.placeId)?.name ?? ''}: ${l.free}`).join(', ')
  if (free < count)
    return (
      <span className="note tone-fix stock-flag">
        {free === 0 ? 'None in stock' : `Only ${free} in stock: ${where}`}
        {`, ${count - free} missing`}
      </span>
    )
  return (
    <small className={aboard >= count ? 'quiet' : 'note tone-watch stock-flag'}>
      {aboard >= count ? `in the van: ${where}` : `load it: ${where}`}
    </small>
  )
}
