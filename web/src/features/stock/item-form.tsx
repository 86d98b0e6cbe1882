import { stockItemBody, type StockItem, type StockSpec } from '@motor-round/contract'
import { Button, Form, Input, InputNumber, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { stockApi } from '../../app/stock-api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

type Kind = StockSpec['kind']
type Value = string | number | null
interface Draft {
  readonly kind: Kind
  readonly code: string
  readonly spec: Readonly<Record<string, Value>>
  readonly price: number | null
  readonly leadDays: number | null
  readonly min: number | null
  readonly max: number | null
  readonly note: string
}

/** What decides where each kind fits: key, label, and whether it is a number. */
const fields: Readonly<Record<Kind, readonly (readonly [string, string, 'text' | 'number'])[]>> = {
  belt: [
    ['section', 'Section', 'text'],
    ['number', 'Length number', 'number'],
  ],
  filter: [['size', 'Size, as on the machine', 'text']],
  bearing: [['mark', 'Marking', 'text']],
  sheave: [['mark', 'Marking', 'text']],
  capacitor: [
    ['microfarads', 'Value, µF', 'number'],
    ['volts', 'Volts, V', 'number'],
  ],
  fuse: [
    ['amps', 'Amps, A', 'number'],
    ['type', 'Class, as on the machine', 'text'],
  ],
  motor: [
    ['hp', 'Power, hp', 'number'],
    ['rpm', 'Speed, rpm', 'number'],
    ['volts', 'Volts, V', 'text'],
    ['frame', 'Frame', 'text'],
  ],
  contactor: [
    ['amps', 'Amps, A', 'number'],
    ['coil', 'Coil, V', 'number'],
  ],
  other: [['name', 'Name', 'text']],
}
const kindWords: Readonly<Record<Kind, string>> = {
  belt: 'Belt',
  filter: 'Filter',
  bearing: 'Bearing',
  sheave: 'Sheave',
  capacitor: 'Capacitor',
  fuse: 'Fuse',
  motor: 'Motor',
  contactor: 'Contactor',
  other: 'Something else',
}

const start = (item: StockItem | null): Draft => {
  if (item === null)
    return { kind: 'belt', code: '', spec: {}, price: null, leadDays: null, min: null, max: null, note: '' }
  const { kind, ...spec } = item.spec
  const { code, price, leadDays, min, max, note } = item
  return { kind, code, spec, price, leadDays, min, max, note }
}

/** Add or change an item. */
export function ItemForm({ item, done }: { item: StockItem | null; done: () => void }) {
  const [id] = useState(() => item?.id ?? uuid())
  const [draft, setDraft] = useState(() => start(item))
  const [tried, setTried] = useState(false)
  const [add, adding] = stockApi.useAddStockItemMutation()
  const [edit, editing] = stockApi.useEditStockItemMutation()
  const failure = (adding.error ?? editing.error) as Failure | undefined
  const { kind, spec, ...rest } = draft
  const read = stockItemBody.safeParse({ ...rest, id, spec: { kind, ...spec } })
  const fault = (path: string): string | undefined => {
    const issue = read.success ? undefined : read.error.issues.find((i) => i.path.join('.') === path)
    const own = issue?.code === 'invalid_type' ? 'fill this in' : issue?.message
    return (tried ? own : undefined) ?? fieldMessage(failure, path)
  }
  const change = (part: Partial<Draft>) => setDraft({ ...draft, ...part })
  const save = () => {
    setTried(true)
    if (!read.success) return
    const sent = item
      ? edit({ params: { id }, body: { ...read.data, version: item.version } })
      : add({ body: read.data })
    void sent.unwrap().then(done, () => undefined)
  }
  const number = (label: string, key: 'price' | 'leadDays' | 'min' | 'max') => (
    <FormField label={label} error={fault(key)}>
      <InputNumber controls={false} size="large" min={0} value={draft[key]} onChange={(v) => change({ [key]: v })} />
    </FormField>
  )
  return (
    <Form className="sheet stack" aria-label={item ? 'Edit the item' : 'A new item'} onFinish={save}>
      <FormField label="Kind">
        <Select
          value={kind}
          options={(Object.keys(kindWords) as Kind[]).map((value) => ({ value, label: kindWords[value] }))}
          onChange={(k: Kind) => change({ kind: k, spec: {} })}
        />
      </FormField>
      {fields[kind].map(([key, label, type]) => (
        <FormField key={key} label={label} error={fault(`spec.${key}`)}>
          {type === 'number' ? (
            <InputNumber
              controls={false}
              size="large"
              min={0}
              value={(spec[key] ?? null) as number | null}
              onChange={(v) => change({ spec: { ...spec, [key]: v } })}
            />
          ) : (
            <Input
              value={String(spec[key] ?? '')}
              maxLength={80}
              onChange={(e) => change({ spec: { ...spec, [key]: e.target.value } })}
            />
          )}
        </FormField>
      ))}
      <FormField label="Label: letters, digits and hyphens" error={fault('code')}>
        <Input value={draft.code} maxLength={20} onChange={(e) => change({ code: e.target.value })} />
      </FormField>
      <div className="row">
        {number('Price, $', 'price')}
        {number('Days until one comes', 'leadDays')}
        {number('Keep at least, blank: worked out', 'min')}
        {number('Keep at most', 'max')}
      </div>
      <FormField label="Note" error={fault('note')}>
        <Input value={draft.note} maxLength={400} onChange={(e) => change({ note: e.target.value })} />
      </FormField>
      <FailureNote failure={failure} kept="What you entered is still here." />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={adding.isLoading || editing.isLoading}>
          {item ? 'Save the item' : 'Add the item'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}
