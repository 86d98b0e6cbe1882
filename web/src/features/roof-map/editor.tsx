import type { RoofMapPage } from '@motor-round/contract'
import type { RoofMap, Spot } from '@motor-round/core/round'
import { Button } from 'antd'
import { useCallback, useState, type PointerEvent } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { distanceFigure, gridOf, showDistance, type DistanceUnit } from '../../app/distances.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { StaleNote } from '../../parts/stale-note/index.ts'
import { mapDifferences, mapUnits, RoofMapView } from '../../parts/roof-map/index.ts'
import { moveUnit, put, turnUnit, type Thing } from './edit.ts'
import { Distance } from './distance.tsx'
import { Things } from './things.tsx'
import { UnderlayFields } from './underlay-fields.tsx'

const things: readonly (readonly [Thing, string])[] = [
  ['hatch', 'Access point'],
  ['ladder', 'Ladder'],
  ['obstacle', 'Obstacle'],
  ['keep-clear', 'Keep clear'],
  ['edge', 'Roof edge point'],
]

/** Where a pointer is, in metres of the plan. */
function spotAt(e: PointerEvent<SVGElement>): Spot | null {
  // The drawing itself has no owner.
  const own = e.currentTarget
  const svg = own.ownerSVGElement ?? (own instanceof SVGSVGElement ? own : null)
  const matrix = svg?.getScreenCTM()
  if (!matrix) return null
  const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse())
  return { x: p.x, y: p.y }
}

