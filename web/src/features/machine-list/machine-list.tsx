import { listLevels, machineSorts, type MachineListPage } from '@motor-round/contract'
import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { Button, Select } from 'antd'
import { lazy, Suspense, useEffect, useLayoutEffect, useRef, useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { api, type MachineFilter } from '../../app/api.ts'
import { distanceUnitOf, useSiteUnits } from '../../app/distances.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { useNarrow } from '../../app/use-narrow.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { LevelMark, levelWords } from '../../parts/level-mark/index.ts'
import { firstFan, mapUnits, RoofMapView } from '../../parts/roof-map/index.ts'
import { MachineRow } from './machine-row.tsx'
import './machine-list.css'

// Taken once, by whoever is new.
const ProductTour = lazy(async () => ({ default: (await import('../tour/index.ts')).ProductTour }))

type ListLevel = (typeof listLevels)[number]
const sortWords: Record<(typeof machineSorts)[number], string> = {
  need: 'Most urgent first',
  tag: 'By tag',
  seen: 'Longest since visit first',
  load: 'Highest load first',
}
const tellOrder: readonly ListLevel[] = ['stop', 'fix', 'watch', 'ok', 'not judged']

function useFilter() {
  const [params, setParams] = useSearchParams()
  const level = (params.get('level') ?? '')
    .split(',')
    .filter((l): l is ListLevel => (listLevels as readonly string[]).includes(l))
  const sort = machineSorts.find((s) => s === params.get('sort')) ?? 'need'
  const filter: MachineFilter = {
    sort,
    ...(params.get('site') ? { site: params.get('site') ?? undefined } : {}),
    ...(params.get('area') ? { area: params.get('area') ?? undefined } : {}),
    ...(level.length > 0 ? { level } : {}),
  }
  const set = (changes: Record<string, string | null>) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        for (const [k, v] of Object.entries(changes)) {
          if (v === null || v === '') next.delete(k)
          else next.set(k, v)
        }
        return next
      },
      { replace: true },
    )
  return { filter, level, sort, asMap: params.get('view') === 'map', set }
}

function Counts({
  counts,
  chosen,
  toggle,
}: {
  counts: MachineListPage['counts']
  chosen: readonly ListLevel[]
  toggle: (l: ListLevel) => void
}) {
  const words: Record<ListLevel, string> = {
    stop: 'to stop',
    fix: 'to fix',
    watch: 'to watch',
    ok: 'OK',
    'not judged': 'not judged',
  }
  return (
    <div className="list-counts" role="group" aria-label="Filter by level">
      {tellOrder
        .filter((l) => counts[l] > 0 || l === 'ok')
        .map((l) => (
          <button
            key={l}
            type="button"
            className="tab"
            title={chosen.includes(l) ? 'Show all levels' : `Show only ${levelWords[l]}`}
            aria-pressed={chosen.includes(l)}
            onClick={() => toggle(l)}
          >
            <LevelMark level={l} word={`${counts[l]} ${words[l]}`} />
          </button>
        ))}
    </div>
  )
}

function Places({ filter, set }: { filter: MachineFilter; set: (c: Record<string, string | null>) => void }) {
  const { data } = api.usePlacesQuery({})
  const options = (data?.sites ?? []).map((s) => ({
    label: s.name,
    options: [
      { value: `site ${s.id}`, label: `All of ${s.name}` },
      ...(data?.areas ?? []).filter((a) => a.siteId === s.id).map((a) => ({ value: `area ${a.id}`, label: a.name })),
    ],
  }))
  const value = filter.area ? `area ${filter.area}` : filter.site ? `site ${filter.site}` : ''
  return (
    <Select
      aria-label="Site or area"
      className="list-place"
      popupMatchSelectWidth={false}
      value={value}
      options={[{ value: '', label: 'All areas' }, ...options]}
      onChange={(v: string) => {
        const [kind, id] = v.split(' ')
        set({ site: kind === 'site' ? (id ?? null) : null, area: kind === 'area' ? (id ?? null) : null })
      }}
    />
  )
}

/** The rows, only those in sight; further pages are fetched as the eye comes near. */
function Balance({ filter, now }: { filter: MachineFilter; now: number }) {
  const roof = api.useMachineListInfiniteQuery(filter)
  const rows = roof.data?.pages.flatMap((p) => p.rows) ?? []
  const body = useRef<HTMLDivElement>(null)
  const [top, setTop] = useState(0)
  useLayoutEffect(() => setTop(body.current?.offsetTop ?? 0), [roof.isSuccess])
  const phone = useNarrow()
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => (phone ? 128 : 58),
    overscan: 8,
    scrollMargin: top,
    getItemKey: (i) => rows[i]?.machineId ?? i,
  })
  const items = virtual.getVirtualItems()
  const last = items[items.length - 1]?.index ?? 0
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = roof
  useEffect(() => {
    if (last >= rows.length - 40 && hasNextPage && !isFetchingNextPage) void fetchNextPage()
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage])

  const filtered = Boolean(filter.level ?? filter.area ?? filter.site)
  if (roof.error) return <FailureNote failure={roof.error as Failure} kept="The list cannot be loaded." />
  if (roof.isLoading) return <p>Loading …</p>
  if (rows.length === 0)
    return (
      <div className="sheet">
        <h2>No machines</h2>
        <p>
          {filtered ? 'No machine matches the filters.' : 'There are no machines yet.'}{' '}
          <Link to="/machines/new">Add a machine</Link>, or import a machine list under{' '}
          <Link to="/import-export">Import & export</Link>.
          {filtered ? null : (
            <>
              {' '}
              New here? <Link to="/start">Set up</Link> asks for site, users and machines.
            </>
          )}
        </p>
      </div>
    )
  return (
    <div
      className="list-balance"
      role="table"
      aria-label="Machines"
      aria-rowcount={roof.data?.pages[0]?.total ?? rows.length}
    >
      <div role="row" className="list-head">
        {[
          'Level',
          'Machine',
          'Load, 0 to 125 % of nameplate',
          'Amps, L1 L2 L3',
          'Result',
          'Trend',
          'Last visit',
          'Due',
        ].map((h) => (
          <span key={h} role="columnheader">
            {h}
          </span>
        ))}
      </div>
      <div ref={body} role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
        {items.map((item) => {
          const row = rows[item.index]
          return row ? (
            <div
              key={item.key}
              role="presentation"
              ref={virtual.measureElement}
              data-index={item.index}
              className="list-place-row"
              style={{ transform: `translateY(${item.start - top}px)` }}
            >
              <MachineRow row={row} now={now} />
            </div>
          ) : null
        })}
      </div>
    </div>
  )
}

