import type { MachinePage, StopRecord } from '@motor-round/contract'
import { judge, loadShare, type Judgement } from '@motor-round/core/judge'
import { allowedCurrent } from '@motor-round/core/plate'
import { parseFigure, show } from '@motor-round/core/quantity'
import { unsaid, type Stop, type StopState } from '@motor-round/core/trend'
import { Button, Input } from 'antd'
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote, Field } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { LoadRail } from '../../parts/load-rail/index.ts'
import { useJudging, Verdicts } from '../machine/index.ts'
import { cellsOf, readingsOf, type Cell } from './cells.ts'
import { slipAt } from './guard.ts'
import { Keypad } from './keypad.tsx'
import { StateForm } from './state-form.tsx'
import { useDraft } from './use-draft.ts'
import './stop.css'

type Step = 'state' | 'readings' | 'judge'
const steps: readonly [Step, string][] = [
  ['state', 'State'],
  ['readings', 'Live'],
  ['judge', 'Judge'],
]

const groupWords: Record<Cell['group'], string> = { volts: 'Volts, line to line', amps: 'Amps', also: 'Also, if read' }

function lastFigures(page: MachinePage, cells: readonly Cell[], old: StopRecord | null): string {
  const last = page.stops.find(
    (s) => s.supersededBy === null && s.id !== old?.id && s.readings.some((r) => r.quantity === 'amps'),
  )
  const values = cells.flatMap(
    (c) =>
      last?.readings.filter((r) => r.quantity === c.quantity && r.position === c.position).map((r) => r.value) ?? [],
  )
  if (values.length === 0) return 'first time'
  return `last time ${(cells[0]?.group === 'amps' ? show.ampsRow(values) : values.map(String)).join('  ')}`
}

const startTyped = (old: StopRecord | null) =>
  old ? Object.fromEntries(old.readings.map((r) => [`${r.quantity} ${r.position}`, String(r.value)])) : {}

function Head({ page, old }: { page: MachinePage; old: StopRecord | null }) {
  const { machine, unit, motor } = page
  const allowed = allowedCurrent(
    motor?.plate ?? null,
    machine.unitPlate,
    machine.serviceVolts,
    motor?.connectionVolts ?? undefined,
  )
  const power = motor?.plate.power === undefined ? '' : ` · ${motor.plate.power} ${motor.plate.powerUnit ?? 'hp'}`
  return (
    <header className="stop-head">
      <div>
        <h1>
          {unit.tag} / {machine.tag}
        </h1>
        <p>
          {machine.purpose}
          {power} ·{' '}
          {allowed ? `plate ${show.amps(allowed.amps)} A at ${show.volts(allowed.columnVolts)} V` : 'no plate limit'}
        </p>
        {old ? <p>Correcting the stop of {dayTime(old.takenAt)}</p> : null}
      </div>
      <Link to={`/machines/${machine.id}`}>Leave</Link>
    </header>
  )
}

function Told({ judgement }: { judgement: Judgement | null }) {
  const worst = judgement?.verdicts[0]
  if (!judgement || !worst) return <p className="stop-told quiet">Volts first, then amps. Enter goes on.</p>
  const share = loadShare(judgement.rail)
  return (
    <div className={`stop-told told-${judgement.level}`} role="status">
      <LevelMark level={judgement.level} filled />
      <p>
        {judgement.level === 'ok' ? judgement.headline : worst.because}
        {judgement.level !== 'ok' && share !== null && worst.check !== 'over-amp'
          ? ` Load ${show.percent(share)} of plate.`
          : ''}
      </p>
      <p className="quiet">
        {worst.basis.map((b) => b.text).join(' · ')}
        {judgement.confidence === 'low' ? ' · not sure yet' : ''}
      </p>
    </div>
  )
}

const AllVerdicts = memo(function AllVerdicts({ judgement }: { judgement: Judgement | null }) {
  return judgement ? <Verdicts verdicts={judgement.verdicts} /> : <p className="quiet">Nothing read yet.</p>
})

