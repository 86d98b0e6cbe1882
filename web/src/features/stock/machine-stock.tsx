import { corePart, type MachinePage } from '@motor-round/contract'
import { takes } from '@motor-round/core/stock'
import { Link } from 'react-router'
import { stockApi } from '../../app/stock-api.ts'
import './stock.css'

/** Parts of the stock that fit what is in a machine, and where they lie; nothing where the stock keeps none. */
export function MachineStock({ page, now }: { page: MachinePage; now: number }) {
  const stock = stockApi.useStockQuery({}).data
  if (!stock) return null
  const on = { parts: page.parts.map(corePart), controls: page.machine.controls, plate: page.motor?.plate ?? null, now }
  const fits = stock.items.flatMap((item) => {
    const n = takes(item.spec, on)
    return n > 0 ? [{ item, n }] : []
  })
  if (fits.length === 0) return null
  const name = (id: string) => stock.places.find((p) => p.id === id)?.name ?? ''
  return (
    <section className="sheet" aria-label="Parts in stock">
      <header>
        <h2>Parts in stock</h2>
      </header>
      <ul className="rows">
        {fits.map(({ item, n }) => {
          const there = item.levels.filter((l) => l.free > 0)
          const free = there.reduce((sum, l) => sum + l.free, 0)
          return (
            <li key={item.id}>
              <Link to={`/stock/${item.id}`} className="stock-title">
                {item.title}
              </Link>
              {n > 1 ? `, takes ${n}` : ''}
              <br />
              <small className={free < n ? 'note tone-fix stock-flag' : 'quiet'}>
                {free === 0 ? 'None in stock' : there.map((l) => `${name(l.placeId)}: ${l.free}`).join(', ')}
              </small>
            </li>
          )
        })}
      </ul>
    </section>
  )
}
