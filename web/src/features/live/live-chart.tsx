import type { LivePage, LiveSpan } from '@motor-round/contract'
import { liveQuantity } from '@motor-round/core/live'
import { Chart, Filler, LinearScale, LineElement, PointElement, TimeScale, Tooltip, type ChartOptions } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import 'chartjs-adapter-dayjs-4'
import { Line } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import { dayTime } from '../../app/dates.ts'
import type { RootState } from '../../app/store.ts'

Chart.register(TimeScale, LinearScale, LineElement, PointElement, Tooltip, Filler, annotation)

type Series = LivePage['series'][number]
const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const font = { family: 'Barlow', size: 13, weight: 500 as const }

/** What the time is divided by along the chart. */
const ticks = { day: 'hour', week: 'day', month: 'day', year: 'month' } as const

/** Points of a line with a break where nothing came for longer than it usually takes. */
function line(points: Series['points'], pick: (p: Series['points'][number]) => number) {
  const step = Math.min(...points.slice(1, 50).map((p, i) => p[0] - (points[i]?.[0] ?? 0)))
  return points.flatMap((p, i) => {
    const gap = i > 0 && p[0] - (points[i - 1]?.[0] ?? 0) > 2.5 * step
    const here = { x: p[0], y: pick(p) }
    return gap ? [{ x: p[0] - 1, y: NaN }, here] : [here]
  })
}

/** One quantity over some time: its mean, and between what it swung. */
export function LiveChart({
  series,
  span,
  from,
  to,
  plate,
}: {
  series: Series
  span: LiveSpan
  from: string
  to: string
  /** What the nameplate says; null: nothing, or of no matter. */
  plate: number | null
}) {
  const theme = useSelector((s: RootState) => s.look.theme)
  const { title, unit } = liveQuantity(series.quantity)
  const onOff = unit === ''
  const { points } = series
  const ink = color('--ink')
  const top = Math.max(...points.map((p) => p[3]), plate ?? 0)
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    normalized: true,
    layout: { padding: { top: 4, right: 10 } },
    scales: {
      x: {
        type: 'time',
        min: Date.parse(from),
        max: Date.parse(to),
        time: {
          unit: ticks[span],
          displayFormats: {
            minute: 'h:mm A',
            hour: 'h A',
            day: 'MMM D',
            week: 'MMM D',
            month: 'MMM YY',
            quarter: 'MMM YY',
          },
        },
        grid: { display: false },
        ticks: { color: color('--ink-2'), font, maxTicksLimit: 8, maxRotation: 0 },
      },
      y: {
        min: 0,
        ...(onOff ? { max: 1 } : { suggestedMax: top * 1.1 }),
        grid: { color: color('--rule') },
        ticks: {
          color: color('--ink-2'),
          font,
          maxTicksLimit: onOff ? 2 : 4,
          callback: (v) => (onOff ? (Number(v) === 1 ? 'on' : Number(v) === 0 ? 'off' : '') : `${v} ${unit}`),
        },
      },
    },
    plugins: {
      annotation: {
        annotations:
          plate === null
            ? {}
            : {
                plate: {
                  type: 'line',
                  yMin: plate,
                  yMax: plate,
                  borderColor: ink,
                  borderWidth: 2.4,
                  label: {
                    display: true,
                    content: `Nameplate ${plate} ${unit}`,
                    position: 'start',
                    yAdjust: -10,
                    backgroundColor: 'transparent',
                    color: ink,
                    font: { family: 'Barlow Condensed', size: 14, weight: 600 },
                  },
                },
              },
      },
      tooltip: {
        mode: 'index',
        intersect: false,
        filter: (item) => item.datasetIndex === 0,
        callbacks: {
          title: (items) => (items[0] ? dayTime(new Date(items[0].parsed.x ?? 0).toISOString()) : ''),
          label: (item) =>
            onOff
              ? `${Math.round(100 * (item.parsed.y ?? 0))} % of the time`
              : `${(item.parsed.y ?? 0).toFixed(1)} ${unit}`,
        },
      },
    },
  }
  const band = { borderWidth: 0, pointRadius: 0, backgroundColor: `${color('--act')}33` }
  return (
    <figure className="live-figure">
      <figcaption>{onOff ? title : `${title}, ${unit}`}</figcaption>
      <div style={{ height: onOff ? 70 : 190 }}>
        <Line
          key={theme}
          aria-label={`${title} from ${dayTime(from)} to ${dayTime(to)}`}
          options={options}
          data={{
            datasets: [
              {
                label: title,
                data: line(points, (p) => p[2]),
                borderColor: color('--act'),
                borderWidth: 2,
                pointRadius: points.length < 3 ? 4 : 0,
                stepped: onOff,
              },
              ...(onOff
                ? []
                : [
                    { ...band, label: 'lowest', data: line(points, (p) => p[1]), fill: false },
                    { ...band, label: 'highest', data: line(points, (p) => p[3]), fill: '-1' as const },
                  ]),
            ],
          }}
        />
      </div>
    </figure>
  )
}
