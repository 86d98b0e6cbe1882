import type { Plate } from '@motor-round/core/plate'

/** Full-load efficiency, power factor, speed at 60 Hz and frame by horsepower, as invented makers might print them. */
const sizes: Record<number, readonly [number, number, number, string]> = {
  0.5: [0.74, 0.68, 1725, '56'],
  0.75: [0.78, 0.71, 1730, '56'],
  1: [0.82, 0.74, 1735, '143T'],
  1.5: [0.84, 0.76, 1740, '145T'],
  2: [0.855, 0.78, 1740, '145T'],
  3: [0.875, 0.8, 1750, '182T'],
  5: [0.89, 0.82, 1750, '184T'],
  7.5: [0.902, 0.83, 1755, '213T'],
  10: [0.91, 0.84, 1755, '215T'],
  15: [0.924, 0.85, 1760, '254T'],
  20: [0.93, 0.86, 1765, '256T'],
  25: [0.936, 0.86, 1770, '284T'],
}
const metric: Record<number, readonly [number, number, number, string]> = {
  0.75: [0.8, 0.75, 1415, '80'],
  1.5: [0.84, 0.79, 1430, '90L'],
  2.2: [0.855, 0.81, 1440, '100L'],
  4: [0.88, 0.82, 1450, '112M'],
  5.5: [0.895, 0.83, 1460, '132S'],
  7.5: [0.905, 0.84, 1460, '132M'],
}

const makers = ['Corvid', 'Northrail', 'Pellicer'] as const
const printed = (a: number) => (a >= 10 ? a.toFixed(1) : a.toFixed(a >= 3 ? 1 : 2))

export interface CatalogueMotor {
  readonly plate: Plate
  readonly powerFactor: number
}

/** A motor of the size for the supply. `n` only spreads makers and serial numbers. */
export function motorFor(size: number, service: number, phases: 1 | 3, n: number): CatalogueMotor {
  const maker = makers[n % makers.length] ?? makers[0]
  const fifty = service === 400
  const table = fifty ? metric : sizes
  const [efficiency, powerFactor, rpm, frame] = table[size] ?? [0.85, 0.8, 1740, '145T']
  const watts = size * (fifty ? 1000 : 745.7)
  const amps = (volts: number) => watts / ((phases === 3 ? Math.sqrt(3) : 1) * volts * efficiency * powerFactor)
  const column = (): { volts: string; amps: string } => {
    if (fifty) return { volts: '400', amps: printed(amps(400)) }
    if (service === 600) return { volts: '575', amps: printed(amps(575)) }
    if (phases === 1 && service === 120)
      return { volts: '115/208-230', amps: `${printed(amps(115))}/${printed(amps(214))}-${printed(amps(230))}` }
    if (phases === 1) return { volts: '208-230', amps: `${printed(amps(212))}-${printed(amps(230))}` }
    const high = printed(amps(460))
    const low = printed(Number(high) * 2)
    return { volts: '208-230/460', amps: `${printed(Number(high) * 2.12)}-${low}/${high}` }
  }
  const base: Plate = {
    maker,
    model: `${maker.slice(0, 2).toUpperCase()}-${String(size).replace('.', '')}${fifty ? 'M' : 'H'}${phases}`,
    serial: `${maker[0] ?? 'X'}${(73000 + n * 137).toString()}`,
    power: size,
    powerUnit: fifty ? 'kW' : 'hp',
    phases,
    ...column(),
    hz: fifty ? '50' : '60',
    rpm,
    sf: fifty ? 1 : 1.15,
    frame,
    insulationClass: 'F',
    efficiency,
    powerFactor,
    enclosure: n % 3 === 0 ? 'TEFC' : 'ODP',
    duty: 'continuous',
    bearings: size >= 5 ? '6307 / 6206' : '6205 / 6203',
  }
  return {
    plate:
      phases === 3
        ? { ...base, design: fifty ? 'N' : 'B', code: size < 3 ? 'K' : 'H' }
        : { ...base, capacitorUf: 7.5, capacitorVolts: 370, sf: 1 },
    powerFactor,
  }
}
