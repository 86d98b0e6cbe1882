import type { Judgement } from '@motor-round/core/judge'
import type { StopRecord } from '@motor-round/contract'
import { Button, Input } from 'antd'
import { memo, type RefObject } from 'react'
import { FailureNote, Field, TroubleNote } from '../../parts/fields/index.ts'
import { Verdicts } from '../machine/index.ts'
import { PassedNote } from './gate-note.tsx'
import type { Draft } from './use-draft.ts'
import type { SaveStop } from './use-save.ts'

const AllVerdicts = memo(function AllVerdicts({ judgement }: { judgement: Judgement | null }) {
  return judgement ? <Verdicts verdicts={judgement.verdicts} /> : <p className="quiet">Nothing read yet.</p>
})

/** Everything that is told of the stop, the note, and Save. */
export function JudgePart({
  judgement,
  draft,
  old,
  count,
  saving,
  button,
  change,
  send,
}: {
  judgement: Judgement | null
  draft: Draft
  old: StopRecord | null
  count: number
  saving: SaveStop
  button: RefObject<HTMLButtonElement | null>
  change: (part: Partial<Draft>) => void
  send: () => void
}) {
  const { failure, trouble, keptHere } = saving
  const nothing = count === 0 && draft.note.trim() === '' && Object.keys(draft.answers).length === 0
  return (
    <section className="stop-part part-judge" aria-label="Judge">
      {judgement?.gates.map((g) => (
        <PassedNote key={g.id} gate={g} />
      ))}
      <AllVerdicts judgement={judgement} />
      <div className="stack stop-save">
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
        <FailureNote failure={failure?.noSignal ? undefined : failure} kept="What was typed stays here." />
        {keptHere === null ? null : (
          <p className="kept-here" role="status">
            No signal: kept on this phone, {keptHere} readings. It goes home by itself.
          </p>
        )}
        <TroubleNote words={trouble} />
        <Button
          ref={button}
          type="primary"
          size="large"
          block
          loading={saving.saving}
          disabled={nothing || (old !== null && draft.reason.trim() === '')}
          onClick={send}
        >
          {old ? 'Save correction' : 'Save stop'}
        </Button>
      </div>
    </section>
  )
}
