import { optionKinds, optionWords } from '@motor-round/core/job'
import { Button, Input, InputNumber, Select } from 'antd'
import { FormField } from '../../parts/form-field/index.ts'
import type { OptionDraft, PartDraft } from './offer-draft.ts'

/** A number of a form, with its unit in the label. */
export function NumberField({
  label,
  value,
  error,
  min = 0,
  max = 10_000_000,
  onChange,
}: {
  label: string
  value: number | null
  error?: string | undefined
  min?: number
  max?: number
  onChange: (value: number | null) => void
}) {
  return (
    <FormField label={label} error={error}>
      <InputNumber
        controls={false}
        size="large"
        className="job-number"
        inputMode="decimal"
        min={min}
        max={max}
        value={value}
        onChange={onChange}
      />
    </FormField>
  )
}

function Part({
  part,
  fault,
  change,
  remove,
}: {
  part: PartDraft
  fault: (key: string) => string | undefined
  change: (part: Partial<PartDraft>) => void
  remove: () => void
}) {
  return (
    <li className="job-part">
      <FormField label="Part" error={fault('name')}>
        <Input value={part.name} maxLength={80} onChange={(e) => change({ name: e.target.value })} />
      </FormField>
      <NumberField label="Count" value={part.count} error={fault('count')} onChange={(count) => change({ count })} />
      <NumberField label="Each, $" value={part.price} error={fault('price')} onChange={(price) => change({ price })} />
      <Button aria-label={`Remove ${part.name === '' ? 'the part' : part.name}`} onClick={remove}>
        Remove
      </Button>
    </li>
  )
}

/** One option: what is done, and all that it costs. */
export function OptionFields({
  option,
  title,
  fault,
  change,
  remove,
}: {
  option: OptionDraft
  title: string
  fault: (key: string) => string | undefined
  change: (part: Partial<OptionDraft>) => void
  remove: (() => void) | null
}) {
  const parts = option.parts
  const put = (i: number, part: Partial<PartDraft>) =>
    change({ parts: parts.map((p, at) => (at === i ? { ...p, ...part } : p)) })
  return (
    <fieldset className="stack job-trigger">
      <legend>{title}</legend>
      <FormField label="What kind">
        <Select
          value={option.kind}
          options={optionKinds.map((value) => ({ value, label: optionWords[value] }))}
          onChange={(kind) => change({ kind })}
        />
      </FormField>
      <FormField label="What is done" error={fault('title')}>
        <Input value={option.title} maxLength={120} onChange={(e) => change({ title: e.target.value })} />
      </FormField>
      <div className="job-numbers">
        <NumberField
          label="Hours on site"
          value={option.hours}
          error={fault('hours')}
          onChange={(hours) => change({ hours })}
        />
        <NumberField
          label="People"
          value={option.people}
          error={fault('people')}
          onChange={(people) => change({ people })}
        />
        <NumberField
          label="Hours without the fan"
          value={option.down}
          error={fault('down')}
          onChange={(down) => change({ down })}
        />
        <NumberField
          label="Lasts, years"
          value={option.years}
          error={fault('years')}
          onChange={(years) => change({ years })}
        />
        <NumberField
          label="Lift and access, $"
          value={option.access}
          error={fault('access')}
          onChange={(access) => change({ access })}
        />
      </div>
      <ul className="job-parts" aria-label={`Parts of ${title}`}>
        {parts.map((p, i) => (
          <Part
            key={i}
            part={p}
            fault={(key) => fault(`parts.${i}.${key}`)}
            change={(part) => put(i, part)}
            remove={() => change({ parts: parts.filter((_, at) => at !== i) })}
          />
        ))}
      </ul>
      <div className="row">
        <Button
          disabled={parts.length >= 20}
          onClick={() => change({ parts: [...parts, { name: '', count: 1, price: null }] })}
        >
          Add a part
        </Button>
      </div>
      <FormField label="Risk, in plain words" error={fault('risk')}>
        <Input value={option.risk} maxLength={300} onChange={(e) => change({ risk: e.target.value })} />
      </FormField>
      {remove ? (
        <div className="row">
          <Button onClick={remove}>Remove this option</Button>
        </div>
      ) : null}
    </fieldset>
  )
}
