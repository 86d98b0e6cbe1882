import type { MachinePage } from '@motor-round/contract'
import { contextOf, type CheckDefinition, type JudgeInput } from '@motor-round/core/judge'
import { allowedCurrent } from '@motor-round/core/plate'
import { Button } from 'antd'
import { useMemo, useRef, useState } from 'react'
import { useDispatch } from 'react-redux'
import { api } from '../../app/api.ts'
import { notKeptWords } from '../../app/device-text.ts'
import { useJudging } from '../../app/judging.ts'
import { useClock } from '../../app/now.ts'
import type { ShownUnits } from '@motor-round/core/quantity'
import { enqueueVisit } from '../../offline/core/enqueue.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { factsOf } from './cells.ts'
import { CheckCard } from './check-card.tsx'
import { useDraft } from './use-draft.ts'
import { useEntry } from './use-entry.ts'
import { useVisit } from './use-visit.ts'

/**
 * The figures of one check, entered where the fault is being looked for: a small visit of its own, judged and kept like any other.
 * @param trace the search it belongs to; what is being typed is kept under it
 * @param means what the figures say there, in words; empty where they do not tell yet
 */
export function CheckFigures({
  page,
  check,
  units,
  trace,
  means,
  done,
}: {
  page: MachinePage
  check: CheckDefinition
  units: ShownUnits
  trace: string
  means: (input: JudgeInput) => readonly string[]
  done: () => void
}) {
  const { machine, motor } = page
  const facts = useMemo(() => factsOf(machine), [machine])
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  // Of all that can be read, one check: what a whole visit would ask besides is not missing here.
  const { draft, change, forget, kept } = useDraft(machine.id, `${trace} ${check.id}`, { scope: 'both' })
  const [trouble, setTrouble] = useState<string | null>(null)
  const clock = useClock()
  const dispatch = useDispatch()
  const [openedAt] = useState(() => clock())
  const judging = useJudging(page)
  const plateAmps =
    allowedCurrent(motor?.plate ?? null, machine.unitPlate, machine.serviceVolts, motor?.connectionVolts ?? undefined)
      ?.amps ?? null
  const saveButton = useRef<HTMLButtonElement>(null)
  const plain = useMemo(() => ({ ...draft, scope: 'running' as const }), [draft])
  const { readings, answers, visit, judgement } = useVisit(plain, null, units, openedAt, judging)
  const step = { phase: check.phase, check: check.id }
  const entry = useEntry({
    facts,
    draft,
    change,
    units,
    known: {
      readings,
      past: page.visits,
      expected: { amps: plateAmps, volts: machine.serviceVolts },
    },
    steps: [step],
    step,
    setStep: () => saveButton.current?.focus(),
    locked: false,
  })
  const said = useMemo(
    () => (judging && readings.length > 0 ? means(judging(visit)) : []),
    [judging, readings, visit, means],
  )
  const save = async () => {
    if (entry.toDoubt()) return
    const at = clock()
    const failed = await enqueueVisit(
      me,
      {
        id: draft.id,
        machineId: machine.id,
        takenAt: new Date(at).toISOString(),
        state: draft.state,
        readings,
        answers,
        passes: [],
        note: 'Read while finding a fault',
        supersedes: null,
        reason: '',
      },
      { round: null, level: judgement?.level ?? null, at },
    )
    setTrouble(failed)
    if (failed !== null) return
    forget()
    dispatch(api.util.invalidateTags(['machine', 'round', 'machineList']))
    done()
  }
  const nothing = readings.length === 0 && Object.keys(answers).length === 0
  return (
    <div className="stack visit-inset">
      <TroubleNote words={kept ? null : notKeptWords} />
      <CheckCard
        check={check}
        page={page}
        old={null}
        draft={draft}
        units={units}
        judgement={judgement}
        advice={check.advice && judging ? check.advice(contextOf(judging(visit))) : null}
        at={entry.at}
        called={entry.called}
        asking={entry.asking}
        focus={entry.focus}
        type={entry.type}
        answer={entry.answer}
        next={entry.next}
        previous={entry.previous}
        again={(c) => entry.type(c, '')}
      />
      <p role="status">
        {said.length > 0 ? (
          <>
            Counts as: <b>{said.join(' · ')}</b>
          </>
        ) : nothing ? null : (
          'Not enough yet to count as a result. It is kept all the same.'
        )}
      </p>
      <TroubleNote words={trouble} />
      <div className="row">
        <Button ref={saveButton} type="primary" size="large" disabled={nothing} onClick={() => void save()}>
          {nothing ? 'Enter a figure to save' : 'Save the figures'}
        </Button>
        <Button size="large" onClick={done}>
          Back to the answers
        </Button>
      </div>
      <p className="quiet">Saved with the readings of the machine: nothing is entered twice.</p>
    </div>
  )
}
