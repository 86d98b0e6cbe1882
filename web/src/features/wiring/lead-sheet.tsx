import type { MachinePage } from '@motor-round/contract'
import {
  functionsFor,
  leadSheetGaps,
  type LeadFunction,
  type LeadSheet,
  type LeadSide,
} from '@motor-round/core/electrical'
import { unsaid } from '@motor-round/core/trend'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { notKeptWords } from '../../app/device-text.ts'
import type { Failure } from '../../app/failure.ts'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { useClock } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { Choice, FailureNote, TroubleNote } from '../../parts/fields/index.ts'

type Draft = LeadSheet & { readonly id: string }

const empty = (): Draft => ({ id: uuid(), old: {}, new: {}, oldTurns: null, newTurns: null })
const read = (kept: unknown): Draft | null => {
  const part = kept as Partial<Draft> | null
  return typeof part?.id === 'string' && typeof part.old === 'object' && typeof part.new === 'object'
    ? { ...empty(), ...part }
    : null
}

const turns = [
  { value: 'clockwise', label: 'Clockwise' },
  { value: 'counter-clockwise', label: 'Counter-clockwise' },
] as const

/** The sheet in words, as it stands in the record of the machine. */
function wordsOf(sheet: LeadSheet, phases: 1 | 3): string {
  const rows = functionsFor(phases).flatMap(({ id, words }) => {
    const [was, is] = [sheet.old[id]?.trim() ?? '', sheet.new[id]?.trim() ?? '']
    return was === '' && is === '' ? [] : [`${words}: ${was || 'none'} → ${is || 'none'}`]
  })
  return ['Lead sheet, old motor → new motor.', ...rows, `Turns: ${sheet.oldTurns ?? '?'} → ${sheet.newTurns ?? '?'}`]
    .join('\n')
    .slice(0, 1000)
}

/** Old motor to new, lead by lead: kept on this device until it is saved to the machine, also without a signal. */
export function LeadSheetForm({ page, mayAct }: { page: MachinePage; mayAct: boolean }) {
  const { machine } = page
  const { draft, change, forget, kept } = useKeptDraft<Draft>(`lead-sheet ${machine.id}`, read, empty)
  const [make, attempt] = api.useSaveVisitMutation()
  const { save, trouble } = useSaveOrKeep()
  const [pressed, setPressed] = useState(false)
  const clock = useClock()
  const navigate = useNavigate()
  const gaps = leadSheetGaps(draft, machine.phases)
  const failure = attempt.error as Failure | undefined
  const enter = (side: 'old' | 'new', id: LeadFunction, text: string) =>
    change((o) => ({ [side]: { ...o[side], [id]: text } satisfies LeadSide }))
  const send = async () => {
    setPressed(true)
    if (gaps.length > 0) return
    const body = {
      id: draft.id,
      machineId: machine.id,
      takenAt: new Date(clock()).toISOString(),
      state: unsaid,
      readings: [],
      answers: {},
      passes: [],
      note: wordsOf(draft, machine.phases),
      supersedes: null,
      reason: '',
    }
    if (!(await save({ kind: 'visit', body }, () => make({ body }).unwrap()))) return
    forget()
    void navigate(`/machines/${machine.id}`)
  }
  return (
    <section className="sheet stack" aria-label="Lead sheet">
      <header>
        <h2>Lead sheet</h2>
        <span className="quiet">old motor to new; numbers or colors, several with commas</span>
      </header>
      <table className="lead-sheet">
        <thead>
          <tr>
            <th scope="col">What it does</th>
            <th scope="col">Old motor</th>
            <th scope="col">New motor</th>
          </tr>
        </thead>
        <tbody>
          {functionsFor(machine.phases).map((f) => (
            <tr key={f.id}>
              <th scope="row">{f.words}</th>
              {(['old', 'new'] as const).map((side) => (
                <td key={side}>
                  <Input
                    size="large"
                    aria-label={`${f.words}, ${side} motor`}
                    maxLength={60}
                    value={draft[side][f.id] ?? ''}
                    onChange={(e) => enter(side, f.id, e.target.value)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Choice
        label="Old motor turned"
        options={turns}
        value={draft.oldTurns}
        onChange={(oldTurns) => change({ oldTurns })}
      />
      <Choice
        label="New motor turns"
        options={turns}
        value={draft.newTurns}
        onChange={(newTurns) => change({ newTurns })}
      />
      <p className="quiet">
        Both seen from the same end. Taps go by what they do, not by their color. The ground stays connected.
      </p>
      {pressed && gaps.length > 0 ? (
        <div className="note tone-watch" role="alert">
          <ul className="bullets">
            {gaps.map((g) => (
              <li key={g}>{g}</li>
            ))}
          </ul>
        </div>
      ) : null}
      <TroubleNote words={kept ? trouble : notKeptWords} />
      <FailureNote failure={failure?.noSignal ? undefined : failure} kept="The sheet stays on this device." />
      <div className="row no-print">
        {mayAct ? (
          <Button type="primary" size="large" loading={attempt.isLoading} onClick={() => void send()}>
            Save to the machine
          </Button>
        ) : null}
        <Button size="large" onClick={() => window.print()}>
          Print
        </Button>
      </div>
    </section>
  )
}
