import { Suspense } from 'react'
import type { History } from './histories.ts'
import { Tiles } from '../../parts/columns/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

const HistoryChart = lazyPart('The chart', async () => (await import('./history-chart.tsx')).HistoryChart)

/** Vibration, filters, pressure, sound, tension: each small, with one sentence. */
export function HistoriesPanel({ list }: { list: readonly History[] }) {
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <h2>Drive train and air over time</h2>
      <Tiles of={300}>
        {list.map((h) => (
          <div key={h.id}>
            <h3>
              {h.title} <small>{h.unit}</small>
            </h3>
            <Suspense fallback={<div style={{ height: 120 }} />}>
              <HistoryChart history={h} />
            </Suspense>
            <p className="quiet">{h.sentence}</p>
          </div>
        ))}
      </Tiles>
    </section>
  )
}
