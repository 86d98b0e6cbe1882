import { insulationHistory, type JudgeInput } from '@motor-round/core/judge'
import { insulationFloor } from '@motor-round/core/electrical'
import { show } from '@motor-round/core/quantity'
import { Chart, LineElement, LogarithmicScale, PointElement, TimeScale, Tooltip, type ChartOptions } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import 'chartjs-adapter-dayjs-4'
import { Line } from 'react-chartjs-2'
import { useSelector } from 'react-redux'
import { dayTime } from '../../app/dates.ts'
import type { RootState } from '../../app/store.ts'
import { chartFont, timeAxis } from './time-axis.ts'

Chart.register(TimeScale, LogarithmicScale, LineElement, PointElement, Tooltip, annotation)

const color = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** Insulation of the worst lead at 40 °C over the years, on a logarithmic scale, with the floor of the policy in force. */
export function InsulationChart({ input, ratedVolts }: { input: JudgeInput; ratedVolts: number }) {
  const theme = useSelector((s: RootState) => s.look.theme)
  const figures = insulationHistory(input).filter((f) => f.at40 > 0)
  const floor = insulationFloor(input.policies.insulation, ratedVolts)
  const ink = color('--ink')
  const font = chartFont
  const low = Math.min(floor, ...figures.map((f) => f.at40))
  const high = Math.max(floor, ...figures.map((f) => f.at40))
  const options: ChartOptions<'line'> = {
    animation: false,
    maintainAspectRatio: false,
    layout: { padding: { top: 8, right: 12 } },
    scales: {
      x: timeAxis(color('--ink-2'), 8),
      y: {
        type: 'logarithmic',
        min: 10 ** Math.floor(Math.log10(low * 0.8)),
        max: 10 ** Math.ceil(Math.log10(high * 1.2)),
        grid: { color: color('--rule') },
        ticks: {
          color: color('--ink-2'),
          font,
          callback: (v) => (Number.isInteger(Math.log10(Number(v))) ? show.megohms(Number(v)) : ''),
        },
      },
    },
    plugins: {
      annotation: {
        annotations: {
          floor: {
            type: 'line',
            yMin: floor,
            yMax: floor,
            borderColor: ink,
            borderWidth: 3,
            label: {
              display: true,
              content: `floor ${show.megohms(floor)}, ${input.policies.insulation}`,
              position: 'start',
              yAdjust: -12,
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
          label: (item) => {
            const f = figures[item.dataIndex]
            return f ? `${f.lead} ${show.megohms(f.megohms)}, ${show.megohms(f.at40)} at 40 °C` : ''
          },
        },
      },
    },
  }
  return (
    <div className="insulation-chart" style={{ height: 200 }}>
      <Line
        key={theme}
        aria-label={`Insulation at 40 °C over time, ${figures.length} tests`}
        options={options}
        data={{
          datasets: [
            {
              label: 'insulation',
              data: figures.map((f) => ({ x: f.at, y: f.at40 })),
              borderColor: color('--act'),
              borderWidth: 2,
              pointStyle: 'rect',
              pointRadius: 5,
              pointBackgroundColor: figures.map((f) => (f.at40 < floor ? color('--fix') : ink)),
              pointBorderWidth: 0,
            },
          ],
        }}
      />
    </div>
  )
}
