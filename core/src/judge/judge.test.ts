import { describe, expect, it } from 'vitest'
import { defaultPolicies } from '../limits/index.ts'
import type { Plate } from '../plate/index.ts'
import type { Reading } from '../quantity/index.ts'
import { dayMs, unsaid, type Visit, type VisitState, type WorkDone } from '../trend/index.ts'
import { inputOf, judged, levelOf, plate, start, steady, visitAt, three, told } from './judged.test-help.ts'
import { ampsHistory, dueAt, judge, rank, slipGuard, type JudgeInput } from './index.ts'

describe('amps against the plate', () => {
  it('is OK up to the plate of the column in use', () => {
    const v = told(visitAt(0, [12.8, 12.7, 12.8]), 'over-amp')
    expect(v).toMatchObject({ level: 'ok', limit: 12.8, value: 12.8 })
    expect(v?.because).toBe('100 % of the 460 V nameplate on all three legs: 12.8 of 12.8 A.')
  })
  it('is to fix above it: 13.6 A on a 12.8 A plate is 106 %', () => {
    const v = told(visitAt(0, [13.6, 13.2, 13.4]), 'over-amp')
    expect(v?.level).toBe('fix')
    expect(v?.because).toContain('106 %')
    expect(v?.basis.map((b) => b.kind)).toEqual(['plate', 'site policy'])
  })
  it('judges the worst leg, not the mean', () => expect(levelOf(visitAt(0, [13, 12.2, 12.2]), 'over-amp')).toBe('fix'))
  it('is level Stop above what any overload relay may be set to (NEC 430.32(C))', () => {
    expect(levelOf(visitAt(0, [17.9, 17.9, 17.9]), 'over-amp')).toBe('fix')
    expect(levelOf(visitAt(0, [18, 18, 18]), 'over-amp')).toBe('stop')
    expect(levelOf(visitAt(0, [16.7, 16.7, 16.7]), 'over-amp', { plate: { ...plate, sf: 1 } })).toBe('stop')
  })
  it('holds the lower of motor and unit plate, and names it', () => {
    const v = told(visitAt(0, [12.2, 12.2, 12.2]), 'over-amp', {
      machine: { unitPlate: { volts: '460', amps: '11.9' } },
    })
    expect(v).toMatchObject({ level: 'fix', limit: 11.9 })
    expect(v?.basis[0]?.text).toContain('unit plate')
    expect(v?.basis[0]?.text).toContain('12.8')
  })
  it('by the service-factor policy: a watch inside it, never OK, and not on an unbalanced supply', () => {
    const policies = { overAmp: 'service factor' } as const
    expect(levelOf(visitAt(0, [12.8, 12.8, 12.8]), 'over-amp', { policies })).toBe('ok')
    expect(levelOf(visitAt(0, [14.5, 14.5, 14.5]), 'over-amp', { policies })).toBe('watch')
    expect(levelOf(visitAt(0, [14.8, 14.8, 14.8]), 'over-amp', { policies })).toBe('fix')
    expect(levelOf(visitAt(0, [14.5, 14.5, 14.5], [470, 480, 490]), 'over-amp', { policies })).toBe('fix')
  })
  it('by the stricter policy: trimmed below the plate (common practice: 2.44 A on 2.40 trimmed to 2.26)', () => {
    const policies = { overAmp: 'trim below plate', trim: 0.05 } as const
    const small: Plate = { volts: '460', amps: '2.40', phases: 3 }
    expect(levelOf(visitAt(0, [2.26, 2.26, 2.26]), 'over-amp', { policies, plate: small })).toBe('ok')
    expect(levelOf(visitAt(0, [2.35, 2.35, 2.35]), 'over-amp', { policies, plate: small })).toBe('watch')
    expect(levelOf(visitAt(0, [2.44, 2.44, 2.44]), 'over-amp', { policies, plate: small })).toBe('fix')
  })
  it('says what low volts do, and raises no limit for them', () => {
    const v = told(visitAt(0, [29, 29, 29], [205, 205, 205]), 'over-amp', {
      machine: { serviceVolts: 208 },
      plate: { volts: '230', amps: '25.6', phases: 3 },
    })
    expect(v?.limit).toBe(25.6)
    expect(v?.because).toContain('At 205 V the same load draws up to 12 % more than at 230 V.')
  })
  it('says that a standing twin fan may be the reason', () =>
    expect(told(visitAt(0, [14, 14, 14], undefined, { twin: 'off' }), 'over-amp')?.because).toContain(
      'twin fan is off',
    ))
  it('asks for a second reading before it has settled, however high', () => {
    const v = told(visitAt(0, [60, 60, 60], undefined, { settled: false }), 'over-amp')
    expect(v).toMatchObject({ level: 'watch', confidence: 'low' })
  })
  it('gives no verdict on amps without a plate', () => {
    expect(told(visitAt(0, [12, 12, 12]), 'over-amp', { plate: null })).toBeUndefined()
    expect(levelOf(visitAt(0, [12, 12, 12]), 'no-plate', { plate: null })).toBe('watch')
    expect(told(visitAt(0, [12, 12, 12]), 'no-plate', { plate: { volts: '200', amps: '30' } })?.because).toContain(
      'No voltage on the nameplate',
    )
  })
})

