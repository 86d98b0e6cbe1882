import { describe, expect, it } from 'vitest'
import { contextOf, unknownControls, type JudgeInput } from '../../judge/index.ts'
import { defaultPolicies } from '../../limits/index.ts'
import {
  legPositions,
  linePositions,
  terminalPairs,
  wirePairs,
  type QuantityCode,
  type Reading,
} from '../../quantity/index.ts'
import { unsaid, type Answers, type Visit } from '../../trend/index.ts'
import { featuresOf, resultsOf, resultsOfRecord } from '../index.ts'

const open = (quantity: QuantityCode, position: string): Reading => ({
  quantity,
  position,
  value: 1e5,
  how: 'over-range',
})
const at = (quantity: QuantityCode, positions: readonly string[], values: readonly number[]): Reading[] =>
  positions.map((position, i) => ({ quantity, position, value: values[i] ?? 0 }))

const machine: JudgeInput['machine'] = {
  phases: 3,
  serviceVolts: 480,
  hasVfd: false,
  hasTwin: false,
  drive: 'belt',
  controls: unknownControls,
  unitPlate: null,
}
const motor: JudgeInput['motor'] = {
  plate: { volts: '230/460', amps: '26/13', phases: 3, power: 10, powerUnit: 'hp', hz: '60', rpm: 1755, sf: 1.15 },
  connectionVolts: null,
  installedAt: 0,
}
const single: Partial<JudgeInput> = {
  machine: {
    ...machine,
    phases: 1,
    serviceVolts: 240,
    drive: 'direct',
    controls: { ...unknownControls, capacitor: { run: 5, second: null, volts: 440, tolerance: 0.06 } },
  },
  motor: {
    plate: { volts: '230', amps: '1.7', phases: 1, rpm: 1075, capacitorUf: 7.5 },
    connectionVolts: null,
    installedAt: 0,
  },
}
const visit = (readings: readonly Reading[], answers: Answers = {}, id = 'v', when = 1e9): Visit => ({
  id,
  at: when,
  state: { ...unsaid, settled: true },
  readings,
  answers,
})
function said(readings: readonly Reading[], answers: Answers = {}, over: Partial<JudgeInput> = {}): string {
  const input: JudgeInput = {
    machine,
    motor,
    visit: visit(readings, answers),
    history: [],
    work: [],
    policies: defaultPolicies,
    ...over,
  }
  return resultsOf(contextOf(input))
    .map((r) => r.join('='))
    .sort()
    .join(' ')
}

