import { checksOf, judge, type Judgement, gatesOf, scopes } from '@motor-round/core/judge'
import { defaultPolicies } from '@motor-round/core/limits'
import { legPositions, linePositions, terminalPairs, type QuantityCode, type Reading } from '@motor-round/core/quantity'
import { unsaid, type Answers, type GatePass } from '@motor-round/core/trend'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { AnswersRow } from './answers-row.tsx'
import { CheckNav } from './check-nav.tsx'
import { GateNote, PassedNote } from './gate-note.tsx'
import { Keypad } from './keypad.tsx'
import { PhaseNav } from './phase-nav.tsx'
import { ScopeChoice } from './scope-choice.tsx'
import { Told } from './told.tsx'
import { facts } from '../../test/facts.test-help.ts'

const plate = { volts: '460', amps: '12.8', phases: 3, power: 10, rpm: 1755, hz: '60' } as const
const nothing = () => undefined

const at = (quantity: QuantityCode, positions: readonly string[], values: readonly number[]): Reading[] =>
  values.map((value, i) => ({ quantity, position: positions[i] ?? '', value }))

function judged(readings: Reading[], answers: Answers = {}, passes: GatePass[] = []): Judgement {
  return judge({
    machine: facts,
    motor: { plate, connectionVolts: null, installedAt: 0 },
    visit: { id: 's', at: Date.UTC(2026, 10, 25), state: { ...unsaid, settled: true }, readings, answers, passes },
    history: [],
    work: [],
    policies: defaultPolicies,
  })
}
const gateOf = (j: Judgement, id: string) => {
  const g = j.gates.find((x) => x.id === id)
  if (!g) throw new Error(`no gate ${id}`)
  return g
}
const html = (node: React.ReactNode) => renderToStaticMarkup(node)
const text = (node: React.ReactNode) =>
  html(node)
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/&#x27;/g, '’')

describe('a shut gate', () => {
  const shut = gateOf(judged(at('dead_ll', linePositions, [0, 0, 0]), { 'lock.on': 'yes', 'lock.number': '4' }), 'dead')
  it('says what is recorded and what is missing, and offers to go on by name', () => {
    const t = text(<GateNote gate={shut} name="M. Okonjo" back={nothing} pass={nothing} />)
    expect(t).toContain('Locked: prove de-energized first')
    expect(t).toContain('Done Disconnect open, locked and tagged')
    expect(t).toContain('Missing Three legs to ground near zero')
    expect(t).toContain('Override')
  })
  it('is barred by a live leg: the reason stands as an alert and nobody may go on', () => {
    const alive = gateOf(judged(at('dead_lg', legPositions, [277, 277, 277])), 'dead')
    const h = html(<GateNote gate={alive} name="M. Okonjo" back={nothing} pass={nothing} />)
    expect(h).toContain('role="alert"')
    expect(h).toContain('through the winding')
    expect(h).not.toContain('Override')
  })
  it('that was passed says by whom and why, wherever it matters', () => {
    const pass: GatePass = { gate: 'dead', by: 'A. Person', reason: 'second lock on' }
    const passed = gateOf(judged([], {}, [pass]), 'dead')
    expect(text(<PassedNote gate={passed} />)).toContain('A. Person, “second lock on”')
    expect(html(<PassedNote gate={shut} />)).toBe('')
  })
  it('never says that anything is safe', () => {
    for (const id of ['dead', 'restore', 'live']) {
      const t = text(<GateNote gate={gateOf(judged([]), id)} name="x" back={nothing} pass={nothing} />)
      expect(t).not.toMatch(/\bsafe\b/i)
    }
  })
})

