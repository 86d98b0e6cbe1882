import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { defaultHouseRules, type HouseRules } from '../../limits/index.ts'
import type { Plate } from '../../plate/index.ts'
import {
  findQuantity,
  legPositions,
  linePositions,
  rollPositions,
  terminalPairs,
  terminalPositions,
  wirePairs,
  type QuantityCode,
  type Reading,
} from '../../quantity/index.ts'
import { dayMs, unsaid, type Answers, type GatePass, type Stop, type WorkDone } from '../../trend/index.ts'
import {
  judge,
  phases,
  sheetChecks,
  standingStop,
  unknownControls,
  type Controls,
  type MachineFacts,
} from '../index.ts'

const now = Date.UTC(2026, 5, 1)
const plate: Plate = {
  volts: '460',
  amps: '12.8',
  phases: 3,
  power: 10,
  hz: '60',
  rpm: 1755,
  sf: 1.15,
  code: 'H',
  insulationClass: 'F',
  efficiency: 0.902,
}
const pscPlate: Plate = {
  volts: '230',
  amps: '3.0',
  phases: 1,
  power: 0.5,
  hz: '60',
  rpm: 1100,
  capacitorUf: 7.5,
  capacitorVolts: 370,
}

const facts: MachineFacts = {
  phases: 3,
  serviceVolts: 480,
  hasDrive: false,
  hasSister: false,
  drive: 'belt',
  controls: unknownControls,
  unitPlate: null,
}

interface Given {
  machine?: Partial<MachineFacts>
  controls?: Partial<Controls>
  plate?: Plate
  answers?: Answers
  passes?: GatePass[]
  history?: Stop[]
  work?: WorkDone[]
  rules?: Partial<HouseRules>
}

const at = (quantity: QuantityCode, positions: readonly string[], values: readonly (number | 'OL')[]): Reading[] =>
  values.map((v, i) => ({
    quantity,
    position: positions[i] ?? '',
    value: v === 'OL' ? (findQuantity(quantity)?.range[1] ?? 0) : v,
    ...(v === 'OL' ? { how: 'over-range' as const } : {}),
  }))

const stopOf = (readings: Reading[], day = 0, answers?: Answers): Stop => ({
  id: `s${day}`,
  at: now + day * dayMs,
  state: { ...unsaid, settled: true },
  readings,
  answers,
})

function say(readings: Reading[], given: Given = {}) {
  const single = given.machine?.phases === 1
  return judge({
    machine: { ...facts, ...given.machine, controls: { ...unknownControls, ...given.controls } },
    motor: { plate: given.plate ?? (single ? pscPlate : plate), connectionVolts: null, fittedAt: 0 },
    stop: { ...stopOf(readings, 0, given.answers), passes: given.passes },
    history: given.history ?? [],
    work: given.work ?? [],
    rules: { ...defaultHouseRules, ...given.rules },
  })
}
const told = (check: string, readings: Reading[], given: Given = {}) => {
  const v = say(readings, given).verdicts.find((x) => x.check === check)
  if (!v) throw new Error(`${check} said nothing`)
  return v
}
const gate = (id: string, readings: Reading[], given: Given = {}) => {
  const g = say(readings, given).gates.find((x) => x.id === id)
  if (!g) throw new Error(`no gate ${id}`)
  return g
}

const proven: Reading[] = [
  ...at('proof_volts', ['before', 'after'], [478, 478]),
  ...at('dead_ll', linePositions, [0.1, 0, 0.2]),
  ...at('dead_lg', legPositions, [0.1, 0.3, 0]),
]
const locked: Answers = { plan: 'full', 'lock.on': 'yes', 'lock.number': '17', windmill: 'still' }
const goodWinding = [
  ...at('winding_ohms', terminalPairs, [1.31, 1.32, 1.31]),
  ...at('ground_ohms', terminalPositions, ['OL', 'OL', 'OL']),
]

