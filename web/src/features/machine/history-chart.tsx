import { Chart, LinearScale, LineElement, PointElement, TimeScale, Tooltip, type ChartOptions } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import 'chartjs-adapter-dayjs-4'
import { Line } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import { dayTime } from '../../app/dates.ts'
import type { RootState } from '../../app/store.ts'
import { chartFont, timeAxis } from './time-axis.ts'
import type { History } from './histories.ts'

Chart.register(TimeScale, LinearScale, LineElement, PointElement, Tooltip, annotation)

const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** One quantity over the years, small: its points, and what it is compared with. */
export function HistoryChart({ history }: { history: History }) {
  const theme = useSelector((s: RootState) => s.look.theme)
  const { points, limit, unit, digits } = history
  const ink = color('--ink')
  const font = chartFont
  const top = Math.max(...points.map((p) => p.value), limit ?? 0)
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    layout: { padding: { top: 4, right: 10 } },
    scales: {
      x: timeAxis(color('--ink-2'), 5),
      y: {
        min: 0,
        suggestedMax: top * 1.1,
        grid: { color: color('--rule') },
        ticks: { color: color('--ink-2'), font, maxTicksLimit: 4, callback: (v) => `${Number(v).toFixed(digits)}` },
      },
    },
    plugins: {
      annotation: {
        annotations:
          limit === null
            ? {}
            : {
                limit: {
                  type: 'line',
                  yMin: limit,
                  yMax: limit,
                  borderColor: ink,
                  borderWidth: 2.4,
                  label: {
                    display: true,
                    content: `${limit.toFixed(digits)} ${unit}`,
                    position: 'start',
                    yAdjust: 10,
                    backgroundColor: 'transparent',
                    color: ink,
                    font: { family: 'Barlow Condensed', size: 14, weight: 600 },
                  },
                },
              },
      },
      tooltip: {
        callbacks: {
          title: (items) => (items[0] ? dayTime(new Date(items[0].parsed.x ?? 0).toISOString()) : ''),
          label: (item) => `${(item.parsed.y ?? 0).toFixed(digits)} ${unit}`,
        },
      },
    },
  }
  return (
    <div style={{ height: 120 }}>
      <Line
        key={theme}
        aria-label={`${history.title} over time, ${points.length} readings, the last ${(points.at(-1)?.value ?? 0).toFixed(digits)} ${unit}`}
        options={options}
        data={{
          datasets: [
            {
              label: history.title,
              data: points.map((p) => ({ x: p.at, y: p.value })),
              borderColor: color('--act'),
              borderWidth: 2,
              pointStyle: 'rect',
              pointRadius: 4,
              pointBackgroundColor: points.map((p) => (limit !== null && p.value > limit ? color('--fix') : ink)),
              pointBorderWidth: 0,
            },
          ],
        }}
      />
    </div>
  )
}
