import type { Gate, Judgement } from '@motor-round/core/judge'
import type { VisitRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
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

/** What can be done here. Always the same functions, so that nothing is drawn for their sake. */
export interface JudgeActs {
  readonly setState: (state: VisitState) => void
  readonly restore: () => void
  readonly pass: (p: GatePass) => void
  /** @param tracing whether the fault is looked for next */
  readonly send: (tracing: boolean) => void
}

/** Everything that is told of the visit, the note, and Save. */
export const JudgePart = memo(function JudgePart({
  judgement,
  note,
  reason,
  state,
  answered,
  old,
  count,
  closing,
  person,
  saving: { saving, failure, trouble, queuedHere },
  button,
  change,
  acts: { setState, restore, pass, send },
}: {
  judgement: Judgement | null
  /** Of what is being entered only that which is shown here: a key in a cell draws nothing of it anew. */
  note: string
  reason: string
  state: VisitState
  answered: boolean
  old: VisitRecord | null
  count: number
  /** What was lifted or opened and is not entered as back; null where nothing is missing. */
  closing: Gate | null
  person: string
  saving: Pick<SaveVisit, 'saving' | 'failure' | 'trouble' | 'queuedHere'>
  button: RefObject<HTMLButtonElement | null>
  change: (part: Partial<Draft>) => void
  acts: JudgeActs
}) {
  const said = note.trim() !== '' || answered || state.turning !== null
  const nothing = count === 0 && !said
  const barred = nothing || closing !== null || (old !== null && reason.trim() === '')
  const unseen = state.turning === null && judgement !== null && judgement.rail.legs.length > 0
  return (
    <section className="visit-part part-judge" aria-label="Results">
      {judgement?.gates.map((g) => (
        <PassedNote key={g.id} gate={g} />
      ))}
      {unseen ? (
        <Choice
          label="Turning"
          value={state.turning}
          options={turningOptions}
          onChange={(turning) => setState({ ...state, turning })}
        />
      ) : null}
      <AllVerdicts judgement={nothing ? null : judgement} />
      <div className="stack">
        <Field label="Note">
          <Input.TextArea
            value={note}
            autoSize={{ minRows: 1, maxRows: 4 }}
            maxLength={1000}
            onChange={(e) => change({ note: e.target.value })}
          />
        </Field>
        {old ? (
          <Field label="Why it is corrected">
            <Input value={reason} maxLength={400} onChange={(e) => change({ reason: e.target.value })} />
          </Field>
        ) : null}
        {closing ? <GateNote key="close" gate={closing} name={person} back={restore} pass={pass} /> : null}
        <FailureNote failure={failure?.noSignal ? undefined : failure} kept="What you typed is kept here." />
        {queuedHere === null ? null : (
          <p className="note tone-ok kept-here" role="status">
            No signal: saved on this phone, {show.count(queuedHere, 'reading')}. Synced when there is a signal.
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
          loading={saving}
          disabled={barred}
          onClick={() => send(false)}
        >
          {old ? 'Save correction' : 'Save visit'}
        </Button>
        {old === null && (judgement?.level === 'fix' || judgement?.level === 'stop') ? (
          <Button size="large" block disabled={barred || saving} onClick={() => send(true)}>
            Save and find the fault
          </Button>
        ) : null}
      </div>
    </section>
  )
})
