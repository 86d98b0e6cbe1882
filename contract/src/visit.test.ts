import { describe, expect, it } from 'vitest'
import { answers, reading, visitBody } from './visit.ts'

const id = '0199a000-0000-7000-8000-000000000001'
const machineId = '0199a000-0000-7000-8000-000000000002'
const state = { settled: true, mode: null, filters: null, panels: null, twin: null, turning: null }
const body = (over: object = {}) => ({
  id,
  machineId,
  takenAt: '2026-11-25T09:00:00Z',
  state,
  readings: [{ quantity: 'amps', position: 'L1', value: 12.8 }],
  ...over,
})
const faults = (over: object) => {
  const r = visitBody.safeParse(body(over))
  return r.success ? [] : r.error.issues.map((i) => i.path.join('.'))
}

describe('a visit', () => {
  it('says something: a reading, an answer, a note, or how the fan turns', () => {
    const bare = { readings: [], answers: {}, note: '' }
    expect(faults(bare)).toEqual(['readings'])
    expect(faults({ ...bare, state: { ...state, panels: 'off' } })).toEqual(['readings'])
    for (const turning of ['backwards', 'not turning', 'right way'])
      expect(faults({ ...bare, state: { ...state, turning } })).toEqual([])
    expect(faults({ ...bare, note: 'Belt on the floor.' })).toEqual([])
    expect(faults({ ...bare, answers: { 'look.smell': 'burnt winding' } })).toEqual([])
  })
})

describe('a reading', () => {
  it('is a quantity at one of its positions, within what an instrument could show', () => {
    expect(reading.safeParse({ quantity: 'megohms', position: 'all', value: 220 }).success).toBe(true)
    expect(reading.safeParse({ quantity: 'megohms', position: 'L1', value: 220 }).success).toBe(false)
    expect(reading.safeParse({ quantity: 'amps', position: 'L1', value: 2001 }).success).toBe(false)
    expect(reading.safeParse({ quantity: 'amps', position: 'L1', value: Number.NaN }).success).toBe(false)
    expect(reading.safeParse({ quantity: 'temperature', position: 'ambient', value: -20 }).success).toBe(true)
  })
  it('says how it came to be, in known words, and how far it moved', () => {
    const base = { quantity: 'winding_ohms', position: 'T1-T2', value: 1.3 }
    for (const how of ['typed', 'meter', 'peak', 'unsteady', 'over-range'])
      expect(reading.safeParse({ ...base, how }).success).toBe(true)
    expect(reading.safeParse({ ...base, how: 'guessed' }).success).toBe(false)
    expect(reading.safeParse({ ...base, how: 'unsteady', spread: -1 }).success).toBe(false)
  })
  it('of vibration stands at a bearing and a direction, of filters at the bank', () => {
    const ok = (quantity: string, position: string, value: number) =>
      reading.safeParse({ quantity, position, value }).success
    for (const position of ['DE-H', 'DE-V', 'DE-A', 'ODE-H', 'ODE-V', 'ODE-A'])
      expect(ok('vibration', position, 0.2)).toBe(true)
    expect(ok('vibration', 'DE-X', 0.2)).toBe(false)
    expect(ok('vibration', 'DE-H', -0.1)).toBe(false)
    expect(ok('vibration', 'DE-H', 25)).toBe(false)
    expect(ok('filter_drop', 'filter', 0.6)).toBe(true)
    expect(ok('filter_drop', 'fan', 0.6)).toBe(false)
  })
  it('names the positions it could have', () => {
    const r = reading.safeParse({ quantity: 'hz', position: 'L1', value: 60 })
    expect(r.error?.issues[0]?.message).toBe('hz is read at motor')
  })
})

describe('answers', () => {
  it('answer questions of the visit page, in its words', () => {
    expect(answers.safeParse({ scope: 'full', 'lock.on': 'yes', 'lock.number': '17' }).success).toBe(true)
    expect(answers.safeParse({ 'psc.body': 'hot', 'look.breaker': 'tripped' }).success).toBe(true)
    for (const wrong of [{ 'lock.on': 'maybe' }, { weather: 'fine' }, { scope: 'quick' }, { windmill: '' }])
      expect(answers.safeParse(wrong).success).toBe(false)
  })
  it('name the question that is wrong, and the words it takes', () => {
    const r = answers.safeParse({ lugs: 'wobbly' })
    expect(r.error?.issues[0]).toMatchObject({ path: ['lugs'], message: 'one of tight, loose, burnt' })
  })
  it('of the drive train take their words and no others', () => {
    const right = {
      scope: 'drive',
      'belt.wear': 'cracked',
      'belt.tension': 'drum',
      'bearing.de': 'growls',
      'wheel.blades': 'clips',
      'vibration.mount': 'rigid',
    }
    expect(answers.safeParse(right).success).toBe(true)
    for (const question of Object.keys(right)) {
      const r = answers.safeParse({ ...right, [question]: 'fine, I think' })
      expect(r.error?.issues.map((i) => i.path[0])).toEqual([question])
    }
    expect(answers.safeParse({ 'belt.color': 'black' }).success).toBe(false)
  })
  it('keep lines of text short and without control characters', () => {
    expect(answers.safeParse({ 'lock.number': 'x'.repeat(401) }).success).toBe(false)
    expect(answers.safeParse({ 'lock.number': 'a\u0000b' }).success).toBe(false)
  })
})

describe('a visit as it is sent', () => {
  it('needs something: a reading, an answer or a note', () => {
    expect(faults({ readings: [] })).toEqual(['readings'])
    expect(faults({ readings: [], note: 'could not get up, hatch locked' })).toEqual([])
    expect(faults({ readings: [], answers: { 'look.running': 'still' } })).toEqual([])
  })
  it('has no reading twice', () => {
    const r = { quantity: 'amps', position: 'L1', value: 12.8 }
    expect(faults({ readings: [r, { ...r, value: 12.9 }] })).toEqual(['readings.1'])
  })
  it('corrects with a reason', () => {
    expect(faults({ supersedes: machineId })).toEqual(['reason'])
    expect(faults({ supersedes: machineId, reason: 'clamp not closed' })).toEqual([])
  })
  it('passes gates by a name and a reason, each known', () => {
    expect(faults({ passes: [{ gate: 'dead', by: 'M. Okonjo', reason: 'his lock is on' }] })).toEqual([])
    expect(faults({ passes: [{ gate: 'dead', by: '', reason: 'x' }] })).toEqual(['passes.0.by'])
    expect(faults({ passes: [{ gate: 'roof', by: 'x', reason: 'y' }] })).toEqual(['passes.0.gate'])
  })
  it('fills in what an older sender leaves out', () => {
    const parsed = visitBody.parse(body())
    expect(parsed).toMatchObject({ answers: {}, passes: [], note: '', supersedes: null, reason: '' })
  })
  it('holds nothing it does not know', () => expect(faults({ mood: 'good' })).toEqual(['']))
})
