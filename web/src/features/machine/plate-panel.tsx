import type { MachinePage, Motor } from '@motor-round/contract'
import { questionPlate, type Plate } from '@motor-round/core/plate'
import { Button } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { shortDay } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { FailureNote, StaleNote, type Difference } from '../../parts/fields/index.ts'
import { PlateCard, plateCells, readCell } from '../../parts/plate/index.ts'

/** The cells in which two plates differ, as they are read. */
const differing = (mine: Plate, theirs: Plate): Difference[] =>
  plateCells
    .map((c) => ({
      what: c.title,
      mine: readCell(mine, c.field) || 'blank',
      theirs: readCell(theirs, c.field) || 'blank',
    }))
    .filter((d) => d.mine !== d.theirs)

/** The plate of the fitted motor, edited in place; questions about it stand below. */
export function PlatePanel({ page, mayEdit, now }: { page: MachinePage; mayEdit: boolean; now: number }) {
  const { motor, machine } = page
  // A draft remembers the version it was begun on, so that a refetch under it does not hide a stale edit.
  const [draft, setDraft] = useState<{ plate: Plate; base: Motor } | null>(null)
  const [save, attempt] = api.useEditMotorMutation()
  if (!motor)
    return (
      <div className="sheet">
        <h2>No motor plate</h2>
        <p>Without a plate there is no limit, and amps are not judged.</p>
        {mayEdit ? (
          <Link to={`/machines/${machine.id}/motor`}>
            <Button type="primary">Enter the plate</Button>
          </Link>
        ) : null}
      </div>
    )
  const plate = draft?.plate ?? motor.plate
  const questions = questionPlate(plate)
  const failure = attempt.error as Failure | undefined
  const send = (p: Plate, version: number) =>
    void save({
      params: { id: motor.id },
      body: {
        id: motor.id,
        version,
        plate: p,
        connectionVolts: motor.connectionVolts,
        fittedAt: motor.fittedAt,
        why: motor.why,
        standIn: motor.standIn,
      },
    })
      .unwrap()
      .then(
        () => setDraft(null),
        () => undefined,
      )
  return (
    <div className="stack plate-panel">
      <PlateCard
        plate={plate}
        serviceVolts={machine.serviceVolts}
        connectionVolts={motor.connectionVolts}
        caption={`${motor.standIn ? 'stand-in, ' : ''}fitted ${motor.fittedAt.startsWith('1970') ? 'before the book' : shortDay(motor.fittedAt, now)}`}
        {...(mayEdit ? { onChange: (p: Plate) => setDraft((d) => ({ plate: p, base: d?.base ?? motor })) } : {})}
      />
      {questions.map((q) => (
        <p key={q.asks} className="plate-question">
          <b className="condensed">Look again:</b> {q.asks}
        </p>
      ))}
      {failure?.problem.status === 409 && draft ? (
        <StaleNote
          failure={failure}
          differences={differing(plate, (failure.problem.current as Motor).plate)}
          keepMine={() => send(plate, (failure.problem.current as Motor).version)}
          takeTheirs={() => {
            setDraft(null)
            attempt.reset()
          }}
        />
      ) : (
        <FailureNote failure={failure} kept="The plate stays as you typed it until you save." />
      )}
      {draft ? (
        <div className="row">
          <Button type="primary" loading={attempt.isLoading} onClick={() => send(draft.plate, draft.base.version)}>
            {questions.length > 0 ? 'Save plate as it is' : 'Save plate'}
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
          Unit plate allows {machine.unitPlate.amps} A at {machine.unitPlate.volts} V. The lower of the two plates is
          the limit.
        </p>
      ) : null}
      {mayEdit && !draft ? (
        <Link to={`/machines/${machine.id}/motor`}>
          <Button block>Replace the motor</Button>
        </Link>
      ) : null}
      {page.pastMotors.length > 0 ? (
        <div>
          <h3>Before it</h3>
          {page.pastMotors.map((m) => (
            <p key={m.id} className="quiet">
              {m.plate.maker ?? 'Motor'}{' '}
              {m.plate.power === undefined ? '' : `${m.plate.power} ${m.plate.powerUnit ?? 'hp'}`},{' '}
              {m.plate.amps ?? 'amps not read'} A, {shortDay(m.fittedAt, now)} to{' '}
              {m.removedAt ? shortDay(m.removedAt, now) : 'now'}
              {m.removedWhy ? `: ${m.removedWhy}` : ''}
            </p>
          ))}
        </div>
      ) : null}
    </div>
  )
}
