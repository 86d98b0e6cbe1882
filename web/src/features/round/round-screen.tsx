import { type RoundPage } from '@motor-round/contract'
import { middleOf, roundVisitState, type Spot, walkIn } from '@motor-round/core/round'
import { Button } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { distanceUnitOf } from '../../app/distances.ts'
import { api } from '../../app/api.ts'
import { clockOf, clockTime, shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { RoofMapView } from '../../parts/roof-map/index.ts'
import { worstOf } from '../../parts/roof-map/index.ts'
import { Closing } from './closing.tsx'
import { RouteLists } from './route-lists.tsx'
import { DownloadRound } from './download-round.tsx'
import { useLive } from './use-live.ts'
import { machineOrder, tagOf } from './words.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import './round.css'

/** The way of a round over one area: from its way in past every visit there, and back. */
function wayOver(page: RoundPage, area: RoundPage['areas'][number], order: readonly string[]): Spot[] {
  const spots: Spot[] = []
  const door = area.map.hatches[0]
  if (door) spots.push(door)
  for (const id of order) {
    const visit = page.visits.find((s) => s.machineId === id && s.areaId === area.id)
    const box = visit && area.map.units[visit.unitId]
    if (box) spots.push(middleOf(box))
  }
  if (door && spots.length > 1) spots.push(door)
  return spots.flatMap((s, i) => {
    const before = spots[i - 1]
    return before ? walkIn(area.map, before, s).points.slice(1) : [s]
  })
}

function Roofs({ page, order, walker }: { page: RoundPage; order: readonly string[]; walker: string | null }) {
  const walkers = walker === null ? page.head.people.map((p) => p.id) : [walker]
  const places = api.usePlacesQuery({}).data
  // Units that are not on the round stand there too, and have their names.
  const tags = new Map((places?.units ?? []).map((u) => [u.id, u.tag]))
  return (
    <>
      {page.areas.map((area) => {
        const here = page.visits.filter((s) => s.areaId === area.id)
        const unitIds = [...new Set(here.map((s) => s.unitId))]
        const numbers = unitIds.map((unitId) => ({
          unitId,
          words: here
            .filter((s) => s.unitId === unitId && order.includes(s.machineId))
            .map((s) => order.indexOf(s.machineId) + 1)
            .sort((a, b) => a - b)
            .slice(0, 2)
            .join(' '),
        }))
        return (
          <section key={area.id} className="sheet">
            <header>
              <h2>{area.name}</h2>
              <Link className="link-tall" to={`/areas/${area.id}/map`}>
                Roof map
              </Link>
            </header>
            <RoofMapView
              map={area.map}
              unit={distanceUnitOf(places?.sites.find((s) => s.id === area.siteId)?.units ?? 'us')}
              label={`Route over ${area.name}`}
              units={Object.keys(area.map.units).map((id) => {
                const own = here.filter((s) => s.unitId === id)
                return {
                  id,
                  tag: own[0]?.unitTag ?? tags.get(id) ?? '',
                  level: worstOf(own.map((s) => s.level)),
                  load: null,
                }
              })}
              ways={walkers.map((w) =>
                wayOver(
                  page,
                  area,
                  machineOrder(page, w).filter((m) => page.route.steps.some((v) => v.step === m)),
                ),
              )}
              visits={numbers.filter((n) => n.words !== '')}
            />
          </section>
        )
      })}
    </>
  )
}

/** What is happening on the round, newest first. */
function Happened({ page }: { page: RoundPage }) {
  const words = {
    began: 'at',
    done: 'done',
    skipped: 'skipped',
    added: 'added',
    moved: 'postponed',
    told: '',
  } as const
  const list = [...page.events].reverse().slice(0, 12)
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <h2>Lately</h2>
      <ul className="rows">
        {list.map((e) => {
          const visit = page.visits.find((s) => s.machineId === e.machineId)
          return (
            <li key={e.id}>
              <span className="quiet">{clockTime(e.at)}</span> {e.by} {words[e.kind]}{' '}
              {visit ? <Link to={`/machines/${visit.machineId}`}>{tagOf(visit)}</Link> : ''}
              {e.note === '' ? '' : `: ${e.note}`}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** A round: who goes where when, on the roofs and in lists, and how it goes. */
export function RoundScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useRoundQuery({ params: { id } })
  const now = useNow()
  const [walker, setWalker] = useState<string | null>(null)
  useLive(id)
  const page = query.currentData
  if (query.error && !page)
    return (
      <div className="page">
        <FailureNote
          failure={query.error as Failure}
          kept="This round cannot be loaded. Download it for offline before you go where there is no signal."
        />
      </div>
    )
  if (!page) return <Loading page />
  const { head } = page
  const order = machineOrder(page, walker)
  const open = page.visits.filter((s) => ['open', 'began'].includes(roundVisitState(page.events, s.machineId))).length
  return (
    <div className="page stack">
      <div className="between">
        <div>
          <h1>{head.name}</h1>
          <p className="quiet">
            {shortDay(`${head.day}T12:00:00Z`, now)} ·{' '}
            {head.people.map((p) => `${p.name} ${clockOf(p.from)}–${clockOf(p.to)}`).join(', ')} · planned by{' '}
            {head.madeBy}
          </p>
        </div>
        <div className="row">
          {head.state === 'planned' ? (
            <Link to={`/rounds/${id}/walk`}>
              <Button type="primary" size="large">
                {head.done + head.skipped === 0 ? 'Start round' : `Continue round, ${open} left`}
              </Button>
            </Link>
          ) : null}
          <Link to={`/rounds/${id}/prepare`}>
            <Button size="large">Prepare</Button>
          </Link>
          <a className="link-tall" href={`/api/v1/rounds/${id}/round.ics`}>
            Add to calendar
          </a>
        </div>
      </div>
      {page.note === '' ? null : <p className="note tone-watch">{page.note}</p>}
      {head.state === 'planned' ? <DownloadRound page={page} /> : null}
      <Columns of={[5, 6]}>
        <div className="stack">
          <RouteLists page={page} />
          <Closing page={page} />
        </div>
        <div className="stack">
          {head.people.length > 1 ? (
            <div className="row" role="group" aria-label="Route of">
              <Button type={walker === null ? 'primary' : 'default'} onClick={() => setWalker(null)}>
                Everyone
              </Button>
              {head.people.map((p) => (
                <Button key={p.id} type={walker === p.id ? 'primary' : 'default'} onClick={() => setWalker(p.id)}>
                  {p.name}
                </Button>
              ))}
            </div>
          ) : null}
          <Roofs page={page} order={order} walker={walker} />
          <Happened page={page} />
        </div>
      </Columns>
    </div>
  )
}
