import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Plate } from '../plate/index.ts'
import { fitMotor, frameOf, frames, grades, settingsFor, type Swap } from './index.ts'

const old: Plate = {
  volts: '208-230/460',
  amps: '27.0-25.6/12.8',
  phases: 3,
  power: 10,
  hz: '60',
  rpm: 1755,
  sf: 1.15,
  frame: '215T',
  insulationClass: 'F',
  enclosure: 'TEFC',
  thermalProtection: 'none',
  code: 'H',
}
const swap = (now: Partial<Plate>, over: Partial<Swap> = {}, machine: Partial<Swap['machine']> = {}): Swap => ({
  old,
  now: { ...old, ...now },
  machine: { phases: 3, serviceVolts: 480, drive: 'belt', hasVfd: false, unitPlate: null, ...machine },
  hz: 60,
  amps: 11.2,
  ...over,
})
const point = (s: Swap, name: string) => fitMotor(s).points.find((p) => p.point === name)

// Common practice; frames by NEMA MG 1 and IEC 60072-1, from memory.
describe('a motor for a motor', () => {
  it('the same nameplate drops in, and asks for nothing', () =>
    expect(fitMotor(swap({}))).toMatchObject({ grade: 'drops in', kit: [] }))
  it.each([
    [{ amps: '27/13.1' }, 'drops in'],
    [{ amps: '28/14.2' }, 'fits with changes'],
    [{ amps: '24/11.5' }, 'fits with changes'],
    [{ amps: '22/10.8' }, 'does not fit'],
  ] as const)('amps decide: %j at 11.2 A is "%s"', (now, grade) =>
    expect(point(swap({ volts: '230/460', ...now }), 'Amps')?.grade).toBe(grade),
  )
  it('a smaller one is not known to fit until the amps were read', () => {
    expect(point(swap({ volts: '460', amps: '11.5' }, { amps: null }), 'Amps')?.grade).toBe('not known')
    expect(point(swap({ power: 7.5 }, { amps: null }), 'Power')?.grade).toBe('not known')
  })
  it('the unit plate stays the limit', () =>
    expect(
      point(swap({ volts: '460', amps: '14.2' }, {}, { unitPlate: { volts: '460', amps: '13.0' } }), 'Amps')?.because,
    ).toContain('The unit plate stays the limit: 13.0 A'))
  it.each([
    ['208-230/460', 480, 'drops in'],
    ['460', 480, 'fits with changes'],
    ['575', 480, 'does not fit'],
    ['230/460', 208, 'fits with changes'],
  ] as const)('volts %s on %d V: %s', (volts, serviceVolts, grade) =>
    expect(point(swap({ volts }, {}, { serviceVolts }), 'Volts')?.grade).toBe(grade),
  )
  it('phases and hertz are as they are', () => {
    expect(point(swap({ phases: 1 }), 'Phases')?.grade).toBe('does not fit')
    expect(point(swap({ hz: '50' }), 'Hertz')?.grade).toBe('does not fit')
    expect(point(swap({ hz: '50/60' }), 'Hertz')?.grade).toBe('drops in')
  })
  it('another speed: sheaves on a belt; on a direct drive the cube of it, or not at all', () => {
    const direct = (rpm: number, now: number) =>
      point(swap({ rpm: now }, { old: { ...old, rpm } }, { drive: 'direct' }), 'Speed, rpm')
    expect(point(swap({ rpm: 1160 }), 'Speed, rpm')).toMatchObject({ grade: 'fits with changes' })
    expect(direct(1755, 1160)?.grade).toBe('does not fit')
    // 1,060 to 1,100 rpm: 11.8 % more power.
    const off = (1100 / 1060) ** 3 - 1
    expect(off).toBeCloseTo(0.118, 3)
    expect(direct(1070, 1100)?.because).toContain(`Power goes up by ${(100 * ((1100 / 1070) ** 3 - 1)).toFixed(1)} %`)
    expect(direct(1060, 1100)?.grade).toBe('does not fit')
  })
  it.each([
    ['213T', 'fits with changes'],
    ['182T', 'fits with changes'],
    ['254T', 'does not fit'],
    ['132S', 'does not fit'],
    ['999X', 'not known'],
  ] as const)('frame %s where a 215T was: %s', (frame, grade) =>
    expect(point(swap({ frame }), 'Frame and feet')?.grade).toBe(grade),
  )
  it('a 143T has the height of a 56 and another shaft: a bushing on a belt, nothing on a direct drive', () => {
    const s = (drive: 'belt' | 'direct') => swap({ frame: '143T' }, { old: { ...old, frame: '56' } }, { drive })
    expect(point(s('belt'), 'Frame and feet')).toMatchObject({ grade: 'fits with changes' })
    expect(point(s('belt'), 'Shaft diameter')).toMatchObject({
      grade: 'fits with changes',
      old: '0.625 in',
      now: '0.875 in',
    })
    expect(point(s('direct'), 'Shaft diameter')?.grade).toBe('does not fit')
    expect(fitMotor(s('belt')).kit).toEqual(expect.arrayContaining(['adapter base', 'bushing for the new shaft']))
  })
  it('an open motor does not take the place of an enclosed one', () => {
    expect(point(swap({ enclosure: 'ODP' }), 'Enclosure')?.grade).toBe('does not fit')
    expect(point(swap({ enclosure: 'TEFC' }, { old: { ...old, enclosure: 'ODP' } }), 'Enclosure')?.grade).toBe(
      'fits with changes',
    )
  })
  it('on a drive class B needs a filter', () =>
    expect(point(swap({ insulationClass: 'B' }, {}, { hasVfd: true }), 'Insulation class')?.because).toContain(
      'output filter',
    ))
  it('the capacitor is that of the new nameplate', () => {
    const psc: Plate = {
      volts: '230',
      amps: '3.0',
      phases: 1,
      capacitorUf: 7.5,
      capacitorVolts: 370,
      rotation: 'clockwise',
      rotationSeenFrom: 'drive end',
    }
    const s = (now: Partial<Plate>) =>
      swap({ ...psc, ...now }, { old: psc, amps: 2.4 }, { phases: 1, serviceVolts: 240, drive: 'direct' })
    expect(point(s({}), 'Capacitor')?.grade).toBe('drops in')
    expect(point(s({ capacitorUf: 10 }), 'Capacitor')?.kit).toEqual(['capacitor 10 µF, 370 V'])
    expect(point(s({ capacitorVolts: 440 }), 'Capacitor')?.grade).toBe('fits with changes')
    // Clockwise from one end is counter-clockwise from the other.
    expect(point(s({ rotation: 'counter-clockwise', rotationSeenFrom: 'opposite end' }), 'Rotation')?.grade).toBe(
      'drops in',
    )
    expect(point(s({ rotation: 'counter-clockwise' }), 'Rotation')?.grade).toBe('does not fit')
    expect(point(s({ rotation: 'either' }), 'Rotation')?.grade).toBe('drops in')
  })
  it('without a nameplate nothing drops in', () => {
    const f = fitMotor({ ...swap({}), now: {} })
    expect(f.grade).toBe('not known')
    expect(f.points.some((p) => p.grade === 'drops in')).toBe(false)
  })
  it('the worst point decides, whatever the plates say', () =>
    fc.assert(
      fc.property(
        fc.record(
          {
            volts: fc.constantFrom('230/460', '460', '575', '208', 'x'),
            amps: fc.constantFrom('25/12.5', '9', '', '1/2/3'),
            rpm: fc.constantFrom(1755, 1160, 0, 3450),
            frame: fc.constantFrom('56', '143T', '215T', '132M', ''),
            code: fc.constantFrom('H', 'L', '', '?'),
            hz: fc.constantFrom('60', '50', 'x'),
            power: fc.constantFrom(10, 7.5, 100),
          },
          { requiredKeys: [] },
        ),
        (now) => {
          const f = fitMotor({ ...swap({}), now })
          expect(grades.indexOf(f.grade)).toBe(Math.max(...f.points.map((p) => grades.indexOf(p.grade))))
        },
      ),
      { seed: 3 },
    ))
})

