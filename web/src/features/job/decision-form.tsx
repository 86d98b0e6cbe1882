import { decisions, means, type Decision, type JobStands, type Means } from '@motor-round/core/job'
import { Button, Form, Input, InputNumber, Select } from 'antd'
import { useState } from 'react'
import { DayInput } from '../../parts/day-input/index.ts'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import type { Say } from './use-job.ts'
import { decisionWords } from './words.ts'

/** What can be watched while a job waits. */
const watched = [
  { value: 'vibration', label: 'Vibration' },
  { value: 'amps', label: 'Amps' },
  { value: 'temperature', label: 'Temperature' },
  { value: 'sound', label: 'Sound' },
  { value: 'filter_drop', label: 'Pressure drop of the filters' },
  { value: 'contact_drop', label: 'Volts across a contact' },
] as const
type Watched = (typeof watched)[number]['value']

const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`

/** Who decided what, by what means, and what they were told; what was postponed says what brings it back. */
export function DecisionForm({
  offer,
  say,
  done,
}: {
  /** Of which an option is approved; null: nothing was priced. */
  offer: JobStands['offer']
  say: Say
  done: () => void
}) {
  const [decision, setDecision] = useState<Decision | null>(null)
  const [who, setWho] = useState('')
  const [by, setBy] = useState<Means | null>(null)
  const [words, setWords] = useState('')
  const [on, setOn] = useState('')
  const [quantity, setQuantity] = useState<Watched | null>(null)
  const [rise, setRise] = useState<number | null>(50)
  const [nextVisit, setNextVisit] = useState<boolean | null>(null)
  const [option, setOption] = useState<string | null>(null)
  const approves = decision === 'approved' && offer !== null
  const waits = decision === 'postponed'
  const back = on !== '' || nextVisit === true || (quantity !== null && rise !== null)
  const missing = [
    ...(decision === null ? ['what was decided'] : []),
    ...(who.trim() === '' ? ['the name'] : []),
    ...(by === null ? ['how'] : []),
    ...(approves && option === null ? ['the option'] : []),
    ...(waits && !back ? ['what brings it back'] : []),
  ]
  const save = async () => {
    if (decision === null || by === null) return
    const watches = quantity !== null && rise !== null
    const kept = await say({
      kind: 'decision',
      decision,
      who: who.trim(),
      means: by,
      words,
      chosen: approves && option !== null ? { offerId: offer.id, option: Number(option) } : null,
      trigger: waits
        ? {
            on: on === '' ? null : on,
            quantity: watches ? quantity : null,
            rise: watches ? rise / 100 : null,
            nextVisit: nextVisit === true,
          }
        : null,
    })
    if (kept) done()
  }
  return (
    <Form
      className="stack"
      aria-label="A decision"
      onFinish={() => {
        void save()
      }}
    >
      <Choice
        label="Decision"
        value={decision}
        options={decisions.map((value) => ({ value, label: decisionWords[value] }))}
        onChange={setDecision}
      />
      {approves ? (
        <Choice
          label="Option"
          value={option}
          options={offer.options.map((o, i) => ({ value: String(i), label: o.title }))}
          onChange={setOption}
        />
      ) : null}
      <FormField label="Who">
        <Input value={who} maxLength={60} onChange={(e) => setWho(e.target.value)} />
      </FormField>
      <Choice
        label="How"
        value={by}
        options={means.filter((m) => m !== 'link').map((value) => ({ value, label: capital(value) }))}
        onChange={setBy}
      />
      <FormField label="What they were told, price and hours">
        <Input.TextArea rows={2} value={words} maxLength={400} onChange={(e) => setWords(e.target.value)} />
      </FormField>
      {waits ? (
        <fieldset className="stack job-trigger">
          <legend>It comes back</legend>
          <FormField label="On a date">
            <DayInput label="On a date" value={on} onChange={setOn} />
          </FormField>
          <div className="row">
            <FormField label="When this grows">
              <Select<Watched | null>
                allowClear
                value={quantity}
                placeholder="Choose a figure"
                options={[...watched]}
                onChange={(v) => setQuantity(v ?? null)}
              />
            </FormField>
            <FormField label="By, %">
              <InputNumber controls={false} size="large" min={1} max={1000} value={rise} onChange={setRise} />
            </FormField>
          </div>
          <Choice
            label="At the next visit"
            value={nextVisit}
            options={[{ value: true, label: 'Yes' }]}
            onChange={setNextVisit}
          />
        </fieldset>
      ) : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0}>
          {missing.length > 0 ? `Enter ${missing[0] ?? ''}` : 'Save the decision'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}
