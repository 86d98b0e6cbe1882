/** A setting of a drive that matters to its motor and fan. */
export interface Parameter {
  readonly id: string
  readonly title: string
  readonly unit: '' | 'A' | 'V' | 'Hz' | 'rpm' | 'kW' | 's' | 'kHz'
  readonly range: readonly [number, number]
  /** Words for the figures of a choice. */
  readonly choices?: Readonly<Record<number, string>>
}

const parameter = <const I extends string>(
  id: I,
  title: string,
  unit: Parameter['unit'],
  range: Parameter['range'],
  choices?: Parameter['choices'],
) => ({ id, title, unit, range, ...(choices ? { choices } : {}) })

export const parameters = [
  parameter('plate-amps', 'Motor amps', 'A', [0, 2000]),
  parameter('plate-volts', 'Motor volts', 'V', [0, 1000]),
  parameter('plate-hz', 'Motor frequency', 'Hz', [0, 400]),
  parameter('plate-rpm', 'Motor speed', 'rpm', [0, 30_000]),
  parameter('plate-power', 'Motor power', 'kW', [0, 1000]),
  parameter('overload-amps', 'Overload', 'A', [0, 2000]),
  parameter('overload-class', 'Overload class', '', [0, 30]),
  parameter('accel', 'Acceleration time', 's', [0, 3600]),
  parameter('decel', 'Deceleration time', 's', [0, 3600]),
  parameter('min-hz', 'Minimum frequency', 'Hz', [0, 400]),
  parameter('max-hz', 'Maximum frequency', 'Hz', [0, 400]),
  parameter('direction', 'Direction', '', [0, 1], { 0: 'forward', 1: 'reverse' }),
  parameter('carrier', 'Carrier frequency', 'kHz', [0, 20]),
  parameter('restarts', 'Automatic restarts', '', [0, 100]),
  parameter('skip-low', 'Skip band from', 'Hz', [0, 400]),
  parameter('skip-high', 'Skip band to', 'Hz', [0, 400]),
] as const satisfies readonly Parameter[]

export type ParameterId = (typeof parameters)[number]['id']

/** Settings of a drive as they were read; one that is not known is left out. */
export type ParameterSet = Readonly<Partial<Record<ParameterId, number>>>

export const parameterOf = (id: ParameterId): Parameter => {
  const found: Parameter | undefined = parameters.find((p) => p.id === id)
  if (!found) throw new RangeError(`parameter: ${id} is none`)
  return found
}

/** A setting as it is read aloud: with its unit, or the word it stands for. */
export function shownParameter(id: ParameterId, value: number): string {
  const { unit, choices } = parameterOf(id)
  const figure = String(Math.round(value * 100) / 100)
  return choices?.[value] ?? (unit === '' ? figure : `${figure} ${unit}`)
}
