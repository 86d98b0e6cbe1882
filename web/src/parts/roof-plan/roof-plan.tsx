import type { Level } from '@motor-round/core/judge'
import type { AreaPlan, Box, Spot } from '@motor-round/core/round'
import type { PointerEvent, ReactNode } from 'react'
import { levelWords } from '../level-mark/index.ts'
import './roof-plan.css'

/** A unit as the plan draws it: its worst level, and the heaviest load of its fans over what they may draw. */
export interface PlanUnit {
  readonly id: string
  readonly tag: string
  readonly level: Level | null
  readonly load: number | null
}

const points = (list: readonly Spot[]) => list.map((p) => `${p.x},${p.y}`).join(' ')

/** A ruler of whole metres that is about a fifth of the width. */
const ruler = (width: number): number => [1, 2, 5, 10, 20, 50, 100].find((m) => m >= width / 6) ?? 200

function Load({ box, load }: { box: Box; load: number }) {
  const top = 1.25
  const at = (Math.min(load, top) / top) * box.w
  const y = box.y + box.h
  return (
    <g className={load > 1 ? 'plan-load plan-over' : 'plan-load'}>
      <rect x={box.x} y={y} width={box.w} height={0.35} className="plan-track" />
      <rect x={box.x} y={y} width={at} height={0.35} className="plan-fill" />
      <line x1={box.x + box.w / top} x2={box.x + box.w / top} y1={y - 0.1} y2={y + 0.5} className="plan-plate" />
    </g>
  )
}

function Unit({
  unit,
  box,
  chosen,
  onDown,
  onPick,
}: {
  unit: PlanUnit
  box: Box
  chosen: boolean
  onDown: ((e: PointerEvent<SVGGElement>) => void) | undefined
  onPick: (() => void) | undefined
}) {
  const level = unit.level ?? 'not judged'
  const size = Math.min(1.5, Math.max(1.15, (box.w * 1.9) / Math.max(4, unit.tag.length)))
  return (
    <g
      className={`plan-unit plan-${level}${chosen ? ' plan-chosen' : ''}`}
      role={onPick || onDown ? 'button' : 'img'}
      tabIndex={onPick ? 0 : undefined}
      aria-label={`${unit.tag}, ${levelWords[level]}${unit.load === null ? '' : `, ${Math.round(unit.load * 100)} % of plate`}`}
      onPointerDown={onDown}
      onClick={onPick}
      onKeyDown={(e) => {
        if (e.key === 'Enter' && onPick) onPick()
      }}
    >
      <rect x={box.x} y={box.y} width={box.w} height={box.h} />
      {level === 'watch' ? (
        <path d={`M${box.x},${box.y} h${box.w / 2} v${box.h} h${-box.w / 2} Z`} className="plan-half" />
      ) : null}
      {unit.load === null ? null : <Load box={box} load={unit.load} />}
      <text x={box.x + box.w / 2} y={box.y - 0.35} fontSize={size} textAnchor="middle">
        {unit.tag}
      </text>
    </g>
  )
}