describe('the supply', () => {
  it('460/560/560 V is 12.7 %: level Stop, and 560 V is an overvoltage too (common practice example)', () => {
    const s = visitAt(0, [11, 11, 11], [460, 560, 560])
    expect(told(s, 'voltage-unbalance')).toMatchObject({ level: 'stop' })
    expect(told(s, 'voltage-unbalance')?.because).toContain('13 %')
    expect(levelOf(s, 'service-voltage')).toBe('stop')
  })
  it('derates the load: 2.6 % leaves 90.8 % (NEMA MG 1, 14.36)', () => {
    const volts = [460, 472, 448]
    const u = told(visitAt(0, [9, 9, 9], volts), 'voltage-unbalance')
    expect(u?.level).toBe('watch')
    expect(u?.because).toContain('91 % of its load')
    expect(levelOf(visitAt(0, [12.5, 12.5, 12.5], volts), 'voltage-unbalance')).toBe('fix')
  })
  it('is clean up to 1 % (NEMA MG 1, 12.45) and to mend above 3 % (ANSI C84.1)', () => {
    expect(levelOf(visitAt(0, [8, 8, 8], [480, 478, 481]), 'voltage-unbalance')).toBe('ok')
    expect(levelOf(visitAt(0, [4, 4, 4], [480, 465, 495]), 'voltage-unbalance')).toBe('fix')
  })
  it('finds a misread voltage', () =>
    expect(told(visitAt(0, [8, 8, 8], [480, 480, 970]), 'voltage-unbalance')?.because).toContain('misread'))
  it.each([
    [414, 'watch'],
    [413, 'fix'],
    [506, 'watch'],
    [507, 'fix'],
    [456, 'ok'],
    [504, 'ok'],
  ] as const)('%d V on a 460 V plate of a 480 V service: %s (NEMA MG 1 12.44; ANSI C84.1 Range A)', (v, level) =>
    expect(levelOf(visitAt(0, [8, 8, 8], [v, v, v]), 'service-voltage')).toBe(level),
  )
  it('asks for the column when the volts are those of another one', () =>
    expect(told(visitAt(0, [8, 8, 8], [231, 230, 231]), 'service-voltage')?.because).toContain(
      'right nameplate column',
    ))
})

describe('evenness', () => {
  it('explains uneven currents by the supply when they are six to ten times its unbalance (NEMA MG 1, 14.36)', () =>
    expect(told(visitAt(0, [13, 12.1, 15.3], [462, 458, 471]), 'current-unbalance')?.because).toContain(
      'the supply explains it',
    ))
  it('points at motor and lugs when they are far more', () => {
    const v = told(visitAt(0, [12, 12.1, 15], [480, 481, 479]), 'current-unbalance')
    expect(v?.level).toBe('fix')
    expect(v?.because).toContain('not the supply')
  })
  it('neither blames nor clears the supply without volts', () => {
    const s = { ...visitAt(0, [12, 12.1, 15]), readings: three('amps', [12, 12.1, 15]) }
    expect(told(s, 'current-unbalance')).toMatchObject({ confidence: 'low' })
    expect(told(s, 'current-unbalance')?.because).toContain('volts not read')
  })
  it('finds a lost leg by amps, by volts, and the far side of a transformer: stop each', () => {
    const byAmps = told(visitAt(0, [0.4, 17.9, 17.4]), 'lost-leg')
    expect(byAmps).toMatchObject({ level: 'stop' })
    expect(byAmps?.because).toContain('L1 has almost no current')
    expect(levelOf(visitAt(0, [11, 11, 11], [480, 277, 277]), 'lost-leg')).toBe('stop')
    expect(told(visitAt(0, [22, 11, 11]), 'lost-leg')?.because).toContain('transformer')
  })
  it('does not call a lost leg merely uneven', () =>
    expect(told(visitAt(0, [0.4, 17.9, 17.4]), 'current-unbalance')).toBeUndefined())
})

