import type { Dispatch, SetStateAction } from 'react'
import type { RoofMapPage } from '@motor-round/contract'
import type { RoofMap } from '@motor-round/core/round'
import { Button, Input, Select } from 'antd'
import { offerUndo } from '../../parts/undo/index.ts'
import { putBack, takeOff } from './edit.ts'
import type { DistanceUnit } from '../../app/distances.ts'
import { Distance } from './distance.tsx'

/** Names and sizes of what stands on the plan, one line each. */
export function Things({
  map,
  unit,
  areas,
  change,
  onWrong,
}: {
  map: RoofMap
  unit: DistanceUnit
  areas: RoofMapPage['areas']
  change: Dispatch<SetStateAction<RoofMap>>
  onWrong: (name: string, wrong: boolean) => void
}) {
  const figure = (label: string, of: string, value: number, least: number, to: (v: number) => RoofMap) => (
    <Distance
      label={label}
      name={`${of}, ${label.toLowerCase()}`}
      value={value}
      unit={unit}
      least={least}
      set={(v) => change(to(v))}
      onWrong={onWrong}
    />
  )
  const named = (name: string, label: string, to: (v: string) => RoofMap) => (
    <Input
      aria-label={label}
      value={name}
      placeholder="Name"
      maxLength={40}
      onChange={(e) => change(to(e.target.value))}
    />
  )
  const off = (id: string, what: string) => (
    <Button
      aria-label={`Take off ${what}`}
      onClick={() => {
        change(takeOff(map, id))
        offerUndo(`${what} removed`, () => change((now) => putBack(now, map, id)))
      }}
    >
      Remove
    </Button>
  )
  return (
    <ul className="rows map-things">
      {map.hatches.map((h, i) => (
        <li key={h.id}>
          <b>Access point</b>
          {named(h.name, `Access point ${i + 1}, name`, (name) => ({
            ...map,
            hatches: map.hatches.map((x) => (x.id === h.id ? { ...x, name } : x)),
          }))}
          {off(h.id, h.name || 'access point')}
        </li>
      ))}
      {map.ladders.map((l, i) => {
        const set = (part: Partial<typeof l>): RoofMap => ({
          ...map,
          ladders: map.ladders.map((x) => (x.id === l.id ? { ...x, ...part } : x)),
        })
        return (
          <li key={l.id}>
            <b>Ladder</b>
            {named(l.name, `Ladder ${i + 1}, name`, (name) => set({ name }))}
            {figure('Height', `Ladder ${i + 1}`, l.height, 0, (height) => set({ height }))}
            <Select
              aria-label={`Ladder ${i + 1} leads to`}
              value={l.to ?? ''}
              popupMatchSelectWidth={false}
              options={[{ value: '', label: 'this level' }, ...areas.map((a) => ({ value: a.id, label: a.name }))]}
              onChange={(to: string) => change(set({ to: to === '' ? null : to }))}
            />
            {off(l.id, l.name || 'ladder')}
          </li>
        )
      })}
      {map.obstacles.map((o, i) => {
        const set = (part: Partial<typeof o>): RoofMap => ({
          ...map,
          obstacles: map.obstacles.map((x) => (x.id === o.id ? { ...x, ...part } : x)),
        })
        const what = o.kind === 'obstacle' ? 'Obstacle' : 'Keep clear'
        return (
          <li key={o.id}>
            <b>{what}</b>
            {named(o.name, `${what} ${i + 1}, name`, (name) => set({ name }))}
            {figure('Width', `${what} ${i + 1}`, o.w, 0.5, (w) => set({ w }))}
            {figure('Depth', `${what} ${i + 1}`, o.h, 0.5, (h) => set({ h }))}
            {off(o.id, o.name || what.toLowerCase())}
          </li>
        )
      })}
      {map.edge.length > 0 ? (
        <li>
          <b>Edge</b>
          <span>{map.edge.length} corners</span>
          <Button onClick={() => change({ ...map, edge: map.edge.slice(0, -1) })}>Remove the last point</Button>
        </li>
      ) : null}
    </ul>
  )
}
