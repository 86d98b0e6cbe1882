import type { MachinePage, VisitRecord } from '@motor-round/contract'
import type { ShownUnits } from '@motor-round/core/quantity'
import type { useJudging } from '../../app/judging.ts'
import type { useClock } from '../../app/now.ts'
import { contextOf, gatesFor, phasesFor, type PhaseId, type ScopeId } from '@motor-round/core/judge'
import { allowedCurrent } from '@motor-round/core/plate'
import type { GatePass, VisitState } from '@motor-round/core/trend'
import { limitInForce, type Policies } from '@motor-round/core/limits'
import { Button } from 'antd'
import { Suspense, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { notKeptWords } from '../../app/device-text.ts'
import { useSteady } from '../../app/use-steady.ts'
import { TroubleNote } from '../../parts/fields/index.ts'
import { SafePart } from '../../parts/safe-part/index.ts'
import { factsOf } from './cells.ts'
import { CheckCard } from './check-card.tsx'
import { CheckNav } from './check-nav.tsx'
import { CheckTimers } from './check-timers.tsx'
import { GateNote } from './gate-note.tsx'
import { gatesHere } from './gates-here.ts'
import { Head } from './head.tsx'
import { JudgePart } from './judge-part.tsx'
import { MeterPanel } from './meter/meter-panel.tsx'
import { PhaseNav } from './phase-nav.tsx'
import { ScopeChoice } from './scope-choice.tsx'
import { StateForm } from './state-form.tsx'
import { startOf } from './start-of.ts'
import { useDraft } from './use-draft.ts'
import { useEntry } from './use-entry.ts'
import { useSaveVisit } from './use-save.ts'
import { useVisit } from './use-visit.ts'
import { useWarmJudge } from './use-warm-judge.ts'
import { firstOf, stateStep, stepsOf, type Only, type Step } from './walk.ts'
import { usePreload } from '../../offline/react/use-preload.ts'
import { loadHowTo } from '../../parts/how-to/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'
import './visit.css'

// Only machines with a drive.
const ReadDrive = lazyPart('The drive reading', async () => (await import('./read-drive.tsx')).ReadDrive)
const BusRunsDown = lazyPart('The wait timer', async () => (await import('./read-drive.tsx')).BusRunsDown)
// Only machines with live data.
const SensorNow = lazyPart('The sensor reading', async () => (await import('./sensor-now.tsx')).SensorNow)
/** What may be opened at it, where there may be no signal by then. */
const partsOfVisit = () => [loadHowTo(), import('../findings/index.ts'), import('./listen/listen.tsx')]
/** Checks that a drive can fill when it is read. */
const readByDrive: readonly string[] = ['drive', 'drive-figures', 'running']

/** What a visit is of. */
export interface VisitOf {
  readonly page: MachinePage
  /** The visit that is corrected. */
  readonly old: VisitRecord | null
  readonly units: ShownUnits
  /** The round it is taken on, to which one goes back; and what that round asks for here. */
  readonly round?: string | null
  readonly scope?: ScopeId | null
  /** The quantities it is for, where it is for some alone. */
  readonly only?: Only
}

/** What a visit is taken with: who, under which limits, by which clock. */
interface VisitMeans {
  readonly person: { readonly id: string; readonly name: string } | null
  readonly policies: Policies | undefined
  readonly judging: ReturnType<typeof useJudging>
  readonly clock: ReturnType<typeof useClock>
}

/** The visit page: its phases, the gates between them, the checks in each, and what they say. Digits and Enter carry it. */
export function VisitWork({
  page,
  old,
  units,
  round,
  scope,
  only,
  person,
  policies,
  judging,
  clock,
}: Required<VisitOf> & VisitMeans) {
  const { machine, motor } = page
  const facts = useMemo(() => factsOf(machine), [machine])
  const { draft, change, forget, kept } = useDraft(
    machine.id,
    old?.id ?? null,
    old || scope === null ? startOf(old, units) : { scope, only },
  )
  const [step, setStep] = useState<Step>(() => {
    const planned = stepsOf(facts, draft.scope, phasesFor(draft.scope, { readings: [], answers: {} }), draft.only)
    return firstOf(planned, draft.scope === 'running' ? 'live' : 'look')
  })
  const [meterOpen, setMeterOpen] = useState(false)
  const navigate = useNavigate()
  const saveButton = useRef<HTMLButtonElement>(null)
  const [openedAt] = useState(() => clock())
  const back = round === null ? `/machines/${machine.id}` : `/rounds/${round}/walk`
  const saving = useSaveVisit(round, back, forget)
  usePreload(partsOfVisit)

  const { readings, answers, visit, judgement } = useVisit(draft, old, units, openedAt, judging)
  // Once something was locked out or opened the visit goes through Power up, whatever it was meant to be.
  const walked = useMemo(() => phasesFor(draft.scope, { readings, answers }), [draft.scope, readings, answers])
  const holding = useMemo(() => gatesFor(draft.scope, { readings, answers }), [draft.scope, readings, answers])
  const steps = useMemo(() => stepsOf(facts, draft.scope, walked, draft.only), [facts, draft.scope, walked, draft.only])
  useWarmJudge(page, judging)
  const plateAmps =
    allowedCurrent(motor?.plate ?? null, machine.unitPlate, machine.serviceVolts, motor?.connectionVolts ?? undefined)
      ?.amps ?? null
  useEffect(() => {
    if (step.phase === 'judge') saveButton.current?.focus({ preventScroll: true })
  }, [step.phase])

  const { gate, unread, closing, behind } = gatesHere(judgement, holding, steps, step)

  const entry = useEntry({
    facts,
    draft,
    change,
    units,
    known: {
      readings,
      past: page.visits.filter((s) => s.id !== old?.id),
      expected: { amps: plateAmps, volts: machine.serviceVolts },
    },
    steps,
    step,
    setStep,
    locked: gate !== null,
  })
  const { at, cell, check, checks, meter, due, go } = entry
  const send = (tracing: boolean) => {
    if (closing) {
      go(firstOf(steps, 'leave'))
      return
    }
    if (entry.toDoubt()) return
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
      tracing ? `/machines/${machine.id}/trace?visit=${draft.id}` : undefined,
    )
  }

  // The line beside the cells is told at every key; the long list follows as soon as the hand leaves time.
  const settled = useDeferredValue(judgement)
  const setState = useCallback((state: VisitState) => change({ state }), [change])
  const setScope = (scope: ScopeId) => {
    // Whoever chooses how much is read asks for all of it.
    change({ scope, only: null })
    go(firstOf(stepsOf(facts, scope, phasesFor(scope, { readings, answers })), scope === 'running' ? 'live' : 'look'))
  }

  const pass = (p: GatePass) => change((o) => ({ passes: [...o.passes.filter((x) => x.gate !== p.gate), p] }))
  const { saving: busy, failure, trouble, queuedHere } = saving
  const saved = useMemo(() => ({ saving: busy, failure, trouble, queuedHere }), [busy, failure, trouble, queuedHere])
  // Parts that a key in a cell does not change are given functions that stay, and are not drawn anew.
  const restoreNow = useSteady(() => go(firstOf(steps, 'leave')))
  const passNow = useSteady(pass)
  const sendNow = useSteady(send)
  const acts = useMemo(
    () => ({ setState, restore: restoreNow, pass: passNow, send: sendNow }),
    [setState, restoreNow, passNow, sendNow],
  )
  const toggleMeter = useSteady(() => {
    if (meterOpen) meter.disconnect()
    setMeterOpen(!meterOpen)
  })
  const by = person?.id ?? ''
  const pictureCheck = step.check ?? step.phase
  const picture = useMemo(
    () => ({ by, machineId: machine.id, visitId: draft.id, check: pictureCheck, clock }),
    [by, machine.id, draft.id, pictureCheck, clock],
  )

  const meterPanel = meterOpen ? (
    <MeterPanel
      meter={meter}
      machineId={machine.id}
      cell={cell}
      connected={() => due(at)}
      take={(v) => {
        if (cell) entry.take(cell, v)
      }}
    />
  ) : null
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
        picture={picture}
        meterOpen={meterOpen}
        toggleMeter={toggleMeter}
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
            called={entry.called}
            above={
              <>
                {meterPanel}
                {machine.hasVfd && readByDrive.includes(check.id) ? (
                  <Suspense fallback={null}>
                    <ReadDrive
                      machineId={machine.id}
                      fill={(f) => {
                        change((o) => ({
                          typed: { ...o.typed, ...f.typed },
                          taken: { ...o.taken, ...f.taken },
                          answers: { ...o.answers, ...f.answers },
                        }))
                        due(at)
                      }}
                    />
                  </Suspense>
                ) : null}
                {page.live !== null && check.id === 'running' && policies ? (
                  <Suspense fallback={null}>
                    <SensorNow
                      machineId={machine.id}
                      hasVfd={machine.hasVfd}
                      legs={machine.phases}
                      readings={readings}
                      policies={policies}
                    />
                  </Suspense>
                ) : null}
                {machine.hasVfd && check.id === 'prove-dead' && policies ? (
                  <Suspense fallback={null}>
                    <BusRunsDown machineId={machine.id} safe={limitInForce('bus-volts', policies).value} />
                  </Suspense>
                ) : null}
                <CheckTimers
                  check={check}
                  page={page}
                  draft={draft}
                  policies={policies}
                  volts={motor?.connectionVolts ?? judgement?.rail.columnVolts ?? machine.serviceVolts}
                  change={change}
                  begun={() => due(at)}
                  due={due}
                />
              </>
            }
            asking={entry.asking}
            focus={entry.focus}
            type={entry.type}
            answer={entry.answer}
            next={entry.next}
            previous={entry.previous}
            again={(c) => entry.type(c, '')}
          />
        ) : null}
      </div>
      <SafePart what="The result">
        <JudgePart
          judgement={settled}
          note={draft.note}
          reason={draft.reason}
          state={draft.state}
          answered={Object.keys(draft.answers).length > 0}
          old={old}
          count={readings.length}
          closing={step.phase === 'judge' || step.phase === 'leave' ? closing : null}
          person={person?.name ?? ''}
          saving={saved}
          button={saveButton}
          change={change}
          acts={acts}
        />
      </SafePart>
    </div>
  )
}
