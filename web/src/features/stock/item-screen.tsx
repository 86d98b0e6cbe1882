import type { Stock, StockItem } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { stockApi } from '../../app/stock-api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { ItemForm } from './item-form.tsx'
import { MoveForm } from './move-form.tsx'
import { useStock, type SayMove } from './use-stock.ts'
import { freeOf, inDoubt, isLow, moveWords, onHandOf, pieces, toOrder } from './words.ts'
import './stock.css'

function Levels({ stock, item }: { stock: Stock; item: StockItem }) {
  const name = (id: string) => stock.places.find((p) => p.id === id)?.name ?? ''
  return (
    <ul className="rows" aria-label="Where it lies">
      {item.levels.length === 0 ? <li>None anywhere.</li> : null}
      {item.levels.map((l) => (
        <li key={l.placeId} className="between">
          <b>{name(l.placeId)}</b>
          <span>
            {l.onHand} on hand
            {l.reserved > 0 ? `, ${l.reserved} held for jobs` : ''}
            {l.bad > 0 ? `, ${l.bad} bad` : ''}
            {l.doubt ? ' · count again' : ''}
          </span>
        </li>
      ))}
    </ul>
  )
}

function Keep({ item }: { item: StockItem }) {
  const free = freeOf(item)
  const by = item.min === null ? 'worked out' : 'set by hand'
  return (
    <>
      {inDoubt(item) ? (
        <p className="note tone-watch" role="status">
          More was taken than was there by the record: count it.
        </p>
      ) : null}
      <p className={`note tone-${isLow(item) ? (free === 0 ? 'fix' : 'watch') : 'ok'}`} role="status">
        {isLow(item) ? <b>Order {toOrder(item)}.</b> : <b>Enough.</b>} {free} free; keep {item.wantMin} to{' '}
        {item.wantMax} ({by}
        ).
        {item.inService > 0 ? ` Chance to run out before an order is here: ${show.percent(item.risk)}.` : ''}
      </p>
      <p className="quiet">
        {item.inService === 0
          ? 'No machine on record takes it.'
          : `${pieces(item.inService)} in service, a life of about ${item.years} ${item.years === 1 ? 'year' : 'years'}: ${item.perYear.toFixed(1)} a year.`}{' '}
        {item.leadDays === null
          ? 'A week until it comes is assumed.'
          : `${show.count(item.leadDays, 'day')} until it comes.`}
        {item.price === null ? '' : ` $${item.price} each.`}
      </p>
    </>
  )
}

function Past({ stock, item }: { stock: Stock; item: StockItem }) {
  const past = stockApi.useStockItemQuery({ params: { id: item.id } })
  const name = (id: string | null) => stock.places.find((p) => p.id === id)?.name ?? ''
  return (
    <section className="sheet" aria-label="What happened">
      <header>
        <h2>What happened</h2>
      </header>
      <ul className="rows">
        {(past.data?.moves ?? []).map((m) => (
          <li key={m.id}>
            <b>
              {moveWords[m.kind]}: {m.count}
            </b>{' '}
            {name(m.placeId)}
            {m.toPlaceId === null ? '' : ` → ${name(m.toPlaceId)}`}
            {m.condition === 'new' ? '' : `, ${m.condition}`}
            {m.tested === null ? '' : m.tested ? ', tested' : ', not tested'}
            {m.note === '' ? '' : ` · ${m.note}`}
            <br />
            <small className="quiet">
              {m.by}, {dayTime(m.at)}
            </small>
          </li>
        ))}
        {past.data?.moves.length === 0 ? <li>Nothing yet.</li> : null}
      </ul>
    </section>
  )
}

function Item({ stock, item, say, trouble }: { stock: Stock; item: StockItem; say: SayMove; trouble: string | null }) {
  const may = useMay('mechanic')
  const [editing, setEditing] = useState(false)
  return (
    <div className="page stack stock">
      <header className="between">
        <div>
          <h1>{item.title}</h1>
          <p className="quiet">
            Label {item.code} · {onHandOf(item)} on hand
          </p>
        </div>
        <div className="row">
          {may ? (
            <Button size="large" onClick={() => setEditing(!editing)}>
              Edit
            </Button>
          ) : null}
          <Link to="/stock">
            <Button size="large">All stock</Button>
          </Link>
        </div>
      </header>
      {editing ? <ItemForm item={item} done={() => setEditing(false)} /> : null}
      <div className="stock-columns">
        <div className="stack">
          {may ? (
            <section className="sheet stack" aria-label="Take or count">
              <MoveForm key={item.id} stock={stock} item={item} say={say} />
              <TroubleNote words={trouble} />
            </section>
          ) : null}
        </div>
        <div className="stack">
          <section className="sheet stack" aria-label="What is there">
            <Levels stock={stock} item={item} />
            <Keep item={item} />
            {item.note === '' ? null : <p>{item.note}</p>}
          </section>
          <Past stock={stock} item={item} />
          <section className="sheet" aria-label="Machines that take it">
            <header>
              <h2>Machines that take it</h2>
            </header>
            <Machines item={item} />
          </section>
        </div>
      </div>
    </div>
  )
}

function Machines({ item }: { item: StockItem }) {
  const past = stockApi.useStockItemQuery({ params: { id: item.id } })
  const list = past.data?.machines
  if (item.machines === 0) return <p className="quiet">None on record.</p>
  if (!list) return <p className="quiet">{show.count(item.machines, 'machine')}; which ones needs a signal.</p>
  return (
    <p>
      {list.map((m, i) => (
        <span key={m.id}>
          {i > 0 ? ', ' : ''}
          <Link to={`/machines/${m.id}`}>
            {m.unitTag} / {m.tag}
          </Link>
          {m.takes > 1 ? ` × ${m.takes}` : ''}
        </span>
      ))}
    </p>
  )
}

/** One item: what is there, taking and counting it, what happened, what it fits. */
export function ItemScreen() {
  const id = useParams()['id'] ?? ''
  const { query, stock, say, trouble } = useStock()
  if (query.error && !stock) return <PageFailure failure={query.error as Failure} kept="The stock cannot be loaded." />
  if (!stock) return <Loading page />
  const item = stock.items.find((i) => i.id === id)
  return item ? (
    <Item stock={stock} item={item} say={say} trouble={trouble} />
  ) : (
    <p className="page">This item was not found.</p>
  )
}
