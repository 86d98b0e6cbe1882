import { describe, expect, it } from 'vitest'
import { meterAsk, meterLine, simulatedMeterQuery } from './meter.ts'

describe('the protocol of meters', () => {
  it('asks by the codes of readings', () => {
    expect(meterAsk.safeParse({ ask: 'probe', quantity: 'amps', position: 'L1' }).success).toBe(true)
    expect(meterAsk.safeParse({ ask: 'off' }).success).toBe(true)
    for (const wrong of [{ ask: 'probe', quantity: 'smell', position: 'L1' }, { ask: 'dance' }, {}, null])
      expect(meterAsk.safeParse(wrong).success).toBe(false)
  })
  it('takes samples with all they need, and lines of no other kind', () => {
    const sample = { say: 'sample', at: 100, quantity: 'amps', position: 'L1', value: 12.8, over: false, digits: 1 }
    expect(meterLine.safeParse(sample).success).toBe(true)
    for (const gone of Object.keys(sample)) {
      const { [gone as keyof typeof sample]: _gone, ...rest } = sample
      expect(meterLine.safeParse(rest).success).toBe(false)
    }
    expect(meterLine.safeParse({ ...sample, value: Number.POSITIVE_INFINITY }).success).toBe(false)
    expect(meterLine.safeParse({ say: 'hello', protocol: 'another/2', meter: 'x', quantities: [] }).success).toBe(false)
  })
  it('simulates a healthy unit unless told otherwise', () => {
    const machine = '0199a000-0000-7000-8000-000000000002'
    expect(simulatedMeterQuery.parse({ machine })).toEqual({ machine, pattern: 'healthy' })
    expect(simulatedMeterQuery.safeParse({ machine, pattern: 'haunted' }).success).toBe(false)
    expect(simulatedMeterQuery.safeParse({ machine: 'AHU-1' }).success).toBe(false)
  })
})