describe('turning', () => {
  it('amps without turning are level Stop: a burnt winding can hold its plate amps', () => {
    const j = judged(visitAt(0, [12, 12, 12], undefined, { turning: 'not turning' }))
    expect(j.level).toBe('stop')
  })
  it('backwards is to fix', () =>
    expect(levelOf(visitAt(0, [9, 9, 9], undefined, { turning: 'backwards' }), 'turning')).toBe('fix'))
})

describe('change and usual range', () => {
  it('tells a step down that nothing on record explains', () => {
    const v = told(visitAt(300, [9.7, 9.6, 9.7]), 'change', { history: steady(8) })
    expect(v?.level).toBe('watch')
    expect(v?.because).toMatch(
      /^Down 12 % from the usual 11\.0 A \(95 % range 1\d\.\d to 11\.\d A\) since .*; no work recorded that explains it\.$/,
    )
  })
  it('takes the swing of the supply out', () => {
    // 5 % lower volts, 5 % more amps: the same load.
    expect(levelOf(visitAt(300, [11.58, 11.58, 11.58], [454, 454, 454]), 'change', { history: steady(8) })).toBe('ok')
  })
  it('does not compare unlike states', () => {
    const history = steady(8).map((s) => ({ ...s, state: { ...s.state, twin: 'running' as const } }))
    expect(told(visitAt(300, [14, 14, 14], undefined, { twin: 'off' }), 'change', { history })).toBeUndefined()
  })
  it('starts anew after work, and says what the work did', () => {
    const work: WorkDone[] = [{ at: start + 250 * dayMs, kind: 'sheave-turned', note: '' }]
    const s = visitAt(300, [13.4, 13.3, 13.4])
    expect(told(s, 'change', { history: steady(8), work })).toBeUndefined()
    expect(told(s, 'over-amp', { history: steady(8), work })?.because).toContain(
      'Up 21 % since the turn of the motor sheave on Sep 12.',
    )
  })
  it('is far below the plate a watch, unless it always was', () => {
    expect(levelOf(visitAt(0, [4, 4, 4]), 'far-below')).toBe('watch')
    expect(levelOf(visitAt(300, [4, 4, 4]), 'far-below', { history: steady(6, 4) })).toBe('ok')
  })
})

describe('trend', () => {
  const rising = Array.from({ length: 12 }, (_, i) => visitAt(i * 30, [11 + i * 0.1, 11 + i * 0.1, 11 + i * 0.1]))
  it('tells when a rise meets the plate', () => {
    const v = told(visitAt(360, [12.2, 12.2, 12.2]), 'trend', { history: rising })
    expect(v?.level).toBe('watch')
    expect(v?.because).toMatch(/reaches the nameplate in about 1[78]\d days/)
  })
  it('says so when there is none', () =>
    expect(told(visitAt(240, [11, 11, 11]), 'trend', { history: steady(8) })?.because).toContain(
      'No significant trend',
    ))
  it('is fitted inside the baseline only', () => {
    const work: WorkDone[] = [{ at: start + 200 * dayMs, kind: 'belts-renewed', note: '' }]
    expect(told(visitAt(360, [12.2, 12.2, 12.2]), 'trend', { history: rising.slice(0, 9), work })).toBeUndefined()
  })
})

describe('how it was read', () => {
  it('amps on one leg only is never OK and says so', () => {
    const s = { ...visitAt(0, []), readings: [...three('volts_ll', [478, 479, 477]), ...three('amps', [9])] }
    const j = judged(s)
    expect(j.level).toBe('watch')
    expect(j.confidence).toBe('low')
    expect(j.headline).toContain('amps on L1 only')
  })
  it('tells what was not said, without raising the level', () => {
    const j = judged({ ...visitAt(0, [11, 11, 11]), state: unsaid })
    expect(j.level).toBe('ok')
    expect(j.confidence).toBe('low')
  })
})

