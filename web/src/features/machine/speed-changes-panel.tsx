import type { MachinePage, SpeedChangeRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { Button, Descriptions, Form, Input } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { lengthUnitOf, showLength } from '../../app/lengths.ts'
import { useClock } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { changeWords } from '../speed-change/index.ts'

/** What came of it against what was said: inside, or by how much it missed. */
function proof({ predicted, measured }: SpeedChangeRecord): string {
  if (!measured) return ''
  const off = measured.amps / predicted.amps - 1
  const inside = measured.amps >= predicted.low && measured.amps <= predicted.high
  return inside ? `as predicted, ${show.signed(off * 100, 1)} %` : `${show.signed(off * 100, 1)} % off the prediction`
}

function PlannedChange({
  speedChange,
  page,
  now,
  mayAct,
}: {
  speedChange: SpeedChangeRecord
  page: MachinePage
  now: number
  mayAct: boolean
}) {
  const [ids] = useState(() => ({ work: uuid(), belts: uuid() }))
  const clock = useClock()
  const [dropping, setDropping] = useState(false)
  const [why, setWhy] = useState('')
  const [carryOut, doing] = api.useFinishSpeedChangeMutation()
  const [drop, leaving] = api.useCancelSpeedChangeMutation()
  const { save, trouble } = useSaveOrKeep()
  const done = doing.error as Failure | undefined
  const failure = done?.noSignal ? undefined : done
  const unit = lengthUnitOf(page.site)
  const p = speedChange.predicted
  const open = speedChange.doneAt === null && speedChange.droppedAt === null
  const itIsDone = () => {
    const doneAt = new Date(clock()).toISOString()
    const fact = { id: ids.work, beltsId: ids.belts, speedChangeId: speedChange.id, machineId: page.machine.id, doneAt }
    return save({ kind: 'speed-change-done', body: fact }, () =>
      carryOut({ params: { id: speedChange.id }, body: { workId: ids.work, doneAt } }).unwrap(),
    )
  }
  return (
    <div className="stack ruled speed-change">
      <p>
        <b>{changeWords(speedChange.change, null, unit)}</b>
        {p.newBelt ? `, belt ${p.newBelt.section}${p.newBelt.number}` : ''}
        {p.center === null ? '' : `, centers ${showLength(p.center, unit)}`}
      </p>
      <Descriptions
        className="change-proof"
        layout="vertical"
        size="small"
        colon={false}
        column={3}
        items={[
          { key: 'was', label: 'Before', children: `${show.amps(p.was)} A` },
          {
            key: 'amps',
            label: 'Predicted',
            children: (
              <>
                {show.amps(p.amps)} A <small>{`${show.amps(p.low)} to ${show.amps(p.high)}`}</small>
              </>
            ),
          },
          {
            key: 'measured',
            label: 'Measured',
            children: speedChange.measured ? (
              <>
                {show.amps(speedChange.measured.amps)} A <small>{proof(speedChange)}</small>
              </>
            ) : speedChange.doneAt === null ? (
              '–'
            ) : (
              'take readings'
            ),
          },
        ]}
      />
      <p className="quiet">
        {speedChange.by}, {shortDay(speedChange.madeAt, now)}
        {speedChange.doneAt ? ` · done ${shortDay(speedChange.doneAt, now)}` : ''}
        {speedChange.droppedAt ? ` · dropped: ${speedChange.droppedWhy}` : ''}
      </p>
      {speedChange.doneAt !== null && speedChange.measured === null && mayAct ? (
        <p>
          <Link to={`/machines/${page.machine.id}/visit`}>Take readings to confirm it</Link>
        </p>
      ) : null}
      {open && mayAct && !dropping ? (
        <div className="row">
          <Button type="primary" loading={doing.isLoading} onClick={() => void itIsDone()}>
            Mark done
          </Button>
          <Button onClick={() => setDropping(true)}>Cancel work</Button>
        </div>
      ) : null}
      {dropping && open ? (
        <Form
          className="row"
          onFinish={() => {
            void drop({ params: { id: speedChange.id }, body: { why } })
          }}
        >
          <Input
            aria-label="Why it is canceled"
            placeholder="Why"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <Button htmlType="submit" loading={leaving.isLoading} disabled={why.trim() === ''}>
            Cancel work
          </Button>
          <Button type="text" onClick={() => setDropping(false)}>
            Keep
          </Button>
        </Form>
      ) : null}
      <FailureNote failure={failure ?? (leaving.error as Failure | undefined)} kept="Nothing was saved." />
      <TroubleNote words={trouble} />
    </div>
  )
}

/** Speed changes: those to be done first, then what became of the others. */
export function SpeedChangesPanel({ page, now, mayAct }: { page: MachinePage; now: number; mayAct: boolean }) {
  if (page.speedChanges.length === 0) return null
  const rank = (p: SpeedChangeRecord) => (p.droppedAt ? 2 : p.doneAt === null ? 0 : 1)
  const speedChanges = [...page.speedChanges].sort((a, b) => rank(a) - rank(b))
  return (
    <section className="sheet">
      <header>
        <h2>Planned speed changes</h2>
        <span className="quiet">predicted and measured</span>
      </header>
      {speedChanges.map((p) => (
        <PlannedChange key={p.id} speedChange={p} page={page} now={now} mayAct={mayAct} />
      ))}
    </section>
  )
}
