import { waitingRuleOf, waitingRules } from '@motor-round/core/job'
import { Button, Select } from 'antd'
import { FormField } from '../../parts/form-field/index.ts'
import { UnitField } from './unit-field.tsx'
import type { OfferDraft } from './offer-draft.ts'

type List = OfferDraft['waiting']

/** What waiting costs: ways that can be worked out, each with its figures. */
export function WaitingFields({
  list,
  metric,
  start,
  fault,
  change,
}: {
  list: List
  metric: boolean
  /** Figures of a rule to begin with. */
  start: (rule: string) => List[number]['figures']
  fault: (path: string) => string | undefined
  change: (list: List) => void
}) {
  const free = waitingRules.filter((r) => !list.some((w) => w.rule === r.id))
  return (
    <fieldset className="stack job-trigger">
      <legend>What waiting costs</legend>
      {list.map((w, i) => {
        const rule = waitingRuleOf.get(w.rule)
        return rule ? (
          <div key={w.rule} className="stack" role="group" aria-label={rule.title}>
            <b>{rule.title}</b>
            <div className="job-numbers">
              {rule.fields.map((f) => (
                <UnitField
                  key={f.key}
                  title={f.title}
                  unit={f.unit}
                  metric={metric}
                  value={w.figures[f.key] ?? null}
                  error={fault(`waiting.${i}.figures.${f.key}`)}
                  min={f.min}
                  max={f.max}
                  onChange={(value) =>
                    change(list.map((x, at) => (at === i ? { ...x, figures: { ...x.figures, [f.key]: value } } : x)))
                  }
                />
              ))}
            </div>
            <ul className="quiet">
              {rule.assumptions.map((a) => (
                <li key={a}>{a}</li>
              ))}
            </ul>
            <div className="row">
              <Button onClick={() => change(list.filter((_, at) => at !== i))}>Remove</Button>
            </div>
          </div>
        ) : null
      })}
      {free.length > 0 ? (
        <FormField label="Add a cost of waiting">
          <Select<string | null>
            value={null}
            placeholder="Choose what costs money while it waits"
            options={free.map((r) => ({ value: r.id, label: r.title }))}
            onChange={(rule) => {
              if (rule !== null) change([...list, { rule, figures: start(rule) }])
            }}
          />
        </FormField>
      ) : null}
    </fieldset>
  )
}