describe('a whole judgement', () => {
  it('is worst first with a sentence for the Roof', () => {
    const j = judged(visitAt(0, [13.6, 13.2, 11]))
    expect(j.verdicts.map((v) => rank(v.level))).toEqual(
      [...j.verdicts.map((v) => rank(v.level))].sort((a, b) => b - a),
    )
    expect(j.headline).toBe(j.verdicts[0]?.because)
    expect(judged(visitAt(300, [11, 11.1, 11]), { history: steady(8) }).headline).toBe(
      '86 % of the nameplate, balanced, as usual. Insulation never read.',
    )
  })
  it('never leaves out basis, sentence or next step', () => {
    for (const v of judged(visitAt(0, [13.6, 13.2, 11], [460, 480, 470], { twin: 'off' })).verdicts) {
      expect(v.basis.length).toBeGreaterThan(0)
      expect(v.because).not.toBe('')
      expect(v.next).not.toBe('')
    }
  })
  it('judges a single-phase machine by its one leg', () => {
    const s: Visit = {
      id: 'x',
      at: start,
      state: { ...unsaid, settled: true },
      readings: [
        { quantity: 'volts_ln', position: 'L1-N', value: 118 },
        { quantity: 'amps', position: 'L1', value: 3.8 },
      ],
    }
    const j = judged(s, { machine: { phases: 1, serviceVolts: 120 }, plate: { volts: '115', amps: '3.5', phases: 1 } })
    expect(j.level).toBe('fix')
    expect(j.headline).toContain('109 % of the 115 V nameplate: 3.8 of 3.5 A')
    expect(j.verdicts.some((v) => v.check === 'current-unbalance' || v.check === 'lost-leg')).toBe(false)
  })
  it('is the same for the same input', () => {
    const input = inputOf(visitAt(300, [13, 12, 11]), { history: steady(8) })
    expect(judge(input)).toEqual(judge(JSON.parse(JSON.stringify(input)) as JudgeInput))
  })
})

describe('against the twin fan', () => {
  const said = (own: number, load: number, state: Partial<VisitState> = {}, daysAgo = 3) => {
    const visit = visitAt(0, [own, own, own], undefined, { twin: 'running', ...state })
    const input = inputOf(visit, { machine: { hasTwin: true } })
    return judge({ ...input, twins: [{ tag: 'SF-2', load, at: visit.at - daysAgo * dayMs }] }).verdicts.find(
      (v) => v.check === 'twin',
    )
  }
  it('twins that carry alike are OK, unlike ones are watched, with both figures', () => {
    expect(said(10.2, 0.8)?.level).toBe('ok')
    expect(said(10.2, 0.6)).toMatchObject({ level: 'watch' })
    expect(said(10.2, 0.6)?.because).toContain('80 % of nameplate, its twin SF-2 60 %')
  })
  it('is not said where frequency, mode, panels or turning are not alike, nor on drives whose frequency nobody read', () => {
    const at = (hz: number | undefined, otherHz: number | null | undefined, state: Partial<VisitState> = {}) => {
      const more = hz === undefined ? [] : [{ quantity: 'hz' as const, position: 'motor', value: hz }]
      const visit = visitAt(0, [10.2, 10.2, 10.2], undefined, { twin: 'running' }, more)
      const input = inputOf(visit, { machine: { hasTwin: true, hasVfd: true } })
      const twin = { tag: 'SF-2', load: 0.6, at: visit.at, hz: otherHz, state: { ...unsaid, ...state } }
      return judge({ ...input, twins: [twin] }).verdicts.find((v) => v.check === 'twin')?.level
    }
    expect(at(60, 60)).toBe('watch')
    // A hertz apart is alike, more is not.
    expect(at(60, 59)).toBe('watch')
    expect(at(60, 58.9)).toBeUndefined()
    expect(at(60, 45)).toBeUndefined()
    expect(at(60, null)).toBeUndefined()
    expect(at(undefined, 60)).toBeUndefined()
    for (const state of [
      { mode: 'test' },
      { panels: 'off' },
      { turning: 'backwards' },
      { twin: 'off' },
      { settled: false },
    ] as const)
      expect(at(60, 60, state)).toBeUndefined()
  })
  it('is not said when the twin was off, or was read long ago', () => {
    expect(said(10.2, 0.6, { twin: 'off' })).toBeUndefined()
    expect(said(10.2, 0.6, {}, 90)).toBeUndefined()
  })
})

