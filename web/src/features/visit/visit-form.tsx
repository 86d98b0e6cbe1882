import type { ShownUnits } from '@motor-round/core/quantity'
import { coreVisit, type MachinePage, type VisitRecord } from '@motor-round/contract'
import { checksOf, contextOf, gatesFor, judge, phasesFor, type PhaseId, type ScopeId } from '@motor-round/core/judge'
import { allowedCurrent } from '@motor-round/core/plate'
import type { GatePass, VisitState } from '@motor-round/core/trend'
import { Button } from 'antd'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { api } from '../../app/api.ts'
import { notKeptWords } from '../../app/device-text.ts'
import { useClock } from '../../app/now.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { SafePart } from '../../parts/safe-part/index.ts'
import { useMay } from '../../app/shell/index.ts'
import { useJudging } from '../../app/judging.ts'
import { cellsOf, factsOf, isBad, type Cell } from './cells.ts'
import { CheckCard } from './check-card.tsx'
import { CheckNav } from './check-nav.tsx'
import { GateNote } from './gate-note.tsx'
import { slipAt } from './guard.ts'
import { Head } from './head.tsx'
import { InsulationClock } from './insulation-clock.tsx'
import { JudgePart } from './judge-part.tsx'
import { asTyped, MeterPanel } from './meter/meter-panel.tsx'
import { useMeter, valueOf, type MeterValue } from './meter/use-meter.ts'
import { gateBefore, PhaseNav } from './phase-nav.tsx'
import { ScopeChoice } from './scope-choice.tsx'
import { StateForm } from './state-form.tsx'
import { startOf } from './start-of.ts'
import { useDraft, type Draft } from './use-draft.ts'
import { useSaveVisit } from './use-save.ts'
import { useVisit } from './use-visit.ts'
import { firstOf, stateStep, stepFrom, stepsOf, type Step } from './walk.ts'
import { WaitClock } from './wait-clock.tsx'
import './visit.css'