describe('what a visit says', () => {
  it('nothing, where nothing was read', () => expect(said([])).toBe(''))
  it.each([
    [at('winding_ohms', terminalPairs, [5.02, 5, 5.03]), 'ohms3=even'],
    [at('winding_ohms', terminalPairs, [5, 5, 4]), 'ohms3=uneven'],
    [at('winding_ohms', terminalPairs, [5, 5, 6]), 'ohms3=uneven'],
    [
      [open('winding_ohms', 'T1-T2'), open('winding_ohms', 'T2-T3'), ...at('winding_ohms', ['T3-T1'], [5])],
      'ohms3=lead-open',
    ],
    // One open pair of three is a misreading: the other two close it.
    [[open('winding_ohms', 'T1-T2'), ...at('winding_ohms', ['T2-T3', 'T3-T1'], [5, 5])], ''],
    [at('line_ll', linePositions, [482, 241, 241]), 'line-volts=lost'],
    [at('line_ll', linePositions, [0, 480, 478]), 'line-volts=lost'],
    [at('volts_ll', linePositions, [0, 480, 478]), 'load-volts=part'],
    [at('volts_ll', linePositions, [481, 479, 480]), 'load-volts=ok'],
    [at('line_ll', linePositions, [481, 479, 480]), 'line-volts=ok'],
    [at('line_ll', linePositions, [0, 1, 0]), 'line-volts=none'],
    [at('line_ll', linePositions, [420, 421, 422]), 'line-volts=low'],
    [at('line_ll', linePositions, [480, 480, 455]), 'line-volts=unbal'],
    [at('off_amps', legPositions, [0, 3.12, 0]), 'off-amps=one'],
    [at('ground_amps', ['ground-wire'], [2.55]), 'gnd-amps=high'],
    [at('megohms', ['all'], [410]), 'megs=good'],
    [at('megohms', ['all'], [2]), 'megs=low'],
    [at('megohms', ['all'], [0.2]), 'megs=low'],
    [at('megohms', ['all'], [0.05]), 'megs=dead'],
    [at('fuse_ohms', legPositions, [0.1, 0.1, 0.2]), 'fuse-ohms=whole'],
    [[...at('fuse_ohms', ['L1', 'L2'], [0.1, 0.1]), open('fuse_ohms', 'L3')], 'fuse-ohms=open'],
    [at('amps', legPositions, [12, 12.1, 12]), 'amps=even load=normal'],
    [at('amps', legPositions, [20, 20, 0.1]), 'amps=leg0 load=over'],
  ])('figures %#', (readings, text) => expect(said(readings)).toBe(text))
  // Wye: a bad joint at T1 raises two pairs, shorted turns in its phase lower the same two; circuit theory.
  it.each([
    [[6, 5, 6], 'high'],
    [[4, 5, 4], 'low'],
    [[5.2, 4.8, 5.2], 'uneven'],
  ])('an uneven winding of %j, even at 5 before, is %s', (values, outcome) => {
    const before = visit(at('winding_ohms', terminalPairs, [5, 5.02, 5]), {}, 'old', 1)
    expect(said(at('winding_ohms', terminalPairs, values), {}, { history: [before] })).toBe(`ohms3=${outcome}`)
    // At another place it was another circuit.
    const plug = { ...before, answers: { 'ohms.place': 'plug' } }
    expect(said(at('winding_ohms', terminalPairs, values), {}, { history: [plug] })).toBe('ohms3=uneven')
  })
  it('the leads of the meter are no part of the winding', () => {
    const leads: Reading = { quantity: 'lead_ohms', position: 'leads', value: 1 }
    expect(said([...at('winding_ohms', terminalPairs, [1.5, 1.5, 1.54]), leads])).toBe('ohms3=uneven')
    expect(said(at('winding_ohms', terminalPairs, [1.5, 1.5, 1.52]))).toBe('ohms3=even')
  })
  it('of a figure that does not stand still it says nothing', () => {
    const read = at('megohms', ['all'], [410]).map((r): Reading => ({ ...r, how: 'unsteady', spread: 300 }))
    expect(said(read)).toBe('')
  })
  it.each([
    ['no ohms between any pair', at('winding_ohms', terminalPairs, [0, 0, 0]), {}],
    ['insulation of one lead of three', at('megohms', ['T1'], [500]), {}],
    ['amps with no volts', [...at('amps', legPositions, [9, 9, 9]), ...at('volts_ll', linePositions, [0, 0, 0])], {}],
    ['to ground, read at the plug', at('ground_ohms', ['T1'], [50]), { 'ohms.place': 'plug' }],
  ] as const)('%s passes nothing and condemns nothing', (_what, readings, answers) => {
    const text = said(readings, answers)
    for (const never of ['ohms3=', 'megs=', 'gnd-ohms=', 'amps=', ' load=']) expect(text).not.toContain(never)
  })
  it('one bad lead is bad, and three good ones are good', () => {
    expect(said(at('megohms', ['T1'], [0.05]))).toBe('megs=dead')
    expect(said(at('megohms', ['T1', 'T2', 'T3'], [500, 400, 450]))).toBe('megs=good')
  })
  it('to ground at the plug is told as the far end', () =>
    expect(said(at('ground_ohms', ['T1'], [50]), { 'ohms.place': 'plug' })).toBe('ohms-far=ground'))
  it('insulation read through the cable is not that of the motor', () => {
    expect(said(at('megohms', ['all'], [0.4]), { 'insulation.place': 'contactor' })).toBe('')
    expect(
      said([open('winding_ohms', 'T1-T2'), open('winding_ohms', 'T2-T3'), ...at('winding_ohms', ['T3-T1'], [5])], {
        'ohms.place': 'contactor',
      }),
    ).toBe('ohms-far=open')
  })
  it.each([
    [{ 'look.running': 'hums', 'look.call': 'yes' }, 'see-call=yes see-fan=hums'],
    [{ 'look.breaker': 'fuse blown' }, 'breaker=fuse'],
    [{ 'spin.motor': 'free', 'spin.fan': 'seized' }, 'split=fan'],
    [{ lugs: 'burnt', wires: 'whole' }, 'terminals=loose'],
    [{ 'belt.wear': 'gone' }, 'belt-look=gone'],
    [{ 'drive.display': 'fault', 'drive.family': 'output-phase' }, 'vfd-code=out-phase'],
    [{ 'rotation.seen': 'wrong way' }, 'see-turn=back'],
  ])('answers %j', (answers, text) => expect(said([], answers)).toBe(text))
  it('a single-phase winding with only common open is told by the sum that was read before', () => {
    const whole = visit(at('winding_ohms', wirePairs, [47, 31, 16]), {}, 'before', 1)
    const now = [...at('winding_ohms', ['A-B'], [47]), open('winding_ohms', 'B-C'), open('winding_ohms', 'C-A')]
    expect(said(now, {}, { ...single, history: [whole] })).toContain('ohms1=common-open')
    const run = [open('winding_ohms', 'A-B'), ...at('winding_ohms', ['B-C'], [31]), open('winding_ohms', 'C-A')]
    expect(said(run, {}, { ...single, history: [whole] })).toContain('ohms1=wind-open')
    expect(said(now, {}, single)).not.toContain('ohms1')
  })
  it('a capacitor is read against its own marking', () =>
    expect(said(at('capacitance', ['run'], [3.3]), {}, single)).toBe('cap-uf=weak'))
})

it('the record says by itself that a capacitor is another motor’s, or a motor another supply’s', () => {
  expect(single.machine && resultsOfRecord(single.machine, single.motor ?? null)).toEqual([['cap-mark', 'wrong']])
  expect(resultsOfRecord(machine, motor)).toEqual([])
  expect(resultsOfRecord({ ...machine, serviceVolts: 240 }, motor)).toEqual([])
  const only = { connectionVolts: null, installedAt: 0, plate: { volts: '230', amps: '6' } }
  expect(resultsOfRecord({ ...machine, serviceVolts: 208 }, only)).toEqual([['plate', 'volts']])
  expect(resultsOfRecord(machine, { ...only, plate: { volts: 'worn' } })).toEqual([])
})

it('features of a machine come from its record', () => {
  expect([...featuresOf(machine)]).toEqual(['three-phase', 'belt', 'contactor', 'overload relay'])
  expect(featuresOf({ ...machine, hasVfd: true }).has('contactor')).toBe(false)
  expect(featuresOf({ ...machine, hasVfd: true }).has('drive')).toBe(true)
})
