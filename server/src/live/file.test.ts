import { Readable } from 'node:stream'
import { liveQuantity, type LiveQuantityId } from '@motor-round/core/live'
import { describe, expect, it } from 'vitest'
import { byClock } from '../dates.ts'
import { FileProblem } from '../import-export/csv/rows.ts'
import { Errors } from '../import-export/state.ts'
import { readLiveFile, type MappedPoint } from './file.ts'

const zone = 'America/Chicago'
const now = Date.UTC(2026, 10, 25, 9)
const point = (quantity: LiveQuantityId, over: Partial<MappedPoint> = {}): MappedPoint => ({
  machineId: quantity,
  quantity: liveQuantity(quantity),
  factor: 1,
  zone,
  plate: { amps: 12, hz: 60 },
  ...over,
})
const points = new Map([
  ['ahu1.sf.amps', point('amps')],
  ['ahu1.sf.hz', point('hz', { factor: 0.1 })],
  ['ahu1.sf.sts', point('running')],
])

async function read(text: string, of: ReadonlyMap<string, MappedPoint> = points, given: string | null = null) {
  const errors = new Errors()
  const file = await readLiveFile(Readable.from([Buffer.from(text)]), of, given, now, errors)
  const series = Object.fromEntries(
    file.series.map((s) => [
      s.quantity,
      Array.from(s.minutes, (m, i) => [new Date(m * 60_000).toISOString(), s.values[i]]),
    ]),
  )
  return { ...file, series, errors: errors.list }
}
const problem = async (text: string, of = points): Promise<string> => {
  try {
    await read(text, of)
  } catch (e) {
    if (e instanceof FileProblem) return e.message
    throw e
  }
  throw new Error('it was read')
}
const rows = (from: number, to: number, step = 1) =>
  Array.from({ length: Math.round((to - from) / 60_000 / step) }, (_, i) => from + i * step * 60_000)
const local = (t: number) => byClock(new Date(t), zone, 'YYYY-MM-DD HH:mm')