describe('the register of the stop page', () => {
  const machines: MachineFacts[] = [
    facts,
    { ...facts, phases: 1, serviceVolts: 120, drive: 'direct' },
    { ...facts, hasDrive: true, controls: { ...unknownControls, transformer: { ratedIn: 480, ratedOut: 208 } } },
  ]
  it('has unique ids, a phase, and asks of quantities and positions that exist', () => {
    expect(new Set(sheetChecks.map((c) => c.id)).size).toBe(sheetChecks.length)
    for (const c of sheetChecks) {
      expect(phases.map((p) => p.id)).toContain(c.phase)
      for (const m of machines)
        for (const ask of c.groups(m).flatMap((g) => g.asks))
          if (ask.kind === 'reading') expect(findQuantity(ask.quantity)?.positions).toContain(ask.position)
    }
  })
  it('asks no figure twice of one machine', () => {
    for (const m of machines) {
      const keys = sheetChecks
        .filter((c) => c.for(m))
        .flatMap((c) => c.groups(m))
        .flatMap((g) => g.asks)
        .map((a) => (a.kind === 'reading' ? `${a.quantity} ${a.position}` : a.id))
      const shared = ['temperature winding', 'start_seconds start']
      expect(keys.filter((k, i) => keys.indexOf(k) !== i && !shared.includes(k))).toEqual([])
    }
  })
  it('shows only what fits the machine', () => {
    const ids = (m: MachineFacts) => sheetChecks.filter((c) => c.for(m)).map((c) => c.id)
    expect(ids(facts)).toContain('winding')
    expect(ids(facts)).not.toContain('psc')
    expect(ids(facts)).not.toContain('power-transformer')
    expect(ids({ ...facts, phases: 1 })).toEqual(expect.arrayContaining(['psc', 'capacitor', 'single-start']))
    expect(ids({ ...facts, phases: 1 })).not.toContain('lead-roll')
    expect(ids({ ...facts, hasDrive: true })).not.toContain('contact-drop')
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
    const drive = { machine: { hasDrive: true }, answers: locked }
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
      'L1 is alive',
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
    expect(told('dead-proof', goodWinding, { answers: { plan: 'full' } }).level).toBe('watch'))
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
            machine: { hasDrive: drive },
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

describe('winding ohms', () => {
  it('even and steady is OK and does not clear the insulation', () => {
    const v = told('winding-ohms', goodWinding)
    expect(v.level).toBe('ok')
    expect(v.because).toContain('do not clear the insulation')
  })
  it.each([
    ['all open, no ground', ['OL', 'OL', 'OL'], 'stop', 'burnt out'],
    ['one lead open', ['OL', 'OL', 1.3], 'stop', 'open at T2'],
    ['a delta branch open', [2.0, 1.0, 1.0], 'stop', 'delta'],
    ['shorted turns', [1.31, 1.1, 1.32], 'fix', 'turns are shorted'],
    ['a bad joint', [1.31, 1.31, 1.6], 'fix', 'bad joint'],
    ['a little uneven', [1.31, 1.31, 1.36], 'watch', 'uneven'],
  ] as const)('%s', (_name, pairs, level, words) => {
    const v = told('winding-ohms', at('winding_ohms', terminalPairs, pairs))
    expect(v.level).toBe(level)
    expect(v.because).toContain(words)
  })
  it('wandering is as bad as open', () => {
    const readings = at('winding_ohms', terminalPairs, [1.3, 1.3, 1.3]).map((r, i): Reading =>
      i === 1 ? { ...r, how: 'unsteady', spread: 0.2 } : r,
    )
    expect(told('winding-ohms', readings)).toMatchObject({ level: 'fix' })
  })
  it('asks for the third pair', () =>
    expect(told('winding-ohms', at('winding_ohms', terminalPairs, [1.3, 1.3]))).toMatchObject({
      level: 'watch',
      confidence: 'low',
    }))
  it('to ground on the ohm scale condemns and keeps the power off', () => {
    const readings = [...goodWinding.slice(0, 3), ...at('ground_ohms', terminalPositions, ['OL', 430, 'OL'])]
    expect(told('winding-to-ground', readings).level).toBe('stop')
    const g = gate('restore', readings, {
      answers: { 'restore.call': 'broken', 'restore.told': 'yes' },
      passes: [{ gate: 'restore', by: 'x', reason: 'y' }],
    })
    expect(g.open).toBe(false)
    expect(g.bars).toContain('T2')
  })
})

describe('single-phase windings', () => {
  const single = { machine: { phases: 1 as const, serviceVolts: 208 } }
  it('names common, run and start', () =>
    expect(told('psc-winding', at('winding_ohms', wirePairs, [31, 23, 8]), single).because).toContain('C is common'))
  it('tells an open protector from a burnt winding by what it read when whole, with the wait', () => {
    const history = [stopOf(at('winding_ohms', wirePairs, [31, 23, 8]), -300)]
    const open = told('psc-winding', at('winding_ohms', wirePairs, [31, 'OL', 'OL']), { ...single, history })
    expect(open.because).toContain('protector')
    expect(open.next).toContain('cool for an hour')
    const burnt = told('psc-winding', at('winding_ohms', wirePairs, ['OL', 'OL', 8]), { ...single, history })
    expect(burnt).toMatchObject({ level: 'stop' })
  })
})

describe('insulation', () => {
  const test = (megohms: number, celsius: number | null, place = 'motor', given: Given = {}) =>
    told(
      'insulation',
      [
        ...at('megohms', terminalPositions, [megohms * 1.1, megohms, megohms * 1.2]),
        ...(celsius === null ? [] : at('temperature', ['winding'], [celsius])),
      ],
      { ...given, answers: { 'insulation.place': place } },
    )
  it('is judged at 40 °C by the worst lead: 9 MΩ at 25 °C is 7.37 (IEEE 43), above 5', () => {
    const v = test(9, 25)
    expect(v.level).toBe('ok')
    expect(v.value).toBeCloseTo(7.367, 2)
  })
  it('below the floor is to fix, below kV + 1 a stop', () => {
    expect(test(4.2, 30).level).toBe('fix')
    expect(test(1.2, 30).level).toBe('stop')
  })
  it('by the older floor, the form-wound one and the lamp', () => {
    expect(test(4.2, 30, 'motor', { rules: { insulation: 'kV plus 1' } }).level).toBe('ok')
    expect(test(60, 40, 'motor', { rules: { insulation: 'form-wound 100' } }).level).toBe('fix')
    expect(test(22, 40, 'motor', { rules: { insulation: 'lamp 30' } }).level).toBe('fix')
  })
  it('without a temperature is not corrected and not sure', () =>
    expect(test(12, null)).toMatchObject({ level: 'ok', confidence: 'low', value: 12 }))
  it('through field wiring asks for the split test before the motor is blamed', () => {
    const v = test(2, 30, 'contactor')
    expect(v.confidence).toBe('low')
    expect(v.next).toContain('own terminals')
  })
  const past = (mo: number, day: number) =>
    stopOf([...at('megohms', ['all'], [mo]), ...at('temperature', ['winding'], [40])], day, {
      'insulation.place': 'motor',
    })
  const trend = (now40: number, history: Stop[], work: WorkDone[] = []) =>
    told('insulation-trend', [...at('megohms', ['all'], [now40]), ...at('temperature', ['winding'], [40])], {
      history,
      work,
      answers: { 'insulation.place': 'motor' },
    })
  it('that fell to a third within a year is a finding above every floor', () => {
    expect(trend(90, [past(300, -360)])).toMatchObject({ level: 'fix' })
    expect(trend(140, [past(300, -360)])).toMatchObject({ level: 'watch' })
    expect(trend(280, [past(300, -360)])).toMatchObject({ level: 'ok' })
  })
  it('that falls four times in a row is watched', () =>
    expect(trend(150, [past(230, -1100), past(210, -700), past(180, -360)])).toMatchObject({ level: 'watch' }))
  it('starts anew when the winding was dried', () => {
    const dried: WorkDone = { at: now - 30 * dayMs, kind: 'winding-dried', note: '' }
    expect(() => trend(90, [past(300, -360)], [dried])).toThrow('said nothing')
  })
  const curve = (points: (number | 'OL')[]) => at('megohms_at', ['15s', '30s', '1min', '2min', '5min', '10min'], points)
  it('gives DAR and PI of the worked curve: 1.29 and 2.52', () => {
    const v = told('polarisation', curve([180, 240, 310, 420, 610, 780]))
    expect(v.because).toContain('DAR 1.29')
    expect(v.because).toContain('PI 2.52')
    expect(v.level).toBe('ok')
  })
  it('says when they mean nothing: over range, above 5000 MΩ', () => {
    expect(told('polarisation', curve([6000, 6500, 7000, 8000, 9000, 9900])).because).toContain('mean nothing')
    expect(told('polarisation', curve(['OL', 'OL', 'OL', 'OL', 'OL', 'OL'])).because).toContain('mean nothing')
  })
  it('does not fail a small motor on PI alone, but watches a falling or a low flat curve', () => {
    expect(told('polarisation', curve([900, 950, 980, 990, 1000, 1010])).level).toBe('ok')
    expect(told('polarisation', curve([9, 9, 9, 9, 9, 9])).level).toBe('watch')
    expect(told('polarisation', curve([9, 8.5, 8, 7.5, 7, 6])).level).toBe('watch')
  })
})

describe('capacitors', () => {
  const single = (run: number, plateUf = 7.5) => ({
    machine: { phases: 1 as const, serviceVolts: 208 },
    plate: { ...pscPlate, capacitorUf: plateUf },
    controls: { capacitor: { run, second: null, volts: 440, tolerance: 0.06 } },
  })
  // Good by common practice: 71.5 on 70, 30.3 on 30, 7.49 on 7.5.
  it.each([
    [71.5, 70],
    [30.3, 30],
    [7.49, 7.5],
  ])('%d µF on %d is good (common practice)', (uf, mark) =>
    expect(told('capacitor', at('capacitance', ['run'], [uf]), single(mark, mark)).level).toBe('ok'),
  )
  it('weak is to fix, on the edge under load is not sure', () => {
    expect(told('capacitor', at('capacitance', ['run'], [6.5]), single(7.5)).level).toBe('fix')
    const edge = [...at('capacitor_amps', ['run'], [0.94]), ...at('capacitor_volts', ['run'], [353])]
    expect(told('capacitor', edge, single(7.5))).toMatchObject({ confidence: 'low' })
  })
  it('healthy and wrong are two verdicts: a 10 µF can on a motor that asks for 7.5', () => {
    const readings = at('capacitance', ['run'], [9.9])
    expect(told('capacitor', readings, single(10)).level).toBe('ok')
    expect(told('capacitor-fits', readings, single(10)).level).toBe('fix')
  })
})

describe('contacts, fuses, lugs', () => {
  it('an open fuse is a stop and keeps the power off', () => {
    const readings = at('fuse_ohms', legPositions, [0.1, 'OL', 0.1])
    expect(told('fuses', readings).level).toBe('stop')
    expect(gate('restore', readings).bars).toContain('L2')
  })
  it('a pole that does not make, lugs that are burnt', () => {
    expect(told('contactor-poles', at('pole_ohms', legPositions, [0.1, 0.2, 40])).level).toBe('fix')
    expect(told('terminals', [], { answers: { lugs: 'burnt' } }).level).toBe('fix')
    expect(told('terminals', [], { answers: { lugs: 'loose', wires: 'chafed' } }).level).toBe('watch')
  })
  it('a single-pole contactor leaves a leg hot, always said', () =>
    expect(told('contactor-kind', [], { controls: { starter: 'contactor', poles: 1 } }).because).toContain(
      'leg stays hot',
    ))
  it('the drop across a contact: a watch, a fix, an open pole', () => {
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 0.15])).level).toBe('watch')
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 0.6])).level).toBe('fix')
    expect(told('contact-drop', at('contact_drop', legPositions, [0.04, 0.05, 240])).level).toBe('stop')
  })
})

