import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  allowedCurrent,
  chooseColumn,
  polesOf,
  questionPlate,
  readColumns,
  synchronousSpeed,
  type Plate,
} from './index.ts'

const dual: Plate = {
  volts: '208-230/460',
  amps: '27.0-25.6/12.8',
  phases: 3,
  power: 10,
  powerUnit: 'hp',
  hz: '60',
  rpm: 1755,
  sf: 1.15,
}

describe('columns of a plate', () => {
  it('reads a dual-voltage plate with a slash rating', () =>
    expect(readColumns('208-230/460', '27.0-25.6/12.8')).toEqual([
      { volts: 208, amps: 27, sfa: null },
      { volts: 230, amps: 25.6, sfa: null },
      { volts: 460, amps: 12.8, sfa: null },
    ]))
  it('spreads one figure over the voltages of its group', () =>
    expect(readColumns('208-230/460', '6.6/3.3').map((c) => c.amps)).toEqual([6.6, 6.6, 3.3]))
  it('reads dashes and spaces as printed', () =>
    expect(readColumns('208–230 V', '3.3 - 3.0 A').map((c) => c.amps)).toEqual([3.3, 3]))
  it('reads one voltage, service-factor amps, and a plate without amps', () => {
    expect(readColumns('575', '10.2', '11.7')).toEqual([{ volts: 575, amps: 10.2, sfa: 11.7 }])
    expect(readColumns('230/460')).toEqual([
      { volts: 230, amps: null, sfa: null },
      { volts: 460, amps: null, sfa: null },
    ])
  })
  it('refuses figures that do not fit the voltages, naming the field', () => {
    expect(() => readColumns('230/460', '10/5/3')).toThrow(/^amps: "10\/5\/3" has 3 figures for 2 voltages/)
    expect(() => readColumns('two thirty', '10')).toThrow(/^volts/)
    expect(() => readColumns('230', 'ten')).toThrow(/^amps/)
    expect(() => readColumns('230', '-5')).toThrow(RangeError)
  })
})

describe('the column in use', () => {
  const columns = readColumns('208-230/460', '27.0-25.6/12.8')
  it.each([
    [208, 208],
    [240, 230],
    [480, 460],
  ])('on a %d V service is that of %d V', (service, volts) =>
    expect(chooseColumn(columns, service)?.column.volts).toBe(volts),
  )
  it('is the recorded connection where there is one', () =>
    expect(chooseColumn(columns, 208, 230)).toMatchObject({ column: { volts: 230 }, how: 'recorded connection' }))
  it('is none on a supply that no column fits', () => {
    expect(chooseColumn(readColumns('460', '12.8'), 600)).toBeNull()
    expect(chooseColumn(readColumns('115', '5'), 230)).toBeNull()
  })
})

describe('allowed current (common practice: the lower of motor and unit plate)', () => {
  it('is the printed figure of the column, never rescaled', () => {
    expect(allowedCurrent(dual, null, 480)).toMatchObject({ amps: 12.8, columnVolts: 460, source: 'motor plate' })
    expect(allowedCurrent(dual, null, 208)).toMatchObject({ amps: 27, columnVolts: 208 })
    expect(allowedCurrent(dual, null, 240)).toMatchObject({ amps: 25.6, columnVolts: 230 })
  })
  it('is the lower of motor and unit plate, and keeps both', () => {
    expect(allowedCurrent(dual, { volts: '460', amps: '11.9' }, 480)).toMatchObject({
      amps: 11.9,
      source: 'unit plate',
      motorAmps: 12.8,
      unitAmps: 11.9,
    })
    expect(allowedCurrent(dual, { volts: '460', amps: '14' }, 480)).toMatchObject({ amps: 12.8, source: 'motor plate' })
  })
  it('is the unit plate alone where the motor plate cannot be read', () => {
    expect(allowedCurrent({ volts: '460', unreadable: ['amps'] }, { volts: '460', amps: '11.9' }, 480)).toMatchObject({
      amps: 11.9,
      source: 'unit plate',
    })
  })
  it('is none without a plate, so that nothing is judged by memory', () => {
    expect(allowedCurrent(null, null, 480)).toBeNull()
    expect(allowedCurrent({ volts: '460', unreadable: ['amps'] }, null, 480)).toBeNull()
  })
  it('gives service-factor amps as printed, else by the factor', () => {
    expect(allowedCurrent({ ...dual, sfa: '31/29.4/14.4' }, null, 480)?.sfa).toBe(14.4)
    expect(allowedCurrent(dual, null, 480)?.sfa).toBeCloseTo(14.72)
  })
  it('never exceeds either plate, whatever is printed', () => {
    const amps = fc.double({ min: 0.5, max: 200, noNaN: true })
    fc.assert(
      fc.property(amps, amps, (m, u) => {
        const a = allowedCurrent({ volts: '460', amps: m.toFixed(2) }, { volts: '460', amps: u.toFixed(2) }, 480)
        expect(a?.amps).toBe(Math.min(Number(m.toFixed(2)), Number(u.toFixed(2))))
      }),
    )
  })
})

describe('synchronous speed', () => {
  it.each([
    [60, 4, 1800],
    [60, 2, 3600],
    [50, 6, 1000],
    [45, 4, 1350],
  ])('%d Hz %d poles: %d rpm (120 f / p)', (hz, poles, rpm) => expect(synchronousSpeed(hz, poles)).toBe(rpm))
  it('tells the poles of a plate speed', () => {
    expect(polesOf(60, 1755)).toBe(4)
    expect(polesOf(60, 1160)).toBe(6)
    expect(polesOf(50, 1440)).toBe(4)
    expect(polesOf(60, 3600)).toBeNull()
    expect(polesOf(60, 4000)).toBeNull()
  })
})

describe('questions about a plate', () => {
  const asked = (p: Plate) => questionPlate(p).map((q) => q.field)
  it('has none about a sound one', () => expect(questionPlate(dual)).toEqual([]))
  it('asks about more power than the amps can carry: 3.25 hp beside 2.4 A at 230 V', () =>
    expect(asked({ phases: 3, power: 3.25, powerUnit: 'hp', volts: '230', amps: '2.4' })).toEqual(['amps']))
  it('asks about ten times the amps', () => expect(asked({ ...dual, volts: '460', amps: '128' })).toEqual(['amps']))
  it('asks when efficiency and power factor say otherwise', () =>
    expect(asked({ ...dual, volts: '460', amps: '16', efficiency: 0.917, powerFactor: 0.84 })).toEqual(['amps']))
  it('asks when 208 V draws less than 230 V', () =>
    expect(asked({ phases: 3, power: 10, powerUnit: 'hp', volts: '208-230', amps: '25.6-27.0' })).toEqual(['amps']))
  it('asks about a speed at or over synchronous', () => {
    expect(asked({ ...dual, rpm: 1800 })).toEqual(['rpm'])
    expect(asked({ ...dual, hz: '50', rpm: 1755 })).toEqual(['rpm'])
    expect(asked({ ...dual, hz: '50/60', rpm: 1755 })).toEqual([])
  })
  it('asks about odd service factors and capacitors on three phases', () => {
    expect(asked({ ...dual, sf: 11.5 })).toEqual(['sf'])
    expect(asked({ ...dual, capacitorUf: 7.5 })).toEqual(['capacitorUf'])
  })
  it('asks where the print cannot be read, without blocking', () =>
    expect(asked({ ...dual, amps: '27/25.6/13/12' })).toEqual(['amps']))
  it('does not ask about what is blank or unreadable', () =>
    expect(questionPlate({ unreadable: ['amps', 'power'] })).toEqual([]))
})
