import { capital } from '../../app/capital.ts'
import type { AirMover, SiteUnits } from '@motor-round/contract'
import { convert, parseFigure, unitIn, writtenUnit } from '@motor-round/core/quantity'
import { Input, Select } from 'antd'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useNow } from '../../app/now.ts'
import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { counted, balanceOf, usualShare } from './balance.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Facts } from '../../parts/facts/index.ts'
import { Loading } from '../../parts/loading/index.ts'

const whole = (v: number) => Math.round(v).toLocaleString('en')
const airWords: Readonly<Record<AirMover['air'], string>> = {
  exhaust: 'exhaust',
  'make-up': 'make-up air',
  supply: 'supply, from outside',
  relief: 'relief',
  inside: 'recirculated',
}

/** What counts of a fan's air: out of the building below zero. */
function signedFlow(m: AirMover): number | null {
  const counts = counted(m)
  return counts === null ? null : m.air === 'exhaust' || m.air === 'relief' ? -counts : counts
}

function Fans({ list, now, system }: { list: readonly AirMover[]; now: number; system: SiteUnits }) {
  const unit = writtenUnit(unitIn('cfm', system))
  const figure = (v: number) => whole(convert(v, 'cfm', unitIn('cfm', system)))
  return (
    <DataTable
      label="Fans"
      rowKey="machineId"
      dataSource={[...list]}
      columns={[
        {
          title: 'Fan',
          key: 'fan',
          sorter: byText((m) => `${m.unitTag} / ${m.tag}`),
          render: (_, m) => (
            <>
              <Link to={`/machines/${m.machineId}`}>
                {m.unitTag} / {m.tag}
              </Link>{' '}
              <span className="quiet">{m.purpose}</span>
            </>
          ),
        },
        {
          title: 'Kind of air',
          key: 'air',
          sorter: byText((m) => airWords[m.air]),
          render: (_, m) =>
            `${airWords[m.air]}${
              m.air === 'supply'
                ? ` ${Math.round((m.outsideShare ?? usualShare) * 100)} %${m.outsideShare === null ? ', assumed' : ''}`
                : ''
            }`,
        },
        {
          title: `Airflow, ${unit}`,
          key: 'flow',
          align: 'right',
          className: 'num',
          sorter: byNumber((m) => m.flow),
          render: (_, m) => (
            <>
              {m.flow === null ? 'not measured' : figure(m.flow)}
              {m.at === null ? null : <span className="quiet"> {shortDay(m.at, now)}</span>}
            </>
          ),
        },
        {
          title: `Net effect, ${unit}`,
          key: 'net',
          align: 'right',
          className: 'num',
          sorter: byNumber(signedFlow),
          render: (_, m) => {
            const counts = signedFlow(m)
            return counts === null ? '–' : `${counts < 0 ? '−' : '+'}${figure(Math.abs(counts))}`
          },
        },
      ]}
    />
  )
}

