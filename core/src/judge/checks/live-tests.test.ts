import { describe, expect, it } from 'vitest'
import { legPositions, linePositions, rollPositions } from '../../quantity/index.ts'
import type { Answers } from '../../trend/index.ts'
import { checkDefinitions, type MachineFacts } from '../index.ts'
import { pscPlate, facts, at, say, told, gate } from './say.test-help.ts'

describe('the line side and its transformers', () => {
  it('460/560/560 V is 12.7 %: a stop that says what to switch off (common practice)', () => {
    const v = told('line-side', at('line_ll', linePositions, [460, 560, 560]))
    expect(v.level).toBe('stop')
    expect(v.because).toContain('13 %')
    expect(v.next).toContain('Shut off everything on this supply')
    expect(gate('live', at('line_ll', linePositions, [460, 560, 560])).bars).not.toBeNull()
  })
  it('7 V out of 137 V in clears the transformer; 32 V out of 569 V condemns what hangs below (common practice)', () => {
    expect(told('control-power', at('control_volts', ['in', 'out'], [137, 7])).because).toContain('healthy')
    const high = told('control-power', at('control_volts', ['in', 'out'], [569, 32]))
    expect(high).toMatchObject({ level: 'stop' })
    expect(told('control-power', at('control_volts', ['in', 'out'], [462, 9])).because).toContain('not the ratio')
    expect(told('control-power', at('control_volts', ['in', 'out'], [462, 25])).level).toBe('ok')
  })
  it('a power transformer 24 % high on two pairs is level Stop', () => {
    const readings = [
      ...at('transformer_in', linePositions, [480, 480, 480]),
      ...at('transformer_out', linePositions, [208, 258, 258]),
    ]
    const given = { controls: { transformer: { ratedIn: 480, ratedOut: 208 } } }
    expect(told('power-transformer', readings, given).level).toBe('stop')
    expect(gate('live', readings, given).open).toBe(false)
    // A line that is lost ahead of it is told with or without the volts out.
    const lost = at('transformer_in', linePositions, [0, 480, 478])
    for (const more of [[], at('transformer_out', linePositions, [0, 208, 207])])
      expect(told('power-transformer', [...lost, ...more], given)).toMatchObject({
        level: 'stop',
        because: expect.stringMatching(/^0\.0, 480, 478 V in: a line is lost ahead/),
      })
  })
  it('tells what is lost between line side and motor', () => {
    const readings = [
      ...at('line_ll', linePositions, [480, 480, 480]),
      ...at('volts_ll', linePositions, [478, 452, 479]),
    ]
    expect(told('branch-drop', readings)).toMatchObject({ level: 'fix' })
  })
})

describe('the phase monitor', () => {
  const lost = at('amps', legPositions, [0.1, 21.8, 22.1])
  it('speaks only when a leg is lost', () => {
    const even = say(at('amps', legPositions, [12, 12.1, 11.9]))
    expect(even.verdicts.map((v) => v.check)).not.toContain('phase-monitor')
  })
  it('that is not recorded is asked for where a leg is lost (common practice)', () =>
    expect(told('phase-monitor', lost)).toMatchObject({ level: 'watch' }))
  it('that let a motor run on with a leg lost is to fix', () => {
    const v = told('phase-monitor', lost, { controls: { phaseMonitor: true } })
    expect(v).toMatchObject({ level: 'fix' })
    expect(v.because).toContain('did not trip')
  })
  it('that opened has done its work', () => {
    const dropped = [...at('volts_ll', linePositions, [480, 240, 240]), ...at('amps', legPositions, [0, 0, 0])]
    expect(told('phase-monitor', dropped, { controls: { phaseMonitor: true } })).toMatchObject({
      level: 'ok',
      next: 'Do not bypass it. Find the lost leg first.',
    })
  })
  it('is not asked of a drive, which watches its own line', () =>
    expect(say(lost, { machine: { hasVfd: true } }).verdicts.map((v) => v.check)).not.toContain('phase-monitor'))
})

