import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findQuantity, legPositions, linePositions, terminalPositions, type Reading } from '../../quantity/index.ts'
import { type Answers, type GatePass } from '../../trend/index.ts'
import { phases, checkDefinitions, unknownControls, type MachineFacts } from '../index.ts'
import { facts, at, say, told, gate, proven, locked, goodWinding } from './say.test-help.ts'

describe('the register of the visit page', () => {
  const machines: MachineFacts[] = [
    facts,
    { ...facts, phases: 1, serviceVolts: 120, drive: 'direct' },
    { ...facts, hasVfd: true, controls: { ...unknownControls, transformer: { ratedIn: 480, ratedOut: 208 } } },
  ]
  it('has unique ids, a phase, and asks of quantities and positions that exist', () => {
    expect(new Set(checkDefinitions.map((c) => c.id)).size).toBe(checkDefinitions.length)
    for (const c of checkDefinitions) {
      expect(phases.map((p) => p.id)).toContain(c.phase)
      for (const m of machines)
        for (const ask of c.groups(m).flatMap((g) => g.asks))
          if (ask.kind === 'reading') expect(findQuantity(ask.quantity)?.positions).toContain(ask.position)
    }
  })
  it('asks no figure twice of one machine', () => {
    for (const m of machines) {
      const keys = checkDefinitions
        .filter((c) => c.for(m))
        .flatMap((c) => c.groups(m))
        .flatMap((g) => g.asks)
        .map((a) => (a.kind === 'reading' ? `${a.quantity} ${a.position}` : a.id))
      const shared = ['temperature winding', 'start_seconds start']
      expect(keys.filter((k, i) => keys.indexOf(k) !== i && !shared.includes(k))).toEqual([])
    }
  })
  it('shows only what fits the machine', () => {
    const ids = (m: MachineFacts) => checkDefinitions.filter((c) => c.for(m)).map((c) => c.id)
    expect(ids(facts)).toContain('winding')
    expect(ids(facts)).not.toContain('psc')
    expect(ids(facts)).not.toContain('power-transformer')
    expect(ids({ ...facts, phases: 1 })).toEqual(expect.arrayContaining(['psc', 'capacitor', 'single-start']))
    expect(ids({ ...facts, phases: 1 })).not.toContain('lead-roll')
    expect(ids({ ...facts, hasVfd: true })).not.toContain('contact-drop')
  })
})

describe('proof of dead and the gate to the dead tests', () => {
  it('opens when locked, proven and still', () => {
    expect(gate('dead', proven, { answers: locked })).toMatchObject({ open: true, bars: null })
    expect(told('dead-proof', proven, { answers: locked }).level).toBe('ok')
  })
  it.each([
    ['no lock', proven, { ...locked, 'lock.on': 'no' }],
    ['no lock number', proven, { ...locked, 'lock.number': ' ' }],
    ['the meter not proven after', proven.filter((r) => r.position !== 'after'), locked],
    ['one leg not read', proven.filter((r) => !(r.quantity === 'dead_lg' && r.position === 'L2')), locked],
    ['the wheel turning', proven, { ...locked, windmill: 'turning' }],
  ])('stays shut with %s', (_name, readings, answers) => {
    const g = gate('dead', readings, { answers })
    expect(g.open).toBe(false)
    expect(g.steps.filter((s) => !s.met)).toHaveLength(1)
  })
  it('asks for the bus of a drive and the capacitor of a single-phase motor', () => {
    const drive = { machine: { hasVfd: true }, answers: locked }
    expect(gate('dead', proven, drive).open).toBe(false)
    expect(gate('dead', [...proven, ...at('stored_volts', ['bus'], [31])], drive).open).toBe(true)
    expect(gate('dead', [...proven, ...at('stored_volts', ['bus'], [312])], drive).bars).toContain('312 V')
    const single = { machine: { phases: 1 as const, serviceVolts: 208 }, answers: locked }
    expect(gate('dead', proven, single).open).toBe(false)
    expect(gate('dead', [...proven, ...at('stored_volts', ['capacitor'], [0.4])], single).open).toBe(true)
  })
  it.each([
    ['a leg through the winding', at('dead_lg', legPositions, [277, 277, 276]), 'through the winding'],
    [
      'one leg',
      [...at('dead_ll', linePositions, [277, 0, 277]), ...at('dead_lg', legPositions, [277, 0, 0])],
      'L1 is live',
    ],
    [
      'all of it',
      [...at('dead_ll', linePositions, [480, 480, 480]), ...at('dead_lg', legPositions, [277, 277, 277])],
      'wrong disconnect',
    ],
    [
      'two legs',
      [...at('dead_ll', linePositions, [480, 277, 277]), ...at('dead_lg', legPositions, [277, 277, 0])],
      'L1 and L2',
    ],
    ['stray volts', at('dead_lg', legPositions, [17, 3, 2]), 'low-impedance'],
  ])('names %s, is a stop, and nobody passes it', (_name, alive, words) => {
    const rest = proven.filter((r) => !alive.some((a) => a.quantity === r.quantity))
    const pass: GatePass = { gate: 'dead', by: 'A. Person', reason: 'in a hurry' }
    const given = { answers: locked, passes: [pass] }
    expect(gate('dead', [...rest, ...alive], given)).toMatchObject({ open: false, passed: pass })
    const v = told('dead-proof', [...rest, ...alive], given)
    expect(v.level).toBe('stop')
    expect(v.because).toContain(words)
  })
  it('is passed by a named person with a reason while something is missing, and the verdict says so', () => {
    const pass: GatePass = { gate: 'dead', by: 'A. Person', reason: 'no second source for the meter' }
    const readings = [...proven.filter((r) => r.quantity !== 'proof_volts'), ...goodWinding]
    expect(gate('dead', readings, { answers: locked, passes: [pass] }).open).toBe(true)
    const v = told('dead-proof', readings, { answers: locked, passes: [pass] })
    expect(v.level).toBe('watch')
    expect(v.because).toContain('A. Person went on: no second source')
  })
  it('tells dead tests that were taken without any proof', () =>
    expect(told('dead-proof', goodWinding, { answers: { scope: 'full' } }).level).toBe('watch'))
})

