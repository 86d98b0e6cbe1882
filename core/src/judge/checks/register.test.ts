import { describe, expect, it } from 'vitest'
import { findQuantity } from '../../quantity/index.ts'
import {
  checksOf,
  gatesOf,
  phases,
  scopeAsk,
  scopes,
  checkDefinitions,
  type MachineFacts,
  type ScopeId,
} from '../index.ts'
import { facts, told } from './say.test-help.ts'

/** Machines that differ in what they are asked. */
const machines: readonly MachineFacts[] = [1, 3].flatMap((count) =>
  (['belt', 'direct'] as const).flatMap((drive) =>
    [true, false].flatMap((hasVfd) =>
      [true, false].map((hasTwin) => ({
        ...facts,
        phases: count as 1 | 3,
        serviceVolts: count === 1 ? 230 : 480,
        drive,
        hasVfd: hasVfd && count === 3,
        hasTwin,
      })),
    ),
  ),
)
const groupsOf = (m: MachineFacts) => checkDefinitions.filter((c) => c.for(m)).flatMap((c) => c.groups(m))

describe('the register of checks', () => {
  it('names each once, tells how each is done, and puts each in a phase', () => {
    expect(new Set(checkDefinitions.map((c) => c.id)).size).toBe(checkDefinitions.length)
    for (const c of checkDefinitions) {
      expect([c.id, c.title, c.how].every((t) => t.trim() !== '')).toBe(true)
      expect(phases.map((p) => p.id)).toContain(c.phase)
    }
  })
  it('carries a caution wherever hands or a live part are near', () => {
    for (const c of checkDefinitions.filter((s) => s.phase === 'safe' || (s.part === 'drive' && s.phase === 'dead')))
      expect([c.id, c.caution]).toEqual([c.id, expect.stringMatching(/\S/)])
  })
  it('asks for positions that its quantities have', () => {
    for (const m of machines)
      for (const a of groupsOf(m).flatMap((g) => g.asks))
        if (a.kind === 'reading') expect(findQuantity(a.quantity)?.positions).toContain(a.position)
  })
  it('asks no figure and no question twice of one machine', () => {
    for (const m of machines) {
      const asks = groupsOf(m).flatMap((g) => g.asks)
      const words = asks.flatMap((a) => (a.kind === 'reading' ? [] : [a.id]))
      expect(new Set(words).size).toBe(words.length)
    }
  })
  it('gives every question at least two words, each once', () => {
    for (const m of machines)
      for (const a of groupsOf(m).flatMap((g) => g.asks))
        if (a.kind === 'choice') {
          const values = a.options.map(([value]) => value)
          expect([a.id, new Set(values).size]).toEqual([a.id, values.length])
          expect(values.length).toBeGreaterThan(1)
        }
  })
})

describe('the plans', () => {
  const ids = scopeAsk.options.map(([id]) => id as ScopeId)
  it('that are offered are those that are walked, in the order of the trade', () => {
    expect(ids.toSorted()).toEqual(Object.keys(scopes).toSorted())
    const order = phases.map((p) => p.id)
    for (const id of ids) expect(scopes[id]).toEqual(order.filter((p) => scopes[id].includes(p)))
  })
  it('with hands in the machine all wait for the Dead gate', () => {
    for (const id of ids) expect([id, gatesOf[id].includes('dead')]).toEqual([id, scopes[id].includes('dead')])
  })
  it('each ask for running volts and amps where they walk Live, of every kind of machine', () => {
    for (const m of machines)
      for (const id of ids)
        if (scopes[id].includes('live')) expect(checksOf(m, id, 'live').map((c) => c.id)).toContain('running')
  })
  it('leave no check out of all of them', () => {
    const walked = new Set(
      machines.flatMap((m) => ids.flatMap((id) => scopes[id].flatMap((p) => checksOf(m, id, p).map((c) => c.id)))),
    )
    const fitting = checkDefinitions.filter((c) => machines.some((m) => c.for(m)))
    expect(fitting.filter((c) => !walked.has(c.id)).map((c) => c.id)).toEqual([])
  })
})

describe('every word of the drive train', () => {
  const bad: Readonly<Record<string, readonly string[]>> = {
    'belt.wear': ['glazed', 'cracked', 'frayed', 'gone'],
    'belt.tension': ['slack', 'drum'],
    'belt.set': ['mixed'],
    'belt.grooves': ['dished'],
    'belt.line': ['off'],
    'bearing.de': ['rough', 'growls', 'play'],
    'bearing.ode': ['rough', 'growls', 'play'],
    'bearing.lock': ['loose'],
    'bearing.shaft': ['scored'],
    'bearing.grease': ['dry', 'over'],
    'key.length': ['short', 'missing'],
    'key.flat': ['round'],
    'key.torque': ['loose', 'once'],
    'hub.side': ['backward'],
    'hub.stand': ['moved'],
    'wheel.blades': ['clips', 'bent', 'cracked'],
    'wheel.screws': ['loose'],
    'wheel.hand': ['backward'],
    'wheel.dirt': ['caked'],
    'wheel.gap': ['rubs'],
  }
  const asked = checkDefinitions
    .filter((c) => c.part === 'drive' && c.phase === 'dead')
    .flatMap((c) =>
      c.groups(facts).flatMap((g) =>
        g.asks.flatMap((a) =>
          // How a fan stands is no fault: it chooses the limits of its vibration, tested there.
          a.kind === 'choice' && a.id !== 'vibration.mount'
            ? a.options.map(([word]) => ({ check: c.id, question: a.id, word }))
            : [],
        ),
      ),
    )
  it('is known here', () =>
    expect([...new Set(asked.map((a) => a.question))].toSorted()).toEqual(Object.keys(bad).toSorted()))
  it.each(asked.map((a) => [`${a.question} ${a.word}`, a] as const))('%s is judged as the trade does', (_name, a) => {
    const v = told(a.check, [], { answers: { [a.question]: a.word } })
    expect(v.level === 'ok').toBe(!bad[a.question]?.includes(a.word))
    expect(v.because).toMatch(/\.$/)
    expect(v.next).toMatch(/\.$/)
  })
})
