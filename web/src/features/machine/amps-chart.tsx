import type { AmpsHistory, Judgement } from '@motor-round/core/judge'
import { show } from '@motor-round/core/quantity'
import { dayMs, workWords, type WorkDone } from '@motor-round/core/trend'
import {
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  TimeScale,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js'
import annotation, { type AnnotationOptions } from 'chartjs-plugin-annotation'
import 'chartjs-adapter-dayjs-4'
import { Line } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import { dayTime } from '../../app/dates.ts'
import type { RootState } from '../../app/store.ts'

Chart.register(LineController, LineElement, PointElement, LinearScale, TimeScale, Tooltip, Filler, annotation)

const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()
const legNames = ['L1', 'L2', 'L3']

interface Props {
  readonly history: AmpsHistory
  readonly judgement: Judgement
  readonly work: readonly WorkDone[]
}

function legSets(history: AmpsHistory, allowed: number | null): ChartData<'line'>['datasets'] {
  const most = Math.max(1, ...history.points.map((p) => p.legs.length))
  return Array.from({ length: most }, (_, k) => {
    const over = history.points.map((p) => allowed !== null && (p.legs[k] ?? 0) > allowed)
    return {
      label: legNames[k] ?? '',
      data: history.points.flatMap((p) => (p.legs[k] === undefined ? [] : [{ x: p.at, y: p.legs[k] }])),
      showLine: false,
      pointStyle: 'line' as const,
      pointRadius: 6,
      pointHoverRadius: 8,
      pointBorderWidth: 2.4,
      pointBorderColor: over.map((o, i) => color(o ? '--fix' : history.points[i]?.like ? '--ink' : '--rule-2')),
      order: 1,
    }
  })
}

/** How far the forecast is drawn: to the plate, at most some way past a year. */
function endOf(judgement: Judgement, last: number): number {
  const d = judgement.drift
  return d.kind === 'rising' && d.meets ? Math.max(last, Math.min(d.meets.at, last + 400 * dayMs)) : last
}

function fitSets(judgement: Judgement): ChartData<'line'>['datasets'] {
  const d = judgement.drift
  if (d.kind === 'too few') return []
  const act = color('--act')
  const line = { pointRadius: 0, pointHitRadius: 0, borderColor: act, borderWidth: 2, borderDash: [6, 5], order: 2 }
  const out: ChartData<'line'>['datasets'] = [
    {
      ...line,
      label: 'fit',
      data: [
        { x: d.fit.from.at, y: d.fit.from.value },
        { x: d.fit.to.at, y: d.fit.to.value },
      ],
    },
  ]
  if (d.kind !== 'rising' || !d.meets) return out
  const end = endOf(judgement, d.fit.to.at)
  const years = (end - d.fit.to.at) / (365.25 * dayMs)
  const edge = (perYear: number) => [
    { x: d.fit.to.at, y: d.fit.to.value },
    { x: end, y: d.fit.to.value + perYear * years },
  ]
  const fan = { ...line, borderWidth: 0, borderDash: [], backgroundColor: `${act}22` }
  return [
    ...out,
    { ...fan, label: 'fan', data: edge(d.fit.low), fill: false },
    { ...fan, label: 'fan', data: edge(d.fit.high), fill: '-1' },
  ]
}

const shortened = (note: string) => (note.length > 24 ? `${note.slice(0, 23)}…` : note)

/** From the first to the last visit, in ms. */
function spanOf(history: AmpsHistory): [number, number] {
  const times = history.points.map((p) => p.at)
  return [Math.min(...times), Math.max(...times)]
}

function annotations({ history, judgement, work }: Props): Record<string, AnnotationOptions> {
  const ink = color('--ink')
  const font = { family: 'Barlow Condensed', size: 14, weight: 600 as const }
  const out: Record<string, AnnotationOptions> = {}
  history.baselines.forEach((e, i) => {
    if (!e.usual) return
    out[`usual${i}`] = {
      type: 'box',
      ...(e.since === null ? {} : { xMin: e.since }),
      ...(e.to === null ? {} : { xMax: e.to }),
      yMin: e.usual.low,
      yMax: e.usual.high,
      backgroundColor: `${color('--usual')}55`,
      borderWidth: 0,
      drawTime: 'beforeDatasetsDraw',
    }
  })
  if (judgement.rail.allowed !== null)
    out['plate'] = {
      type: 'line',
      yMin: judgement.rail.allowed,
      yMax: judgement.rail.allowed,
      borderColor: ink,
      borderWidth: 3,
      label: {
        display: true,
        content: `${judgement.rail.source === 'unit plate' ? 'unit nameplate' : 'nameplate'} ${show.amps(judgement.rail.allowed)} A${judgement.rail.columnVolts === null ? '' : `, ${show.volts(judgement.rail.columnVolts)} V column`}`,
        position: 'start',
        yAdjust: 12,
        backgroundColor: 'transparent',
        color: ink,
        font,
      },
    }
  const [first, last] = spanOf(history)
  const shown = work.filter((w) => w.at >= first && history.baselines.some((e) => e.since === w.at))
  shown.forEach((w, i) => {
    const content = w.note === '' ? workWords(w.kind) : `${show.day(w.at)}: ${shortened(w.note)}`
    // The words stand beside their line, on the side where there is room.
    const toTheLeft = (w.at - first) / Math.max(1, last - first) > 0.5
    out[`work${i}`] = {
      type: 'line',
      xMin: w.at,
      xMax: w.at,
      borderColor: color('--ink-2'),
      borderWidth: 1.6,
      borderDash: [2, 4],
    }
    out[`words${i}`] = {
      type: 'label',
      content,
      xValue: w.at,
      yValue: (c) => c.chart.scales['y']?.max ?? 0,
      position: { x: toTheLeft ? 'end' : 'start', y: 'start' },
      yAdjust: (i % 3) * 16,
      color: ink,
      font,
    }
  })
  return out
}

/** Amps over time: three short ticks a visit, the plate as the heaviest line, usual ranges, work, fit and forecast. */
export function AmpsChart(props: Props) {
  // The drawing takes its colors from the look in force, so it is made anew when that changes.
  const theme = useSelector((s: RootState) => s.look.theme)
  const { history, judgement } = props
  const allowed = judgement.rail.allowed
  const [first, last] = spanOf(history)
  const all = history.points.flatMap((p) => p.legs)
  const low = Math.min(...all.filter((a) => a > 0.5 * (allowed ?? Math.max(...all))), allowed ?? Infinity)
  const high = Math.max(...all, allowed ?? 0)
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    interaction: { mode: 'nearest', intersect: false },
    layout: { padding: { top: 8, right: 12 } },
    scales: {
      x: {
        type: 'time',
        min: first - (last - first) * 0.02,
        max: endOf(judgement, last) + (last - first) * 0.03,
        time: { displayFormats: { month: 'MMM YY', year: 'YYYY', quarter: 'MMM YY', day: 'D MMM' } },
        grid: { display: false },
        ticks: {
          color: color('--ink-2'),
          font: { family: 'Barlow', size: 13, weight: 500 },
          maxTicksLimit: 8,
          maxRotation: 0,
        },
      },
      y: {
        suggestedMin: low - (high - low) * 0.15,
        suggestedMax: high + (high - low) * 0.25,
        grid: { color: color('--rule') },
        ticks: {
          color: color('--ink-2'),
          font: { family: 'Barlow', size: 13, weight: 500 },
          maxTicksLimit: 6,
          callback: (v) => `${show.amps(Number(v))} A`,
        },
      },
    },
    plugins: {
      annotation: { annotations: annotations(props) },
      tooltip: {
        filter: (item) => legNames.includes(item.dataset.label ?? ''),
        callbacks: {
          title: (items) => (items[0] ? dayTime(new Date(items[0].parsed.x ?? 0).toISOString()) : ''),
          label: (item) => `${item.dataset.label ?? ''} ${show.amps(item.parsed.y ?? 0)} A`,
        },
      },
    },
  }
  return (
    <div className="amps-chart" style={{ height: 290, position: 'relative' }}>
      <Line
        key={theme}
        aria-label={`Amps over time, ${history.points.length} visits`}
        options={options}
        data={{ datasets: [...legSets(history, allowed), ...fitSets(judgement)] }}
      />
    </div>
  )
}
