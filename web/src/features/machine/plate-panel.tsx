import type { MachinePage, Motor } from '@motor-round/contract'
import { questionPlate, type Plate } from '@motor-round/core/plate'
import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { FailureNote, TroubleNote } from '../../parts/fields/index.ts'
import { StaleNote } from '../../parts/stale-note/index.ts'
import { motorDifferences, PlateCard } from '../../parts/plate/index.ts'

/** The plate of the installed motor, edited in place; questions about it stand below. */
export function PlatePanel({ page, mayEdit, now }: { page: MachinePage; mayEdit: boolean; now: number }) {
  const { motor, machine } = page
  // A draft remembers the version it was begun on, so that a refetch under it does not hide a stale edit; and it has an id, so
  // that a button hit twice, or an answer that was lost, changes the plate once.
  const [draft, setDraft] = useState<{ plate: Plate; base: Motor; changeId: string } | null>(null)
  const [edit, attempt] = api.useEditMotorMutation()
  const { save, trouble } = useSaveOrKeep()
  if (!motor)
    return (
      <div className="sheet">
        <h2>No motor nameplate</h2>
        <p>Without a nameplate there is no limit, so amps are not judged.</p>
        {mayEdit ? (
          <Link to={`/machines/${machine.id}/motor`}>
            <Button type="primary">Enter nameplate</Button>
          </Link>
        ) : null}
      </div>
    )
  const plate = draft?.plate ?? motor.plate
  const questions = questionPlate(plate)
  const failure = attempt.error as Failure | undefined
  const send = (p: Plate, version: number, changeId: string) => {
    const body = {
      version,
      plate: p,
      connectionVolts: motor.connectionVolts,
      installedAt: motor.installedAt,
      why: motor.why,
      substitute: motor.substitute,
    }
    const { id } = motor
    void save({ kind: 'plate', body: { ...body, id: changeId, motorId: id, machineId: machine.id } }, () =>
      edit({ params: { id }, body: { ...body, id, changeId } }).unwrap(),
    ).then((done) => {
      if (done) setDraft(null)
    })
  }
  return (
    <div className="stack plate-panel">
      <PlateCard
        plate={plate}
        serviceVolts={machine.serviceVolts}
        connectionVolts={motor.connectionVolts}
        caption={`${motor.substitute ? 'temporary substitute, ' : ''}installed ${motor.installedAt.startsWith('1970') ? 'before records began' : shortDay(motor.installedAt, now)}`}
        {...(mayEdit
          ? {
              onChange: (p: Plate) =>
                setDraft((d) => ({ plate: p, base: d?.base ?? motor, changeId: d?.changeId ?? uuid() })),
            }
          : {})}
      />
      {questions.map((q) => (
        <p key={q.asks} className="note tone-watch">
          <b className="condensed">Check:</b> {q.asks}
        </p>
      ))}
      {failure?.problem.status === 409 && draft ? (
        <StaleNote
          told={messageOf(failure)}
          differences={motorDifferences({ ...motor, plate }, failure.problem.current as Motor)}
          keepMine={() => send(plate, (failure.problem.current as Motor).version, draft.changeId)}
          takeTheirs={() => {
            setDraft(null)
            attempt.reset()
          }}
        />
      ) : (
        <FailureNote
          failure={failure?.noSignal ? undefined : failure}
          kept="Not saved yet; what you typed is kept here."
        />
      )}
      <TroubleNote words={trouble} />
      {draft ? (
        <div className="row">
          <Button
            type="primary"
            loading={attempt.isLoading}
            onClick={() => send(draft.plate, draft.base.version, draft.changeId)}
          >
            {questions.length > 0 ? 'Save nameplate anyway' : 'Save nameplate'}
          </Button>
          <Button
            onClick={() => {
              setDraft(null)
              attempt.reset()
            }}
          >
            Discard
          </Button>
        </div>
      ) : null}
      {machine.unitPlate ? (
        <p className="quiet">
          Unit plate allows {machine.unitPlate.amps} A at {machine.unitPlate.volts} V. The lower of the two nameplates
          is the limit.
        </p>
      ) : null}
      {mayEdit && !draft ? (
        <Link to={`/machines/${machine.id}/motor`}>
          <Button block>Replace the motor</Button>
        </Link>
      ) : null}
      {page.motor && !draft ? (
        <Link to={`/machines/${machine.id}/wiring`}>
          <Button block>Motor connection</Button>
        </Link>
      ) : null}
      {page.pastMotors.length > 0 ? (
        <div>
          <h3>Earlier motors</h3>
          {page.pastMotors.map((m) => (
            <p key={m.id} className="quiet">
              {m.plate.maker ?? 'Motor'}{' '}
              {m.plate.power === undefined ? '' : `${m.plate.power} ${m.plate.powerUnit ?? 'hp'}`},{' '}
              {m.plate.amps ?? 'amps not read'} A, {shortDay(m.installedAt, now)} to{' '}
              {m.removedAt ? shortDay(m.removedAt, now) : 'now'}
              {m.removedWhy ? `: ${m.removedWhy}` : ''}
            </p>
          ))}
        </div>
      ) : null}
    </div>
  )
}
