import { lazy, Suspense } from 'react'
import type { History } from './histories.ts'

const HistoryChart = lazy(async () => ({ default: (await import('./history-chart.tsx')).HistoryChart }))

/** Vibration, filters, pressure, sound, tension: each small, with one sentence. */
export function HistoriesPanel({ list }: { list: readonly History[] }) {
  if (list.length === 0) return null
  return (
    <section className="sheet">
      <h2>Drive train and air over time</h2>
      <div className="histories">
        {list.map((h) => (
          <div key={h.id}>
            <h3>
              {h.title} <small>{h.unit}</small>
            </h3>
            <Suspense fallback={<div className="history-chart" />}>
              <HistoryChart history={h} />
            </Suspense>
            <p className="quiet">{h.sentence}</p>
          </div>
        ))}
      </div>
    </section>
  )
}
