import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { near } from '../near.test-help.ts'
import { convert } from '../quantity/index.ts'
import {
  alignmentLimit,
  angleOfGap,
  arcFactor,
  arcOfContact,
  bearingMultiples,
  beltLength,
  beltPower,
  beltSection,
  centerFromLength,
  deflectionForce,
  deflectionForces,
  deflectionOf,
  drivenRpm,
  driverFor,
  driveTension,
  gapOfAngle,
  greaseGrams,
  greaseInterval,
  hertzFromTension,
  lifeHours,
  lifeRatio,
  misalignment,
  nearestBelt,
  pitchAtTurns,
  pitchFromOutside,
  pitchLength,
  powerAtTension,
  ratedSections,
  rimSpeed,
  rimSpeedLimit,
  settable,
  settings,
  shaftLoads,
  shaftPull,
  slipFromSpeeds,
  spanLength,
  stockNumbers,
  systemLife,
  tensionByPlay,
  tensionFromForce,
  tensionFromHertz,
  type AdjustableSheave,
} from './index.ts'

const inch = (v: number) => convert(v, 'in', 'm')
const lbf = (newtons: number) => convert(newtons, 'N', 'lbf')
const fpm = (v: number) => convert(v, 'm/s', 'ft/min')

// Worked handbook examples; D, d, C in inches.
describe('belts over two sheaves', () => {
  it('D 9.4, d 4.2, C 22: length, arc, span', () => {
    near(beltLength(4.2, 9.4, 22), 65.6705, 1e-6)
    near(arcOfContact(4.2, 9.4, 22), 166.4)
    near(spanLength(4.2, 9.4, 22), 21.85)
    near(deflectionOf(spanLength(4.2, 9.4, 22)), 0.3413)
    near(drivenRpm(1755, 4.2, 9.4), 784.1)
    near(fpm(rimSpeed(inch(4.2), 1755)), 1930)
  })
  it('D 15.4, d 5, C 30: length, arc, span', () => {
    near(beltLength(5, 15.4, 30), 92.9479, 1e-6)
    near(arcOfContact(5, 15.4, 30), 160.0)
    near(spanLength(15.4, 5, 30), 29.55)
    near(drivenRpm(1760, 5, 15.4), 571.4)
    near(fpm(rimSpeed(inch(5), 1760)), 2304)
  })
  it('centers from a length: 69.3, 81.8 and 61.8 in belts', () => {
    near(centerFromLength(4.2, 9.4, 69.3), 23.83)
    near(centerFromLength(4.6, 12.4, 81.8), 27.27)
    near(centerFromLength(3.4, 7.4, 61.8), 22.33)
  })
  it('center and length are each other’s inverse, whichever sheave is named first', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 1.02, max: 10, noNaN: true }),
        (a, b, far) => {
          const center = ((a + b) / 2) * far
          const length = beltLength(a, b, center)
          expect(beltLength(b, a, center)).toBe(length)
          near(centerFromLength(a, b, length), center, 1e-6)
          expect(arcOfContact(a, b, center)).toBeLessThanOrEqual(180)
          expect(spanLength(a, b, center)).toBeLessThanOrEqual(center)
        },
      ),
    ))
  it('names what cannot be', () => {
    expect(() => beltLength(0, 4, 10)).toThrow(/^small/)
    expect(() => beltLength(4, 6, 4)).toThrow(/^center/)
    expect(() => centerFromLength(4, 9, 10)).toThrow(/^length/)
    expect(() => drivenRpm(1750, 4, 9, 1)).toThrow(/^slip/)
  })
  it('slip from two tachometer readings, and the driver for a wanted speed', () => {
    near(slipFromSpeeds(1755, 768.4, 4.2, 9.4), 0.02, 2e-2)
    near(driverFor(1750, 825, 7), 3.3)
    near(drivenRpm(1750, driverFor(1750, 640, 7, 0.02), 7, 0.02), 640)
  })
  it('stock cast-iron rims end at 6500 ft/min: 12 in at 1750 rpm is below, 14.5 in at 1760 above', () => {
    near(fpm(rimSpeedLimit), 6500)
    near(fpm(rimSpeed(inch(12), 1750)), 5498)
    near(fpm(rimSpeed(inch(14.5), 1760)), 6681)
  })
})

