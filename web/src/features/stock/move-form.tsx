import type { Stock, StockItem, StockMoveRecord } from '@motor-round/contract'
import { emptyLevel, moveFault } from '@motor-round/core/stock'
import { Button, Form, Input, InputNumber } from 'antd'
import { useState } from 'react'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { coreLevel } from '../../offline/core/stock.ts'
import type { SayMove } from './use-stock.ts'
import { pieces } from './words.ts'

const kinds = [
  { value: 'taken', label: 'Take' },
  { value: 'received', label: 'Receive' },
  { value: 'returned', label: 'Put back' },
  { value: 'counted', label: 'Count' },
  { value: 'moved', label: 'Move' },
  { value: 'bad', label: 'Mark bad' },
] as const
type Kind = (typeof kinds)[number]['value']
const buttons: Readonly<Record<Kind, string>> = {
  taken: 'Take',
  received: 'Receive',
  returned: 'Put back',
  counted: 'There are',
  moved: 'Move',
  bad: 'Mark bad:',
}

/** What happens to pieces of an item, on a phone in front of the shelf. */
export function MoveForm({ stock, item, say }: { stock: Stock; item: StockItem; say: SayMove }) {
  const full = item.levels.find((l) => l.free > 0)
  const [kind, setKind] = useState<Kind>('taken')
  const [placeId, setPlace] = useState<string | null>(full?.placeId ?? stock.places[0]?.id ?? null)
  const [to, setTo] = useState<string | null>(null)
  const [count, setCount] = useState<number | null>(1)
  const [tested, setTested] = useState<boolean | null>(null)
  const [condition, setCondition] = useState<StockMoveRecord['condition']>('new')
  const [note, setNote] = useState('')
  const own = item.levels.find((l) => l.placeId === placeId)
  const level = own ? coreLevel(own) : emptyLevel
  const fault = count === null ? null : moveFault({ kind, count, jobId: null }, level)
  const name = stock.places.find((p) => p.id === placeId)?.name ?? ''
  const comes = kind === 'received' || kind === 'returned'
  const missing =
    placeId === null
      ? 'Choose the place'
      : count === null || (count === 0 && kind !== 'counted')
        ? 'Enter how many'
        : fault
          ? fault.left === 0
            ? `None ${fault.kind === 'held' ? 'free ' : ''}at ${name}`
            : `Only ${fault.left} ${fault.kind === 'held' ? 'free ' : ''}at ${name}`
          : kind === 'moved' && (to === null || to === placeId)
            ? 'Choose where to'
            : kind === 'bad' && note.trim() === ''
              ? 'Enter what is wrong with it'
              : null
  const save = async () => {
    if (placeId === null || count === null || missing !== null) return
    const kept = await say({
      itemId: item.id,
      placeId,
      kind,
      count,
      toPlaceId: kind === 'moved' ? to : null,
      jobId: null,
      tested: comes ? tested : null,
      condition: comes ? condition : 'new',
      note: note.trim(),
    })
    if (!kept) return
    setCount(1)
    setNote('')
    setTested(null)
  }
  const places = stock.places.map((p) => ({ value: p.id, label: p.name }))
  return (
    <Form
      className="stack"
      aria-label="What happens to it"
      onFinish={() => {
        void save()
      }}
    >
      <Choice label="What" value={kind} options={kinds} onChange={(k) => setKind(k ?? 'taken')} />
      <Choice label={kind === 'moved' ? 'From' : 'Where'} value={placeId} options={places} onChange={setPlace} />
      {kind === 'moved' ? (
        <Choice label="To" value={to} options={places.filter((p) => p.value !== placeId)} onChange={setTo} />
      ) : null}
      <FormField label={kind === 'counted' ? 'How many are there' : 'How many'}>
        <InputNumber
          controls={false}
          size="large"
          min={0}
          max={100_000}
          precision={0}
          value={count}
          onChange={setCount}
        />
      </FormField>
      {comes ? (
        <>
          <Choice
            label="It is"
            value={condition}
            options={[
              { value: 'new', label: 'New' },
              { value: 'used', label: 'Used, saved' },
              { value: 'substitute', label: 'Substitute' },
            ]}
            onChange={(c) => setCondition(c ?? 'new')}
          />
          <Choice
            label="Tested"
            value={tested}
            options={[
              { value: true, label: 'Yes' },
              { value: false, label: 'No' },
            ]}
            onChange={setTested}
          />
        </>
      ) : null}
      <FormField label={kind === 'bad' ? 'What is wrong with it' : 'Note'}>
        <Input value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
      </FormField>
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing !== null}>
          {missing ?? `${buttons[kind]} ${pieces(count ?? 0)}`}
        </Button>
      </div>
    </Form>
  )
}
