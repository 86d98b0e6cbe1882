import type { Stock, StockItem } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { Button, Input, Segmented } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { ItemForm } from './item-form.tsx'
import { PlaceForm } from './place-form.tsx'
import { useStock } from './use-stock.ts'
import { freeOf, inDoubt, isLow, onHandOf, toOrder } from './words.ts'
import './stock.css'

const filters = {
  all: () => true,
  low: isLow,
  held: (i: StockItem) => i.levels.some((l) => l.reserved > 0),
  doubt: inDoubt,
} as const
type Filter = keyof typeof filters
const filterWords: Readonly<Record<Filter, string>> = {
  all: 'All',
  low: 'To order',
  held: 'Held for jobs',
  doubt: 'Count again',
}

function Where({ item, stock }: { item: StockItem; stock: Stock }) {
  const some = item.levels.filter((l) => l.onHand > 0 || l.bad > 0)
  if (some.length === 0) return <b>none</b>
  return (
    <>
      {some.map((l) => (
        <span key={l.placeId} className="stock-place">
          {stock.places.find((p) => p.id === l.placeId)?.name}: <b>{l.onHand}</b>
          {l.reserved > 0 ? `, ${l.reserved} held` : ''}
          {l.bad > 0 ? `, ${l.bad} bad` : ''}
        </span>
      ))}
    </>
  )
}

function State({ item }: { item: StockItem }) {
  if (inDoubt(item)) return <span className="note tone-watch stock-flag">Count again</span>
  if (!isLow(item)) return <>{`${item.wantMin} to ${item.wantMax}`}</>
  return (
    <span className={`note tone-${freeOf(item) === 0 && item.inService > 0 ? 'fix' : 'watch'} stock-flag`}>
      Order {toOrder(item)}
      {item.inService > 0 ? ` · ${show.percent(item.risk)} risk to run out` : ''}
    </span>
  )
}

/** Parts in shops, vans and cages: what is there, what is held, what to order. */
export function StockScreen() {
  const { query, stock } = useStock()
  const may = useMay('mechanic')
  const [filter, setFilter] = useState<Filter>('all')
  const [words, setWords] = useState('')
  const [adding, setAdding] = useState<'item' | 'place' | null>(null)
  if (query.error && !stock) return <PageFailure failure={query.error as Failure} kept="The stock cannot be loaded." />
  if (!stock) return <Loading page />
  const wanted = words.trim().toLowerCase()
  const shown = stock.items
    .filter(filters[filter])
    .filter((i) => wanted === '' || `${i.title} ${i.code}`.toLowerCase().includes(wanted))
  return (
    <div className="page stack stock">
      <header className="between">
        <h1>Stock</h1>
        <div className="row">
          {may ? (
            <>
              <Button size="large" onClick={() => setAdding(adding === 'item' ? null : 'item')}>
                Add an item
              </Button>
              <Button size="large" onClick={() => setAdding(adding === 'place' ? null : 'place')}>
                Add a place
              </Button>
            </>
          ) : null}
          <Link to="/stock/labels">
            <Button size="large">Labels</Button>
          </Link>
        </div>
      </header>
      {adding === 'item' ? <ItemForm item={null} done={() => setAdding(null)} /> : null}
      {adding === 'place' ? <PlaceForm done={() => setAdding(null)} /> : null}
      <div className="row">
        <Segmented<Filter>
          className="stock-filter"
          size="large"
          value={filter}
          onChange={setFilter}
          options={(Object.keys(filters) as Filter[]).map((value) => ({
            value,
            label: `${filterWords[value]} ${stock.items.filter(filters[value]).length}`,
          }))}
        />
        <Input
          allowClear
          size="large"
          className="stock-find"
          aria-label="Find an item"
          placeholder="Find an item or label"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
      </div>
      <section className="sheet" aria-label="Items">
        <DataTable<StockItem>
          label="Items of stock"
          stacked
          rowKey="id"
          dataSource={shown}
          locale={{ emptyText: 'Nothing here.' }}
          columns={[
            {
              title: 'Item',
              key: 'title',
              rowScope: 'row',
              sorter: byText((i) => i.title),
              render: (_, i) => (
                <Link className="stock-title" to={`/stock/${i.id}`}>
                  {i.title} <small className="quiet">{i.code}</small>
                </Link>
              ),
            },
            { title: 'Where', key: 'where', render: (_, i) => <Where item={i} stock={stock} /> },
            {
              title: 'On hand',
              key: 'hand',
              align: 'right',
              sorter: byNumber(onHandOf),
              render: (_, i) => onHandOf(i),
            },
            {
              title: 'In service',
              key: 'service',
              align: 'right',
              sorter: byNumber((i) => i.inService),
              render: (_, i) => i.inService,
            },
            { title: 'Keep', key: 'keep', sorter: byNumber(toOrder), render: (_, i) => <State item={i} /> },
          ]}
        />
      </section>
    </div>
  )
}
