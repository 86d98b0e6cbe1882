import { describe, expect, it } from 'vitest'
import { jobKinds, jobStands, type JobFact } from '../index.ts'
import { checkParts } from './check.ts'
import { partChecks } from './checks.ts'
import { measuredWords } from './point.ts'
import { samePart } from './same.test-help.ts'

const inch = 25.4

describe('new parts against the old ones', () => {
  it('every step that something waits for which cannot be undone measures its parts, but for slack of wires', () => {
    const needed = jobKinds.flatMap((k) => k.steps.flatMap((s) => s.irreversible?.needs ?? []))
    expect([...new Set(needed)].filter((id) => !(id in partChecks))).toEqual(['WL3'])
    const ids = new Set(jobKinds.flatMap((k) => k.steps.map((s) => s.id)))
    expect(Object.keys(partChecks).filter((id) => !ids.has(id))).toEqual([])
    for (const points of Object.values(partChecks)) expect(new Set(points.map((p) => p.id)).size).toBe(points.length)
  })
  it('the same part drops in; what was not measured is not known', () => {
    for (const step of Object.keys(partChecks)) {
      expect(checkParts(step, samePart(step))).toMatchObject({ grade: 'drops in', passes: true })
      const [first, ...rest] = samePart(step)
      expect(checkParts(step, rest), step).toMatchObject({ grade: 'not known', passes: false })
      expect(checkParts(step, [...rest, { point: first?.point ?? '', old: 'x', now: -1 }])?.passes).toBe(false)
    }
    expect(checkParts('A1', [])).toBeNull()
  })
  // Worked plan: bearings of 1-7/16 in came for a shaft of 1-11/16 in.
  it('a bearing of the wrong bore does not fit, however alike the rest is', () => {
    const wrong = samePart('SB3', {
      diameter: { old: 1.6875 * inch, now: 1.6875 * inch },
      bearing: { old: 1.6875 * inch, now: 1.4375 * inch },
    })
    const check = checkParts('SB3', wrong)
    expect(check).toMatchObject({ grade: 'does not fit', passes: false })
    expect(check?.points.find((p) => p.grade === 'does not fit')?.point.id).toBe('bearing')
  })
  it('a thousandth of an inch is the same by calipers, two are not', () => {
    const at = (thousandths: number) =>
      checkParts('SB3', samePart('SB3', { bearing: { old: 38.1, now: 38.1 + (thousandths * inch) / 1000 } }))?.passes
    expect([1, -1, 2, -2].map(at)).toEqual([true, true, false, false])
  })
  it('a difference that something helps fits with it', () => {
    const holes = checkParts('BM7', samePart('BM7', { 'holes-across': { old: 140, now: 160 } }))
    expect(holes).toMatchObject({ grade: 'fits with changes', passes: true })
    expect(holes?.points.find((p) => p.because !== '')?.because).toBe('Adapter base, or slots.')
  })
  it('more amps than needed are as good, fewer are not; an overload spans the nameplate', () => {
    const at = (over: Parameters<typeof samePart>[1]) => checkParts('CO3', samePart('CO3', over))?.grade
    expect(at({ amps: { old: 12, now: 25 } })).toBe('drops in')
    expect(at({ amps: { old: 12, now: 9 } })).toBe('does not fit')
    expect(at({ low: { old: 10, now: 12.8 }, high: { old: 12.8, now: 16 } })).toBe('drops in')
    expect(at({ low: { old: 14, now: 12.8 } })).toBe('does not fit')
    expect(at({ high: { old: 12.8, now: 12 } })).toBe('does not fit')
  })
  // The worked example of the calculator: 22 in, 3 blades at 27° against 4 at 23°, 90 % of the nameplate: 88 %.
  it('another blade is worked out against the motor: what overloads it does not fit', () => {
    const at = (
      old: number,
      now: Partial<Record<'diameter' | 'blades' | 'pitch', number>>,
      was = { blades: 3, pitch: 27 },
    ) => {
      const d = 22 * inch
      return checkParts(
        'PF6',
        samePart('PF6', {
          diameter: { old: d, now: now.diameter ?? d },
          blades: { old: was.blades, now: now.blades ?? was.blades },
          pitch: { old: was.pitch, now: now.pitch ?? was.pitch },
          // What is sent of the new load is not believed.
          load: { old, now: 1 },
        }),
      )?.points.find((p) => p.point.id === 'load')
    }
    expect(at(90, { blades: 4, pitch: 23 })).toMatchObject({ grade: 'drops in', measured: { old: 90, now: 88 } })
    // (4/3)^0.7 = 1.22: 90 % becomes 110 %, 95 % becomes 116 %.
    expect(at(90, { blades: 4 })).toMatchObject({ grade: 'fits with changes', measured: { now: 110 } })
    expect(at(95, { blades: 4 })).toMatchObject({ grade: 'does not fit', measured: { now: 116 } })
    // The same blade on a motor that carries too much already is no worse.
    expect(at(120, {})).toMatchObject({ grade: 'fits with changes', measured: { now: 120 } })
    for (const wrong of [{ pitch: 60 }, { blades: 0 }, { diameter: 0 }]) expect(at(90, wrong)?.grade).toBe('not known')
    expect(at(0, {})?.grade).toBe('not known')
  })
  it('shafts are shown to the thousandth of an inch, or by the hundredth of a millimeter', () => {
    const [point] = partChecks['SB3'] ?? []
    if (!point) throw new Error('no point')
    expect(measuredWords(point, 1.4375 * inch, 'us')).toBe('1.438 in')
    expect(measuredWords(point, 36.5125, 'metric')).toBe('36.51 mm')
  })
})