it('frames carry their names and their sizes', () => {
  expect(frameOf('184 t')).toMatchObject({ height: 4.5, along: [5.5], shaft: 1.125, key: 0.25 })
  expect(frameOf('56C')?.name).toBe('56')
  expect(frameOf('184TC')?.name).toBe('184T')
  expect(frameOf('90L')).toMatchObject({ system: 'IEC', height: 90, along: [125] })
  // NEMA counts the height in quarters of an inch in the first two figures of three.
  for (const f of frames.filter((x) => x.system === 'NEMA' && x.name.length === 4))
    expect(f.height).toBe(Number(f.name.slice(0, 2)) / 4)
})

// NEC 430.32, 430.22 and 430.52 by the tables: 10 hp at 480 V is 14 A, so 17.5 A of wire, 24.5 A of fuse, 35 A of breaker.
describe('overload, wire and fuse for a new nameplate', () => {
  it('the overload by its own amps, the circuit by the table', () => {
    const s = settingsFor(swap({}))
    expect(s).toEqual({ overload: { set: 12.8, most: 16 }, circuit: { wire: 17.5, fuse: 25, breaker: 35 } })
    // Without a service factor 115 %.
    const plain = settingsFor(swap({ amps: '12', volts: '460', sf: 1 })).overload
    expect(plain?.set).toBe(12)
    expect(plain?.most).toBeCloseTo(13.8, 9)
    // In kilowatts: 5.5 kW is 7.4 hp, the row of 7.5: 11 A.
    expect(settingsFor(swap({ power: 5.5, powerUnit: 'kW' })).circuit?.wire).toBeCloseTo(13.75, 9)
  })
  it('says nothing of what no nameplate and no table tells, and sets no relay on a drive', () => {
    expect(settingsFor({ ...swap({}), now: {} })).toEqual({ overload: null, circuit: null })
    expect(settingsFor(swap({}, {}, { hasVfd: true })).overload).toBeNull()
    expect(settingsFor(swap({ power: 5000 })).circuit).toBeNull()
  })
})
