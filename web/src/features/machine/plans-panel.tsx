import type { MachinePage, PlanRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { Button, Input } from 'antd'
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
import { changeWords } from '../speed-bench/index.ts'

/** What came of it against what was said: inside, or by how much it missed. */
function proof({ predicted, measured }: PlanRecord): string {
  if (!measured) return ''
  const off = measured.amps / predicted.amps - 1
  const inside = measured.amps >= predicted.low && measured.amps <= predicted.high
  return inside ? `as predicted, ${show.signed(off * 100, 1)} %` : `${show.signed(off * 100, 1)} % off the prediction`
}

function Plan({ plan, page, now, mayAct }: { plan: PlanRecord; page: MachinePage; now: number; mayAct: boolean }) {
  const [ids] = useState(() => ({ work: uuid(), belts: uuid() }))
  const clock = useClock()
  const [dropping, setDropping] = useState(false)
  const [why, setWhy] = useState('')
  const [carryOut, doing] = api.useDoPlanMutation()
  const [drop, leaving] = api.useDropPlanMutation()
  const { save, trouble } = useSaveOrKeep()
  const done = doing.error as Failure | undefined
  const failure = done?.noSignal ? undefined : done
  const unit = lengthUnitOf(page.machine)
  const p = plan.predicted
  const open = plan.doneAt === null && plan.droppedAt === null
  const itIsDone = () => {
    const doneAt = new Date(clock()).toISOString()
    const fact = { id: ids.work, beltsId: ids.belts, planId: plan.id, machineId: page.machine.id, doneAt }
    return save({ kind: 'plan-done', body: fact }, () =>
      carryOut({ params: { id: plan.id }, body: { workId: ids.work, doneAt } }).unwrap(),
    )
  }
  return (
    <div className="plan">
      <p>
        <b>{changeWords(plan.change, null, unit)}</b>
        {p.newBelt ? `, belt ${p.newBelt.section}${p.newBelt.number}` : ''}
        {p.centre === null ? '' : `, centers ${showLength(p.centre, unit)}`}
      </p>
      <table className="plan-proof">
        <thead>
          <tr>
            <th scope="col">Before</th>
            <th scope="col">Predicted</th>
            <th scope="col">Measured</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>{show.amps(p.was)} A</td>
            <td>
              {show.amps(p.amps)} A <small>{`${show.amps(p.low)} to ${show.amps(p.high)}`}</small>
            </td>
            <td>
              {plan.measured ? (
                <>
                  {show.amps(plan.measured.amps)} A <small>{proof(plan)}</small>
                </>
              ) : plan.doneAt === null ? (
                '–'
              ) : (
                'take readings'
              )}
            </td>
          </tr>
        </tbody>
      </table>
      <p className="quiet">
        {plan.by}, {shortDay(plan.madeAt, now)}
        {plan.doneAt ? ` · done ${shortDay(plan.doneAt, now)}` : ''}
        {plan.droppedAt ? ` · dropped: ${plan.droppedWhy}` : ''}
      </p>
      {plan.doneAt !== null && plan.measured === null && mayAct ? (
        <p>
          <Link to={`/machines/${page.machine.id}/stop`}>Take readings to confirm it</Link>
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
        <form
          className="row"
          onSubmit={(e) => {
            e.preventDefault()
            void drop({ params: { id: plan.id }, body: { why } })
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
        </form>
      ) : null}
      <FailureNote failure={failure ?? (leaving.error as Failure | undefined)} kept="Nothing was saved." />
      <TroubleNote words={trouble} />
    </div>
  )
}

/** Changes from the bench: those to be done first, then what became of the others. */
export function PlansPanel({ page, now, mayAct }: { page: MachinePage; now: number; mayAct: boolean }) {
  if (page.plans.length === 0) return null
  const rank = (p: PlanRecord) => (p.droppedAt ? 2 : p.doneAt === null ? 0 : 1)
  const plans = [...page.plans].sort((a, b) => rank(a) - rank(b))
  return (
    <section className="sheet">
      <header>
        <h2>Planned speed changes</h2>
        <span className="quiet">predicted and measured</span>
      </header>
      {plans.map((p) => (
        <Plan key={p.id} plan={p} page={page} now={now} mayAct={mayAct} />
      ))}
    </section>
  )
}
