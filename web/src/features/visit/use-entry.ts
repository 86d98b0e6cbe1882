import type { VisitRecord } from '@motor-round/contract'
import type { Reading, ShownUnits } from '@motor-round/core/quantity'
import { useCallback, useState } from 'react'
import { cellsOf, factsOf, isBad, type Cell } from './cells.ts'
import { slipAt } from './guard.ts'
import { asTyped } from './meter/meter-panel.tsx'
import { useMeter, valueOf, type MeterValue } from './meter/use-meter.ts'
import type { Draft, useDraft } from './use-draft.ts'
import { checksIn, stepFrom, type Step } from './walk.ts'

type Asking = ReturnType<typeof slipAt>

/** What an entry is held against before it counts. */
interface Known {
  readonly readings: readonly Reading[]
  /** Earlier visits of the machine, without the one that is corrected. */
  readonly past: readonly VisitRecord[]
  readonly expected: { readonly amps: number | null; readonly volts: number }
}

/**
 * The cursor of a visit: which cell of the step takes what is typed or metered, the question about a slip, and the way from
 * cell to cell and step to step.
 * @param locked a gate stands before the step: nothing is read
 */
export function useEntry({
  facts,
  draft,
  change,
  units,
  known,
  steps,
  step,
  setStep,
  locked,
}: {
  facts: ReturnType<typeof factsOf>
  draft: Draft
  change: ReturnType<typeof useDraft>['change']
  units: ShownUnits
  known: Known
  steps: readonly Step[]
  step: Step
  setStep: (to: Step) => void
  locked: boolean
}) {
  const [at, setAt] = useState(0)
  // Counts the times the cursor was called to a cell, so that it comes even when it is the same one.
  const [called, setCalled] = useState(0)
  const [asking, setAsking] = useState<Asking>(null)
  const due = useCallback((i: number) => {
    setAt(i)
    setCalled((n) => n + 1)
  }, [])
  const go = useCallback(
    (to: Step) => {
      setAsking(null)
      setAt(0)
      setStep(to)
    },
    [setStep],
  )
  const checks = checksIn(facts, draft.scope, step.phase, draft.only)
  const check = checks.find((c) => c.id === step.check) ?? null
  const cells = check ? cellsOf(check.groups(facts), units) : []
  const cell = cells[at]
  const guard = (c: Pick<Cell, 'quantity' | 'position'>) =>
    slipAt(c, known.readings, known.past, known.expected, draft.meant)

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
  const meter = useMeter(locked ? undefined : cell, (question, value) => answer(question, value))
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
  const focus = (i: number) => {
    if (i === at) return
    setAsking(null)
    setAt(i)
  }
  /** Go to the first text that is no figure, or that nobody has confirmed. @returns false where there is none */
  const toDoubt = (): boolean => {
    for (const s of steps) {
      const own = checksIn(facts, draft.scope, s.phase, draft.only).find((c) => c.id === s.check)
      for (const [i, c] of (own ? cellsOf(own.groups(facts), units) : []).entries()) {
        const bad = isBad(c, draft.typed[c.key] ?? '')
        const slip = bad ? null : guard(c)
        if (!bad && !slip) continue
        go(s)
        setAt(i)
        setAsking(slip)
        return true
      }
    }
    return false
  }
  return { at, called, asking, checks, check, cell, meter, due, go, type, answer, take, next, previous, focus, toDoubt }
}
