import { controls, registerColumns, type Machine } from '@motor-round/contract'
import { parseFigure } from '@motor-round/core/quantity'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  controlCells,
  controlColumnOf,
  plainControls,
  readControls,
  withControls,
  type Cells,
} from './controls-columns.ts'

type Controls = Machine['controls']

/** The cells of a row of a file, as the machine list reads them. */
const cellsOf = (row: Readonly<Record<string, unknown>>): Cells => {
  const text = (c: string) => {
    const v = row[c]
    return typeof v === 'string' || typeof v === 'number' ? String(v) : ''
  }
  return {
    text,
    figure: (c) => {
      const t = text(c)
      const value = parseFigure(t.replace('%', ''))
      return value === null ? undefined : t.endsWith('%') ? value / 100 : value
    },
    flag: (c) => text(c) === 'yes',
  }
}

const amps = fc.integer({ min: 1, max: 9000 }).map((v) => v / 10)
const maybe = <T>(a: fc.Arbitrary<T>) => fc.option(a, { nil: null })
const range = (low: number, high: number) =>
  fc
    .tuple(fc.integer({ min: low, max: high }), fc.integer({ min: 1, max: 4 }))
    .map(([from, more]) => [from, from + more])
const anyControls: fc.Arbitrary<Controls> = fc
  .record({
    starter: maybe(fc.constantFrom('contactor' as const, 'starter' as const, 'none' as const)),
    poles: maybe(fc.constantFrom(1 as const, 2 as const, 3 as const)),
    overload: maybe(fc.constantFrom('relay' as const, 'internal' as const, 'electronic' as const, 'none' as const)),
    protection: maybe(fc.constantFrom('time-delay fuse' as const, 'non-time-delay fuse' as const, 'breaker' as const)),
    protectionAmps: maybe(amps),
    controlVolts: maybe(fc.constantFrom(24, 120)),
    transformer: maybe(fc.record({ ratedIn: amps, ratedOut: amps })),
    gas: maybe(fc.record({ oxygen: maybe(range(2, 9)), stack: maybe(range(200, 500)) })),
    phaseMonitor: fc.boolean(),
    capacitor: maybe(
      fc.record({
        run: amps,
        second: maybe(amps),
        volts: maybe(fc.constantFrom(370, 440)),
        tolerance: maybe(fc.constantFrom(0.05, 0.06, 0.1, 0.125)),
      }),
    ),
  })
  .map(({ gas, ...rest }) =>
    plainControls({
      ...rest,
      gasSection: gas !== null,
      burner: gas && {
        oxygenLow: gas.oxygen?.[0] ?? null,
        oxygenHigh: gas.oxygen?.[1] ?? null,
        stackLow: gas.stack?.[0] ?? null,
        stackHigh: gas.stack?.[1] ?? null,
      },
    }),
  )

describe('the controls in a machine list', () => {
  it('have a column each, which the file has', () => {
    for (const column of Object.values(controlColumnOf)) expect(registerColumns).toContain(column)
    expect(new Set(Object.values(controlColumnOf)).size).toBe(Object.keys(controlColumnOf).length)
  })
  it('come back as they went out, whatever they are', () => {
    fc.assert(
      fc.property(anyControls, (own) => {
        const back = controls.parse(readControls(cellsOf(controlCells(own))))
        expect(plainControls(back)).toEqual(own)
      }),
    )
  })
  it('stay as they are where a file has none of their columns, and go where it has them all and says nothing', () => {
    fc.assert(
      fc.property(anyControls, (own) => {
        const blank = controls.parse(readControls(cellsOf({})))
        expect(withControls(blank, own, registerColumns)).toEqual(own)
        expect(withControls(blank, own, [])).toEqual(plainControls({}))
      }),
    )
  })
  it('keep the ranges and ratings that the file has no column for', () => {
    const own = plainControls({
      gasSection: true,
      burner: { oxygenLow: 4, oxygenHigh: 6, stackLow: 300, stackHigh: 380 },
      capacitor: { run: 7.5, second: 5, volts: 440, tolerance: 0.06 },
    })
    const there = ['burner_oxygen_low', 'burner_oxygen_high', 'run_capacitor_uf']
    const absent = registerColumns.filter((c) => !there.includes(c))
    const read = controls.parse(
      readControls(cellsOf({ burner_oxygen_low: '5', burner_oxygen_high: '7', run_capacitor_uf: '10' })),
    )
    expect(withControls(read, own, absent)).toEqual({
      ...own,
      burner: { oxygenLow: 5, oxygenHigh: 7, stackLow: 300, stackHigh: 380 },
      capacitor: { run: 10, second: 5, volts: 440, tolerance: 0.06 },
    })
    const stack = controls.parse(readControls(cellsOf({ burner_stack_low_f: '310', burner_stack_high_f: '400' })))
    const others = registerColumns.filter((c) => !c.startsWith('burner_stack'))
    expect(withControls(stack, own, others).burner).toEqual({
      oxygenLow: 4,
      oxygenHigh: 6,
      stackLow: 310,
      stackHigh: 400,
    })
  })
  it('have a gas section where a range of its burner is given and nothing is said of it', () => {
    const ranges = { burner_oxygen_low: '5', burner_oxygen_high: '7' }
    const gas = (cells: Record<string, string>) => controls.parse(readControls(cellsOf(cells))).gasSection
    expect([gas(ranges), gas({ ...ranges, gas_section: '' }), gas({ gas_section: '' })]).toEqual([true, true, false])
    expect(gas({ ...ranges, gas_section: 'no' })).toBe(false) // refused at its column
    const absent = registerColumns.filter((c) => !(c in ranges))
    const read = controls.parse(readControls(cellsOf(ranges)))
    expect(withControls(read, plainControls({}), absent)).toMatchObject({
      gasSection: true,
      burner: { oxygenLow: 5, oxygenHigh: 7 },
    })
  })
  it('lose the ranges of their burner with their gas section, and nothing else', () => {
    const own = plainControls({ gasSection: true, burner: { oxygenLow: 4, oxygenHigh: 6 }, poles: 3 })
    const absent = registerColumns.filter((c) => c !== 'gas_section')
    const read = controls.parse(readControls(cellsOf({ gas_section: 'no' })))
    expect(withControls(read, own, absent)).toEqual(plainControls({ poles: 3 }))
    expect(withControls({ ...read, gasSection: true }, own, absent)).toEqual(own)
  })
})