/** The stop page: state, readings, verdict. Digits and Enter carry it all. */
export function StopForm({ page, old }: { page: MachinePage; old: StopRecord | null }) {
  const { machine, motor } = page
  const cells = useMemo(() => cellsOf(machine), [machine])
  const start = {
    typed: startTyped(old),
    state: old?.state ?? unsaid,
    note: old?.note ?? '',
    takenAt: old?.takenAt ?? null,
  }
  const { draft, change, forget } = useDraft(machine.id, old?.id ?? null, start)
  const [step, setStep] = useState<Step>('readings')
  const [at, setAt] = useState(0)
  const [asking, setAsking] = useState<ReturnType<typeof slipAt>>(null)
  const [save, attempt] = api.useSaveStopMutation()
  const mayAct = useMay('mechanic')
  const judging = useJudging(page)
  const navigate = useNavigate()
  const inputs = useRef<(HTMLInputElement | null)[]>([])
  const saveButton = useRef<HTMLButtonElement>(null)
  const [openedAt] = useState(() => Date.now())

  const readings = useMemo(() => readingsOf(cells, draft.typed), [cells, draft.typed])
  const stop: Stop = useMemo(
    () => ({
      id: old?.id ?? draft.id,
      at: draft.takenAt === null ? openedAt : Date.parse(draft.takenAt),
      state: draft.state,
      readings,
    }),
    [old, draft.id, draft.takenAt, draft.state, readings, openedAt],
  )
  const judgement = useMemo(
    () => (judging && readings.length > 0 ? judge(judging(stop)) : null),
    [judging, stop, readings.length],
  )
  const plateAmps =
    allowedCurrent(motor?.plate ?? null, machine.unitPlate, machine.serviceVolts, motor?.connectionVolts ?? undefined)
      ?.amps ?? null
  const guard = (cell: Cell) =>
    slipAt(
      cell,
      readings,
      page.stops.filter((s) => s.id !== old?.id),
      { amps: plateAmps, volts: machine.serviceVolts },
      draft.meant,
    )

  useEffect(() => {
    if (step === 'readings') inputs.current[at]?.focus()
    if (step === 'judge') saveButton.current?.focus()
  }, [step, at])

  const cell = cells[at]
  const isBad = (c: Cell) => (draft.typed[c.key] ?? '') !== '' && parseFigure(draft.typed[c.key] ?? '') === null
  const type = (c: Cell, text: string) => {
    setAsking(null)
    change({ typed: { ...draft.typed, [c.key]: text.replace(',', '.') } })
  }
  const next = () => {
    if (!cell || isBad(cell)) return
    const slip = asking ? null : guard(cell)
    if (slip) {
      setAsking(slip)
      return
    }
    if (asking) {
      change({ meant: [...draft.meant, asking.token] })
      setAsking(null)
    }
    const required = cells.filter((c) => c.group !== 'also').length
    const after = at + 1
    // Hz and rpm come in the way only where a drive makes them part of every reading.
    if (after >= cells.length || (after >= required && (!machine.hasDrive || after > required))) setStep('judge')
    else setAt(after)
  }
  const previous = () => {
    setAsking(null)
    setAt(Math.max(0, at - 1))
  }
  const send = () => {
    const bad = cells.findIndex((c) => isBad(c))
    const slipped = bad >= 0 ? bad : cells.findIndex((c) => guard(c) !== null)
    if (slipped >= 0) {
      const c = cells[slipped]
      setAt(slipped)
      setStep('readings')
      setAsking(c && bad < 0 ? guard(c) : null)
      return
    }
    void save({
      body: {
        id: draft.id,
        machineId: machine.id,
        takenAt: draft.takenAt ?? new Date(openedAt).toISOString(),
        state: draft.state,
        readings,
        note: draft.note,
        supersedes: old?.id ?? null,
        reason: draft.reason,
      },
    })
      .unwrap()
      .then(
        () => {
          forget()
          return navigate(`/machines/${machine.id}`)
        },
        () => undefined,
      )
  }

  // The line beside the cells is told at every key; the long list follows as soon as the hand leaves time.
  const settled = useDeferredValue(judgement)
  const setState = useCallback((state: StopState) => change({ state }), [change])

  if (!mayAct)
    return <p className="page">You are signed in to look, not to write. A mechanic or a lead can take a stop.</p>
  const failure = attempt.error as Failure | undefined
  return (
    <div
      className={`stop stop-at-${step}`}
      onKeyDown={(e) => {
        if (e.key === 'Escape') void navigate(`/machines/${machine.id}`)
      }}
    >
      <Head page={page} old={old} />
      <nav className="stop-steps" aria-label="Steps">
        {steps.map(([s, words]) => (
          <button key={s} type="button" aria-current={step === s ? 'step' : undefined} onClick={() => setStep(s)}>
            {words}
            {s === 'state' && Object.values(draft.state).every((v) => v === null) ? <small> not said</small> : null}
          </button>
        ))}
      </nav>
      <section className="stop-part part-state" aria-label="State">
        <h2>The state it is in</h2>
        <StateForm machine={machine} state={draft.state} onChange={setState} />
      </section>
      <section className="stop-part part-readings" aria-label="Readings">
        {(['volts', 'amps', 'also'] as const).map((group) => {
          const own = cells.filter((c) => c.group === group)
          return (
            <div key={group} className={`stop-group group-${group}`}>
              <div className="stop-group-head">
                <h2>{group === 'volts' && machine.phases === 1 ? 'Volts' : groupWords[group]}</h2>
                {group === 'also' ? null : <span className="quiet">{lastFigures(page, own, old)}</span>}
              </div>
              <div className="stop-cells">
                {own.map((c) => {
                  const i = cells.indexOf(c)
                  return (
                    <label
                      key={c.key}
                      className={`stop-cell${i === at && step === 'readings' ? ' cell-here' : ''}${isBad(c) ? ' cell-bad' : ''}`}
                    >
                      <span>{c.label}</span>
                      <input
                        ref={(el) => {
                          inputs.current[i] = el
                        }}
                        inputMode={window.matchMedia('(max-width: 900px)').matches ? 'none' : 'decimal'}
                        autoComplete="off"
                        value={draft.typed[c.key] ?? ''}
                        aria-label={`${c.group === 'also' ? '' : `${c.group} `}${c.label}, ${c.unit}`}
                        aria-invalid={isBad(c)}
                        onChange={(e) => type(c, e.target.value)}
                        onFocus={() => {
                          setStep('readings')
                          if (i !== at) {
                            setAsking(null)
                            setAt(i)
                          }
                        }}
                        onKeyDown={(e) => {
                          if (e.key === 'Enter') {
                            e.preventDefault()
                            next()
                          }
                        }}
                      />
                      <i>{c.unit}</i>
                    </label>
                  )
                })}
              </div>
            </div>
          )
        })}
        <div className="stop-rail">{judgement ? <LoadRail rail={judgement.rail} full /> : null}</div>
        {asking ? (
          <div className="stop-told stop-asking" role="alert">
            <p>
              <b>Is that right?</b> {asking.slip.asks}
            </p>
            <div className="row">
              <Button type="primary" onClick={next}>
                Yes, it reads that
              </Button>
              <Button
                onClick={() => {
                  if (cell) type(cell, '')
                  inputs.current[at]?.focus()
                }}
              >
                Type it again
              </Button>
            </div>
          </div>
        ) : cell && isBad(cell) ? (
          <p className="stop-told told-fix" role="alert">
            “{draft.typed[cell.key]}” is not a figure.
          </p>
        ) : (
          <Told judgement={judgement} />
        )}
        <Keypad
          onKey={(k) => cell && type(cell, `${draft.typed[cell.key] ?? ''}${k}`)}
          onErase={() => cell && type(cell, (draft.typed[cell.key] ?? '').slice(0, -1))}
          onPrevious={previous}
          onNext={next}
        />
      </section>
      <section className="stop-part part-judge" aria-label="Judge">
        <AllVerdicts judgement={settled} />
        <div className="stack stop-save">
          <Field label="Note">
            <Input.TextArea
              value={draft.note}
              autoSize={{ minRows: 1, maxRows: 4 }}
              maxLength={1000}
              onChange={(e) => change({ note: e.target.value })}
            />
          </Field>
          {old ? (
            <Field label="Why it is corrected">
              <Input value={draft.reason} maxLength={400} onChange={(e) => change({ reason: e.target.value })} />
            </Field>
          ) : null}
          <FailureNote failure={failure} kept={`Kept on this device, ${readings.length} readings waiting.`} />
          <Button
            ref={saveButton}
            type="primary"
            size="large"
            block
            loading={attempt.isLoading}
            disabled={
              (readings.length === 0 && draft.note.trim() === '') || (old !== null && draft.reason.trim() === '')
            }
            onClick={send}
          >
            {old ? 'Save correction' : failure?.noSignal ? 'Try again' : 'Save stop'}
          </Button>
        </div>
      </section>
    </div>
  )
}
