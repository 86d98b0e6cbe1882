import { machineSorts } from '@motor-round/contract'
import { Button, Dropdown, Select } from 'antd'
import { Suspense, useEffect } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { api, type MachineFilter } from '../../app/api.ts'
import { distanceUnitOf, useSiteUnits } from '../../app/distances.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { addressOf } from '../../app/request.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { levelWords } from '../../parts/level-mark/index.ts'
import { firstFan, mapUnits, RoofMapView } from '../../parts/roof-map/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { useFilter } from './use-filter.ts'
import { Counts, tellOrder } from './counts.tsx'
import { Balance, walk } from './machine-rows.tsx'
import { lazyPart } from '../../parts/late-part/index.ts'
import './machine-list.css'

// Taken once, by whoever is new.
const ProductTour = lazyPart('The tour', async () => (await import('../tour/index.ts')).ProductTour)

const sortWords: Record<(typeof machineSorts)[number], string> = {
  need: 'Most urgent first',
  tag: 'By tag',
  seen: 'Longest since visit first',
  load: 'Highest load first',
}
/** All machines of what is chosen, as a file. */
const tableAddress = (format: 'xlsx' | 'csv', query: object) => `/api/v1${addressOf('machineTable', { format }, query)}`

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

/** The area from above: units with level and load at their places. */
function AreaAsMap({ areaId }: { areaId: string }) {
  const query = api.useRoofMapQuery({ params: { id: areaId } })
  const navigate = useNavigate()
  const page = query.currentData
  const units = useSiteUnits(page?.area.siteId)
  if (query.error) return <FailureNote failure={query.error as Failure} kept="The roof map cannot be loaded." />
  if (!page) return <Loading />
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
          <Dropdown
            menu={{
              items: (['xlsx', 'csv'] as const).map((format) => ({
                key: format,
                label: <a href={tableAddress(format, { ...filter, level, sort })}>{format.toUpperCase()}</a>,
              })),
            }}
          >
            <Button className="list-save">Save as</Button>
          </Dropdown>
          {mayAdd ? (
            <Link to="/machines/new">
              <Button aria-label="Add a machine">
                <span>
                  Add<span className="list-add"> a machine</span>
                </span>
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
