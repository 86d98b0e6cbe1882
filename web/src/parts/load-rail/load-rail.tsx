import type { Rail } from '@motor-round/core/judge'
import { useId } from 'react'
import { railEnd, railWords, spreadLabels } from './geometry.ts'
import './load-rail.css'

function Bar({
  rail,
  x,
  width,
  y,
  hatch,
}: {
  rail: Rail
  x: (share: number) => number
  width: number
  y: number
  hatch: string
}) {
  const { allowed, usual } = rail
  const plate = x(1)
  return (
    <>
      <rect x={x(0)} y={y} width={plate - x(0)} height="10" fill="var(--track)" />
      {allowed === null ? (
        <rect x={plate} y={y} width={width - plate} height="10" fill="var(--track)" />
      ) : (
        <rect x={plate} y={y} width={width - plate} height="10" fill={`url(#${hatch})`} />
      )}
      {allowed !== null && usual ? (
        <rect
          x={x(usual.low / allowed)}
          y={y}
          width={Math.max(3, x(Math.min(railEnd, usual.high / allowed)) - x(usual.low / allowed))}
          height="10"
          fill="var(--usual)"
        />
      ) : null}
      {[0.25, 0.5, 0.75].map((s) => (
        <line
          key={s}
          x1={x(s)}
          x2={x(s)}
          y1={y + 12}
          y2={y + 16}
          stroke="var(--rule-2)"
          fill="none"
          strokeWidth={1.4}
        />
      ))}
    </>
  )
}

/**
 * The load rail: 0 to 125 % of the allowed current, the plate as a hard stop, a tick for each leg, the machine's usual
 * range as a piece of the bar. `full` has its labels; in a balance it goes without.
 */
export function LoadRail({ rail, full = false }: { rail: Rail; full?: boolean }) {
  const hatch = `hatch${useId().replace(/[^a-zA-Z0-9]/g, '')}`
  const width = full ? 360 : 236
  const height = full ? 66 : 34
  const y = full ? 28 : 12
  const left = 2
  const right = width - 2
  const x = (share: number) => left + (Math.min(railEnd, Math.max(0, share)) / railEnd) * (right - left)
  const allowed = rail.allowed
  const ticks =
    allowed === null
      ? []
      : rail.legs.map((l) => ({ ...l, share: l.amps / allowed, at: x(l.amps / allowed), over: l.amps > allowed }))
  const labels = full
    ? spreadLabels(
        ticks.map((t) => t.at),
        21,
        8,
        width - 10,
      )
    : []
  return (
    <svg
      className={full ? 'rail rail-full' : 'rail'}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={railWords(rail)}
    >
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--over)" />
          <rect width="2" height="6" fill="var(--over-line)" />
        </pattern>
      </defs>
      <Bar rail={rail} x={x} width={right} y={y} hatch={hatch} />
      {allowed === null ? null : (
        <rect x={x(1) - 1.5} y={y - 9} width="3" height="28" className="rail-plate" fill="var(--ink)" />
      )}
      {ticks.map((t, i) => (
        <g key={t.name} fill={t.over ? 'var(--fix)' : 'var(--ink)'}>
          <rect x={t.at - 1.2} y={y - 6} width="2.4" height="22" />
          {t.share > railEnd ? <path d={`M${right - 7} ${y - 9} l7 4 l-7 4 z`} /> : null}
          {full ? (
            <text x={labels[i]} y={14} textAnchor="middle" fill="var(--ink)">
              {t.name}
            </text>
          ) : null}
        </g>
      ))}
      {full ? (
        <g fill="var(--ink-2)">
          {[0, 0.25, 0.5, 0.75, 1, 1.25].map((s) => (
            <text key={s} x={x(s)} y={height - 4} textAnchor={s === 0 ? 'start' : s === 1.25 ? 'end' : 'middle'}>
              {s === 1 ? 'plate' : `${s * 100}${s === 1.25 ? ' %' : ''}`}
            </text>
          ))}
        </g>
      ) : null}
    </svg>
  )
}