describe('sections', () => {
  it('a number tells the pitch length: A38, B68, 5V800 (textbook additions)', () => {
    near(convert(pitchLength('A', 38) / 1000, 'm', 'in'), 39.3)
    near(convert(pitchLength('BX', 68) / 1000, 'm', 'in'), 69.8)
    near(convert(pitchLength('5V', 800) / 1000, 'm', 'in'), 80 - 0.1 * Math.PI)
    near(pitchLength('SPA', 1250), 1250)
  })
  it('pitch of a measured outside: narrow 0.05 and 0.10 in less', () => {
    near(convert(pitchFromOutside('3V', 25.4 * 6) / 1000, 'm', 'in'), 5.95)
    near(convert(pitchFromOutside('5V', 25.4 * 10) / 1000, 'm', 'in'), 9.9)
  })
  it('knows the notched ones by their own name and no others', () => {
    expect(beltSection('bx').id).toBe('B')
    expect(() => beltSection('Q')).toThrow(/^section/)
    expect(() => pitchLength('A', 0)).toThrow(/^number/)
  })
  it('the nearest stocked belt is never further than its neighbours', () => {
    for (const id of ['A', 'B', 'C', '3V', '5V', 'SPZ', 'SPB', '4L']) {
      const numbers = stockNumbers(id)
      expect(numbers).toEqual([...numbers].sort((a, b) => a - b))
      const [third] = numbers.slice(3)
      expect(nearestBelt(id, pitchLength(id, third ?? 0) + 0.1).number).toBe(third)
    }
    expect(() => nearestBelt('A', 0)).toThrow(/^length/)
  })
})

describe('arc of contact', () => {
  it('the fit printed for 90° to 180°: 0.9695, 0.9532', () => {
    near(arcFactor(arcOfContact(4.2, 9.4, 22)), 0.9695)
    near(arcFactor(arcOfContact(5, 15.4, 30)), 0.9532)
  })
  it('the printed table by (D − d)/C, in steps of a tenth, beside the fit (mechanical-design textbooks)', () => {
    const table = [1, 0.99, 0.97, 0.96, 0.94, 0.93, 0.91, 0.89, 0.87, 0.85, 0.82, 0.8, 0.77, 0.73]
    for (const [i, printed] of table.entries()) {
      const arc = 180 - (2 * Math.asin(i / 20) * 180) / Math.PI
      near(arcFactor(arc), printed, 0.012)
    }
    expect(() => arcFactor(190)).toThrow(/^arc/)
  })
})

describe('tension', () => {
  // 10 hp × 1.2, two belts, D 9.4, d 4.6, C 24 in, 1755 rpm, 0.12 lb/ft.
  const speed = rimSpeed(inch(4.6), 1755)
  const factor = arcFactor(arcOfContact(4.6, 9.4, 24))
  const mass = convert(0.12, 'lb', 'kg') / 0.3048
  // The handbook's horsepower: 33 000 ft·lbf a minute.
  const t = driveTension(12 * 745.69987, speed, 2, factor, mass)
  it('worked example: pull 187.4, static 77.94, thrown 4.628 lbf', () => {
    near(fpm(speed), 2114)
    near(factor, 0.9746)
    near(lbf(t.pull), 187.4)
    near(lbf(t.thrown), 4.628)
    near(lbf(t.static), 77.94)
    near(lbf(deflectionForce(t.static)), 4.871)
    near(lbf(shaftPull(t.static, 2, arcOfContact(4.6, 9.4, 24))), 310.2, 3e-3)
  })
  it('the power it carries is the power it was set for', () =>
    near(powerAtTension(t.static, speed, 2, factor, mass), 12 * 745.69987, 1e-9))
  it('span frequency: 0.11 kg/m, 0.55 m, 42 Hz is 234.8 N', () => {
    near(tensionFromHertz(42, 0.55, 0.11), 234.8)
    near(lbf(tensionFromHertz(42, 0.55, 0.11)), 52.78)
    near(hertzFromTension(234.8, 0.55, 0.11), 42)
  })
  it('the same play under the same push is half the tension on half the span', () => {
    near(tensionFromForce(20, 0.01, 0.64), 320)
    near(tensionByPlay(0.4) / tensionByPlay(0.8), 0.5)
    const { least, greatest } = deflectionForces(t.static, 40)
    expect(least).toBeLessThan(greatest)
    near(least, (t.static + 40) / 16)
  })
  it('more tension never carries less, and never lengthens a bearing’s life', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 2000, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (tension, more) => {
          expect(powerAtTension(tension * more, speed, 2, factor, mass)).toBeGreaterThanOrEqual(
            powerAtTension(tension, speed, 2, factor, mass),
          )
          const load = (x: number) => shaftLoads(shaftPull(x, 2, 165), 0.1, 200, 0.5).driveEnd
          expect(lifeHours(14000, load(tension * more), 900)).toBeLessThanOrEqual(lifeHours(14000, load(tension), 900))
        },
      ),
    ))
  it('names what cannot be', () => {
    expect(() => driveTension(0, 10, 2, 0.9, 0.1)).toThrow(/^watts/)
    expect(() => driveTension(1, 10, 2, 1.2, 0.1)).toThrow(/^factor/)
    expect(() => powerAtTension(1, 10, 2, 0, 0.1)).toThrow(/^factor/)
    expect(() => tensionFromHertz(42, 0, 0.1)).toThrow(/^span/)
  })
})