describe('among others of its kind', () => {
  const said = (amps: number, peers?: readonly number[]) =>
    judge({ ...inputOf(visitAt(0, [amps, amps, amps])), peers }).verdicts.find((v) => v.check === 'peers')
  it('says where it lies, asks about one that is far off, and raises no level', () => {
    expect(said(9.4, [0.7, 0.72, 0.74, 0.73, 0.71])?.because).toMatch(
      /^73 % of allowed amps; 5 similar machines carry 70 % to 74 %, median 72 %\.$/,
    )
    const far = said(12.2, [0.7, 0.72, 0.74, 0.73, 0.71])
    expect(far).toMatchObject({ level: 'ok', confidence: 'low' })
    expect(far?.because).toContain('far above them')
    expect(far?.next).toContain('Compare its duty')
  })
  it('is not said among three, nor where none is known', () => {
    expect(said(9.4, [0.7, 0.7, 0.7])).toBeUndefined()
    expect(said(9.4)).toBeUndefined()
  })
})

describe('the slip guard', () => {
  const r = (value: number, position = 'L1', quantity: 'amps' | 'volts_ll' = 'amps'): Reading => ({
    quantity,
    position,
    value,
  })
  const none = () => []
  it('asks about ten times and a tenth of the usual', () => {
    expect(slipGuard(r(104), [], [10.3, 10.6, 10.5], none, null)?.kind).toBe('ten times')
    expect(slipGuard(r(1.04), [], [10.3, 10.6, 10.5], none, null)?.kind).toBe('a tenth')
  })
  it('goes by the plate while there is no past', () => {
    expect(slipGuard(r(128), [], [], none, 12.8)?.kind).toBe('ten times')
    expect(slipGuard(r(12), [], [], none, 12.8)).toBeNull()
  })
  it('asks about what no instrument shows', () =>
    expect(slipGuard(r(4610, 'L1-L2', 'volts_ll'), [], [461, 460], none, 480)?.kind).toBe('out of range'))
  it('asks whether a phase was read twice, where the phases usually differ', () => {
    const others = [r(10.6, 'L1')]
    expect(slipGuard(r(10.6, 'L2'), others, [11.2, 11.3, 11.2], () => [10.6, 10.7, 10.6], null)?.kind).toBe(
      'phase twice',
    )
    expect(slipGuard(r(10.6, 'L2'), others, [10.6, 10.7, 10.6], () => [10.6, 10.7, 10.6], null)).toBeNull()
  })
  it('lets an honest change pass: a third of the usual is no slip', () =>
    expect(slipGuard(r(3.5), [], [10.3, 10.6], none, null)).toBeNull())
})

describe('when it is due', () => {
  it('at once when stopped, then by level (policies)', () => {
    expect(dueAt('stop', start, defaultPolicies)).toBe(start)
    expect(dueAt('fix', start, defaultPolicies)).toBe(start + 7 * dayMs)
    expect(dueAt('watch', start, defaultPolicies)).toBe(start + 30 * dayMs)
    expect(dueAt('ok', start, { ...defaultPolicies, limits: { 'visit-interval': 60 } })).toBe(start + 60 * dayMs)
  })
})

describe('the history for the chart', () => {
  it('has a baseline for each work that breaks the trend, each with its own usual range', () => {
    const work: WorkDone[] = [
      { at: start + 125 * dayMs, kind: 'belts-renewed', note: '' },
      { at: start + 130 * dayMs, kind: 'greased', note: '' },
    ]
    const later = Array.from({ length: 5 }, (_, i) => visitAt(150 + i * 30, [12, 12, 12]))
    const h = ampsHistory(inputOf(visitAt(330, [12, 12, 12]), { history: [...steady(5), ...later], work }))
    expect(h.baselines).toHaveLength(2)
    expect(h.baselines[0]?.usual?.middle).toBeCloseTo(11, 0)
    expect(h.baselines[1]?.usual?.middle).toBeCloseTo(12, 1)
    expect(h.points).toHaveLength(11)
  })
})

describe('days in verdicts', () => {
  it('are those of the site, not of the meridian', () => {
    const history = steady(6)
    const work = [{ at: start + 150 * dayMs + 3 * 3_600_000, kind: 'sheave-turned' as const, note: '' }]
    const words = (zone: string) =>
      told(visitAt(181, [12.6, 12.6, 12.6]), 'after-work', { history, work, machine: { zone } })?.because ??
      told(visitAt(181, [13.6, 13.6, 13.6]), 'over-amp', { history, work, machine: { zone } })?.because
    // 03:00 UTC of June 4 is still June 3 in Chicago.
    expect(words('UTC')).toContain('Jun 4')
    expect(words('America/Chicago')).toContain('Jun 3')
  })
})
