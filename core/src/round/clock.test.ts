import { describe, expect, it } from 'vitest'
import { clockOf, minuteOf, spanOf } from './index.ts'

describe('times as they are typed', () => {
  it('are minutes of the day, or none', () => {
    expect(minuteOf('7:30')).toBe(450)
    expect(minuteOf(' 07.05 ')).toBe(425)
    expect([minuteOf('7'), minuteOf('25:00'), minuteOf('7:77'), minuteOf('')]).toEqual([null, null, null, null])
    expect(clockOf(450)).toBe('07:30')
    expect(spanOf('6:00–10:00')).toEqual({ from: 360, to: 600 })
    expect([spanOf('10:00-6:00'), spanOf('x')]).toEqual([null, null])
    expect(spanOf('6:00 AM–2:30 PM')).toEqual({ from: 360, to: 870 })
  })
  it.each([
    ['12:00 AM', 0],
    ['12:15 pm', 735],
    ['1:05 p.m.', 785],
    ['11:59a', 719],
    ['13:00 PM', null],
    ['0:30 AM', null],
    ['7:30m', null],
    ['24:00', 1440],
    ['24:01', null],
    ['7:59', 479],
    ['7:60', null],
  ])('on either clock: %s', (text, minute) => expect(minuteOf(text)).toBe(minute))
})
