import type { AskGroup } from '@motor-round/core/judge'
import { Input } from 'antd'
import { memo } from 'react'
import { Choice, Field } from '../../parts/fields/index.ts'

/** The questions of a group that are answered by a word or a line. */
export const AnswersRow = memo(function AnswersRow({
  group,
  answers,
  set,
}: {
  group: AskGroup
  answers: Readonly<Record<string, string>>
  set: (id: string, value: string | null) => void
}) {
  const asks = group.asks.filter((a) => a.kind !== 'reading')
  if (asks.length === 0) return null
  return (
    <div className="visit-answers" role="group" aria-label={group.title}>
      {asks.map((a) =>
        a.kind === 'choice' ? (
          <Choice
            key={a.id}
            label={a.label}
            value={answers[a.id] ?? null}
            options={a.options.map(([value, label]) => ({ value, label }))}
            onChange={(v) => set(a.id, v)}
          />
        ) : (
          <Field key={a.id} label={a.label}>
            <Input
              value={answers[a.id] ?? ''}
              maxLength={400}
              size="large"
              onChange={(e) => set(a.id, e.target.value === '' ? null : e.target.value)}
            />
          </Field>
        ),
      )}
    </div>
  )
})
