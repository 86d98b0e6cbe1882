import type { Curve } from '@motor-round/core/calc'
import {
  Chart,
  Legend,
  LinearScale,
  LineElement,
  LogarithmicScale,
  PointElement,
  Tooltip,
  type ChartOptions,
} from 'chart.js'
import { Scatter } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import type { RootState } from '../../app/store.ts'
import { inUnits } from '../../parts/in-units/index.ts'

Chart.register(LinearScale, LogarithmicScale, LineElement, PointElement, Tooltip, Legend)

const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
/** An axis in the units it is shown in. */
const shownAxis = (axis: Curve['x'], metric: boolean) => {
  const { unit, scale, offset } = inUnits(axis.unit, metric)
  return { unit, scale, offset, title: unit === '' ? axis.title : `${axis.title}, ${unit}` }
}

/** A calculator's drawing: its lines, and where this answer lies on them. */
export function CurveChart({ curve, metric }: { curve: Curve; metric: boolean }) {
  const x = shownAxis(curve.x, metric)
  const y = shownAxis(curve.y, metric)
  const theme = useSelector((s: RootState) => s.look.theme)
  const font = { family: 'Barlow', size: 13, weight: 500 as const }
  const axis = (title: string, log: boolean) => ({
    type: log ? ('logarithmic' as const) : ('linear' as const),
    title: { display: true, text: title, color: color('--ink-2'), font },
    grid: { color: color('--rule') },
    ticks: { color: color('--ink-2'), font, maxTicksLimit: 8 },
  })
  const options: ChartOptions<'scatter'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: { x: axis(x.title, false), y: axis(y.title, curve.log === true) },
    plugins: {
      legend: { display: curve.lines.length > 1, labels: { color: color('--ink-2'), font, boxHeight: 1 } },
      tooltip: {
        callbacks: {
          label: (i) =>
            `${Number((i.parsed.x ?? 0).toPrecision(3))} ${x.unit}: ${Number((i.parsed.y ?? 0).toPrecision(3))} ${y.unit}`,
        },
      },
    },
  }
  const inks = [color('--act'), color('--watch'), color('--ink-2')]
  const at = (a: number, b: number) => ({ x: a * x.scale + x.offset, y: b * y.scale + y.offset })
  return (
    <div style={{ height: 250 }}>
      <Scatter
        key={theme}
        aria-label={`${y.title} over ${x.title}`}
        options={options}
        data={{
          datasets: [
            ...curve.lines.map((l, i) => ({
              label: l.name,
              showLine: true,
              data: l.points.map(([a, b]) => at(a, b)),
              borderColor: inks[i % inks.length] ?? '',
              borderWidth: 2.4,
              ...(i > 0 ? { borderDash: [6, 5] } : {}),
              pointRadius: 0,
              pointHitRadius: 0,
            })),
            ...curve.marks.map((m) => ({
              label: m.name,
              data: [at(m.x, m.y)],
              pointStyle: 'rect' as const,
              pointRadius: 6,
              pointBackgroundColor: color('--ink'),
              pointBorderWidth: 0,
            })),
          ],
        }}
      />
    </div>
  )
}