describe('live tests', () => {
  it('2.37 A out on a leg of a fan that is off and 1.73 A back on the ground wire (common practice)', () => {
    const readings = [...at('off_amps', ['L1'], [2.37]), ...at('ground_amps', ['ground-wire'], [1.73])]
    const v = told('ground-current', readings)
    expect(v.level).toBe('stop')
    expect(v.because).toContain('0.64 A returns through pipe')
    expect(told('off-amps', readings).because).toContain('ground wire')
  })
  it('a leg that was not clamped with the fan off is asked for: a winding to ground carries on one alone', () => {
    const off = (...amps: number[]) =>
      say(at('off_amps', legPositions, amps)).verdicts.filter((v) => v.check === 'off-amps')
    expect(off(0, 0, 0).map((v) => v.level)).toEqual(['ok'])
    expect(off(0, 0)).toEqual([
      expect.objectContaining({ level: 'watch', positions: ['L3'], ofVisit: true }),
      expect.objectContaining({ level: 'ok', because: 'No current on L1 and L2 with the fan off.' }),
    ])
    expect(off(0, 2.4).map((v) => v.level)).toEqual(['stop', 'ok'])
  })
  it('a drive leaks by design: watched up to its own limit', () => {
    const drive = { machine: { hasVfd: true } }
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
  it('a shell near its class is level Fix, over it level Stop; temperatures in the site’s temperature scale', () => {
    const t = (c: number, policies = {}) =>
      told('temperature', at('temperature', ['motor', 'ambient'], [c, 30]), { policies })
    expect(t(70).level).toBe('ok')
    expect(t(115).level).toBe('fix')
    expect(t(135).level).toBe('stop')
    expect(t(70).because).toContain('158 °F')
    expect(t(70, { temperature: 'C' }).because).toContain('70 °C')
  })
  it('a motor that hums is level Stop; a still one nobody calls for is right', () => {
    expect(told('as-found', [], { answers: { 'look.running': 'hums' } }).level).toBe('stop')
    expect(told('as-found', [], { answers: { 'look.running': 'still', 'look.call': 'no' } }).level).toBe('ok')
  })
})

describe('drive and gas section', () => {
  const drive = (answers: Answers) => told('drive-display', [], { machine: { hasVfd: true }, answers })
  it('a trip asks for its code and says what to look at first by its family', () => {
    expect(drive({ 'drive.display': 'fault' })).toMatchObject({ level: 'fix', confidence: 'low' })
    const ground = drive({ 'drive.display': 'fault', 'drive.code': '12', 'drive.family': 'ground' })
    expect(ground.because).toContain('code 12, ground fault')
    expect(ground.next).toContain('each lead to ground with the drive disconnected')
    expect(drive({ 'drive.display': 'warning' }).level).toBe('watch')
    expect(drive({ 'drive.display': 'dark' }).level).toBe('fix')
    expect(drive({ 'drive.display': 'run' }).level).toBe('ok')
  })
  it('settings that are wrong are to fix, and named; changed ones are asked about', () => {
    const settings = (answers: Answers) => told('drive-settings', [], { machine: { hasVfd: true }, answers })
    const which = 'Overload set for 21 A on a 12.2 A motor'
    expect(settings({ 'drive.settings': 'off', 'drive.settings-which': which })).toMatchObject({
      level: 'fix',
      because: `A setting of the drive is wrong. ${which}.`,
    })
    expect(settings({ 'drive.settings': 'off' }).because).toContain('was not written down')
    expect(settings({ 'drive.settings': 'changed' }).level).toBe('watch')
    expect(settings({ 'drive.settings': 'match' }).level).toBe('ok')
  })
  it('leads of a swap test stand until they are back and the wheel was seen; the visit is not closed over them', () => {
    const twin = { hasVfd: true, hasTwin: true }
    const swap = (answer: string) => told('drive-swap', [], { machine: twin, answers: { 'drive.swap': answer } })
    expect(swap('swapped').level).toBe('fix')
    expect(swap('back unseen')).toMatchObject({
      level: 'fix',
      next: 'See the wheel turn the right way, then read amps.',
    })
    expect(swap('back').level).toBe('ok')
    const close = (answer: string) =>
      gate('close', [], { machine: twin, answers: { 'drive.swap': answer } }).steps.find((x) => x.id === 'drive.swap')
    expect(close('swapped')?.met).toBe(false)
    expect(close('back unseen')?.met).toBe(false)
    expect(close('back')?.met).toBe(true)
  })
  const vfd = { machine: { hasVfd: true } }
  it('its output amps are held against the nameplate, and against a clamp', () => {
    const output = (amps: number, clamp: readonly number[] = []) =>
      told(
        'drive-output',
        [...at('drive_amps', ['output'], [amps]), ...at('amps', ['L1', 'L2', 'L3'].slice(0, clamp.length), clamp)],
        vfd,
      )
    expect(output(9).level).toBe('ok')
    // 12.8 A on the nameplate; no overload may be set over 140 % of it.
    expect([output(14), output(17.9), output(200)].map((v) => v.level)).toEqual(['fix', 'fix', 'stop'])
    expect(output(9, [8.9, 9, 9.1]).level).toBe('ok')
    const bare = say(at('drive_amps', ['output'], [9]), { ...vfd, plate: { phases: 3 } })
    expect(bare.verdicts.filter((v) => v.check === 'drive-output')).toEqual([])
    // Ahead of the drive at part speed: lower, and another figure.
    expect(output(9, [5, 5.1, 5])).toMatchObject({ level: 'watch' })
  })
  // 3√2/π of 480 V is 648 V; nine tenths of it 583 V, 112 % of it 726 V.
  it.each([
    [648, 'ok'],
    [584, 'ok'],
    [582, 'fix'],
    [725, 'ok'],
    [727, 'watch'],
  ])('a bus of %i V on 480 V is %s', (volts, level) => {
    const found = told(
      'drive-bus',
      [...at('bus_volts', ['bus'], [volts]), ...at('volts_ll', ['L1-L2', 'L2-L3', 'L3-L1'], [480, 480, 480])],
      vfd,
    )
    expect(found.level).toBe(level)
  })
  describe('combustion, by its figures (common practice; 400 ppm air-free: ANSI Z21.47)', () => {
    const gas = { controls: { gasSection: true } }
    const test = (oxygen: number | null, co: number | null, stack: number | null = null) => [
      ...(oxygen === null ? [] : at('flue_oxygen', ['flue'], [oxygen])),
      ...(co === null ? [] : at('flue_co', ['flue'], [co])),
      ...(stack === null ? [] : at('temperature', ['stack'], [stack])),
    ]
    const levels = (...figures: Parameters<typeof test>) =>
      Object.fromEntries(
        say(test(...figures), gas)
          .verdicts.filter((v) => v.check === 'combustion')
          .map((v) => [v.positions[0], v.level]),
      )
    it.each<[Parameters<typeof test>, Record<string, string>]>([
      [[7.5, 28, 200], { oxygen: 'ok', co: 'ok', stack: 'ok' }],
      // 9.8 % is out, however good it sounds.
      [[9.8, 20, null], { oxygen: 'stop', co: 'ok' }],
      [[5.8, 12, null], { oxygen: 'stop', co: 'ok' }],
      // 67 × 20.9 ÷ (20.9 − 7) = 100.7; 66 gives 99.2; 267 gives 401.5.
      [[7, 66, null], { oxygen: 'ok', co: 'ok' }],
      [[7, 67, null], { oxygen: 'ok', co: 'fix' }],
      [[7, 267, null], { oxygen: 'ok', co: 'stop' }],
      [[17, 30, null], { oxygen: 'watch', co: 'watch' }],
      [[null, 500, null], { co: 'stop' }],
      [[null, 40, null], { co: 'watch' }],
      [[7, null, null], { oxygen: 'ok', co: 'watch' }],
      // 325 to 450 °F are 162.8 to 232.2 °C.
      [[7, 20, 233], { oxygen: 'ok', co: 'ok', stack: 'stop' }],
      [[7, 20, 162], { oxygen: 'ok', co: 'ok', stack: 'stop' }],
      [[7, 20, 163], { oxygen: 'ok', co: 'ok', stack: 'ok' }],
    ])('%j', (figures, expected) => expect(levels(...figures)).toEqual(expected))
    it('says what was read against what', () => {
      const [oxygen] = say(test(9.8, 20), gas).verdicts.filter((v) => v.check === 'combustion')
      expect(oxygen?.because).toBe('Oxygen 9.8 %, outside 6 to 9 %.')
    })
    it('goes by the ranges of its own appliance where they are entered', () => {
      const own = { gasSection: true, burner: { oxygenLow: 4, oxygenHigh: 6, stackLow: 300, stackHigh: 400 } }
      const of = (oxygen: number, stack: number) =>
        say(test(oxygen, 20, stack), { controls: own })
          .verdicts.filter((v) => v.check === 'combustion' && v.positions[0] !== 'co')
          .map((v) => [v.level, v.basis[0]?.text])
      const range = 'the range of this appliance'
      // 300 and 400 °F are 148.9 and 204.4 °C.
      expect(of(5, 150)).toEqual([
        ['ok', range],
        ['ok', range],
      ])
      expect(of(7, 210).map(([level]) => level)).toEqual(['stop', 'stop'])
    })
    it('keeps the burner off, and lets the fan be run to read it again by override', () => {
      expect(gate('restore', test(9.8, 20), gas).bars).toBeNull()
      expect(gate('live', test(9.8, 20), gas).steps.some((s) => s.words.startsWith('Oxygen 9.8 %'))).toBe(true)
      expect(gate('live', test(9.8, 20), gas).bars).toBeNull()
    })
  })
  it('a cut-out lead left off is at Stop, a gas section that was not tested to fix; both are asked only where they are', () => {
    const gas = { controls: { gasSection: true } }
    expect(told('gas-section', [], { ...gas, answers: { 'gas.cutout': 'no' } }).level).toBe('stop')
    expect(told('gas-section', [], { ...gas, answers: { 'gas.tested': 'no' } }).level).toBe('fix')
    expect(told('gas-section', [], { ...gas, answers: { 'gas.cutout': 'yes' } }).level).toBe('ok')
    // A word is no test: the figures are.
    const said = told('gas-section', [], { ...gas, answers: { 'gas.tested': 'yes' } })
    expect([said.level, said.settles]).toEqual(['watch', false])
    const flue = [...at('flue_oxygen', ['flue'], [7]), ...at('flue_co', ['flue'], [20])]
    expect(told('gas-section', flue, { ...gas, answers: { 'gas.tested': 'yes' } }).level).toBe('ok')
    expect(told('gas-section', flue, gas).level).toBe('ok')
    const ids = (m: MachineFacts) => checkDefinitions.filter((c) => c.for(m)).map((c) => c.id)
    expect(ids(facts)).not.toContain('gas-section')
    expect(ids(facts)).not.toContain('drive')
    expect(ids({ ...facts, hasVfd: true })).toContain('drive')
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
