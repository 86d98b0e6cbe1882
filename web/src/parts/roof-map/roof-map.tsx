import type { Level } from '@motor-round/core/judge'
import type { RoofMap, Box, Spot } from '@motor-round/core/round'
import type { PointerEvent, ReactNode } from 'react'
import { distanceFigure, showDistance, toMeters, type DistanceUnit } from '../../app/distances.ts'
import { levelWords } from '../level-mark/index.ts'
import './roof-map.css'

/** A unit as the plan draws it: its worst level, and the heaviest load of its fans over what they may draw. */
export interface MapUnit {
  readonly id: string
  readonly tag: string
  readonly level: Level | null
  readonly load: number | null
}

/** The ways of several people are told apart by their dashes. */
const wayDashes = [undefined, '1.4 0.6', '0.4 0.6']

const points = (list: readonly Spot[]) => list.map((p) => `${p.x},${p.y}`).join(' ')

/** A ruler of a round length that is about a fifth of the width. @param width in the unit shown */
const ruler = (width: number): number => [1, 2, 5, 10, 20, 50, 100, 200, 500].find((m) => m >= width / 6) ?? 1000

function Load({ box, load }: { box: Box; load: number }) {
  const top = 1.25
  const at = (Math.min(load, top) / top) * box.w
  const y = box.y + box.h
  return (
    <g>
      <rect x={box.x} y={y} width={box.w} height={0.35} fill="var(--track)" />
      <rect x={box.x} y={y} width={at} height={0.35} fill={load > 1 ? 'var(--fix)' : 'var(--usual)'} />
      <line
        x1={box.x + box.w / top}
        x2={box.x + box.w / top}
        y1={y - 0.1}
        y2={y + 0.5}
        stroke="var(--ink)"
        fill="none"
        strokeWidth={0.18}
      />
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
  unit: MapUnit
  box: Box
  chosen: boolean
  onDown: ((e: PointerEvent<SVGGElement>) => void) | undefined
  onPick: (() => void) | undefined
}) {
  const level = unit.level ?? 'not judged'
  const size = Math.min(1.5, Math.max(1.15, (box.w * 1.9) / Math.max(4, unit.tag.length)))
  return (
    <g
      className={`map-unit tone-${level.replace(' ', '-')}`}
      role={onPick || onDown ? 'button' : 'img'}
      tabIndex={onPick ? 0 : undefined}
      aria-label={`${unit.tag}, ${levelWords[level]}${unit.load === null ? '' : `, ${Math.round(unit.load * 100)} % of plate`}`}
      onPointerDown={onDown}
      onClick={onPick}
      onKeyDown={(e) => {
        if (e.key === 'Enter' && onPick) onPick()
      }}
    >
      <rect
        x={box.x}
        y={box.y}
        width={box.w}
        height={box.h}
        stroke={chosen ? 'var(--act)' : level === 'ok' || level === 'watch' ? 'var(--tone)' : 'var(--ink)'}
        fill={level === 'fix' || level === 'stop' ? 'var(--tone)' : 'var(--sheet)'}
        strokeWidth={chosen ? 0.5 : 0.3}
        strokeDasharray={level === 'not judged' ? '0.5 0.4' : undefined}
      />
      {level === 'watch' ? (
        <path d={`M${box.x},${box.y} h${box.w / 2} v${box.h} h${-box.w / 2} Z`} fill="var(--tone)" />
      ) : null}
      {unit.load === null ? null : <Load box={box} load={unit.load} />}
      <text x={box.x + box.w / 2} y={box.y - 0.35} fontSize={size} textAnchor="middle">
        {unit.tag}
      </text>
    </g>
  )
}

