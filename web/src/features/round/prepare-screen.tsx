import { corePart, type MachinePage, type RoundVisit } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { type KitItem, kitOf, kitTogether } from '@motor-round/core/round'
import { Button } from 'antd'
import { Link, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { clockOf, shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { StockOfKit } from '../stock/index.ts'
import { Likely } from './likely.tsx'
import { usePages } from './use-pages.ts'
import { machineOrder, tagOf } from './words.ts'
import { Columns, Tiles } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { Visits } from './prepare-visits.tsx'
import './round.css'

/** The kit of one machine. */
const kitFor = (visit: RoundVisit, page: MachinePage, now: number): KitItem[] =>
  kitOf({
    tasks: visit.tasks.map((t) => t.task),
    parts: page.parts.map(corePart),
    controls: page.machine.controls,
    phases: page.machine.phases,
    now,
  })

function Kit({ items }: { items: readonly KitItem[] }) {
  const of = (kind: KitItem['kind']) => items.filter((i) => i.kind === kind)
  const words = (i: KitItem) =>
    i.unit === 'g' ? `${i.what}, ${i.count} g` : i.count > 1 ? `${i.count} × ${i.what}` : i.what
  return (
    <Tiles of={170}>
      {(
        [
          ['part', 'Parts by size'],
          ['lock', 'Locks and tags'],
          ['tool', 'Tools'],
        ] as const
      ).map(([kind, title]) =>
        of(kind).length === 0 ? null : (
          <div key={kind}>
            <h3>{title}</h3>
            <ul className="bullets">
              {of(kind).map((i) => (
                <li key={i.what}>
                  {words(i)}{' '}
                  {i.kind === 'part' && i.unit === 'pcs' ? <StockOfKit what={i.what} count={i.count} /> : null}
                </li>
              ))}
            </ul>
          </div>
        ),
      )}
    </Tiles>
  )
}

/** One page to read before going up, and to print. */
export function PrepareScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useRoundQuery({ params: { id } })
  const now = useNow()
  const page = query.currentData
  const order = page ? machineOrder(page, null) : []
  const { pages, waiting } = usePages(order)
  if (query.error && !page) return <PageFailure failure={query.error as Failure} kept="This round cannot be loaded." />
  // Whole or not at all: what comes in later would move what is read, and a list that is printed too early lacks parts.
  if (!page || waiting) return <Loading page />
  const visits = order.flatMap((m) => page.visits.find((s) => s.machineId === m) ?? [])
  const kit = kitTogether(
    visits.flatMap((s) => (pages.get(s.machineId) ? [kitFor(s, pages.get(s.machineId) as MachinePage, now)] : [])),
  )
  const tell = [
    ...new Set(visits.filter((s) => s.care.tell !== '').map((s) => `${s.care.tell}, before ${s.unitTag} is stopped`)),
  ]
  const care = (of: (s: RoundVisit) => string) => [
    ...new Set(visits.flatMap((s) => (of(s) === '' ? [] : [`${s.unitTag}: ${of(s)}`]))),
  ]
  const watch = care((s) => s.care.watch)
  const lift = care((s) => s.care.lift)
  const hazards = care((s) => s.care.hazards)
  const two = visits.filter((s) => page.route.steps.some((v) => v.step === s.machineId && v.walkers.length > 1))
  return (
    <div className="page stack prepare">
      <div className="between">
        <div>
          <h1>Prepare: {page.head.name}</h1>
          <p className="quiet">
            {shortDay(`${page.head.day}T12:00:00Z`, now)} · {page.head.people.map((p) => p.name).join(', ')} ·{' '}
            {show.count(visits.length, 'visit')}
          </p>
        </div>
        <div className="row no-print">
          <Button size="large" onClick={() => window.print()}>
            Print
          </Button>
          <Link to={`/tags?round=${id}`}>Tag sheet</Link>
          <Link to={`/rounds/${id}`}>Back to the round</Link>
        </div>
      </div>
      {page.note === '' ? null : <p className="note tone-watch">{page.note}</p>}
      <Columns of={[2, 1, 1]}>
        <section className="sheet">
          <h2>Bring</h2>
          {pages.size < visits.length ? (
            <p className="note tone-watch">
              {show.count(visits.length - pages.size, 'machine')} could not be loaded: parts and tools for{' '}
              {visits.length - pages.size === 1 ? 'it' : 'them'} are missing here.
            </p>
          ) : null}
          <Kit items={kit} />
        </section>
        <section className="sheet">
          <h2>Hazards</h2>
          <ul className="bullets">
            <li>Roof edge, hatch and ladder: keep hands free, haul tools up on a line.</li>
            <li>
              Lock out, keep the key, prove every pair and leg de-energized. Local codes and licensed practice govern.
            </li>
            {lift.map((l) => (
              <li key={l}>To lift, {l}</li>
            ))}
            {hazards.map((h) => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        </section>
        <section className="sheet">
          <h2>Notify, and two-person work</h2>
          <ul className="bullets">
            {tell.map((t) => (
              <li key={t}>{t}</li>
            ))}
            {watch.map((w) => (
              <li key={w}>Watches the space: {w}</li>
            ))}
            {two.map((s) => {
              const v = page.route.steps.find((x) => x.step === s.machineId)
              return (
                <li key={s.machineId}>
                  Two at {tagOf(s)}
                  {v ? `, ${clockOf(v.start)}` : ''}
                </li>
              )
            })}
            {tell.length + watch.length + two.length === 0 ? (
              <li>Nobody to notify; no visit needs two people.</li>
            ) : null}
          </ul>
        </section>
      </Columns>
      <section className="sheet">
        <h2>Visits in order</h2>
        <Visits page={page} order={order} pages={pages} now={now} />
      </section>
      <Likely visits={visits} pages={pages} now={now} />
    </div>
  )
}
