import { AutoComplete, Button, Input } from 'antd'
import { v7 as uuid } from 'uuid'
import { accountApi } from '../../app/account-api.ts'
import { minuteOf } from '@motor-round/core/round'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FormField } from '../../parts/form-field/index.ts'

export interface Person {
  readonly id: string
  readonly name: string
  readonly from: string
  readonly to: string
}

export function People({
  list,
  set,
  failure,
}: {
  list: readonly Person[]
  set: (l: Person[]) => void
  failure: Failure | undefined
}) {
  const names = (accountApi.usePeopleQuery({}).data ?? []).filter((p) => p.disabledAt === null)
  const change = (i: number, part: Partial<Person>) => set(list.map((p, k) => (k === i ? { ...p, ...part } : p)))
  return (
    <div className="stack">
      {list.map((p, i) => (
        <div key={p.id} className="row">
          <FormField label={`Person ${i + 1}`} error={fieldMessage(failure, `people.${i}.name`)}>
            <AutoComplete
              aria-label={`Person ${i + 1}`}
              style={{ width: 170 }}
              value={p.name}
              options={names.map((n) => ({ value: n.name }))}
              onChange={(name: string) => change(i, { name, id: names.find((n) => n.name === name)?.id ?? p.id })}
            />
          </FormField>
          <FormField label="From" error={minuteOf(p.from) === null ? 'a time such as 7:00' : undefined}>
            <Input
              aria-label={`Person ${i + 1}, from`}
              style={{ width: 84 }}
              value={p.from}
              onChange={(e) => change(i, { from: e.target.value })}
            />
          </FormField>
          <FormField
            label="To"
            error={minuteOf(p.to) === null ? 'a time such as 15:30' : fieldMessage(failure, `people.${i}.to`)}
          >
            <Input
              aria-label={`Person ${i + 1}, to`}
              style={{ width: 84 }}
              value={p.to}
              onChange={(e) => change(i, { to: e.target.value })}
            />
          </FormField>
          {list.length > 1 ? <Button onClick={() => set(list.filter((_, k) => k !== i))}>Remove</Button> : null}
        </div>
      ))}
      {list.length < 6 ? (
        <Button onClick={() => set([...list, { id: uuid(), name: '', from: '7:00', to: '15:00' }])}>Add person</Button>
      ) : null}
    </div>
  )
}