describe('an adjustable sheave', () => {
  const sheave: AdjustableSheave = { closed: 3.8, perTurn: 0.2, most: 5, least: 0.5, step: 0.5 }
  it('closed 3.8 in, 0.2 in a turn, 2.5 turns open: 3.3 in, fan 825 rpm, closed 950', () => {
    near(pitchAtTurns(sheave, 2.5), 3.3)
    near(drivenRpm(1750, pitchAtTurns(sheave, 2.5), 7), 825)
    near(drivenRpm(1750, pitchAtTurns(sheave, 0), 7), 950)
  })
  it('is set on its flats, never closed to the stop, never past its last turn', () => {
    expect(settings(sheave)).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5])
    expect(settings(sheave).every((t) => settable(sheave, t))).toBe(true)
    expect([0, 0.25, 5.5].map((t) => settable(sheave, t))).toEqual([false, false, false])
    expect(() => pitchAtTurns(sheave, 6)).toThrow(/^turns/)
    expect(() => pitchAtTurns({ ...sheave, perTurn: 1 }, 5)).toThrow(/^turns/)
  })
  it('opening it never raises the fan’s speed', () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5, noNaN: true }), fc.double({ min: 0, max: 5, noNaN: true }), (a, b) => {
        const rpm = (t: number) => drivenRpm(1750, pitchAtTurns(sheave, t), 7)
        expect(rpm(Math.max(a, b))).toBeLessThanOrEqual(rpm(Math.min(a, b)))
      }),
    ))
})

describe('alignment', () => {
  it('half a degree over 24 in is 0.2094 in; 1/16 in a foot is 0.2984°', () => {
    near(gapOfAngle(alignmentLimit, 24), 0.2094)
    near(angleOfGap(1 / 16, 12), 0.2984)
  })
  it('four gaps tell turned from offset', () => {
    const even = misalignment({ motorNear: 0, motorFar: 0, fanNear: 3, fanFar: 3 }, { motor: 100, fan: 240 })
    expect(even).toEqual({ motorAngle: 0, fanAngle: 0, offset: 3 })
    const turned = misalignment({ motorNear: 0, motorFar: 0, fanNear: 0, fanFar: 4 }, { motor: 100, fan: 240 })
    near(turned.fanAngle, 0.9548)
    expect(() => misalignment({ motorNear: 0, motorFar: 0, fanNear: 0, fanFar: 0 }, { motor: 0, fan: 1 })).toThrow(
      /^motor/,
    )
  })
})

