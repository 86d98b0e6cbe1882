import { workKinds, type WorkKindId } from '@motor-round/core/trend'
import { Button, Input, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { localInput } from '../../app/local-input.ts'
import { FailureNote, Field } from '../../parts/fields/index.ts'

/** Record work on a machine. Work that changes the drive or the air starts a new epoch. */
export function RecordWork({ machineId, now, done }: { machineId: string; now: number; done: () => void }) {
  const [id] = useState(() => uuid())
  const [kind, setKind] = useState<WorkKindId>('belts-tensioned')
  const [at, setAt] = useState(() => localInput(now))
  const [note, setNote] = useState('')
  const [save, attempt] = api.useSaveWorkMutation()
  const chosen = workKinds.find((k) => k.id === kind)
  return (
    <form
      className="sheet stack record-work"
      onSubmit={(e) => {
        e.preventDefault()
        void save({ body: { id, machineId, doneAt: new Date(at).toISOString(), kind, note } })
          .unwrap()
          .then(done, () => undefined)
      }}
    >
      <h2>Record work</h2>
      <div className="form-grid">
        <Field label="What was done">
          <Select<WorkKindId>
            aria-label="What was done"
            value={kind}
            options={workKinds.filter((k) => k.id !== 'motor-replaced').map((k) => ({ value: k.id, label: k.words }))}
            onChange={setKind}
          />
        </Field>
        <Field label="When">
          <Input type="datetime-local" value={at} onChange={(e) => setAt(e.target.value)} />
        </Field>
        <Field label="In a few words">
          <Input
            value={note}
            maxLength={400}
            placeholder="closed half a turn"
            onChange={(e) => setNote(e.target.value)}
          />
        </Field>
      </div>
      <p className="quiet">
        {chosen && chosen.breaks.length > 0
          ? 'This starts a new epoch: readings from before are not trended with those after. Read again now.'
          : 'This does not break the trend.'}
      </p>
      <FailureNote failure={attempt.error as Failure | undefined} kept="It stays here until you save." />
      <div className="row">
        <Button type="primary" htmlType="submit" loading={attempt.isLoading} disabled={at === ''}>
          Save work
        </Button>
        <Button onClick={done}>Leave it</Button>
      </div>
    </form>
  )
}