describe('a job whose parts are measured', () => {
  const job = { at: 0, kinds: ['shaft'], skip: [] }
  const done = (at: number, step: string): JobFact => ({ id: `d${at}`, at, by: 'V', kind: 'done', step, note: '' })
  const check = (at: number, measured: ReturnType<typeof samePart>): JobFact => ({
    id: `c${at}`,
    at,
    by: 'V',
    kind: 'check',
    step: 'SB3',
    measured,
    note: '',
  })
  const before = ['A1', 'A2', 'A3', 'A4', 'A5', 'A7', 'A6', 'SB1', 'SB2', 'SB4', 'SB5'].map((id, i) => done(i, id))
  const cut = (...facts: JobFact[]) =>
    jobStands(job, [...before, ...facts], { hasVfd: false }, []).steps.find((s) => s.id === 'SB6')?.state
  const wrong = samePart('SB3', { bearing: { old: 42.9, now: 36.5 } })
  it('opens the cut only on parts that fit, by measure and not by word', () => {
    expect(cut(done(50, 'SB3'))).toBe('held')
    expect(cut(check(50, wrong))).toBe('held')
    expect(cut(check(50, samePart('SB3')))).toBe('ready')
    // Measured again, the last measure counts.
    expect(cut(check(50, samePart('SB3')), check(60, wrong))).toBe('held')
    expect(cut(check(50, wrong), check(60, samePart('SB3')))).toBe('ready')
    expect(cut(check(50, samePart('SB3')), { id: 'u', at: 60, by: 'V', kind: 'undone', step: 'SB3' })).toBe('held')
  })
  it('says which part does not fit until it is measured again', () => {
    const misfits = (...facts: JobFact[]) =>
      jobStands(job, [...before, ...facts], { hasVfd: false }, []).misfits.map((s) => s.id)
    expect(misfits(check(50, wrong))).toEqual(['SB3'])
    expect(misfits(check(50, wrong), check(60, samePart('SB3')))).toEqual([])
  })
})

describe('tools over an open deck', () => {
  const job = { at: 0, kinds: ['deck'], skip: ['FD6', 'FD8'] }
  const counted = (at: number, step: string, count: number | null): JobFact => ({
    id: `d${at}`,
    at,
    by: 'V',
    kind: 'done',
    step,
    note: '',
    count,
  })
  const state = (step: string, ...facts: JobFact[]) =>
    jobStands(job, facts, { hasVfd: false }, []).steps.find((s) => s.id === step)?.state
  it('are counted in and out, and nobody skips that: the count that comes out is the one that went in', () => {
    const skipped: JobFact = { id: 's', at: 1, by: 'V', kind: 'skipped', step: 'FD6', reason: 'few tools' }
    expect(state('FD6', skipped)).not.toBe('skipped')
    expect(state('FD6', counted(1, 'FD6', null))).not.toBe('done')
    expect(state('FD8', counted(1, 'FD6', 7), counted(2, 'FD8', 6))).not.toBe('done')
    expect(state('FD8', counted(1, 'FD6', 7), counted(2, 'FD8', 7))).toBe('done')
  })
})