describe('protection', () => {
  it('16.0 A is the most for a 12.8 A plate with service factor 1.15 (NEC 430.32)', () => {
    expect(told('overload-setting', at('overload_dial', ['relay'], [16])).level).toBe('ok')
    expect(told('overload-setting', at('overload_dial', ['relay'], [16.2])).level).toBe('fix')
    expect(told('overload-setting', at('overload_dial', ['relay'], [11])).level).toBe('watch')
  })
  it('none at all on a three-phase motor is a finding', () =>
    expect(told('overload-missing', [], { controls: { overload: 'none' } }).level).toBe('fix'))
  it('a 35 A breaker on 10 hp at 480 V is right, 60 A is not (NEC 430.52)', () => {
    const breaker = (amps: number) => ({ controls: { protection: 'breaker' as const, protectionAmps: amps } })
    expect(told('branch-protection', [], breaker(35)).level).toBe('ok')
    expect(told('branch-protection', [], breaker(60)).level).toBe('fix')
  })
})

describe('the line side and its transformers', () => {
  it('460/560/560 V is 12.7 %: a stop that says what to switch off (common practice)', () => {
    const v = told('line-side', at('line_ll', linePositions, [460, 560, 560]))
    expect(v.level).toBe('stop')
    expect(v.because).toContain('13 %')
    expect(v.next).toContain('Switch off everything on this supply')
    expect(gate('live', at('line_ll', linePositions, [460, 560, 560])).bars).not.toBeNull()
  })
  it('7 V out of 137 V in clears the transformer; 32 V out of 569 V condemns what hangs below (common practice)', () => {
    expect(told('control-power', at('control_volts', ['in', 'out'], [137, 7])).because).toContain('healthy')
    const high = told('control-power', at('control_volts', ['in', 'out'], [569, 32]))
    expect(high).toMatchObject({ level: 'stop' })
    expect(told('control-power', at('control_volts', ['in', 'out'], [462, 9])).because).toContain('not the ratio')
    expect(told('control-power', at('control_volts', ['in', 'out'], [462, 25])).level).toBe('ok')
  })
  it('a power transformer 24 % high on two pairs is a stop', () => {
    const readings = [
      ...at('transformer_in', linePositions, [480, 480, 480]),
      ...at('transformer_out', linePositions, [208, 258, 258]),
    ]
    const given = { controls: { transformer: { ratedIn: 480, ratedOut: 208 } } }
    expect(told('power-transformer', readings, given).level).toBe('stop')
    expect(gate('live', readings, given).open).toBe(false)
  })
  it('tells what is lost between line side and motor', () => {
    const readings = [
      ...at('line_ll', linePositions, [480, 480, 480]),
      ...at('volts_ll', linePositions, [478, 452, 479]),
    ]
    expect(told('branch-drop', readings)).toMatchObject({ level: 'fix' })
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
    expect(told('inhibits', [], { answers: ready }).level).toBe('watch')
    expect(told('inhibits', [], { answers: { ...ready, 'leave.call': 'yes' } }).level).toBe('ok')
  })
  it('nothing moved at the bump is a stop', () =>
    expect(told('rotation', [], { answers: { 'rotation.seen': 'nothing moved' } }).level).toBe('stop'))
})

