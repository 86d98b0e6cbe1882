import { offHours as offHoursShape, type LivePage } from '@motor-round/contract'
import type { OffHours } from '@motor-round/core/live'
import { Button, Input, InputNumber, Select } from 'antd'
import { useState } from 'react'
import type { Failure } from '../../app/failure.ts'
import { liveApi } from '../../app/live-api.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { dayOptions, offHoursWords } from './words.ts'

interface Draft {
  readonly days: readonly number[]
  readonly from: string
  readonly to: string
  readonly hz: number | null
}
const fresh: Draft = { days: [1, 2, 3, 4, 5], from: '20:00', to: '05:30', hz: null }

const minuteOf = (text: string): number => {
  const [h = NaN, m = NaN] = text.split(':').map(Number)
  return h * 60 + m
}

/** Hours in which a machine should be off, or slow: live data is held against them. */
export function OffHoursPanel({ id, page, mayLead }: { id: string; page: LivePage; mayLead: boolean }) {
  const [save, saving] = liveApi.useSetOffHoursMutation()
  const [draft, setDraft] = useState<Draft | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const send = (list: readonly OffHours[]) => save({ params: { id }, body: { offHours: [...list] } }).unwrap()
  const add = () => {
    if (!draft) return
    const read = offHoursShape.safeParse({ ...draft, from: minuteOf(draft.from), to: minuteOf(draft.to) })
    setWrong(read.success ? null : (read.error.issues[0]?.message ?? 'not valid'))
    if (read.success)
      void send([...page.offHours, read.data]).then(
        () => setDraft(null),
        () => undefined,
      )
  }
  return (
    <section className="sheet stack" aria-label="Off hours">
      <header>
        <h2>Off hours</h2>
        <span className="quiet">by the clock of the site</span>
      </header>
      {page.offHours.length === 0 ? (
        <p className="quiet">
          None entered. Enter when this fan should be off, or slow at night: running then is told as a result.
        </p>
      ) : (
        <ul className="live-off">
          {page.offHours.map((o, i) => (
            <li key={offHoursWords(o)}>
              {offHoursWords(o)}
              {mayLead ? (
                <Button onClick={() => void send(page.offHours.filter((_, k) => k !== i)).catch(() => undefined)}>
                  Remove
                </Button>
              ) : null}
            </li>
          ))}
        </ul>
      )}
      {draft ? (
        <div className="stack">
          <FormField label="Days">
            <Select
              mode="multiple"
              size="large"
              value={[...draft.days]}
              options={dayOptions}
              onChange={(days: number[]) => setDraft({ ...draft, days })}
            />
          </FormField>
          <div className="row">
            <FormField label="From">
              <Input
                type="time"
                size="large"
                value={draft.from}
                onChange={(e) => setDraft({ ...draft, from: e.target.value })}
              />
            </FormField>
            <FormField label="To">
              <Input
                type="time"
                size="large"
                value={draft.to}
                onChange={(e) => setDraft({ ...draft, to: e.target.value })}
              />
            </FormField>
            <FormField label="At most, Hz (blank: off)">
              <InputNumber
                size="large"
                min={1}
                max={120}
                value={draft.hz}
                onChange={(hz) => setDraft({ ...draft, hz })}
              />
            </FormField>
          </div>
          {wrong === null ? null : (
            <p className="field-error" role="alert">
              {wrong}
            </p>
          )}
          <div className="row">
            <Button type="primary" size="large" loading={saving.isLoading} onClick={add}>
              Save off hours
            </Button>
            <Button size="large" onClick={() => setDraft(null)}>
              Cancel
            </Button>
          </div>
        </div>
      ) : mayLead ? (
        <div className="row">
          <Button size="large" onClick={() => setDraft(fresh)}>
            Add off hours
          </Button>
        </div>
      ) : null}
      <FailureNote failure={saving.error as Failure | undefined} kept="What you entered stays." />
    </section>
  )
}
