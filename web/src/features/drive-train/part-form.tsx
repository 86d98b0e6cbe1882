import type { PartRecord } from '@motor-round/contract'
import type { PartSlot, RemovedFor } from '@motor-round/core/installed'
import { Button, Form, Input, Select, Switch } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import type { LengthUnit } from '../../app/lengths.ts'
import { localInput } from '../../app/local-input.ts'
import { useClock } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { CameOut } from '../../parts/came-out/index.ts'
import { DayTimeInput } from '../../parts/day-input/index.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { asked, draftOfPart, partOfDraft } from './part-draft.ts'
import { slotFields, slotWords } from './slots.ts'

/** Enter, replace or correct what is in a slot. */
export function PartForm({
  machineId,
  slot,
  unit,
  inPlace,
  correct,
  done,
}: {
  machineId: string
  slot: PartSlot
  unit: LengthUnit
  inPlace: PartRecord | null
  /** Correct the record instead of fitting another. */
  correct: boolean
  done: () => void
}) {
  const [id] = useState(() => (correct && inPlace ? inPlace.id : uuid()))
  // A replacement is most often the same size again.
  const [draft, setDraft] = useState(() => draftOfPart(slot, inPlace?.part ?? null, unit))
  const clock = useClock()
  const [at, setAt] = useState(() => localInput(correct && inPlace ? Date.parse(inPlace.installedAt) : clock()))
  const [why, setWhy] = useState(correct ? (inPlace?.why ?? '') : '')
  const [outFor, setOutFor] = useState<RemovedFor | null>(null)
  const [outWhy, setOutWhy] = useState('')
  const [substitute, setSubstitute] = useState(correct ? (inPlace?.substitute ?? false) : false)
  const [tried, setTried] = useState(false)
  const [fit, fitting] = api.useInstallPartMutation()
  const [edit, editing] = api.useEditPartMutation()
  const { save: saveOrKeep, trouble } = useSaveOrKeep()
  const failed = (correct ? editing.error : fitting.error) as Failure | undefined
  // A part that was installed is kept on this phone where nobody answers.
  const failure = !correct && failed?.noSignal ? undefined : failed
  const typed = partOfDraft(slot, draft, unit)
  const wrong = (key: string) =>
    (tried && !typed.ok ? typed.wrong[key] : undefined) ?? fieldMessage(failure, `part.spec.${key}`)
  const save = () => {
    setTried(true)
    if (!typed.ok) return
    const body = { id, part: typed.part, installedAt: new Date(at).toISOString(), why, substitute }
    if (correct) {
      void edit({ params: { id }, body: { ...body, version: inPlace?.version ?? 1 } })
        .unwrap()
        .then(done, () => undefined)
      return
    }
    const installed = { ...body, removedFor: outFor, removedWhy: outWhy }
    void saveOrKeep({ kind: 'part', body: { ...installed, machineId } }, () =>
      fit({ params: { id: machineId }, body: installed }).unwrap(),
    ).then((kept) => {
      if (kept) done()
    })
  }
  return (
    <Form
      className="note tone-act stack"
      aria-label={`${slotWords[slot]}: ${correct ? 'correct' : inPlace ? 'replace' : 'enter'}`}
      onFinish={() => {
        save()
      }}
    >
      <div className="form-grid">
        {slotFields[slot]
          .filter((f) => asked(f, draft))
          .map((f) => (
            <FormField key={f.key} label={`${f.label}${f.needed ? '' : ' (if known)'}`} error={wrong(f.key)}>
              {f.kind === 'choice' ? (
                <Select<string>
                  aria-label={f.label}
                  showSearch={(f.options?.length ?? 0) > 8}
                  allowClear={f.needed !== true}
                  value={draft[f.key] || null}
                  options={(f.options ?? []).map(([value, label]) => ({ value, label }))}
                  onChange={(v: string | undefined) => setDraft({ ...draft, [f.key]: v ?? '' })}
                />
              ) : (
                <Input
                  value={draft[f.key] ?? ''}
                  inputMode={f.kind === 'text' ? 'text' : 'decimal'}
                  suffix={f.kind === 'length' ? unit : f.unit}
                  onChange={(e) => setDraft({ ...draft, [f.key]: e.target.value })}
                />
              )}
            </FormField>
          ))}
        <FormField label="Installed" error={fieldMessage(failure, 'installedAt')}>
          <DayTimeInput label="Installed" value={at} onChange={setAt} />
        </FormField>
        {inPlace && !correct ? (
          <>
            <CameOut value={outFor} onChange={setOutFor} />
            <FormField label="What was wrong with the old one">
              <Input value={outWhy} maxLength={400} onChange={(e) => setOutWhy(e.target.value)} />
            </FormField>
          </>
        ) : null}
        <FormField label="Notes">
          <Input value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
        </FormField>
        <FormField label="Temporary substitute">
          <span>
            <Switch aria-label="Temporary substitute" checked={substitute} onChange={setSubstitute} />
          </span>
        </FormField>
      </div>
      {inPlace && !correct ? (
        <p className="quiet">The old part stays in the history. A new baseline starts: take readings after the work.</p>
      ) : null}
      {tried && !typed.ok ? (
        <p role="alert" className="field-error">
          Correct the marked fields.
        </p>
      ) : null}
      <FailureNote failure={failure} kept="Not saved yet; what you typed is kept here." />
      <TroubleNote words={trouble} />
      <div className="row">
        <Button type="primary" htmlType="submit" loading={fitting.isLoading || editing.isLoading} disabled={at === ''}>
          {correct ? 'Save correction' : inPlace ? 'Save replacement' : 'Save'}
        </Button>
        <Button onClick={done}>Cancel</Button>
      </div>
    </Form>
  )
}
