import type { MachinePage, VisitRecord } from '@motor-round/contract'
import type { Judgement, CheckDefinition } from '@motor-round/core/judge'
import { show, type Reading, type ShownUnits } from '@motor-round/core/quantity'
import { Button } from 'antd'
import { Suspense, useEffect, useMemo, useRef, type ReactNode } from 'react'
import { useSteady } from '../../app/use-steady.ts'
import { HowToButton } from '../../parts/how-to/index.ts'
import { LoadRail } from '../../parts/load-rail/index.ts'
import { AnswersRow } from './answers-row.tsx'
import { CellRow } from './cell-row.tsx'
import { cellsOf, factsOf, isBad, typedOf, type Cell } from './cells.ts'
import type { slipAt } from './guard.ts'
import { Keypad } from './keypad.tsx'
import { mayListen } from '../../parts/ear/index.ts'
import { Told } from './told.tsx'
import type { Draft } from './use-draft.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

// Only belts are listened to.
const Listen = lazyPart('Listening', async () => (await import('./listen/listen.tsx')).Listen)

/** A reading as a meter shows it: what a file brought, or what was typed in other units, has figures that say nothing. */
const lastText = (r: Reading, units: ShownUnits): string => {
  const typed = typedOf(r, units)
  return Number.isFinite(Number(typed)) ? String(Number(Number(typed).toPrecision(4))) : typed
}

/** What was read here last time, beside the heading. */
function lastFigures(page: MachinePage, cells: readonly Cell[], old: VisitRecord | null, units: ShownUnits): string {
  const at = (s: VisitRecord, c: Cell) => s.readings.find((r) => r.quantity === c.quantity && r.position === c.position)
  const last = page.visits.find((s) => s.supersededBy === null && s.id !== old?.id && cells.some((c) => at(s, c)))
  if (!last) return ''
  const found = cells.flatMap((c) => at(last, c) ?? [])
  const amps = found.every((r) => r.quantity === 'amps')
  const texts = amps ? show.ampsRow(found.map((r) => r.value)) : found.map((r) => lastText(r, units))
  return `last time ${texts.join('  ')}`
}

/** One check: how it is done, its caution, its cells and questions, what is reported of it, and the keypad. */
export function CheckCard({
  check,
  page,
  old,
  draft,
  units,
  judgement,
  advice,
  at,
  called,
  asking,
  focus,
  type,
  answer,
  next,
  previous,
  again,
  above,
}: {
  check: CheckDefinition
  page: MachinePage
  old: VisitRecord | null
  draft: Draft
  units: ShownUnits
  judgement: Judgement | null
  /** What this machine asks for, before anything is read. */
  advice: string | null
  at: number
  called: number
  asking: ReturnType<typeof slipAt>
  focus: (i: number) => void
  type: (c: Cell, text: string) => void
  answer: (id: string, value: string | null) => void
  next: () => void
  previous: () => void
  again: (c: Cell) => void
  /** What stands above the cells: the meter, a clock. */
  above?: ReactNode
}) {
  const groups = useMemo(() => check.groups(factsOf(page.machine)), [check, page.machine])
  const cells = useMemo(() => cellsOf(groups, units), [groups, units])
  const inputs = useRef<(HTMLInputElement | null)[]>([])
  useEffect(() => inputs.current[at]?.focus(), [at, check.id, called])
  // A figure that is asked about is replaced by what is typed next, not added to.
  const doubted = asking !== null
  useEffect(() => {
    if (doubted) inputs.current[at]?.select()
  }, [doubted, at])
  const heard = mayListen()
    ? cells.find((c) => c.quantity === check.listens?.quantity && c.position === check.listens.position)
    : undefined
  const cell = cells[at]
  const text = cell ? (draft.typed[cell.key] ?? '') : ''
  const running = check.id === 'running'
  const answerNow = useSteady(answer)
  const pressed = useSteady((k: string) => cell && type(cell, asking ? k : `${text}${k}`))
  const erased = useSteady(() => cell && type(cell, text.toLowerCase() === 'ol' ? '' : text.slice(0, -1)))
  const opened = useSteady(() => cell && type(cell, 'OL'))
  const nextNow = useSteady(next)
  const previousNow = useSteady(previous)
  // The how and the caution are read before the step; on a phone they make room once figures are coming in.
  const started =
    cells.some((c) => (draft.typed[c.key] ?? '') !== '') ||
    groups.some((g) => g.asks.some((a) => a.kind !== 'reading' && draft.answers[a.id] !== undefined))
  return (
    <section
      className={`visit-part part-readings${cells.length === 0 ? ' part-words' : ''}${started ? ' part-started' : ''}${running ? ' part-running' : ''}`}
      aria-label={check.title}
    >
      <div className="part-body">
        {running ? null : (
          <header className="check-head">
            <div className="between">
              <h2>{check.title}</h2>
              <HowToButton of="check" id={check.id} title={check.title} />
            </div>
            <p className="quiet">{check.how}</p>
            {advice === null ? null : <p className="strong check-advice">{advice}</p>}
            {check.caution ? <p className="note tone-watch caution">{check.caution}</p> : null}
          </header>
        )}
        {above}
        {groups.map((g, i) => {
          const own = cells.filter((c) => c.group === i)
          return (
            <div key={g.title}>
              {own.length > 0 ? (
                <CellRow
                  title={g.title}
                  last={g.also ? '' : lastFigures(page, own, old, units)}
                  inLine={running}
                  cells={own}
                  all={cells}
                  at={at}
                  active
                  typed={draft.typed}
                  taken={draft.taken}
                  inputs={inputs}
                  type={type}
                  enter={next}
                  focus={focus}
                />
              ) : null}
              {heard && heard.group === i ? (
                <Suspense fallback={null}>
                  <Listen take={(hz) => type(heard, hz.toFixed(0))} />
                </Suspense>
              ) : null}
              <AnswersRow group={g} answers={draft.answers} set={answerNow} />
            </div>
          )
        })}
        {running ? (
          <div className="visit-rail">
            {judgement ? <LoadRail rail={judgement.rail} full /> : null}
            <HowToButton of="check" id={check.id} title={check.title} />
          </div>
        ) : null}
      </div>
      {asking && cell ? (
        <div className="note tone-fix visit-told" role="alert">
          <p>
            <b>Is that right?</b> {asking.slip.asks}
          </p>
          <div className="row">
            <Button type="primary" onClick={next}>
              Yes, correct
            </Button>
            <Button
              onClick={() => {
                again(cell)
                inputs.current[at]?.focus()
              }}
            >
              Re-enter
            </Button>
          </div>
        </div>
      ) : cell && isBad(cell, text) ? (
        <p className="note tone-fix visit-told" role="alert">
          “{text}” is not a number.
        </p>
      ) : (
        <Told
          // Before anything is read, what is good of earlier visits says nothing of this one.
          judgement={running && !started && judgement?.verdicts[0]?.level === 'ok' ? null : judgement}
          about={running ? null : check.judges.map((j) => j.id)}
          hint={running ? 'Volts first, then amps. Enter goes to the next field.' : ''}
        />
      )}
      {cells.length > 0 ? (
        <Keypad
          onKey={pressed}
          onErase={erased}
          onPrevious={previousNow}
          onNext={nextNow}
          onOpen={cell?.canOpen ? opened : null}
        />
      ) : (
        <div className="words-next">
          <Button type="primary" size="large" block onClick={next}>
            Next
          </Button>
        </div>
      )}
    </section>
  )
}
