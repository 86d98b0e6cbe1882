import type { AmpsHistory, Judgement } from '@motor-round/core/judge'
import type { WorkDone } from '@motor-round/core/trend'
import { Segmented } from 'antd'
import { Suspense, useState } from 'react'
import { Link } from 'react-router'
import { driftAt } from './drift-at.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

const noDrift = { kind: 'too few', n: 0, needed: 0 } as const

const AmpsChart = lazyPart('The chart', async () => (await import('./amps-chart.tsx')).AmpsChart)

/** Amps over time, as they were read; of a fan on a drive also as they would be at one frequency. */
export function AmpsPanel({
  machineId,
  history,
  oneHz,
  judgement,
  work,
}: {
  machineId: string
  history: AmpsHistory
  oneHz: { readonly hz: number; readonly history: AmpsHistory } | null
  judgement: Judgement
  work: readonly WorkDone[]
}) {
  const [asOne, setAsOne] = useState(false)
  const shown = asOne && oneHz ? oneHz.history : history
  return (
    <section className="sheet">
      <header>
        <h2>Amps</h2>
        <span className="quiet">
          three legs per visit, nameplate, usual range, work, trend ·{' '}
          <Link to={`/calculators?machine=${machineId}`}>Open in calculators</Link>
        </span>
      </header>
      {oneHz ? (
        <div className="row">
          <Segmented
            size="large"
            aria-label="Amps shown"
            value={asOne ? 'one' : 'read'}
            options={[
              { value: 'read', label: 'As read' },
              { value: 'one', label: `As at ${oneHz.hz} Hz` },
            ]}
            onChange={(v) => setAsOne(v === 'one')}
          />
          {asOne ? (
            <span className="quiet">
              Worked out from the Hz of each visit, within some percent: what stays apart here is a change of the fan.
            </span>
          ) : null}
        </div>
      ) : null}
      <Suspense fallback={<div style={{ height: 290, position: 'relative' }} />}>
        <AmpsChart
          history={shown}
          // Read at many Hz, a line through the points would say nothing: it is drawn where they stand at one.
          judgement={
            oneHz
              ? { ...judgement, drift: asOne ? driftAt(judgement.drift, history, oneHz.history) : noDrift }
              : judgement
          }
          work={work}
        />
      </Suspense>
    </section>
  )
}
