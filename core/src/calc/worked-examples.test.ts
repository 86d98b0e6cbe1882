import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { findCalculator } from './index.ts'

const run = (id: string, over: object) => {
  const c = findCalculator(id)
  if (!c) throw new Error(`no calculator ${id}`)
  return c.run({ ...c.example, ...over })
}
const problem = (id: string, over: object) => {
  const answer = run(id, over)
  if (answer.ok) throw new Error('it should be refused')
  return answer.problems[0]
}

describe('worked examples (computed from the formulas printed on the page; figures of code and standard named there)', () => {
  it.each([
    // Fans on a drive: slip by the square of the speed, magnetizing part kept.
    ['motor-on-drive', { load: 1, noLoadAmps: 5.4 }, { synchronous: 1350, rpm: 1324.4, volts: 345 }],
    ['motor-on-drive', { hz: 30, plateRpm: 1160, load: 1 }, { synchronous: 600, rpm: 589.66 }],
    ['motor-on-drive', { hz: 60, load: 0.9 }, { volts: 460 }],
    ['motor-on-drive', { hz: 70 }, { synchronous: 2100, volts: 460 }],
    ['start-time', {}, { referred: 42.63, total: 44.83, seconds: 5.839 }],
    [
      'start-time',
      { fanInertia: 120, fanRpm: 900, motorInertia: 1.6, motorRpm: 1755, torque: 35 },
      { referred: 31.56, seconds: 5.398 },
    ],
    [
      'start-time',
      { fanInertia: 45, fanRpm: 1100, motorInertia: 0.7, motorRpm: 1750, torque: 18 },
      { total: 18.48, seconds: 5.833 },
    ],
    ['start-time', { hp: 10, motorRpm: 1755 }, { largest: 51.43 }],
    ['start-time', { hp: 100, motorRpm: 1775 }, { largest: 441.3 }],
    // 1 ft³ in 26 s at 1,030 Btu/ft³ is 142,600 Btu/h; 80 % of it over a rise of 52 °F is 2,032 cfm.
    ['air-from-gas', {}, { input: 142_600, flow: 2032 }],
    // 150,000 Btu/h: 1 ft³ in 24.72 s; 120,000 over 45 °F.
    ['air-from-gas', { seconds: 24.72, rise: 45 }, { input: 150_000, flow: 2469 }],
    ['vibration-amplitude', {}, { displacement: 6.366, acceleration: 0.07323 }],
    ['vibration-amplitude', { velocity: 0.18, rpm: 1170 }, { displacement: 2.938, acceleration: 0.05712 }],
    ['sound-sum', { levels: '74 74' }, { together: 77.01 }],
    ['sound-sum', { levels: '80, 74' }, { together: 80.97 }],
    ['sound-sum', {}, { together: 77.03 }],
    ['sound-sum', { levels: '71 74 79' }, { average: 75.92 }],
    ['sound', { near: 3, far: 10 }, { away: 91 - 10.4576 }],
    ['capacitor-combine', { values: '10 5' }, { parallel: 15, series: 3.333 }],
    ['capacitor-combine', { values: '10' }, { amps: 1.395, off: 1 / 3 }],
    [
      'input-power',
      { volts: 470, amps: 9.4, powerFactor: 0.79, hours: 3900, price: 0.13 },
      { kilowatts: 6.045, yearly: 3065 },
    ],
    ['supply-explains', { lineVolts: [462, 458, 471], lineAmps: [13, 12.1, 15.3] }, { measuredUnbalance: 0.1361 }],
    ['winding-ohms', { pairs: [1.3, 1.32, 1.31] }, { unbalance: 0.007634 }],
    [
      'lead-roll',
      { asItWas: [10.4, 9.8, 10.9], movedOnce: [10.6, 9.9, 10.4], movedTwice: [10.1, 10.2, 10.8] },
      { lineRange: 0.07089, leadRange: 0.04511 },
    ],
    ['combustion', { co: 12, oxygen: 5.8 }, { airFree: 16.61, co2: 0.08525, excessAir: 0.3457 }],
    ['combustion', {}, { airFree: 43.67, co2: 0.07566, excessAir: 0.5037, loss: 0.1116, efficiency: 0.8884 }],
    ['combustion', { co: 95, oxygen: 9.2 }, { airFree: 169.7, co2: 0.06606, excessAir: 0.7077 }],
    ['combustion', { co: 240, oxygen: 4.6 }, { airFree: 307.7 }],
    ['combustion', { fuel: 'propane', oxygen: 8.4, flue: 455, air: 72 }, { loss: 0.1234 }],
    ['energy-cost', { efficiency: 0.902 }, { kilowatts: 6.2, energy: 26040, yearly: 3646 }],
    [
      'energy-cost',
      { hp: 5, load: 0.8, efficiency: 0.875, hours: 8760, price: 0.118 },
      { kilowatts: 3.409, energy: 29860, yearly: 3524 },
    ],
    ['energy-cost', {}, { saved: 129.7, payback: 2.391 }],
    ['filter-cost', {}, { kilowatts: 0.5489, yearly: 322.7 }],
    ['present-value', {}, { value: 4495.09, net: 1995.09 }],
    ['present-value', { yearly: 500, growth: 0.03, rate: 0.08, years: 12 }, { value: 4338.11 }],
    ['present-value', { rate: 0, years: 10 }, { value: 6400 }],
    ['present-value', { rate: 0.05, growth: 0.05, years: 10 }, { value: 6400 / 1.05 }],
    [
      'least-squares',
      {},
      { slope: 0.219, intercept: 1.864, deviation: 0.202, y: 4.055, low: 3.383, high: 4.726, line: 0.4544 },
    ],
    ['phasor-difference', {}, { amps: 0.02383, angle: -33.35 }],
    // 2.6 % by the curve is 0.908: 9.08 of 10 hp, 13.5 % more rise (NEMA MG 1 curve from memory).
    ['voltage-unbalance', { lineVolts: [462, 458, 471], hp: 10 }, { unbalance: 0.01582, rise: 0.05003 }],
    ['voltage-unbalance', { lineVolts: [480, 470, 465] }, { unbalance: 0.01767, negativeSequence: 0.01875 }],
    ['voltage-unbalance', { lineVolts: [227, 236, 230] }, { unbalance: 0.02165, negativeSequence: 0.02298 }],
    ['voltage-unbalance', { lineVolts: [212, 208, 203] }, { negativeSequence: 0.02505, rise: 0.101 }],
    // Five percent to the digit is still on the curve.
    ['voltage-unbalance', { lineVolts: [475, 500, 525], hp: 10 }, { unbalance: 0.05, derating: 0.75, derated: 7.5 }],
    [
      'lead-roll',
      { asItWas: [20.1, 18, 22], movedOnce: [20, 18.1, 21.9], movedTwice: [20.2, 17.9, 22.1] },
      { lineRange: 0.1997, leadRange: 0.006656 },
    ],
    [
      'lead-roll',
      { asItWas: [10.4, 9.8, 10.9], movedOnce: [10.6, 9.9, 10.4], movedTwice: [10.1, 10.2, 10.8] },
      { lineRange: 0.07089, leadRange: 0.04511 },
    ],
    ['building-air', { outside: 2400, makeUp: 1500, exhaust: 3300, leak: 0.8 }, { over: 600, pressure: 0.08257 }],
    ['building-air', { outside: 900, makeUp: 1000, exhaust: 3100, leak: 0.8 }, { over: -1200, pressure: -0.3303 }],
    ['traverse', {}, { speed: 1511, flow: 3778, density: 1 }],
    [
      'traverse',
      { points: [0.1, 0.1, 0.1, 0.1, 0.1, 0.1], height: 5280, fahrenheit: 70 },
      { speed: 1397, density: 0.8217 },
    ],
    ['noise-dose', {}, { niosh: 2.525, osha: 0.3789, average: 89.02 }],
    ['overload-setting', { serviceFactor: 1, rise: 40 }, { setting: 16 }],
  ] as const)('%s %j', (id, over, expected) => {
    const answer = run(id, over)
    if (!answer.ok) throw new Error(JSON.stringify(answer.problems))
    for (const [name, value] of Object.entries(expected)) near(answer.result[name] as number, value, 6e-4)
  })
  it('an over-speed fan by the cube: 960 rpm where 880 would do, $2600 a year', () => {
    const answer = run('energy-cost', {
      hp: 10,
      load: 1,
      efficiency: 0.7457,
      hours: 1000,
      price: 0.26,
      fanRpm: 960,
      neededRpm: 880,
    })
    if (!answer.ok) throw new Error('refused')
    near(answer.result['yearly'] as number, 2600, 1e-6)
    near(answer.result['slower'] as number, 597.3, 1e-3)
  })
  it('NIOSH counts nothing below 80 dBA', () => {
    const answer = run('noise-dose', { levels: [79.9, 79, 70], hours: [8, 8, 8] })
    expect(answer).toMatchObject({ ok: true, result: { niosh: 0, osha: 0, action: 0 } })
  })
  it('says what a combustion test asks for', () => {
    const says = (co: number) => {
      const answer = run('combustion', { co, oxygen: 7.5 })
      return answer.ok ? String(answer.result['says']) : ''
    }
    expect(says(60)).toBe('within limits')
    expect(says(70)).toMatch(/^over 100/)
    expect(says(260)).toMatch(/^over 400 ppm air-free: shut the burner down/)
  })
  it('tells a start that is long, and more inertia than the motor is made for', () => {
    const says = (over: object) => {
      const answer = run('start-time', { hp: undefined, ...over })
      return answer.ok ? answer.result['says'] : ''
    }
    expect(says({})).toBe('a normal start')
    expect(says({ torque: 20 })).toMatch(/^long/)
    expect(says({ hp: 5 })).toMatch(/^more inertia/)
  })
})

