import type { MachinePage } from '@motor-round/contract'
import { workOfSlot, type PartSlot, type RemovedFor } from '@motor-round/core/installed'
import { parseFigure } from '@motor-round/core/quantity'
import { workKinds, type WorkKindId } from '@motor-round/core/trend'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { lengthUnitOf } from '../../app/lengths.ts'
import { localInput } from '../../app/local-input.ts'
import { useClock } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { CameOut } from '../../parts/came-out/index.ts'
import { DayTimeInput } from '../../parts/day-input/index.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { driveOf, inPlace, partWords } from '../drive-train/index.ts'

/** Kinds whose part is in a slot of its own: recorded there the part has a life, and the old one stays in the past. */
const slotOf = (kind: WorkKindId): PartSlot | null =>
  kind === 'sheave-changed' || kind === 'bearings-renewed'
    ? null
    : ((Object.entries(workOfSlot) as [PartSlot, WorkKindId][]).find(([, k]) => k === kind)?.[0] ?? null)

/** Record work on a machine. Work that changes the drive or the air starts a new baseline. */
export function RecordWork({ page, now, done }: { page: MachinePage; now: number; done: () => void }) {
  const machineId = page.machine.id
  const [id] = useState(() => uuid())
  const [kind, setKind] = useState<WorkKindId>('belts-tensioned')
  const clock = useClock()
  const { save: saveOrKeep, trouble } = useSaveOrKeep()
  const [at, setAt] = useState(() => localInput(clock()))
  const [note, setNote] = useState('')
  const [removedFor, setRemovedFor] = useState<RemovedFor | null>(null)
  const adjustable = driveOf(page, now)?.adjustable ?? null
  const [turns, setTurns] = useState('')
  const [save, attempt] = api.useSaveWorkMutation()
  const [fit, fitting] = api.useInstallPartMutation()
  const chosen = workKinds.find((k) => k.id === kind)
  const slot = slotOf(kind)
  const part = slot && inPlace(page, slot)
  const asksTurns = kind === 'sheave-turned' && adjustable !== null
  const after = parseFigure(turns)
  const wrong = asksTurns && turns.trim() !== '' && after === null ? `“${turns}” is not a number` : undefined
  const failure = (part ? fitting.error : attempt.error) as Failure | undefined
  const doneAt = () => new Date(at).toISOString()
  const work = () => ({
    id,
    machineId,
    doneAt: doneAt(),
    kind,
    note,
    ...(asksTurns && after !== null ? { turns: { before: adjustable.turns, after } } : {}),
  })
  const send = () => {
    if (!part) return saveOrKeep({ kind: 'work', body: work() }, () => save({ body: work() }).unwrap())
    const body = { id, part: part.part, installedAt: doneAt(), why: note, removedFor, removedWhy: 'renewed' }
    return saveOrKeep({ kind: 'part', body: { ...body, machineId } }, () =>
      fit({ params: { id: machineId }, body }).unwrap(),
    )
  }
  return (
    <Form
      className="sheet stack record-work"
      onFinish={() => {
        if (wrong !== undefined) return
        void send().then((kept) => {
          if (kept) done()
        })
      }}
    >
      <h2>Record work</h2>
      <div className="form-grid">
        <FormField label="What was done">
          <Select<WorkKindId>
            aria-label="What was done"
            showSearch={{ optionFilterProp: 'label' }}
            // Some thirty kinds: all of them are drawn, so that a thumb finds them.
            virtual={false}
            value={kind}
            options={workKinds.filter((k) => k.id !== 'motor-replaced').map((k) => ({ value: k.id, label: k.words }))}
            onChange={setKind}
          />
        </FormField>
        {asksTurns ? (
          <FormField label={`Turns open now (was ${adjustable.turns})`} error={wrong ?? fieldMessage(failure, 'turns')}>
            <Input value={turns} inputMode="decimal" suffix="turns" onChange={(e) => setTurns(e.target.value)} />
          </FormField>
        ) : null}
        <FormField label="When" error={fieldMessage(failure, 'installedAt')}>
          <DayTimeInput label="When" value={at} onChange={setAt} />
        </FormField>
        {part ? <CameOut value={removedFor} onChange={setRemovedFor} /> : null}
        <FormField label="Notes">
          <Input value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
        </FormField>
      </div>
      {part ? (
        <p>
          Same as before: <b>{partWords(part.part, lengthUnitOf(page.site))}</b>.{' '}
          <Link to={`/machines/${machineId}/drive`}>Different size</Link>
        </p>
      ) : null}
      <p className="quiet">
        {chosen && chosen.breaks.length > 0
          ? 'This starts a new baseline: readings from before are not trended with those after. Take readings now.'
          : 'This does not start a new baseline.'}
      </p>
      <FailureNote
        failure={failure?.noSignal ? undefined : failure}
        kept="Not saved yet; what you typed is kept here."
      />
      <TroubleNote words={trouble} />
      <div className="row">
        <Button type="primary" htmlType="submit" loading={attempt.isLoading || fitting.isLoading} disabled={at === ''}>
          Save work
        </Button>
        <Button onClick={done}>Cancel</Button>
      </div>
    </Form>
  )
}
