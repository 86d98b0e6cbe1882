import { describe, expect, it } from 'vitest'
import { answerOf } from './speed-answer.ts'
import { draftOf, goalUnit, typedSpeedChange } from './draft.ts'
import { freeExample, todayOfFree, wrongInFree } from './free.ts'
import { changeWords, turnsWords } from './words.ts'

const today = todayOfFree(freeExample, 'in')
if (!today) throw new Error('the example is whole')
const draft = draftOf(today)

describe('a speed change as it is typed', () => {
  it('begins at today’s point with the plate as goal', () => {
    expect(draft).toMatchObject({ legs: ['12.8', '12.8', '12.8'], volts: '460', goal: 'amps', value: '12.8', flow: '' })
    const typed = typedSpeedChange(today, { ...draft, legs: ['13.4', '13,2', '13.3'] })
    expect(typed.ok && typed.value.today.legs).toEqual([13.4, 13.2, 13.3])
    expect(typed.ok && typed.value.goal).toEqual({ kind: 'amps', value: 12.8 })
  })
  it('names what is no figure at its cell', () => {
    expect(typedSpeedChange(today, { ...draft, legs: ['13.4', '', 'x'], volts: '', fixed: '95' })).toEqual({
      ok: false,
      wrong: { leg1: 'is needed', leg2: '“x” is not a number', volts: 'is needed', fixed: 'at most 90 %' },
    })
  })
  it('takes a goal of air as a share of today’s until somebody measured it', () => {
    const share = typedSpeedChange(today, { ...draft, goal: 'flow', value: '90' })
    expect(share.ok && share.value.goal).toEqual({ kind: 'flow', value: 0.9 })
    expect(share.ok && share.value.today.flow).toBe(1)
    const cfm = typedSpeedChange(today, { ...draft, goal: 'flow', flow: '4000', value: '3600' })
    expect(cfm.ok && cfm.value.goal?.value).toBeCloseTo(1.699, 3)
    expect([
      goalUnit({ ...draft, goal: 'flow' }, 'us'),
      goalUnit({ ...draft, goal: 'flow', flow: '4000' }, 'us'),
    ]).toEqual(['% of today’s air', 'cfm'])
  })
  it('without a goal shows every setting of the sheave, nearest first', () => {
    const typed = typedSpeedChange(today, { ...draft, value: '' })
    const answer = typed.ok ? answerOf(typed.value.today, typed.value.goal) : ''
    if (typeof answer === 'string') throw new Error(answer)
    expect(answer.options.map((o) => (o.change.kind === 'turns' ? o.change.turns : null)).sort()).toEqual([
      0.5, 1, 1.5, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6,
    ])
  })
  it('says in words why there is no answer', () =>
    expect(answerOf({ ...today, drive: null }, null)).toMatch(/neither belt nor drive/))
})

describe('a machine on free numbers', () => {
  it('has a circuit, a sheave of the turns given and the wheel’s limit', () => {
    expect(today.circuit?.poles).toBe(4)
    expect(today.drive?.driver).toBeCloseTo((5.4 - 0.4) * 25.4, 6)
    expect(today.wheel).toEqual({ type: 'forward-curved', greatestRpm: 1000 })
  })
  it('is none while something needed is missing; without turns its sheave is fixed', () => {
    expect(todayOfFree({ ...freeExample, driven: '' }, 'in')).toBeNull()
    expect(todayOfFree({ ...freeExample, perTurn: '' }, 'in')?.drive).toMatchObject({
      adjustable: null,
      driver: 137.16,
    })
  })
})

describe('a figure that cannot be', () => {
  it.each([
    ['center', '8', 'more than 8.2 in: the sheaves would touch'],
    ['center', '0', '1 to 400 in'],
    ['driven', '-1', '0.5 to 120 in'],
    ['closed', '1e9', '0.5 to 60 in'],
    ['plateRpm', 'x', 'is not a number'],
    ['turns', '7', 'at most 6 turns: it opens no further'],
    ['perTurn', '1', 'with all its turns open nothing of the sheave is left'],
  ] as const)('%s %s is refused at its field, and nothing is worked out from it', (cell, typed, said) => {
    const draft = { ...freeExample, [cell]: typed }
    expect(wrongInFree(draft)[cell]).toBe(said)
    expect(todayOfFree(draft, 'in')).toBeNull()
  })
  it('is none of the worked example, nor a blank one', () => {
    expect(wrongInFree(freeExample)).toEqual({})
    expect(wrongInFree({ ...freeExample, driven: '', center: ' ' })).toEqual({})
  })
})

describe('the words of a change', () => {
  it('count turns in halves', () => {
    expect([turnsWords(0.5), turnsWords(1), turnsWords(2.5)]).toEqual(['½ turn', '1 turn', '2½ turns'])
    expect(changeWords({ kind: 'turns', turns: 3 }, 2.5, 'in')).toBe('Open the motor sheave ½ turn, to 3 open')
    expect(changeWords({ kind: 'turns', turns: 1 }, 2.5, 'in')).toBe('Close the motor sheave 1½ turns, to 1 open')
    expect(changeWords({ kind: 'driven sheave', pitch: 300 }, null, 'mm')).toBe('Fan sheave of 300 mm pitch')
    expect(changeWords({ kind: 'hertz', hz: 52.34 }, null, 'in')).toBe('Set the drive to 52.3 Hz')
  })
})