describe('live tests', () => {
  it('2.37 A out on a leg of a fan that is off and 1.73 A back on the ground wire (common practice)', () => {
    const readings = [...at('off_amps', ['L1'], [2.37]), ...at('ground_amps', ['ground-wire'], [1.73])]
    const v = told('ground-current', readings)
    expect(v.level).toBe('stop')
    expect(v.because).toContain('0.64 A returns another way')
    expect(told('off-amps', readings).because).toContain('ground wire')
  })
  it('a drive leaks by design: watched up to its own limit', () => {
    const drive = { machine: { hasDrive: true } }
    expect(told('ground-current', at('ground_amps', ['ground-wire'], [0.4]), drive).level).toBe('watch')
    expect(told('ground-current', at('ground_amps', ['ground-wire'], [1.4]), drive).level).toBe('stop')
  })
  it('3.8 A creeping before 2 A is undersized or a weak capacitor (common practice)', () => {
    const single = { machine: { phases: 1 as const, serviceVolts: 208 }, plate: { ...pscPlate, amps: '2.0' } }
    const v = told(
      'creeping-start',
      [...at('start_amps', ['L1'], [3.8]), ...at('amps', ['L1'], [2]), ...at('start_seconds', ['start'], [9])],
      single,
    )
    expect(v.level).toBe('fix')
    expect(v.next).toContain('capacitor')
    const brisk = [
      ...at('start_amps', ['L1'], [3.8]),
      ...at('amps', ['L1'], [2]),
      ...at('start_seconds', ['start'], [1]),
    ]
    expect(told('creeping-start', brisk, single).level).toBe('ok')
  })
  it('an inrush above what the code letter gives', () => {
    expect(told('inrush', at('inrush', legPositions, [84, 82, 80])).level).toBe('ok')
    expect(told('inrush', at('inrush', legPositions, [190, 82, 80])).level).toBe('watch')
  })
  it('rolled leads name the side', () => {
    const v = told('lead-roll', at('roll_amps', rollPositions, [20.1, 18, 22, 21.9, 20.2, 18.1, 18, 22.1, 20]))
    expect(v.because).toContain('It is the motor')
  })
  it('a shell near its class is to fix, over it a stop; temperatures in the scale of the house', () => {
    const t = (c: number, rules = {}) =>
      told('temperature', at('temperature', ['motor', 'ambient'], [c, 30]), { rules })
    expect(t(70).level).toBe('ok')
    expect(t(115).level).toBe('fix')
    expect(t(135).level).toBe('stop')
    expect(t(70).because).toContain('158 °F')
    expect(t(70, { temperature: 'C' }).because).toContain('70 °C')
  })
  it('a motor that hums is a stop; a still one nobody calls for is right', () => {
    expect(told('as-found', [], { answers: { 'look.running': 'hums' } }).level).toBe('stop')
    expect(told('as-found', [], { answers: { 'look.running': 'still', 'look.call': 'no' } }).level).toBe('ok')
  })
})