describe('the phases as a row of words', () => {
  const nav = (scope: 'running' | 'live' | 'dead' | 'full') =>
    text(
      <PhaseNav
        walked={scopes[scope]}
        held={gatesOf[scope]}
        here="look"
        gates={judged([]).gates}
        unsaid
        go={nothing}
      />,
    )
  it('are those of the plan', () => {
    expect(nav('running')).toBe(' Inspect not entered Live tests Results ')
    expect(nav('dead')).toContain('Lock out Dead tests locked Results Close up')
    expect(nav('full')).toContain('Power up Live tests locked')
  })
  it('of live tests alone are not behind gates: it was never stopped', () =>
    expect(nav('live')).not.toContain('locked'))
  it('mark the one that is shown', () =>
    expect(
      html(<PhaseNav walked={scopes.full} held={gatesOf.full} here="dead" gates={[]} unsaid={false} go={nothing} />),
    ).toMatch(/aria-current="step"[^>]*>Dead tests/))
})

describe('the checks of a phase', () => {
  const checks = checksOf(facts, 'full', 'dead')
  it('carry the level of what is reported of them, as a word too', () => {
    const j = judged(at('winding_ohms', terminalPairs, [1.3, 1.3, 1.6]))
    const t = text(<CheckNav checks={checks} withState={false} here="winding" judgement={j} go={nothing} />)
    expect(t).toContain('Winding ohms , Fix')
    expect(t).toContain('Insulation over time')
  })
  it('are not shown when there is but one', () => {
    const one = checksOf(facts, 'running', 'live')
    expect(html(<CheckNav checks={one} withState={false} here="running" judgement={null} go={nothing} />)).toBe('')
    expect(text(<CheckNav checks={[]} withState here="state" judgement={null} go={nothing} />)).toBe('')
  })
})

describe('what is told beside the cells', () => {
  const amps = at('amps', legPositions, [13.6, 13.5, 13.6])
  it('is the whole visit’s on running amps, with the next step', () => {
    const t = text(<Told judgement={judged(amps)} about={null} hint="" />)
    expect(t).toContain('106 % of the 460 V nameplate')
    expect(t).toContain('Read the pressure across the fan and its rpm')
    expect(t).toContain('motor plate, 460 V column')
  })
  it('is a check’s own on the others, and a hint or nothing while there is none', () => {
    const j = judged([...amps, ...at('winding_ohms', terminalPairs, [1.3, 1.31, 1.3])])
    expect(text(<Told judgement={j} about={['winding-ohms']} hint="" />)).toContain('balanced within')
    expect(html(<Told judgement={j} about={['insulation']} hint="" />)).toBe('')
    expect(text(<Told judgement={null} about={null} hint="Volts first." />)).toContain('Volts first.')
  })
})

describe('questions and keys', () => {
  it('a choice shows what was answered, a line what was written', () => {
    const lock = checksOf(facts, 'full', 'safe')[0]
    if (!lock) throw new Error('there is a lock check')
    const h = lock
      .groups(facts)
      .map((g) => html(<AnswersRow group={g} answers={{ 'lock.on': 'yes', 'lock.number': '17' }} set={nothing} />))
      .join('')
    expect(h).toMatch(/aria-pressed="true"[^>]*>Yes/)
    expect(h).toMatch(/aria-pressed="false"[^>]*>No/)
    expect(h).toContain('value="17"')
  })
  it('a group of cells alone asks no question', () => {
    const running = checksOf(facts, 'running', 'live')[0]
    for (const g of running?.groups(facts) ?? [])
      expect(html(<AnswersRow group={g} answers={{}} set={nothing} />)).toBe('')
  })
  it('the keypad has a key for an open circuit only where there can be one', () => {
    const pad = (open: boolean) =>
      html(
        <Keypad
          onKey={nothing}
          onErase={nothing}
          onPrevious={nothing}
          onNext={nothing}
          onOpen={open ? nothing : null}
        />,
      )
    expect(pad(true)).toContain('Over range: open')
    expect(pad(false)).not.toContain('Over range')
    expect(pad(false).match(/<button/g)).toHaveLength(14)
  })
  it('the scope is a choice of six', () =>
    expect(html(<ScopeChoice scope="running" set={nothing} />).match(/aria-pressed/g)).toHaveLength(6))
})
