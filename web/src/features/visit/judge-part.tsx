import type { Gate, Judgement } from '@motor-round/core/judge'
import type { VisitRecord } from '@motor-round/contract'
import type { GatePass, VisitState } from '@motor-round/core/trend'
import { Button, Input } from 'antd'
import { memo, type RefObject } from 'react'
import { Choice, FailureNote, Field, TroubleNote } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Verdicts } from '../machine/index.ts'
import { GateNote, PassedNote } from './gate-note.tsx'
import { turningOptions } from './state-form.tsx'
import type { Draft } from './use-draft.ts'
import type { SaveVisit } from './use-save.ts'

/** What this visit says, worst first; what was found before and is still open; and what is good, folded. */
const AllVerdicts = memo(function AllVerdicts({ judgement }: { judgement: Judgement | null }) {
  if (!judgement) return <p className="quiet">Nothing read yet.</p>
  const bad = judgement.verdicts.filter((v) => v.level !== 'ok')
  const good = judgement.verdicts.filter((v) => v.level === 'ok')
  const before = judgement.conditions.map((k) => k.verdict).filter((v) => !judgement.verdicts.includes(v))
  return (
    <>
      <p className="row">
        <LevelMark level={judgement.level} filled /> {judgement.completeness.summary}
      </p>
      {bad.length > 0 ? <Verdicts verdicts={bad} /> : null}
      {before.length > 0 ? (
        <section aria-label="Open from earlier visits">
          <h2>Open from earlier visits</h2>
          <Verdicts verdicts={before} />
        </section>
      ) : null}
      {good.length > 0 ? (
        <details>
          <summary>
            {good.length} {good.length === 1 ? 'check' : 'checks'} OK
          </summary>
          <Verdicts verdicts={good} />
        </details>
      ) : null}
    </>
  )
})

/** Everything that is told of the visit, the note, and Save. */
export function JudgePart({
  judgement,
  draft,
  old,
  count,
  closing,
  person,
  saving,
  button,
  change,
  setState,
  restore,
  pass,
  send,
}: {
  judgement: Judgement | null
  draft: Draft
  old: VisitRecord | null
  count: number
  /** What was lifted or opened and is not entered as back; null where nothing is missing. */
  closing: Gate | null
  person: string
  saving: SaveVisit
  button: RefObject<HTMLButtonElement | null>
  change: (part: Partial<Draft>) => void
  setState: (state: VisitState) => void
  restore: () => void
  pass: (p: GatePass) => void
  /** @param tracing whether the fault is looked for next */
  send: (tracing: boolean) => void
}) {
  const { failure, trouble, queuedHere } = saving
  const said = draft.note.trim() !== '' || Object.keys(draft.answers).length > 0 || draft.state.turning !== null
  const nothing = count === 0 && !said
  const barred = nothing || closing !== null || (old !== null && draft.reason.trim() === '')
  const unseen = draft.state.turning === null && judgement !== null && judgement.rail.legs.length > 0
  return (
    <section className="visit-part part-judge" aria-label="Results">
      {judgement?.gates.map((g) => (
        <PassedNote key={g.id} gate={g} />
      ))}
      {unseen ? (
        <Choice
          label="Turning"
          value={draft.state.turning}
          options={turningOptions}
          onChange={(turning) => setState({ ...draft.state, turning })}
        />
      ) : null}
      <AllVerdicts judgement={judgement} />
      <div className="stack">
        <Field label="Note">
          <Input.TextArea
            value={draft.note}
            autoSize={{ minRows: 1, maxRows: 4 }}
            maxLength={1000}
            onChange={(e) => change({ note: e.target.value })}
          />
        </Field>
        {old ? (
          <Field label="Why it is corrected">
            <Input value={draft.reason} maxLength={400} onChange={(e) => change({ reason: e.target.value })} />
          </Field>
        ) : null}
        {closing ? <GateNote key="close" gate={closing} name={person} back={restore} pass={pass} /> : null}
        <FailureNote failure={failure?.noSignal ? undefined : failure} kept="What you typed is kept here." />
        {queuedHere === null ? null : (
          <p className="note tone-ok kept-here" role="status">
            No signal: saved on this phone, {queuedHere} readings. They are synced when there is a signal.
          </p>
        )}
        <TroubleNote words={trouble} />
      </div>
      {/* In reach however long the list is. */}
      <div className="save-bar">
        <Button
          ref={button}
          type="primary"
          size="large"
          block
          loading={saving.saving}
          disabled={barred}
          onClick={() => send(false)}
        >
          {old ? 'Save correction' : 'Save visit'}
        </Button>
        {old === null && (judgement?.level === 'fix' || judgement?.level === 'stop') ? (
          <Button size="large" block disabled={barred || saving.saving} onClick={() => send(true)}>
            Save and find the fault
          </Button>
        ) : null}
      </div>
    </section>
  )
}