/** The air of an area as a balance: what comes, what goes, and who must follow when one fan changes. */
export function AreaAirScreen() {
  const id = useParams()['id'] ?? ''
  const query = api.useAreaAirQuery({ params: { id } })
  const air = query.currentData
  const now = useNow()
  const [leak, setLeak] = useState('')
  const [fan, setFan] = useState<string | null>(null)
  const [speed, setSpeed] = useState('105')
  if (query.error && !air) return <PageFailure failure={query.error as Failure} kept="This area cannot be loaded." />
  if (!air) return <Loading page />
  const metric = air.units === 'metric'
  const typedLeak = parseFigure(leak)
  const leakArea = typedLeak === null ? null : metric ? typedLeak / 0.09290304 : typedLeak
  const turned = parseFigure(speed)
  const change = fan !== null && turned !== null && turned > 0 ? { name: fan, speed: turned / 100 } : null
  const l = balanceOf(air.movers, leakArea !== null && leakArea > 0 ? leakArea : null, change)
  const measured = air.movers.filter((m) => counted(m) !== null)
  const missing = air.movers.filter((m) => m.air !== 'inside' && m.flow === null)
  const first = air.movers.filter((m) => m.level !== null && m.level !== 'ok')
  const side = (over: number) =>
    Math.abs(over) < 0.5
      ? 'even'
      : over > 0
        ? 'supply exceeds exhaust: the space is under positive pressure'
        : 'exhaust exceeds supply: the space is under negative pressure'
  const flow = (v: number) =>
    `${whole(convert(v, 'cfm', unitIn('cfm', air.units)))} ${writtenUnit(unitIn('cfm', air.units))}`
  const pressure = (v: number) => (metric ? `${convert(v, 'inwg', 'Pa').toFixed(1)} Pa` : `${v.toFixed(3)} in wg`)
  return (
    <div className="page stack">
      <p className="quiet">{air.siteName}</p>
      <h1>Air of {air.areaName}</h1>
      <Columns of={[7, 5]}>
        <section className="sheet">
          <header>
            <h2>Fans</h2>
            <span className="quiet">last measured airflow</span>
          </header>
          <Fans list={air.movers} now={now} system={air.units} />
        </section>
        <div className="stack">
          <section className="sheet stack" aria-label="Air balance">
            <h2>Air balance</h2>
            <Facts
              figures
              rows={[
                ['Outside air in', flow(l.coming)],
                ['Exhaust out', flow(l.going)],
                ['Net', `${l.over < 0 ? '−' : '+'}${flow(Math.abs(l.over))}`],
                ...(l.pressure === null
                  ? []
                  : [
                      [
                        'Pressure across the leaks',
                        `${l.pressure < 0 ? '−' : '+'}${pressure(Math.abs(l.pressure))}`,
                      ] as const,
                    ]),
              ]}
            />
            <p>
              {measured.length === 0 ? 'No airflow has been measured in this area yet.' : `${capital(side(l.over))}.`}
              {missing.length > 0 ? ` Not measured: ${missing.map((m) => `${m.unitTag} / ${m.tag}`).join(', ')}.` : ''}
            </p>
            <FormField label="Leakage area of the space, if known">
              <Input
                value={leak}
                inputMode="decimal"
                suffix={metric ? 'm²' : 'ft²'}
                onChange={(e) => setLeak(e.target.value)}
              />
            </FormField>
          </section>
          <section className="sheet stack" aria-label="Change of one fan’s speed">
            <h2>Change of one fan’s speed</h2>
            <Columns of={[1, '140px']}>
              <FormField label="Fan">
                <Select<string>
                  aria-label="Fan"
                  value={fan}
                  placeholder="Choose"
                  options={measured.map((m) => ({
                    value: `${m.unitTag} / ${m.tag}`,
                    label: `${m.unitTag} / ${m.tag}`,
                  }))}
                  onChange={setFan}
                />
              </FormField>
              <FormField label="New speed, % of today’s">
                <Input value={speed} inputMode="decimal" suffix="%" onChange={(e) => setSpeed(e.target.value)} />
              </FormField>
            </Columns>
            {l.after ? (
              <p>
                Then {l.after.over < 0 ? '−' : '+'}
                {flow(Math.abs(l.after.over))} net. To keep the balance, bring in {flow(Math.abs(l.after.follow))}{' '}
                {l.after.follow > 0 ? 'more' : 'less'} outside air: make-up air first, then the outside-air dampers.
              </p>
            ) : (
              <p className="quiet">
                Speed change on a machine gives the new speed of its fan; this shows what that does to the building.
              </p>
            )}
            <p className="note tone-watch caution">
              Negative pressure pulls flue gas back into the building: check the draft of every fuel-burning appliance.
              Balancing is for qualified people under local code.
            </p>
          </section>
          {first.length > 0 ? (
            <section className="sheet">
              <header>
                <h2>Fix before balancing</h2>
                <span className="quiet">belts tight, filters clean, faults repaired</span>
              </header>
              {first.map((m) => (
                <p key={m.machineId} className="trail">
                  {m.level ? <LevelMark level={m.level} /> : null}{' '}
                  <Link to={`/machines/${m.machineId}`}>
                    {m.unitTag} / {m.tag}
                  </Link>{' '}
                  {m.headline}
                </p>
              ))}
            </section>
          ) : null}
        </div>
      </Columns>
    </div>
  )
}