/** The visit page: its phases, the gates between them, the checks in each, and what they say. Digits and Enter carry it. */
export function VisitForm({
  page,
  old,
  units,
  round = null,
  scope = null,
}: {
  page: MachinePage
  old: VisitRecord | null
  units: ShownUnits
  /** The round it is taken on, to which one goes back; and what that round asks for here. */
  round?: string | null
  scope?: ScopeId | null
}) {
  const { machine, motor } = page
  const facts = useMemo(() => factsOf(machine), [machine])
  const { draft, change, forget, kept } = useDraft(
    machine.id,
    old?.id ?? null,
    old || scope === null ? startOf(old, units) : { scope },
  )
  const [step, setStep] = useState<Step>(() => {
    const planned = stepsOf(facts, draft.scope, phasesFor(draft.scope, { readings: [], answers: {} }))
    return firstOf(planned, draft.scope === 'running' ? 'live' : 'look')
  })
  const [at, setAt] = useState(0)
  // Counts the times the cursor was called to a cell, so that it comes even when it is the same one.
  const [called, setCalled] = useState(0)
  const due = useCallback((i: number) => {
    setAt(i)
    setCalled((n) => n + 1)
  }, [])
  const [meterOpen, setMeterOpen] = useState(false)
  const [asking, setAsking] = useState<ReturnType<typeof slipAt>>(null)
  const mayAct = useMay('mechanic')
  const person = api.useSessionQuery({}).data?.person
  const judging = useJudging(page)
  const policies = api.usePoliciesQuery({}).data?.policies
  const navigate = useNavigate()
  const saveButton = useRef<HTMLButtonElement>(null)
  const clock = useClock()
  const [openedAt] = useState(() => clock())
  const back = round === null ? `/machines/${machine.id}` : `/rounds/${round}/walk`
  const saving = useSaveVisit(round, back, forget)

  const { readings, answers, visit, judgement } = useVisit(draft, old, units, openedAt, judging)
  // Once something was locked out or opened the visit goes through Power up, whatever it was meant to be.
  const walked = useMemo(() => phasesFor(draft.scope, { readings, answers }), [draft.scope, readings, answers])
  const holding = useMemo(() => gatesFor(draft.scope, { readings, answers }), [draft.scope, readings, answers])
  const steps = useMemo(() => stepsOf(facts, draft.scope, walked), [facts, draft.scope, walked])
  // The first judgement on a cold phone takes ten times the later ones: it is made on an earlier visit, before a key falls.
  const opened = useRef(page)
  useEffect(() => {
    if (!judging) return undefined
    const earlier = opened.current.visits.find((s) => s.readings.length > 3)
    if (!earlier) return undefined
    const warm = setTimeout(() => {
      for (let i = 0; i < 5; i++) judge(judging(coreVisit(earlier)))
    }, 100)
    return () => clearTimeout(warm)
  }, [judging])
  const plateAmps =
    allowedCurrent(motor?.plate ?? null, machine.unitPlate, machine.serviceVolts, motor?.connectionVolts ?? undefined)
      ?.amps ?? null
  const guard = (cell: Pick<Cell, 'quantity' | 'position'>) =>
    slipAt(
      cell,
      readings,
      page.visits.filter((s) => s.id !== old?.id),
      { amps: plateAmps, volts: machine.serviceVolts },
      draft.meant,
    )

  const checks = checksOf(facts, draft.scope, step.phase)
  const check = checks.find((c) => c.id === step.check) ?? null
  const cells = check ? cellsOf(check.groups(facts), units) : []
  const go = useCallback((to: Step) => {
    setAsking(null)
    setAt(0)
    setStep(to)
  }, [])
  useEffect(() => {
    if (step.phase === 'judge') saveButton.current?.focus({ preventScroll: true })
  }, [step.phase])

  const gateId = step.phase === 'restore' && step.check !== 'inhibit' ? 'restore' : gateBefore[step.phase]
  const held = gateId !== undefined && holding.includes(gateId)
  const gate = held ? (judgement?.gates.find((g) => g.id === gateId && !g.open) ?? null) : null
  // Line-side volts come before the bump: a wrong supply is found at the last switch, not at the motor.
  const unread =
    step.check === 'rotation' &&
    holding.includes('live') &&
    judgement?.gates.some((g) => g.id === 'live' && g.steps.some((s) => s.id === 'line' && !s.met)) === true
  const closing = holding.includes('close') ? (judgement?.gates.find((g) => g.id === 'close' && !g.open) ?? null) : null
  const behind: Record<string, Step> = {
    close: firstOf(steps, 'leave'),
    dead: firstOf(steps, 'safe'),
    restore: firstOf(steps, 'restore'),
    live:
      judgement?.gates.find((g) => g.id === 'restore')?.open === false
        ? firstOf(steps, 'restore')
        : { phase: 'restore', check: 'line-side' },
  }

  const type = (c: Cell, text: string, how?: Draft['taken'][string]) => {
    setAsking(null)
    change((o) => {
      const { [c.key]: _was, ...rest } = o.taken
      return { typed: { ...o.typed, [c.key]: text.replace(',', '.') }, taken: how ? { ...rest, [c.key]: how } : rest }
    })
  }
  const answer = (id: string, value: string | null) =>
    change((o) => {
      const { [id]: _was, ...rest } = o.answers
      return { answers: { ...rest, ...(value === null ? {} : { [id]: value }) } }
    })
  const cell = cells[at]
  const meter = useMeter(gate ? undefined : cell, (question, value) => answer(question, value))
  const take = (c: Cell, v: MeterValue) =>
    type(c, asTyped(v, c), { how: v.how, ...(v.spread === undefined ? {} : { spread: v.spread }) })
  const next = () => {
    // With a meter at hand Next takes what it has settled on; typing always goes first.
    const offered = cell && (draft.typed[cell.key] ?? '') === '' ? valueOf(meter.reading, cell, false) : null
    if (cell && offered) take(cell, offered)
    if (cell && isBad(cell, draft.typed[cell.key] ?? '')) return
    const slip = asking || !cell ? null : guard(cell)
    if (slip) {
      setAsking(slip)
      return
    }
    if (asking) {
      change({ meant: [...draft.meant, asking.token] })
      setAsking(null)
    }
    const after = cells.findIndex((c, i) => i > at && !c.also)
    if (cell && after >= 0 && !cell.also) setAt(after)
    else if (cell?.also && cells[at + 1]) setAt(at + 1)
    else go(stepFrom(steps, step, 1))
  }
  const previous = () => {
    setAsking(null)
    if (at > 0) setAt(at - 1)
    else go(stepFrom(steps, step, -1))
  }
  /** Where a text stands that is no figure, or that nobody has confirmed. */
  const doubtful = (): { step: Step; at: number; slip: ReturnType<typeof slipAt> } | null => {
    for (const s of steps) {
      const own = checksOf(facts, draft.scope, s.phase).find((c) => c.id === s.check)
      const list = own ? cellsOf(own.groups(facts), units) : []
      for (const [i, c] of list.entries()) {
        if (isBad(c, draft.typed[c.key] ?? '')) return { step: s, at: i, slip: null }
        const slip = guard(c)
        if (slip) return { step: s, at: i, slip }
      }
    }
    return null
  }
  const send = () => {
    if (closing) {
      go(firstOf(steps, 'leave'))
      return
    }
    const doubt = doubtful()
    if (doubt) {
      go(doubt.step)
      setAt(doubt.at)
      setAsking(doubt.slip)
      return
    }
    saving.save(
      {
        id: draft.id,
        machineId: machine.id,
        takenAt: draft.takenAt ?? new Date(openedAt).toISOString(),
        state: draft.state,
        readings,
        answers,
        passes: [...draft.passes],
        note: draft.note,
        supersedes: old?.id ?? null,
        reason: draft.reason,
      },
      judgement ? judgement.level : null,
    )
  }

  // The line beside the cells is told at every key; the long list follows as soon as the hand leaves time.
  const settled = useDeferredValue(judgement)
  const setState = useCallback((state: VisitState) => change({ state }), [change])
  const setScope = (scope: ScopeId) => {
    change({ scope })
    go(firstOf(stepsOf(facts, scope, phasesFor(scope, { readings, answers })), scope === 'running' ? 'live' : 'look'))
  }

  if (!mayAct) return <p className="page">You are signed in as a viewer. A technician or a lead can take readings.</p>
  const meterPanel = meterOpen ? (
    <MeterPanel
      meter={meter}
      machineId={machine.id}
      cell={cell}
      connected={() => due(at)}
      take={(v) => {
        if (cell) take(cell, v)
      }}
    />
  ) : null
  const pass = (p: GatePass) => change((o) => ({ passes: [...o.passes.filter((x) => x.gate !== p.gate), p] }))
  const goPhase = (phase: PhaseId) => go(firstOf(steps, phase))
  return (
    <div
      className={`visit visit-at-${step.phase} visit-scope-${draft.scope}`}
      onKeyDown={(e) => {
        if (e.key === 'Escape') void navigate(back)
      }}
    >
      <Head
        page={page}
        old={old}
        mode={draft.state.mode}
        back={back}
        round={round}
        picture={{
          by: person?.id ?? '',
          machineId: machine.id,
          visitId: draft.id,
          check: step.check ?? step.phase,
          clock,
        }}
        meterOpen={meterOpen}
        toggleMeter={() => {
          if (meterOpen) meter.disconnect()
          setMeterOpen(!meterOpen)
        }}
      />
      <TroubleNote words={kept ? null : notKeptWords} />
      <PhaseNav
        walked={walked}
        held={holding}
        here={step.phase}
        gates={judgement?.gates ?? []}
        unsaid={Object.values(draft.state).every((v) => v === null)}
        go={goPhase}
      />
      <div className="visit-work">
        {gate ? null : (
          <CheckNav
            checks={checks}
            withState={step.phase === 'look'}
            here={step.check}
            judgement={settled}
            go={(id) => go({ phase: step.phase, check: id })}
          />
        )}
        {gate ? (
          <GateNote
            key={gate.id}
            gate={gate}
            name={person?.name ?? ''}
            back={() => go(behind[gate.id] ?? step)}
            pass={pass}
          />
        ) : unread ? (
          <section className="note tone-watch gate" aria-label="Gate">
            <h2>Line-side volts first</h2>
            <p>Read the volts ahead of the starter before any bump: a wrong supply shows there first.</p>
            <Button type="primary" size="large" onClick={() => go({ phase: 'restore', check: 'line-side' })}>
              Read line-side volts
            </Button>
          </section>
        ) : step.check === stateStep ? (
          <section className="visit-part" aria-label="State">
            <ScopeChoice scope={draft.scope} set={setScope} />
            {meterPanel}
            <h2>Running state</h2>
            <StateForm machine={machine} state={draft.state} onChange={setState} />
          </section>
        ) : check ? (
          <CheckCard
            key={check.id}
            check={check}
            page={page}
            old={old}
            draft={draft}
            units={units}
            judgement={judgement}
            advice={check.advice && judging ? check.advice(contextOf(judging(visit))) : null}
            at={at}
            called={called}
            above={
              <>
                {meterPanel}
                {(policies ? (check.waits?.(facts, policies) ?? []) : []).map((wait) => (
                  <WaitClock
                    key={wait.id}
                    wait={wait}
                    startedAt={draft.waits[wait.id] ?? null}
                    start={() => {
                      change((o) => ({ waits: { ...o.waits, [wait.id]: Date.now() } }))
                      due(at)
                    }}
                    stop={() =>
                      change((o) => {
                        const { [wait.id]: _done, ...rest } = o.waits
                        return { waits: rest }
                      })
                    }
                  />
                ))}
                {check.id === 'insulation-curve' ? (
                  <InsulationClock
                    typed={draft.typed}
                    startedAt={draft.clock}
                    volts={motor?.connectionVolts ?? judgement?.rail.columnVolts ?? machine.serviceVolts}
                    visits={page.visits}
                    start={() => change({ clock: Date.now() })}
                    stop={() => change({ clock: null })}
                    due={due}
                  />
                ) : null}
              </>
            }
            asking={asking}
            focus={(i) => {
              if (i !== at) {
                setAsking(null)
                setAt(i)
              }
            }}
            type={type}
            answer={answer}
            next={next}
            previous={previous}
            again={(c) => type(c, '')}
          />
        ) : null}
      </div>
      <SafePart what="The result">
        <JudgePart
          judgement={settled}
          draft={draft}
          old={old}
          count={readings.length}
          closing={step.phase === 'judge' || step.phase === 'leave' ? closing : null}
          person={person?.name ?? ''}
          setState={setState}
          restore={() => go(firstOf(steps, 'leave'))}
          pass={pass}
          saving={saving}
          button={saveButton}
          change={change}
          send={send}
        />
      </SafePart>
    </div>
  )
}