/** A roof or room from above, to scale: edge, ways in, what one walks round, units with level and load, the way of a round. */
export function RoofPlan({
  plan,
  units,
  ways = [],
  stops = [],
  chosen = null,
  label,
  onPick,
  onUnitDown,
  children,
  onMove,
  onUp,
}: {
  plan: AreaPlan
  units: readonly PlanUnit[]
  /** Where the round leads each of its people, metres. */
  ways?: readonly (readonly Spot[])[]
  /** Numbers of the round at the units. */
  stops?: readonly { readonly unitId: string; readonly words: string }[]
  chosen?: string | null
  label: string
  onPick?: (unitId: string) => void
  onUnitDown?: (unitId: string, e: PointerEvent<SVGGElement>) => void
  onMove?: (e: PointerEvent<SVGSVGElement>) => void
  onUp?: (e: PointerEvent<SVGSVGElement>) => void
  children?: ReactNode
}) {
  const metres = ruler(plan.width)
  return (
    <svg
      className="roof-plan"
      viewBox={`-1 -2 ${plan.width + 2} ${plan.depth + 4.6}`}
      role="group"
      aria-label={label}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerLeave={onUp}
    >
      <rect x={0} y={0} width={plan.width} height={plan.depth} className="plan-deck" />
      {plan.underlay ? (
        <image
          href={`/api/v1/plan-pictures/${plan.underlay.id}`}
          x={plan.underlay.x}
          y={plan.underlay.y}
          width={plan.underlay.w}
          height={plan.underlay.h}
          preserveAspectRatio="none"
          className="plan-underlay"
        />
      ) : null}
      {plan.edge.length > 2 ? <polygon points={points(plan.edge)} className="plan-edge" /> : null}
      {plan.obstacles.map((o) => (
        <g key={o.id} className={`plan-${o.kind}`}>
          <rect x={o.x} y={o.y} width={o.w} height={o.h} />
          <text x={o.x + o.w / 2} y={o.y + o.h / 2 + 0.4} fontSize={1.05} textAnchor="middle">
            {o.name || (o.kind === 'keep-clear' ? 'keep clear' : '')}
          </text>
        </g>
      ))}
      {ways.map((way, i) =>
        way.length > 1 ? <polyline key={i} points={points(way)} className={`plan-way plan-way-${i % 3}`} /> : null,
      )}
      {plan.hatches.map((h) => (
        <g key={h.id} className="plan-door">
          <rect x={h.x - 0.6} y={h.y - 0.6} width={1.2} height={1.2} />
          <text x={h.x + 1} y={h.y + 0.45} fontSize={1.1}>
            {h.name || 'access point'}
          </text>
        </g>
      ))}
      {plan.ladders.map((l) => (
        <g key={l.id} className="plan-door">
          <path
            d={`M${l.x - 0.4},${l.y - 0.9} v1.8 M${l.x + 0.4},${l.y - 0.9} v1.8 M${l.x - 0.4},${l.y - 0.4} h0.8 M${l.x - 0.4},${l.y} h0.8 M${l.x - 0.4},${l.y + 0.4} h0.8`}
          />
          <text x={l.x - 0.8} y={l.y + 0.4} fontSize={1.1} textAnchor="end">
            {l.name || 'ladder'}, {l.height} m
          </text>
        </g>
      ))}
      {units.map((u) => {
        const box = plan.units[u.id]
        return box ? (
          <Unit
            key={u.id}
            unit={u}
            box={box}
            chosen={chosen === u.id}
            onDown={onUnitDown ? (e) => onUnitDown(u.id, e) : undefined}
            onPick={onPick ? () => onPick(u.id) : undefined}
          />
        ) : null
      })}
      {stops.map((s) => {
        const box = plan.units[s.unitId]
        return box ? (
          <g key={s.unitId} className="plan-number">
            <rect
              x={box.x + box.w + 0.25}
              y={box.y + box.h / 2 - 0.85}
              width={0.9 + s.words.length * 0.55}
              height={1.7}
            />
            <text
              x={box.x + box.w + 0.7 + s.words.length * 0.275}
              y={box.y + box.h / 2 + 0.45}
              fontSize={1.25}
              textAnchor="middle"
            >
              {s.words}
            </text>
          </g>
        ) : null
      })}
      {children}
      <g className="plan-ruler">
        <line x1={0} x2={metres} y1={plan.depth + 1} y2={plan.depth + 1} />
        <line x1={0} x2={0} y1={plan.depth + 0.6} y2={plan.depth + 1.4} />
        <line x1={metres} x2={metres} y1={plan.depth + 0.6} y2={plan.depth + 1.4} />
        <text x={metres + 0.6} y={plan.depth + 1.4} fontSize={1.2}>
          {metres} m
        </text>
      </g>
    </svg>
  )
}
