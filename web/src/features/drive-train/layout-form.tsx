import type { Machine } from '@motor-round/contract'
import { parseFigure } from '@motor-round/core/quantity'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { lengthFigure, typedLength, type LengthUnit } from '../../app/lengths.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

type Layout = Machine['layout']

const figure = (mm: number | null | undefined, unit: LengthUnit) => (mm == null ? '' : lengthFigure(mm, unit))

/** Center distance, take-up, rotation and mounting: what the drawing and the speed change need besides the parts. */
export function LayoutForm({ machine, unit, done }: { machine: Machine; unit: LengthUnit; done: () => void }) {
  const { layout } = machine
  const [center, setCenter] = useState(figure(layout.center, unit))
  const [least, setLeast] = useState(figure(layout.takeUp?.least, unit))
  const [most, setMost] = useState(figure(layout.takeUp?.most, unit))
  const [rotation, setRotation] = useState(layout.rotation)
  const [seenFrom, setSeenFrom] = useState(layout.seenFrom)
  const [mounting, setMounting] = useState(layout.mounting)
  const [air, setAir] = useState(layout.air)
  const [share, setShare] = useState(layout.outsideShare === null ? '' : String(Math.round(layout.outsideShare * 100)))
  const [save, attempt] = api.useEditMachineMutation()
  const failure = attempt.error as Failure | undefined
  /** What is no figure becomes −1, which the server refuses at its field. */
  const typed = (text: string) => (text.trim() === '' ? null : (typedLength(text, unit) ?? -1))
  const percent = (text: string) => {
    const v = parseFigure(text)
    return text.trim() === '' ? null : v === null ? -1 : v / 100
  }
  const body = (): Layout => {
    const [a, b] = [typed(least), typed(most)]
    return {
      center: typed(center),
      takeUp: a === null && b === null ? null : { least: a ?? -1, most: b ?? -1 },
      rotation,
      seenFrom,
      mounting,
      air,
      outsideShare: percent(share),
    }
  }
  const length = (label: string, value: string, set: (v: string) => void, path: string) => (
    <FormField label={label} error={fieldMessage(failure, `layout.${path}`)}>
      <Input value={value} inputMode="decimal" suffix={unit} onChange={(e) => set(e.target.value)} />
    </FormField>
  )
  const choice = <T extends string>(
    label: string,
    value: T | null,
    set: (v: T | null) => void,
    options: readonly T[],
  ) => (
    <FormField label={label}>
      <Select<T>
        aria-label={label}
        allowClear
        value={value}
        options={options.map((o) => ({ value: o, label: o }))}
        onChange={(v: T | undefined) => set(v ?? null)}
      />
    </FormField>
  )
  return (
    <Form
      className="note tone-act stack"
      aria-label="Drive layout"
      onFinish={() => {
        const { siteId: _site, retiredAt: _retired, ...own } = machine
        void save({ params: { id: machine.id }, body: { ...own, layout: body() } })
          .unwrap()
          .then(done, () => undefined)
      }}
    >
      <div className="form-grid">
        {length('Center distance', center, setCenter, 'center')}
        {length('Base, nearest', least, setLeast, 'takeUp.least')}
        {length('Base, farthest', most, setMost, 'takeUp.most')}
        {choice('Fan turns', rotation, setRotation, ['clockwise', 'counter-clockwise'] as const)}
        {choice('Seen from', seenFrom, setSeenFrom, ['drive end', 'opposite end'] as const)}
        {choice('Its air is', air, setAir, ['supply', 'make-up', 'exhaust', 'relief', 'inside'] as const)}
        <FormField label="From outside, of its air" error={fieldMessage(failure, 'layout.outsideShare')}>
          <Input value={share} inputMode="decimal" suffix="%" onChange={(e) => setShare(e.target.value)} />
        </FormField>
        {choice('Mounted on', mounting, setMounting, ['flexible', 'rigid'] as const)}
      </div>
      <FailureNote failure={failure} kept="Not saved yet; what you typed is kept here." />
      <div className="row">
        <Button type="primary" htmlType="submit" loading={attempt.isLoading}>
          Save
        </Button>
        <Button onClick={done}>Cancel</Button>
      </div>
    </Form>
  )
}
