import { show } from '@motor-round/core/quantity'

export interface CurvePoint {
  readonly seconds: number
  readonly megohms: number
}

const width = 360
const height = 130
const left = 58
const bottom = 22

const x = (seconds: number) => left + ((width - left - 10) * Math.log(seconds / 15)) / Math.log(600 / 15)

/** The decades that hold all values, at least one. */
function decades(values: readonly number[]): [number, number] {
  const low = Math.floor(Math.log10(Math.min(...values)))
  const high = Math.ceil(Math.log10(Math.max(...values)))
  return high > low ? [low, high] : [low, low + 1]
}

/**
 * Megohms over the time of one test, both axes logarithmic: a healthy winding draws a rising line. The last test is dashed.
 */
export function InsulationCurve({ points, past }: { points: readonly CurvePoint[]; past: readonly CurvePoint[] }) {
  const all = [...points, ...past]
  if (all.length === 0) return null
  const [low, high] = decades(all.map((p) => p.megohms))
  const y = (megohms: number) => 8 + (height - 8 - bottom) * (1 - (Math.log10(megohms) - low) / (high - low))
  const path = (list: readonly CurvePoint[]) => list.map((p) => `${x(p.seconds)},${y(p.megohms)}`).join(' ')
  const marks = Array.from({ length: high - low + 1 }, (_, i) => 10 ** (low + i))
  return (
    <svg
      className="condensed"
      width="100%"
      fontSize={13}
      fill="var(--ink-2)"
      style={{ maxWidth: 560 }}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Insulation over time: ${points.map((p) => `${show.megohms(p.megohms)} at ${p.seconds} s`).join(', ') || 'no point yet'}`}
    >
      {marks.map((m) => (
        <g key={m}>
          <line x1={left} x2={width - 10} y1={y(m)} y2={y(m)} stroke="var(--rule-2)" fill="none" strokeWidth={0.6} />
          <text x={left - 6} y={y(m) + 4} textAnchor="end">
            {show.megohms(m)}
          </text>
        </g>
      ))}
      {(
        [
          [15, '15 s'],
          [30, '30 s'],
          [60, '1 min'],
          [180, '3 min'],
          [600, '10 min'],
        ] as const
      ).map(([s, words]) => (
        <g key={s}>
          <line x1={x(s)} x2={x(s)} y1={8} y2={height - bottom} stroke="var(--rule-2)" fill="none" strokeWidth={0.6} />
          <text x={x(s)} y={height - 6} textAnchor={s === 600 ? 'end' : 'middle'}>
            {words}
          </text>
        </g>
      ))}
      {past.length > 1 ? (
        <polyline
          points={path(past)}
          className="curve-past"
          stroke="var(--rule-2)"
          fill="none"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
      ) : null}
      {points.length > 1 ? (
        <polyline points={path(points)} className="curve-now" stroke="var(--act)" fill="none" strokeWidth={2.6} />
      ) : null}
      {points.map((p) => (
        <rect
          key={p.seconds}
          x={x(p.seconds) - 3.5}
          y={y(p.megohms) - 3.5}
          width={7}
          height={7}
          className="curve-point"
          fill="var(--ink)"
        />
      ))}
    </svg>
  )
}
