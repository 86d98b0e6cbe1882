import type { MachinePage } from '@motor-round/contract'
import { checkParts, measuredWords, partChecks, type Measured, type PartPoint } from '@motor-round/core/job'
import { parseFigure } from '@motor-round/core/quantity'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { lengthUnitOf, typedLength, type LengthUnit } from '../../app/lengths.ts'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { heads, tones } from './fit-words.ts'
import { knownParts } from './known-parts.ts'
import type { Say } from './use-job.ts'

type Typed = Readonly<Record<string, { readonly old: string; readonly now: string }>>

const blank = { old: '', now: '' }
const valueOf = (point: PartPoint, text: string, unit: LengthUnit): number | string | null => {
  if (point.kind === 'choice') return text === '' ? null : text
  const value = point.kind === 'length' ? typedLength(text, unit) : parseFigure(text)
  return value !== null && value >= 0 ? value : null
}
/** What was typed of each point, where both sides are figures. */
const measuredOf = (points: readonly PartPoint[], typed: Typed, unit: LengthUnit): Measured[] =>
  points.flatMap((p) => {
    // What is worked out is not typed.
    const own = p.worked ? valueOf(p, typed[p.id]?.old ?? '', unit) : null
    if (own !== null) return [{ point: p.id, old: own, now: own }]
    const [old, now] = [typed[p.id]?.old ?? '', typed[p.id]?.now ?? ''].map((t) => valueOf(p, t, unit))
    return old === null || old === undefined || now === null || now === undefined ? [] : [{ point: p.id, old, now }]
  })

function Side({
  point,
  label,
  value,
  unit,
  onChange,
}: {
  point: PartPoint
  label: string
  value: string
  unit: LengthUnit
  onChange: (text: string) => void
}) {
  const own = point.kind === 'length' ? unit : (point.unit ?? '')
  const choices = point.choices ?? []
  // A few are large enough for gloves.
  if (choices.length > 0 && choices.length <= 3)
    return (
      <Choice
        label={label}
        value={value === '' ? null : value}
        options={choices.map((c) => ({ value: c, label: c }))}
        onChange={(c) => onChange(c ?? '')}
      />
    )
  const wrong = value !== '' && valueOf(point, value, unit) === null
  return (
    <FormField label={own === '' ? label : `${label}, ${own}`} error={wrong ? 'enter a number' : undefined}>
      {point.kind === 'choice' ? (
        <Select
          value={value === '' ? null : value}
          placeholder="Choose"
          options={choices.map((c) => ({ value: c, label: c }))}
          onChange={(c: string) => onChange(c)}
        />
      ) : (
        <Input
          value={value}
          maxLength={20}
          inputMode={point.kind === 'length' && unit === 'in' ? 'text' : 'decimal'}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </FormField>
  )
}

const plain = (kept: unknown): { typed: Typed } | null =>
  typeof kept === 'object' && kept !== null && 'typed' in kept ? (kept as { typed: Typed }) : null

/**
 * New parts against the old ones, point by point: what cannot be undone stays shut until they fit. Without `say` they are
 * held against each other before they are ordered, and what was typed waits for the step.
 */
export function PartsCheck({
  page,
  jobId,
  step,
  say,
}: {
  page: MachinePage
  jobId: string
  step: string
  say: Say | null
}) {
  const points = partChecks[step] ?? []
  const unit = lengthUnitOf(page.site)
  const { draft, change, forget } = useKeptDraft<{ typed: Typed }>(`motor-round-parts ${jobId} ${step}`, plain, () => ({
    typed: knownParts(step, page, unit),
  }))
  const [tried, setTried] = useState(false)
  const measured = measuredOf(points, draft.typed, unit)
  const check = checkParts(step, measured)
  if (!check) return null
  const left = check.points.filter((p) => p.measured === null).length
  const put = (id: string, side: Partial<{ old: string; now: string }>) =>
    change((d) => ({ typed: { ...d.typed, [id]: { ...(d.typed[id] ?? blank), ...side } } }))
  const misfit = check.points.some((p) => p.grade === 'does not fit')
  const save = async () => {
    setTried(true)
    // What does not fit is worth keeping at once; what fits has to be whole.
    if (say === null || measured.length === 0 || (left > 0 && !misfit)) return
    if (await say({ kind: 'check', step, measured: [...measured] })) {
      forget()
      setTried(false)
    }
  }
  return (
    <Form
      className="stack"
      aria-label="Measure the parts"
      onFinish={() => {
        void save()
      }}
    >
      {check.points.map(({ point, measured: both, grade, because }) => (
        <fieldset key={point.id} className="job-trigger job-measure">
          <legend>{point.title}</legend>
          {(point.worked ? (['old'] as const) : (['old', 'now'] as const)).map((side) => (
            <Side
              key={side}
              point={point}
              label={side === 'old' ? (point.old ?? 'Old') : (point.now ?? 'New')}
              value={draft.typed[point.id]?.[side] ?? ''}
              unit={unit}
              onChange={(text) => put(point.id, { [side]: text })}
            />
          ))}
          {point.worked && both ? (
            <p>
              {point.now}: <b>{measuredWords(point, both.now, page.site.units)}</b>
            </p>
          ) : null}
          {grade === 'not known' ? null : (
            <p className={`note tone-${tones[grade]} job-measured`} role="status">
              <b>{heads[grade]}</b> {because}
            </p>
          )}
        </fieldset>
      ))}
      {tried && left > 0 && !misfit ? (
        <p className="note tone-fix" role="alert">
          {left === 1 ? 'One point is' : `${left} points are`} not measured yet.
        </p>
      ) : null}
      {say === null ? (
        <p className={misfit ? 'note tone-stop' : 'quiet'} role="status">
          {misfit ? 'Do not order it: it does not fit.' : left > 0 ? `${left} to measure` : 'By these figures it fits.'}
        </p>
      ) : (
        <div className="row">
          <Button type="primary" size="large" htmlType="submit" danger={misfit}>
            {misfit ? 'Save: it does not fit' : left > 0 ? `${left} to measure` : 'Save: the parts fit'}
          </Button>
        </div>
      )}
    </Form>
  )
}

/** What was measured in a step, with what does not fit first. */
export function Measures({ page, check }: { page: MachinePage; check: NonNullable<ReturnType<typeof checkParts>> }) {
  const rows = [...check.points].sort((a, b) => Number(b.grade === 'does not fit') - Number(a.grade === 'does not fit'))
  return (
    <ul className="rows">
      {rows.map(({ point, measured, grade, because }) =>
        measured ? (
          <li key={point.id} className={grade === 'drops in' ? '' : `tone-${tones[grade]}`}>
            <b>{point.title}:</b> {measuredWords(point, measured.old, page.site.units)} →{' '}
            {measuredWords(point, measured.now, page.site.units)}
            {because === '' ? '' : `. ${because}`}
          </li>
        ) : null,
      )}
    </ul>
  )
}