describe('a file of live data', () => {
  it('has a column of time and one for each point; numbers by their unit, on and off as words', async () => {
    const f = await read(
      'Time,AHU1.SF.Amps,AHU1.SF.Hz,AHU1.SF.Sts\n2026-11-20 08:00,9.4,521,On\n2026-11-20 08:01,,522,off\n',
    )
    expect(f.series).toEqual({
      amps: [['2026-11-20T14:00:00.000Z', 9.4]],
      hz: [
        ['2026-11-20T14:00:00.000Z', 52.1],
        ['2026-11-20T14:01:00.000Z', expect.closeTo(52.2, 9)],
      ],
      running: [
        ['2026-11-20T14:00:00.000Z', 1],
        ['2026-11-20T14:01:00.000Z', 0],
      ],
    })
    expect([f.rows, f.errors]).toEqual([2, []])
  })
  it('or rows of time, point and value', async () => {
    const f = await read('point;value;timestamp\nAHU1.SF.Amps;9,4;2026-11-20T14:00:00Z\nOther;7;2026-11-20T14:00:00Z\n')
    expect(f.series).toEqual({ amps: [['2026-11-20T14:00:00.000Z', 9.4]] })
    expect(f.unmapped).toEqual([{ name: 'other', seen: { n: 1, low: 7, high: 7, middle: 7 } }])
  })
  it('tells what belongs to nothing, with what was seen in it', async () => {
    const f = await read('time,x amps,x sts\n2026-11-20 08:00,94,1\n2026-11-20 08:01,0,0\n2026-11-20 08:02,96,bad\n')
    expect(f.unmapped).toEqual([
      { name: 'x amps', seen: { n: 3, low: 0, high: 96, middle: 96 } },
      { name: 'x sts', seen: { n: 2, low: 0, high: 1, middle: 1 } },
    ])
  })
  it('is read the rest of, where a line is wrong: which, and why', async () => {
    const f = await read(
      [
        'time,ahu1.sf.amps',
        '2026-11-20 08:00,9.4',
        '2026-11-20 08:01,n/a',
        '2026-11-20 08:02,-3',
        'yesterday,9.4',
        '2026-11-20 08:04,9.4,1',
        '2026-11-20 08:05,9400',
        '2026-12-20 08:05,9.4',
        '2026-03-08 02:30,9.4',
        '2026-11-20 08:06,0x10',
        '2026-11-20 08:07,9.6',
      ].join('\n'),
    )
    expect(f.series['amps']?.map((r) => r[1])).toEqual([9.4, 9.6])
    expect(f.errors.map((e) => [e.line, e.message])).toEqual([
      [3, '"n/a" is not a figure'],
      [4, '-3 is below 0 A'],
      [5, '"yesterday" is not a date such as 2026-03-14T09:30:00Z'],
      [6, '3 cells; the header has 2'],
      [7, '9400 is above 5000 A'],
      [8, '"2026-12-20 08:05" lies in the future: another time zone?'],
      [9, `"2026-03-08 02:30": in ${zone} the clock was set past that time`],
      [10, '"0x10" is not a figure'],
    ])
  })
  it('asks about a unit where the current is that of no such motor', async () =>
    expect((await read('time,ahu1.sf.amps\n2026-11-20 08:00,940')).errors[0]?.message).toContain('is the unit right?'))
  it('has each minute once: of several within one their mean, of doubled rows the same', async () => {
    const f = await read(
      'time,ahu1.sf.amps\n2026-11-20 08:00:00,9\n2026-11-20 08:00:15,10\n2026-11-20 08:00:30,11\n2026-11-20 08:01,8\n2026-11-20 08:01,8\n',
    )
    expect(f.series['amps']?.map((r) => r[1])).toEqual([10, 8])
  })
  it('reads the hour that the clock passes twice by the order of its rows, forward, backward and doubled', async () => {
    const all = rows(Date.UTC(2026, 10, 1, 4), Date.UTC(2026, 10, 1, 10))
    const text = (list: readonly number[]) => `time,ahu1.sf.amps\n${list.map((t) => `${local(t)},9.4`).join('\n')}`
    for (const list of [all, [...all].reverse(), all.flatMap((t) => [t, t])]) {
      const f = await read(text(list))
      expect(f.errors).toEqual([])
      expect(f.series['amps']?.map((r) => r[0])).toEqual(all.map((t) => new Date(t).toISOString()))
    }
    const mixed = await read(text(all.map((_, i) => all[(i * 7) % all.length] ?? 0)))
    expect(mixed.series['amps']?.length).toBe(all.length - 120)
    expect(mixed.errors.length).toBeGreaterThan(0)
    expect(mixed.errors[0]?.message).toContain('the clock was set back')
  })
  it('of machines in two zones needs one of its own', async () => {
    const two = new Map([...points, ['b', point('call', { zone: 'America/Halifax' })]])
    expect(await problem('time,ahu1.sf.amps,b\n2026-11-20 08:00,9,1', two)).toContain('2 time zones')
    const f = await read('time,ahu1.sf.amps,b\n2026-11-20 08:00,9,1', two, 'UTC')
    expect(f.series['call']).toEqual([['2026-11-20T08:00:00.000Z', 1]])
    // By point each row has its own.
    const long = await read('time,point,value\n2026-11-20 08:00,b,1\n2026-11-20 08:00,ahu1.sf.amps,9', two)
    expect([long.series['call']?.[0]?.[0], long.series['amps']?.[0]?.[0]]).toEqual([
      '2026-11-20T12:00:00.000Z',
      '2026-11-20T14:00:00.000Z',
    ])
  })
  it('is refused as a whole where it has one column, one twice, or is no text', async () => {
    expect(await problem('time\n2026-11-20 08:00')).toContain('One column')
    expect(await problem('time,a,a\n2026-11-20 08:00,1,2')).toContain('twice')
    expect(await problem('')).toContain('empty')
  })
})
