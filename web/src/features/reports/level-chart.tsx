import type { Portfolio } from '@motor-round/contract'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  Tooltip,
  type ChartOptions,
} from 'chart.js'
import dayjs from 'dayjs'
import { Bar } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import type { RootState } from '../../app/store.ts'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip)

const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const words = { stop: 'Stop', fix: 'Fix', watch: 'Watch', ok: 'OK', unjudged: 'Not judged' } as const
const order = ['stop', 'fix', 'watch', 'ok', 'unjudged'] as const

/** How all machines stood at the ends of months and now; the worst at the foot, where the eye compares. */
export function LevelChart({ levels }: { levels: Portfolio['levels'] }) {
  // Read anew when the look changes.
  const theme = useSelector((r: RootState) => r.look.theme)
  const ink = color('--ink')
  const fill = {
    stop: color('--stop'),
    fix: color('--fix'),
    watch: color('--watch'),
    ok: color('--ok'),
    unjudged: color('--rule-2'),
  }
  const options: ChartOptions<'bar'> = {
    responsive: true,
    maintainAspectRatio: false,
    animation: false,
    scales: {
      x: { stacked: true, grid: { display: false }, ticks: { color: ink } },
      y: { stacked: true, ticks: { color: ink, precision: 0 }, title: { display: true, text: 'machines', color: ink } },
    },
    plugins: { legend: { position: 'bottom', labels: { color: ink } } },
  }
  const label = (day: string, i: number) => (i === levels.length - 1 ? 'now' : dayjs(day).format('MMM YYYY'))
  return (
    <div className="reports-chart">
      <Bar
        key={theme}
        aria-label="Levels over time"
        role="img"
        options={options}
        data={{
          labels: levels.map((l, i) => label(l.day, i)),
          datasets: order.map((k) => ({
            label: words[k],
            data: levels.map((l) => l[k]),
            backgroundColor: fill[k],
          })),
        }}
      />
    </div>
  )
}
