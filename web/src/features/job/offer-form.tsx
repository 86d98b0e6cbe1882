import type { JobRecord, MachinePage } from '@motor-round/contract'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { useClock } from '../../app/now.ts'
import { DayInput } from '../../parts/day-input/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { keptOffer, leaveOption, readDraft, startDraft, startFigures, type OptionDraft } from './offer-draft.ts'
import { NumberField, OptionFields } from './option-fields.tsx'
import { WaitingFields } from './waiting-fields.tsx'
import type { Say } from './use-job.ts'

/** Options with their prices, and what waiting costs; kept on this phone while it is typed. */
export function OfferForm({
  page,
  job,
  minutes,
  say,
  done,
}: {
  page: MachinePage
  job: JobRecord
  /** Of the whole job, by its plan. */
  minutes: number
  say: Say
  done: () => void
}) {
  const clock = useClock()
  const key = `motor-round-offer ${job.id}`
  const { draft, change, forget } = useKeptDraft(key, keptOffer, () => startDraft(page, job, minutes, clock()))
  const [tried, setTried] = useState(false)
  const { offer, faults } = readDraft(draft)
  const fault = (path: string) => (tried ? faults.get(path) : undefined)
  const put = (i: number, part: Partial<OptionDraft>) =>
    change({ options: draft.options.map((o, at) => (at === i ? { ...o, ...part } : o)) })
  const save = async () => {
    setTried(true)
    if (!offer) return
    if (!(await say({ kind: 'offer', ...offer, options: [...offer.options] }))) return
    forget()
    done()
  }
  return (
    <Form
      className="stack"
      aria-label="Options"
      onFinish={() => {
        void save()
      }}
    >
      <FormField label="What is wrong, in one line for the person who pays" error={fault('words')}>
        <Input.TextArea
          rows={2}
          value={draft.words}
          maxLength={300}
          onChange={(e) => change({ words: e.target.value })}
        />
      </FormField>
      <div className="job-numbers">
        <NumberField
          label="Labor, $ an hour"
          value={draft.rate}
          error={fault('rate')}
          onChange={(rate) => change({ rate })}
        />
        <NumberField
          label="An hour without the fan, $"
          value={draft.downHour}
          error={fault('downHour')}
          onChange={(downHour) => change({ downHour })}
        />
      </div>
      {draft.options.map((o, i) => (
        <OptionFields
          key={i}
          option={o}
          title={`Option ${i + 1}`}
          fault={(path) => fault(`options.${i}.${path}`)}
          change={(part) => put(i, part)}
          remove={
            draft.options.length > 1 ? () => change({ options: draft.options.filter((_, at) => at !== i) }) : null
          }
        />
      ))}
      <div className="row">
        <Button
          size="large"
          disabled={draft.options.length >= 5}
          onClick={() =>
            change({ options: [...draft.options, { ...leaveOption, kind: 'repair', title: '', years: null }] })
          }
        >
          Add an option
        </Button>
      </div>
      <WaitingFields
        list={draft.waiting}
        metric={page.site.units === 'metric'}
        start={(rule) => startFigures(rule, page, draft)}
        fault={fault}
        change={(waiting) => change({ waiting })}
      />
      <FormField label="The price holds until" error={fault('validUntil')}>
        <DayInput
          label="The price holds until"
          value={draft.validUntil}
          onChange={(validUntil) => change({ validUntil })}
        />
      </FormField>
      {tried && faults.size > 0 ? (
        <p className="note tone-fix" role="alert">
          {faults.size === 1 ? 'One field is' : `${faults.size} fields are`} missing or not valid.
        </p>
      ) : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit">
          Save the options
        </Button>
        <Button size="large" onClick={done}>
          Later
        </Button>
      </div>
    </Form>
  )
}