describe('drive and gas section', () => {
  const drive = (answers: Answers) => told('drive-display', [], { machine: { hasDrive: true }, answers })
  it('a trip asks for its code and says what to look at first by its family', () => {
    expect(drive({ 'drive.display': 'fault' })).toMatchObject({ level: 'fix', confidence: 'low' })
    const ground = drive({ 'drive.display': 'fault', 'drive.code': '12', 'drive.family': 'ground' })
    expect(ground.because).toContain('code 12, ground fault')
    expect(ground.next).toContain('each lead to ground with the drive off the wires')
    expect(drive({ 'drive.display': 'warning' }).level).toBe('watch')
    expect(drive({ 'drive.display': 'dark' }).level).toBe('watch')
    expect(drive({ 'drive.display': 'run' }).level).toBe('ok')
  })
  it('a cut-out lead left off is to fix; both are asked only where they are', () => {
    const gas = { controls: { gasSection: true } }
    expect(told('gas-section', [], { ...gas, answers: { 'gas.cutout': 'no' } }).level).toBe('fix')
    expect(told('gas-section', [], { ...gas, answers: { 'gas.tested': 'no' } }).level).toBe('watch')
    expect(told('gas-section', [], { ...gas, answers: { 'gas.cutout': 'yes' } }).level).toBe('ok')
    const ids = (m: MachineFacts) => sheetChecks.filter((c) => c.for(m)).map((c) => c.id)
    expect(ids(facts)).not.toContain('gas-section')
    expect(ids(facts)).not.toContain('drive')
    expect(ids({ ...facts, hasDrive: true })).toContain('drive')
  })
  it('one pole of a two-line single-phase feed leaves a leg hot; of a feed to neutral it is all', () => {
    const single = (serviceVolts: number) => ({
      machine: { phases: 1 as const, serviceVolts },
      controls: { starter: 'contactor' as const, poles: 1 as const },
    })
    expect(told('contactor-kind', [], single(208)).level).toBe('watch')
    expect(() => told('contactor-kind', [], single(120))).toThrow('said nothing')
  })
})

