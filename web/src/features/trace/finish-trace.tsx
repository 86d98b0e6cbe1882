import type { MachinePage, TraceRecord } from '@motor-round/contract'
import { findingLevels } from '@motor-round/core/finding'
import { causeOf, condemn, testOf, type Result, type Suspect, type TraceStands } from '@motor-round/core/trace'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { useClock } from '../../app/now.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'
import { Choice, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { levelWords } from '../../parts/level-mark/index.ts'

/** Motor and drive are condemned only with their proving tests: what is missing is said before anything is ordered. */
function condemning(suspect: Suspect, results: readonly Result[], direct: boolean): string | null {
  const remedy = causeOf.get(suspect.id)?.remedy
  if (remedy !== 'motor' && remedy !== 'drive') return null
  const { condemned, missing, ways } = condemn(remedy, results, direct)
  if (condemned) return null
  const words = missing.map(([t]) => testOf.get(t)?.title.toLowerCase() ?? t).join(', ')
  return `Do not condemn the ${remedy} yet: ${ways > 1 ? 'none of its proving tests is there' : `missing ${words}`}. Read at its own terminals, twice.`
}

/** The end of a trace: a finding with its cause, how sure it is, and what shows it. */
export function FinishTrace({ page, trace, stands }: { page: MachinePage; trace: TraceRecord; stands: TraceStands }) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const clock = useClock()
  const dispatch = useDispatch()
  const [cause, setCause] = useState<string | null>(null)
  const [level, setLevel] = useState<(typeof findingLevels)[number] | null>(null)
  const [note, setNote] = useState('')
  const [open, setOpen] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const results = stands.evidence.filter((e) => e.counts.kind === 'counts').map((e) => e.result)
  // What a person dropped is not offered first.
  const [likeliest] = stands.suspects.filter((s) => s.dropped === null || s.back)
  const suspect = stands.suspects.find((s) => s.id === (cause ?? likeliest?.id))
  // Begun by mistake, it says nothing: there is nothing to end.
  if (!suspect || (results.length === 0 && trace.complaint === null && trace.words.trim() === '')) return null
  if (!open && cause === null && suspect.p < 0.6)
    return (
      <div className="row">
        <Button onClick={() => setOpen(true)}>Finish without proof</Button>
      </div>
    )
  const warning = condemning(suspect, results, page.machine.drive === 'direct')
  const save = async () => {
    if (level === null) return
    const at = new Date(clock()).toISOString()
    const said =
      suspect.confidence === 'proven'
        ? 'Proven'
        : suspect.confidence === 'open'
          ? 'A guess, not proven'
          : `${suspect.confidence}, not proven`
    const text = `${suspect.name}. ${said.charAt(0).toUpperCase()}${said.slice(1)}.${note.trim() === '' ? '' : ` ${note.trim()}`}`
    const failed = await tryEnqueue(me, [
      {
        kind: 'trace-step',
        body: {
          id: uuid(),
          traceId: trace.id,
          machineId: trace.machineId,
          at,
          kind: 'closed',
          cause: suspect.id,
          confidence: suspect.confidence,
          note,
        },
      },
      {
        kind: 'finding',
        body: { id: uuid(), machineId: trace.machineId, visitId: trace.visitId, at, level, text: text.slice(0, 300) },
      },
    ])
    setTrouble(failed)
    if (failed === null) dispatch(api.util.invalidateTags(['machine', 'round']))
  }
  return (
    <section className="sheet stack" aria-label="Finish">
      <header>
        <h2>Finish the trace</h2>
      </header>
      <Form
        className="stack"
        onFinish={() => {
          void save()
        }}
      >
        <FormField label="Cause">
          <Select
            value={suspect.id}
            onChange={setCause}
            showSearch
            optionFilterProp="label"
            options={stands.suspects.map((s) => ({ value: s.id, label: `${s.name} (${s.confidence})` }))}
          />
        </FormField>
        {warning === null ? null : (
          <p className="note tone-fix" role="note">
            {warning}
          </p>
        )}
        {suspect.confidence === 'proven' ? null : (
          <p className="quiet">
            It is not proven: it is kept, and shown in reports, as{' '}
            {suspect.confidence === 'open' ? 'a guess' : suspect.confidence}.
          </p>
        )}
        <Choice
          label="Level"
          value={level}
          options={findingLevels.map((value) => ({ value, label: levelWords[value] }))}
          onChange={setLevel}
        />
        <FormField label="Note">
          <Input value={note} maxLength={200} onChange={(e) => setNote(e.target.value)} />
        </FormField>
        <TroubleNote words={trouble} />
        <div className="row">
          <Button type="primary" size="large" htmlType="submit" disabled={level === null}>
            {level === null ? 'Choose a level to save' : 'Save as finding'}
          </Button>
        </div>
      </Form>
    </section>
  )
}