/** The map while it is drawn: units dragged, things put down, sizes typed, a picture laid under it. */
export function Editor({ page, unit, onDone }: { page: RoofMapPage; unit: DistanceUnit; onDone: () => void }) {
  // What somebody else saves meanwhile is fetched behind this: what is drawn here stays, and stands on the version it began from.
  const [version] = useState(page.version)
  // A button hit twice, or an answer that was lost, changes the map once.
  const [changeId] = useState(() => uuid())
  const [map, setMap] = useState<RoofMap>(page.map)
  const [chosen, setChosen] = useState<string | null>(null)
  const [hold, setHold] = useState<{ id: string; dx: number; dy: number } | null>(null)
  const [thing, setThing] = useState<Thing | null>(null)
  const [marks, setMarks] = useState<readonly Spot[] | null>(null)
  const [wrong, setWrong] = useState<readonly string[]>([])
  const onWrong = useCallback(
    (name: string, is: boolean) =>
      setWrong((list) => (list.includes(name) === is ? list : is ? [...list, name] : list.filter((n) => n !== name))),
    [],
  )
  const [edit, attempt] = api.useEditRoofMapMutation()
  const { save, trouble } = useSaveOrKeep()
  const failure = attempt.error as Failure | undefined
  const grid = gridOf(unit)
  const tagOf = (id: string) => page.units.find((u) => u.id === id)?.tag ?? 'a unit'
  const send = (version: number) =>
    void save({ kind: 'roof-map', body: { id: changeId, areaId: page.area.id, version, map } }, () =>
      edit({ params: { id: page.area.id }, body: { version, map, changeId } }).unwrap(),
    ).then((done) => {
      if (done) onDone()
    })
  const stale = failure?.problem.status === 409 ? (failure.problem.current as { map: RoofMap; version: number }) : null
  const box = chosen === null ? undefined : map.units[chosen]
  const nudge = (dx: number, dy: number) => {
    if (chosen !== null && box) setMap(moveUnit(map, chosen, { x: box.x + dx, y: box.y + dy }, grid))
  }
  return (
    <div className="stack">
      <div className="row">
        <Distance
          label="Width"
          name="Width"
          value={map.width}
          least={2}
          unit={unit}
          set={(width) => setMap({ ...map, width })}
          onWrong={onWrong}
        />
        <Distance
          label="Depth"
          name="Depth"
          value={map.depth}
          least={2}
          unit={unit}
          set={(depth) => setMap({ ...map, depth })}
          onWrong={onWrong}
        />
        {things.map(([id, words]) => (
          <Button
            key={id}
            type={thing === id ? 'primary' : 'default'}
            aria-pressed={thing === id}
            onClick={() => {
              setMarks(null)
              setThing(thing === id ? null : id)
            }}
          >
            {words}
          </Button>
        ))}
      </div>
      <UnderlayFields
        areaId={page.area.id}
        unit={unit}
        map={map}
        change={setMap}
        marks={marks}
        setMarks={(m) => {
          setThing(null)
          setMarks(m)
        }}
      />
      <p className="quiet">
        {marks !== null
          ? (['Tap the first of two points whose distance you know.', 'Tap the second point.'][marks.length] ??
            'Enter the distance between them.')
          : thing === null
            ? chosen === null
              ? 'Drag a unit into place, or select one and use the arrow keys.'
              : `${tagOf(chosen)} is selected: arrow keys move it by ${unit === 'ft' ? 'a foot' : 'half a meter'}.`
            : 'Tap the map where it is.'}
      </p>
      {/* Arrow keys of the plan inside. */}
      <div
        className="sheet"
        onKeyDown={(e) => {
          const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key]
          if (!by || chosen === null || e.target instanceof HTMLInputElement) return
          e.preventDefault()
          nudge((by[0] ?? 0) * grid, (by[1] ?? 0) * grid)
        }}
      >
        <RoofMapView
          map={map}
          units={mapUnits(page)}
          chosen={chosen}
          unit={unit}
          label={`Roof map of ${page.area.name}, ${distanceFigure(map.width, unit)} by ${showDistance(map.depth, unit)}`}
          onPick={setChosen}
          onUnitDown={(id, e) => {
            const at = spotAt(e)
            const own = map.units[id]
            setChosen(id)
            if (thing === null && marks === null && at && own) setHold({ id, dx: at.x - own.x, dy: at.y - own.y })
          }}
          onMove={(e) => {
            const at = hold && spotAt(e)
            if (hold && at) setMap(moveUnit(map, hold.id, { x: at.x - hold.dx, y: at.y - hold.dy }, grid))
          }}
          onUp={(e) => {
            setHold(null)
            const at = e.type === 'pointerup' ? spotAt(e) : null
            if (marks && marks.length < 2 && at) setMarks([...marks, at])
            if (thing && at) {
              setMap(put(map, thing, at, uuid(), grid))
              if (thing !== 'edge') setThing(null)
            }
          }}
        >
          {(marks ?? []).map((m, i) => (
            <g key={i} className="map-mark" aria-hidden="true">
              <circle stroke="var(--act)" fill="none" strokeWidth={0.22} cx={m.x} cy={m.y} r={0.5} />
              <text x={m.x + 0.8} y={m.y + 0.4} fontSize={1.2}>
                {i + 1}
              </text>
            </g>
          ))}
        </RoofMapView>
      </div>
      {chosen !== null && box ? (
        <div className="row">
          <b>{tagOf(chosen)}</b>
          <span className="quiet">
            {distanceFigure(box.w, unit)} × {showDistance(box.h, unit)}, {showDistance(box.x, unit)} from the left,{' '}
            {showDistance(box.y, unit)} from the top
          </span>
          <Button onClick={() => setMap(turnUnit(map, chosen, grid))}>Rotate</Button>
        </div>
      ) : null}
      <Things map={map} unit={unit} areas={page.areas} change={setMap} onWrong={onWrong} />
      {stale ? (
        <StaleNote
          told={messageOf(failure as Failure)}
          differences={mapDifferences(map, stale.map, tagOf, unit)}
          keepMine={() => send(stale.version)}
          takeTheirs={() => {
            setMap(stale.map)
            attempt.reset()
          }}
        />
      ) : (
        <FailureNote failure={failure?.noSignal ? undefined : failure} kept="Not saved; your drawing is kept here." />
      )}
      <TroubleNote words={trouble} />
      <div className="row">
        <Button
          type="primary"
          size="large"
          loading={attempt.isLoading}
          disabled={wrong.length > 0}
          onClick={() => send(version)}
        >
          Save map
        </Button>
        <Button size="large" onClick={onDone}>
          Discard changes
        </Button>
      </div>
    </div>
  )
}
