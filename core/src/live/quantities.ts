/** What a building's own instruments say of a machine, minute by minute. */
export interface LiveQuantity {
  readonly id: 'hz' | 'amps' | 'running' | 'call'
  readonly title: string
  /** The unit it is kept in; empty for on and off. */
  readonly unit: string
  /** The finest difference that is kept. */
  readonly step: number
  readonly range: readonly [low: number, high: number]
  readonly units: readonly LiveUnit[]
}

/** A unit in which a source may send it. */
export interface LiveUnit {
  readonly id: string
  /** What one of it is in the unit that is kept; `plate`: hundredths of what the nameplate says. */
  readonly factor: number | 'plate'
}

const onOff = [{ id: 'on/off', factor: 1 }] as const

export const liveQuantities: readonly LiveQuantity[] = [
  {
    id: 'hz',
    title: 'Frequency',
    unit: 'Hz',
    step: 0.01,
    range: [0, 130],
    units: [
      { id: 'Hz', factor: 1 },
      { id: '0.1 Hz', factor: 0.1 },
      { id: '0.01 Hz', factor: 0.01 },
      { id: '% of nameplate Hz', factor: 'plate' },
    ],
  },
  {
    id: 'amps',
    title: 'Amps',
    unit: 'A',
    step: 0.01,
    range: [0, 5000],
    units: [
      { id: 'A', factor: 1 },
      { id: '0.1 A', factor: 0.1 },
      { id: '0.01 A', factor: 0.01 },
      { id: 'mA', factor: 0.001 },
      { id: '% of nameplate amps', factor: 'plate' },
    ],
  },
  { id: 'running', title: 'Running', unit: '', step: 1, range: [0, 1], units: onOff },
  { id: 'call', title: 'Called to run', unit: '', step: 1, range: [0, 1], units: onOff },
]
export type LiveQuantityId = LiveQuantity['id']

/** @throws RangeError when there is no such quantity */
export function liveQuantity(id: string): LiveQuantity {
  const found = liveQuantities.find((q) => q.id === id)
  if (!found) throw new RangeError(`quantity: no live quantity "${id}"`)
  return found
}

/** What the nameplate of a machine says of what is sent; null where it does not. */
export interface LivePlate {
  readonly amps: number | null
  readonly hz: number | null
}

/**
 * What one of a source's unit is in the unit that is kept.
 * @returns null where the unit is a share of the nameplate, and that does not say
 * @throws RangeError when the quantity has no such unit
 */
export function factorOf(quantity: LiveQuantity, unit: string, plate: LivePlate): number | null {
  const found = quantity.units.find((u) => u.id === unit)
  if (!found) throw new RangeError(`unit: ${quantity.title.toLowerCase()} is not sent in "${unit}"`)
  if (found.factor !== 'plate') return found.factor
  const whole = quantity.id === 'hz' ? plate.hz : plate.amps
  return whole === null ? null : whole / 100
}