describe('what speaks for a machine', () => {
  const running = (day: number) => stopOf(at('amps', legPositions, [10, 10, 10]), day)
  const tested = (day: number) =>
    stopOf(
      [...proven, ...goodWinding, ...at('megohms', ['all'], [90]), ...at('temperature', ['winding'], [30])],
      day,
      locked,
    )
  it('is the newest running stop with what lasts of earlier ones, and their instants', () => {
    const s = standingStop([running(-1), tested(-200), running(-300)], [])
    expect(s?.id).toBe('s-1')
    expect(s?.readings.find((r) => r.quantity === 'megohms')).toMatchObject({ value: 90, at: now - 200 * dayMs })
    expect(s?.readings.some((r) => r.quantity === 'dead_lg' || r.quantity === 'winding_ohms')).toBe(false)
  })
  it('keeps the amps when the newest visit only tested it dead, and takes its tests', () => {
    const s = standingStop([tested(0), running(-30)], [])
    expect(s?.readings.filter((r) => r.quantity === 'amps')).toHaveLength(3)
    expect(s?.readings.some((r) => r.quantity === 'winding_ohms')).toBe(true)
    expect(s?.readings.some((r) => r.quantity === 'dead_ll')).toBe(false)
  })
  it('forgets the old winding when the motor was changed', () => {
    const s = standingStop([running(-1), tested(-200)], [{ at: now - 100 * dayMs, kind: 'motor-replaced', note: '' }])
    expect(s?.readings.some((r) => r.quantity === 'megohms')).toBe(false)
  })
  it('is nothing while nothing was read', () => expect(standingStop([], [])).toBeNull())
})