describe('no combination of inputs gives OK (property)', () => {
  const small = fc.double({ min: 0, max: 4, noNaN: true })
  const live = fc.double({ min: 5.01, max: 600, noNaN: true })
  const leg = fc.constantFrom(...legPositions)
  it('with a live leg in Dead', () => {
    fc.assert(
      fc.property(leg, live, small, fc.boolean(), (which, volts, rest, lock) => {
        const readings = [
          ...proven.filter((r) => r.quantity !== 'dead_lg'),
          ...legPositions.map((p): Reading => ({
            quantity: 'dead_lg',
            position: p,
            value: p === which ? volts : rest,
          })),
          ...goodWinding,
        ]
        const j = say(readings, {
          answers: lock ? locked : {},
          passes: [{ gate: 'dead', by: 'x', reason: 'y' }],
        })
        expect(j.level).toBe('stop')
        expect(j.gates[0]?.open).toBe(false)
      }),
    )
  })
  it('with ground current over the limit, whatever else was read', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.101, max: 50, noNaN: true }),
        fc.constantFrom('ground-wire', 'lines'),
        fc.boolean(),
        (amps, where, drive) => {
          const j = say([...at('ground_amps', [where], [amps]), ...at('amps', legPositions, [10, 10, 10])], {
            machine: { hasVfd: drive },
          })
          expect(j.level === 'stop' || (drive && amps <= 1 && j.level === 'watch')).toBe(true)
        },
      ),
    )
  })
  it('with a lost phase, by amps or by volts, on either side', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2 }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.double({ min: 8, max: 20, noNaN: true }),
        (k, dead, rest) => {
          const amps = [0, 1, 2].map((i) => (i === k ? dead : rest))
          expect(say(at('amps', legPositions, amps)).level).toBe('stop')
          const volts = [0, 1, 2].map((i) => ((i + 2) % 3 === k ? 480 : 277))
          expect(say(at('volts_ll', linePositions, volts)).level).toBe('stop')
          expect(say(at('line_ll', linePositions, volts)).level).toBe('stop')
        },
      ),
    )
  })
})

describe('restore and rotation', () => {
  const ready: Answers = { 'restore.call': 'broken', 'restore.told': 'yes', 'restore.guards': 'yes' }
  it('opens on a broken call and told people; live on guards, line side and rotation', () => {
    expect(gate('restore', [], { answers: ready }).open).toBe(true)
    expect(gate('live', [], { answers: ready }).open).toBe(false)
    const all = { answers: { ...ready, 'rotation.seen': 'right way' } }
    expect(gate('live', at('line_ll', linePositions, [479, 478, 480]), all).open).toBe(true)
  })
  it('live stays shut while the call is not broken, and behind a winding to ground whatever else is recorded', () => {
    const line = at('line_ll', linePositions, [479, 478, 480])
    const answers: Answers = { 'restore.guards': 'yes', 'rotation.seen': 'right way' }
    expect(gate('live', line, { answers }).open).toBe(false)
    const grounded = [...line, ...at('ground_ohms', terminalPositions, ['OL', 9, 'OL'])]
    const g = gate('live', grounded, {
      answers: { ...ready, ...answers },
      passes: [{ gate: 'live', by: 'x', reason: 'y' }],
    })
    expect(g).toMatchObject({ open: false })
    expect(g.bars).toContain('T2')
  })
  it('does not close a breaker that was found tripped before its load is tested and somebody was asked', () => {
    const found = { answers: { ...ready, 'look.breaker': 'tripped' } }
    expect(gate('restore', [], found).open).toBe(false)
    expect(told('breaker-found', [], found).level).toBe('fix')
    const asked = { answers: { ...found.answers, 'restore.who': 'the night crew, it tripped twice' } }
    expect(gate('restore', goodWinding, asked).open).toBe(true)
  })
  it('is outstanding until the call is back', () => {
    expect(told('inhibits', [], { answers: ready }).level).toBe('fix')
    expect(told('inhibits', [], { answers: { ...ready, 'leave.call': 'yes' } }).level).toBe('ok')
  })
  it('nothing moved at the bump is level Stop', () =>
    expect(told('rotation', [], { answers: { 'rotation.seen': 'nothing moved' } }).level).toBe('stop'))
})