describe('bearings', () => {
  it('ISO 281: 14 kN at 1.8 kN and 1760 rpm is 4456 h; 27.6 at 3.1 and 950 is 12 380 h', () => {
    near(lifeHours(14, 1.8, 1760), 4456)
    near(lifeHours(27.6, 3.1, 950), 12380)
    expect(lifeHours(14, 1.8, 1760, 'roller')).toBeGreaterThan(lifeHours(14, 1.8, 1760))
  })
  it('two bearings of 40 000 and 70 000 h are a shaft of 27 170 h', () => {
    near(systemLife([40000, 70000]), 27170)
    near(systemLife([5000]), 5000)
    expect(() => systemLife([])).toThrow(/^lives/)
  })
  it('twice the load is an eighth of a ball bearing’s life', () => near(lifeRatio(1, 2), 0.125))
  it('a belt outside of the bearing loads the near one by more than its pull', () => {
    const loads = shaftLoads(1000, 0.1, 300, 0.5)
    near(loads.driveEnd, 1350)
    near(loads.otherEnd, 350)
  })
  it('grease: 1750 rpm, 40 mm, light dirt is 7734 h; hot, abrasive, humid at 45 mm is 1408 h', () => {
    const clean = {
      type: 'ball',
      heat: 'under 65 °C',
      dirt: 'light',
      wet: 'dry',
      vibration: 'smooth',
      shaft: 'horizontal',
    } as const
    near(greaseInterval(40, 1750, clean).byFormula, 7734)
    near(greaseInterval(45, 1760, { ...clean, heat: '65 to 80 °C', dirt: 'abrasive', wet: 'humid' }).hours, 1408)
    // A small slow bearing: the formula says years, the schedule a year.
    expect(greaseInterval(20, 600, clean)).toMatchObject({ hours: 8760 })
    expect(greaseInterval(200, 60000, clean).byFormula).toBe(0)
  })
  it('grease for a 90 × 23 mm bearing: 10.35 g', () => near(greaseGrams(90, 23), 10.35))
  it('a 6205’s multiples as published with a university’s data set', () => {
    const m = bearingMultiples(9, 0.3126, 1.537)
    near(m.outer, 3.5848)
    near(m.inner, 5.4152)
    near(m.cage, 0.39831)
    near(2 * m.ball, 4.7134)
    near(m.outer + m.inner, 9)
    expect(() => bearingMultiples(9, 2, 1)).toThrow(/^ball/)
  })
})

describe('what a belt is good for', () => {
  const inches = (v: number) => convert(v, 'in', 'mm')
  const hp = (watts: number | null) => convert(watts ?? NaN, 'W', 'hp')
  const one = (section: string, small: number, rpm: number, over: object = {}) =>
    beltPower(section, {
      small: inches(small),
      large: inches(small),
      speed: rimSpeed(convert(small, 'in', 'm'), rpm),
      arcFactor: 1,
      length: inches({ A: 69.3, B: 91.8, C: 146.9, '3V': 67 }[section] ?? 100),
      ...over,
    })
  it('is the rating formula, worked by hand for the middle belt of its section at 180°', () => {
    // B on 5 in at 1750: r·d 8.75; (1.506 − 3.52/5 − 4.193e-4 · 76.5625 − 0.2931 · 0.942008) · 8.75.
    near(hp(one('B', 5, 1750)), 4.3207, 1e-4)
    // A on 3.4 in at 1750: r·d 5.95; (0.8542 − 0.394706 − 2.436e-4 · 35.4025 − 0.1703 · 0.774517) · 5.95.
    near(hp(one('A', 3.4, 1750)), 1.8979, 1e-3)
    // 3V on 4.75 in at 1160: r·d 5.51; (1.1691 − 0.322 − 1.5229e-4 · 30.3601 − 0.1596 · 0.741152) · 5.51.
    near(hp(one('3V', 4.75, 1160)), 3.9901, 1e-3)
  })
  it('needs two belts for 10 hp at 1750 rpm on 7.4 and 11 in, B112, by day and night', () => {
    // By hand: 8.2103 for itself and 0.5457 for the ratio of 1.486; length (113.8/91.8)^0.24 = 1.0529.
    const center = centerFromLength(7.4, 11, 113.8)
    const factor = arcFactor(arcOfContact(7.4, 11, center))
    const each = hp(one('B', 7.4, 1750, { large: inches(11), arcFactor: factor, length: pitchLength('B', 112) }))
    near(each, 8.756 * 1.0529 * factor, 1e-3)
    expect(Math.ceil((10 * 1.3) / each)).toBe(2)
  })
  it('tells nothing of a sheave that is too small, a belt that is too fast, or a section nobody rated here', () => {
    expect(one('B', 3, 1750)).toBeNull()
    expect(one('A', 4, 7000)).toBeNull()
    expect(one('8V', 14, 1160)).toBeNull()
    expect(() => one('A', 4, 1750, { small: 0 })).toThrow(/^small/)
  })
  it('never carries less on a larger sheave, and a longer belt never less than a shorter', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ratedSections),
        fc.double({ min: 150, max: 400, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.double({ min: 1, max: 25, noNaN: true }),
        (section, pitch, by, speed) => {
          const power = (small: number, length: number) =>
            beltPower(section, { small, large: 2 * small, speed, arcFactor: 1, length })
          const small = power(pitch, 1500)
          if (small === null) return
          expect(power(pitch * by, 1500) ?? 0).toBeGreaterThanOrEqual(small - 1e-9)
          expect(power(pitch, 1500 * by) ?? 0).toBeGreaterThanOrEqual(small - 1e-9)
        },
      ),
    ))
})