/** A roof or room from above, to scale: edge, ways in, what one walks round, units with level and load, the way of a round. */
export function RoofMapView({
  map,
  units,
  unit,
  ways = [],
  visits = [],
  chosen = null,
  label,
  onPick,
  onUnitDown,
  children,
  onMove,
  onUp,
}: {
  map: RoofMap
  units: readonly MapUnit[]
  /** In which lengths are shown; the map itself is in meters. */
  unit: DistanceUnit
  /** Where the round leads each of its people, metres. */
  ways?: readonly (readonly Spot[])[]
  /** Numbers of the round at the units. */
  visits?: readonly { readonly unitId: string; readonly words: string }[]
  chosen?: string | null
  label: string
  onPick?: (unitId: string) => void
  onUnitDown?: (unitId: string, e: PointerEvent<SVGGElement>) => void
  onMove?: (e: PointerEvent<SVGSVGElement>) => void
  onUp?: (e: PointerEvent<SVGSVGElement>) => void
  children?: ReactNode
}) {
  const long = ruler(distanceFigure(map.width, unit))
  const metres = toMeters(long, unit)
  return (
    <svg
      className="roof-map"
      viewBox={`-1 -2 ${map.width + 2} ${map.depth + 4.6}`}
      role="group"
      aria-label={label}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerLeave={onUp}
    >
      <rect
        x={0}
        y={0}
        width={map.width}
        height={map.depth}
        className="map-deck"
        stroke="var(--rule-2)"
        fill="var(--sunk)"
        strokeWidth={0.12}
      />
      {map.underlay ? (
        <image
          href={`/api/v1/map-pictures/${map.underlay.id}`}
          x={map.underlay.x}
          y={map.underlay.y}
          width={map.underlay.w}
          height={map.underlay.h}
          preserveAspectRatio="none"
          className="map-underlay"
        />
      ) : null}
      {map.edge.length > 2 ? (
        <polygon points={points(map.edge)} stroke="var(--ink)" fill="none" strokeWidth={0.22} strokeDasharray="1 0.5" />
      ) : null}
      {map.obstacles.map((o) => (
        <g key={o.id}>
          <rect
            x={o.x}
            y={o.y}
            width={o.w}
            height={o.h}
            stroke={o.kind === 'keep-clear' ? 'var(--fix)' : 'var(--ink-2)'}
            fill={o.kind === 'keep-clear' ? 'none' : 'var(--track)'}
            strokeWidth={0.15}
            strokeDasharray={o.kind === 'keep-clear' ? '0.5 0.4' : undefined}
          />
          <text x={o.x + o.w / 2} y={o.y + o.h / 2 + 0.4} fontSize={1.05} textAnchor="middle">
            {o.name || (o.kind === 'keep-clear' ? 'keep clear' : '')}
          </text>
        </g>
      ))}
      {ways.map((way, i) =>
        way.length > 1 ? (
          <polyline
            key={i}
            points={points(way)}
            className="map-way"
            stroke="var(--act)"
            fill="none"
            strokeWidth={0.35}
            strokeLinejoin="round"
            strokeDasharray={wayDashes[i % 3]}
          />
        ) : null,
      )}
      {map.hatches.map((h) => (
        <g key={h.id}>
          <rect
            x={h.x - 0.6}
            y={h.y - 0.6}
            width={1.2}
            height={1.2}
            stroke="var(--ink)"
            fill="var(--sheet)"
            strokeWidth={0.2}
          />
          <text x={h.x + 1} y={h.y + 0.45} fontSize={1.1}>
            {h.name || 'access point'}
          </text>
        </g>
      ))}
      {map.ladders.map((l) => (
        <g key={l.id}>
          <path
            stroke="var(--ink)"
            fill="none"
            strokeWidth={0.2}
            d={`M${l.x - 0.4},${l.y - 0.9} v1.8 M${l.x + 0.4},${l.y - 0.9} v1.8 M${l.x - 0.4},${l.y - 0.4} h0.8 M${l.x - 0.4},${l.y} h0.8 M${l.x - 0.4},${l.y + 0.4} h0.8`}
          />
          <text x={l.x - 0.8} y={l.y + 0.4} fontSize={1.1} textAnchor="end">
            {l.name || 'ladder'}, {showDistance(l.height, unit)}
          </text>
        </g>
      ))}
      {units.map((u) => {
        const box = map.units[u.id]
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
      {visits.map((s) => {
        const box = map.units[s.unitId]
        return box ? (
          <g key={s.unitId} className="map-number">
            <rect
              fill="var(--act)"
              x={box.x + box.w + 0.25}
              y={box.y + box.h / 2 - 0.85}
              width={0.9 + s.words.length * 0.55}
              height={1.7}
            />
            <text
              className="map-number"
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
      <g className="map-ruler">
        <path
          stroke="var(--ink)"
          fill="none"
          strokeWidth={0.14}
          d={`M0,${map.depth + 1} h${metres} M0,${map.depth + 0.6} v0.8 M${metres},${map.depth + 0.6} v0.8`}
        />
        <text x={metres + 0.6} y={map.depth + 1.4} fontSize={1.2}>
          {long} {unit}
        </text>
      </g>
    </svg>
  )
}