describe('refused, in plain words with the field and its unit', () => {
  it.each([
    ['adjustable-sheave', { closed: 300000 }, 'closed', 'Pitch diameter, closed: 300,000 in is more than 10,000 in.'],
    ['adjustable-sheave', { closed: -1 }, 'closed', 'Pitch diameter, closed: -1 in is not above zero.'],
    ['motor-on-drive', { hz: 0.2 }, 'hz', 'Drive output: 0.2 Hz is less than 1 Hz.'],
    ['energy-cost', { efficiency: 1.4 }, 'efficiency', 'Efficiency: 140 % is more than 100 %.'],
    ['voltage-unbalance', { lineVolts: [460, -3, 450] }, 'lineVolts.1', 'Line volts, L2-L3: -3 V is less than 0 V.'],
    [
      'voltage-unbalance',
      { lineVolts: [480, 480, 970] },
      'lineVolts',
      'Line volts, V, cannot be the three voltages of one supply: read all three pairs again.',
    ],
    ['overload-setting', { plateAmps: '12x' }, 'plateAmps', 'Plate amps: “12x” is not a number.'],
    ['overload-setting', { plateAmps: undefined }, 'plateAmps', 'Plate amps is needed.'],
    ['belt-power', { belts: 1.5 }, 'belts', 'Belts must be a whole number.'],
    ['belt-power', { section: 'Q' }, 'section', 'Section: choose one of A, B, C, D, 3V, 5V.'],
    ['overload-setting', { color: 3 }, '', 'Unknown field: color.'],
    [
      'combustion',
      { oxygen: 15 },
      'oxygen',
      'Oxygen in the flue, % O2, is 15 % or more: the probe draws in air, or there is no flame.',
    ],
    ['combustion', { flue: undefined }, 'flue', 'Flue gas, °F, is needed with the other temperature.'],
    ['noise-dose', { hours: [10, 10, 5] }, 'hours', 'Hours at each, h, add up to more than a day.'],
    [
      'outside-air',
      { mixed: 80 },
      'mixed',
      'Mixed, well stirred, °F, is outside the range of return and outside air: one of the three was misread.',
    ],
    ['least-squares', { y: '1 2' }, 'y', 'Y values, spaces between must have as many values as x: 8.'],
    ['least-squares', { x: '1 2 a' }, 'x', 'X values, spaces between has “a”, which is not a number.'],
    ['motor-on-drive', { noLoadAmps: 13 }, 'noLoadAmps', 'No-load amps, A, must lie below the nameplate amps.'],
    ['energy-cost', { neededRpm: 990 }, 'neededRpm', 'Fan speed needed, rpm, must not be above the fan speed now.'],
  ] as const)('%s %j', (id, over, field, message) => expect(problem(id, over)).toMatchObject({ field, message }))
  it('an arc of contact beyond the printed factors', () =>
    expect(problem('belt-power', { driver: 4.2, driven: 40, center: 23 })?.message).toMatch(
      /^arc must lie between 83 and 180/,
    ))
})
