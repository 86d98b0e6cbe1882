import { usUnits, type ShownUnits } from '@motor-round/core/quantity'
import { checksOf } from '@motor-round/core/judge'
import type { Steadiness } from '@motor-round/core/meter'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { cellsOf } from '../cells.ts'
import { asTyped, MeterPanel } from './meter-panel.tsx'
import { simulatedAddress, valueOf, type Meter, type MeterReading } from './use-meter.ts'
import { facts } from '../../../test/facts.test-help.ts'

const metricUnits = { system: 'metric', temperature: 'C' } as const

const cell = (phase: 'live' | 'dead', key: string, units: ShownUnits = usUnits) => {
  const found = checksOf(facts, 'full', phase)
    .flatMap((c) => cellsOf(c.groups(facts), units))
    .find((c) => c.key === key)
  if (!found) throw new Error(`no cell ${key}`)
  return found
}
const reading = (steady: Steadiness, over: Partial<MeterReading> = {}): MeterReading => ({
  at: 'amps L1',
  latest: { at: 4000, value: 12.8, over: false },
  digits: 1,
  steady,
  peak: 84.31,
  ...over,
})
const amps = cell('live', 'amps L1')

describe('what a meter offers to a cell', () => {
  it('is the settled value with its spread, by the decimals of the meter', () =>
    expect(valueOf(reading({ kind: 'settled', value: 12.83, spread: 0.02 }), amps, false)).toEqual({
      text: '12.8',
      how: 'meter',
      spread: 0.02,
    }))
  it('is nothing while it fills or moves, unless somebody takes it as it is', () => {
    const wandering = reading({ kind: 'wandering', value: 2.1, spread: 0.3 })
    expect(valueOf(reading({ kind: 'filling', share: 0.4 }), amps, true)).toBeNull()
    expect(valueOf(wandering, amps, false)).toBeNull()
    expect(valueOf(wandering, amps, true)).toMatchObject({ how: 'unsteady', spread: 0.3 })
    expect(valueOf(reading({ kind: 'drifting', value: 20, perSecond: -3 }), amps, true)).toMatchObject({
      how: 'unsteady',
      spread: 3,
    })
    expect(valueOf(null, amps, true)).toBeNull()
  })
  it('is the peak for an inrush and OL over range', () => {
    const settled = reading({ kind: 'settled', value: 12, spread: 0.1 })
    expect(valueOf(settled, cell('live', 'inrush L1'), false)).toEqual({ text: '84.3', how: 'peak' })
    expect(valueOf(reading({ kind: 'over range' }), cell('dead', 'ground_ohms T1'), false)).toEqual({
      text: 'OL',
      how: 'over-range',
    })
  })
  it('is typed in the site’s units', () => {
    const t = cell('live', 'temperature motor')
    expect(asTyped({ text: '46.0', how: 'meter' }, t)).toBe('114.8')
    expect(asTyped({ text: '46.0', how: 'meter' }, cell('live', 'temperature motor', metricUnits))).toBe('46.0')
    expect(asTyped({ text: 'OL', how: 'over-range' }, cell('dead', 'ground_ohms T1'))).toBe('OL')
  })
})

describe('the meter beside the cells', () => {
  const meter = (over: Partial<Meter>): Meter => ({
    on: true,
    name: 'Simulated clamp',
    problem: null,
    reading: null,
    connect: () => undefined,
    disconnect: () => undefined,
    ...over,
  })
  const shown = (m: Meter) =>
    renderToStaticMarkup(
      <MeterPanel meter={m} machineId="m" cell={amps} take={() => undefined} connected={() => undefined} />,
    )
      .replace(/<[^>]*>/g, ' ')
      .replace(/\s+/g, ' ')
  it.each([
    [{ kind: 'filling', share: 0.5 }, 'Reading'],
    [{ kind: 'drifting', value: 20, perSecond: -3.21 }, 'Not settled: still falling 3.2 A a second'],
    [{ kind: 'wandering', value: 2, spread: 0.31 }, 'Wanders by ±0.31 A'],
    [{ kind: 'over range' }, 'Over range: open'],
    [{ kind: 'settled', value: 12.8, spread: 0.02 }, 'Steady within ±0.1 A'],
  ] as const)('says of %j why it is not settled yet, or that it is', (steady, words) =>
    expect(shown(meter({ reading: reading(steady) }))).toContain(words),
  )
  it('offers what can be taken and says how', () => {
    expect(shown(meter({ reading: reading({ kind: 'settled', value: 12.8, spread: 0.02 }) }))).toContain('Take 12.8')
    expect(shown(meter({ reading: reading({ kind: 'wandering', value: 2, spread: 0.3 }) }))).toContain(
      'Take 2.0, unsteady',
    )
  })
  it('says what went wrong and that it is only a simulation', () => {
    expect(shown(meter({ on: false, problem: 'The meter is disconnected.' }))).toContain('The meter is disconnected.')
    expect(shown(meter({ on: false }))).toContain('for practice only')
  })
  it('is addressed on this very server', () => {
    Object.assign(globalThis, { location: { protocol: 'https:', host: 'round.example' } })
    expect(simulatedAddress('abc', 'lost-leg')).toBe(
      'wss://round.example/api/v1/meters/simulated?machine=abc&pattern=lost-leg',
    )
  })
})