/** The area from above: units with level and load at their places. */
function AreaAsMap({ areaId }: { areaId: string }) {
  const query = api.useRoofMapQuery({ params: { id: areaId } })
  const navigate = useNavigate()
  const page = query.currentData
  const units = useSiteUnits(page?.area.siteId)
  if (query.error) return <FailureNote failure={query.error as Failure} kept="The roof map cannot be loaded." />
  if (!page) return <p>Loading …</p>
  return (
    <section className="sheet">
      <header>
        <h2>{page.area.name}</h2>
        <span>
          <Link to={`/areas/${areaId}/map`}>Edit map</Link> · <Link to={`/tags?area=${areaId}`}>Tag sheet</Link>
        </span>
      </header>
      <RoofMapView
        map={page.map}
        label={`Roof map of ${page.area.name}`}
        units={mapUnits(page)}
        unit={distanceUnitOf(units)}
        onPick={(unit) => {
          const fan = firstFan(page, unit)
          if (fan !== null) void navigate(`/machines/${fan}`)
        }}
      />
    </section>
  )
}

/** Arrow keys walk the rows. */
function walk(e: KeyboardEvent) {
  if (e.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(e.target.tagName)) return
  if (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') return
  const rows = [...document.querySelectorAll<HTMLElement>('.list-row')]
  const at = rows.findIndex((r) => r === document.activeElement)
  const next = rows[at < 0 ? 0 : at + (e.key === 'ArrowDown' ? 1 : -1)]
  if (!next) return
  e.preventDefault()
  next.focus()
}

/** The Roof: what needs a person today. */
export function MachineList() {
  const { filter, level, sort, asMap, set } = useFilter()
  const now = useNow()
  const mayAdd = useMay('mechanic')
  useEffect(() => {
    window.addEventListener('keydown', walk)
    return () => window.removeEventListener('keydown', walk)
  }, [])
  const [params, setParams] = useSearchParams()
  const first = api.useMachineListInfiniteQuery(filter).data?.pages[0]
  // Its places have to be on the screen before it can point at them.
  const touring = params.get('tour') === '1' && first !== undefined
  const endTour = () =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        next.delete('tour')
        return next
      },
      { replace: true },
    )
  const counts = first?.counts
  const all = counts ? tellOrder.reduce((n, l) => n + counts[l], 0) : null
  return (
    <div className="page">
      <div className="roof-top">
        <h1>{all === null ? 'Machines' : `${all} ${all === 1 ? 'machine' : 'machines'}`}</h1>
        {counts && counts.overdue > 0 ? <span className="quiet">{counts.overdue} overdue</span> : null}
        {counts ? (
          <Counts
            counts={counts}
            chosen={level}
            toggle={(l) => set({ level: (level.includes(l) ? level.filter((x) => x !== l) : [...level, l]).join(',') })}
          />
        ) : null}
        <div className="list-tools">
          <Places filter={filter} set={set} />
          <Select
            aria-label="Order"
            popupMatchSelectWidth={false}
            value={sort}
            options={machineSorts.map((s) => ({ value: s, label: sortWords[s] }))}
            onChange={(s: string) => set({ sort: s === 'need' ? null : s })}
          />
          {filter.area ? (
            <Button onClick={() => set({ view: asMap ? null : 'map' })}>{asMap ? 'List' : 'Roof map'}</Button>
          ) : null}
          {mayAdd ? (
            <Link to="/machines/new">
              <Button aria-label="Add a machine">
                Add<span className="list-add"> a machine</span>
              </Button>
            </Link>
          ) : null}
        </div>
      </div>
      {level.length > 0 ? (
        <p className="quiet">
          Filter: {level.map((l) => levelWords[l]).join(', ')}.{' '}
          <Button type="link" onClick={() => set({ level: null })}>
            Show all
          </Button>
        </p>
      ) : null}
      {touring ? (
        <Suspense fallback={null}>
          <ProductTour close={endTour} />
        </Suspense>
      ) : null}
      {asMap && filter.area ? <AreaAsMap areaId={filter.area} /> : <Balance filter={filter} now={now} />}
    </div>
  )
}
