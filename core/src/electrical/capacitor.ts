import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/**
 * Capacitance of a run capacitor while it works, from the current of its lead and the volts across it.
 * @param amps current in the capacitor lead, amperes
 * @param volts across the capacitor, which is more than the line, volts
 * @param hz supply frequency
 * @returns microfarads
 * @throws RangeError when volts or hz is not above zero
 * @source definition of capacitive reactance
 */
export function capacitanceUnderLoad(amps: number, volts: number, hz: number): number {
  requireMagnitude('amps', amps)
  requirePositive('volts', volts)
  requirePositive('hz', hz)
  return (amps * 1e6) / (2 * Math.PI * hz * volts)
}

/** Amps of a capacitor at volts and hertz. @param microfarads its capacitance @source definition of capacitive reactance */
export function capacitorAmps(microfarads: number, volts: number, hz: number): number {
  requirePositive('microfarads', microfarads)
  requireMagnitude('volts', volts)
  requirePositive('hz', hz)
  return (2 * Math.PI * hz * microfarads * volts) / 1e6
}

/**
 * Capacitors joined, microfarads.
 * @throws RangeError when there is none or one is not above zero
 * @source sum in parallel, sum of reciprocals in series
 */
export function combinedCapacitance(values: readonly number[]): { readonly parallel: number; readonly series: number } {
  if (values.length === 0) throw new RangeError('values must not be empty')
  for (const v of values) requirePositive('values', v)
  return { parallel: values.reduce((a, b) => a + b, 0), series: 1 / values.reduce((a, b) => a + 1 / b, 0) }
}

/**
 * Deviation of a capacitor from its marking.
 * @returns fraction, -0.06 is six per cent low
 * @throws RangeError when marked is not above zero
 */
export function capacitorDeviation(measured: number, marked: number): number {
  requireMagnitude('measured', measured)
  requirePositive('marked', marked)
  return measured / marked - 1
}

/**
 * How unsure a value computed from a clamp (2 %) and a voltmeter (1 %) is.
 * @source root sum of squares
 */
export const underLoadUncertainty = Math.hypot(0.02, 0.01)

/**
 * Seconds until a capacitor has bled through a resistor to a voltage, from the peak of an alternating one.
 * @param microfarads capacitance
 * @param rmsVolts alternating volts it worked at
 * @param ohms of the resistor
 * @param endVolts where it is to end
 * @throws RangeError when an argument is not above zero
 * @source t = R C ln(Vp / Vend)
 */
export function bleedSeconds(microfarads: number, rmsVolts: number, ohms: number, endVolts: number): number {
  requirePositive('microfarads', microfarads)
  requirePositive('rmsVolts', rmsVolts)
  requirePositive('ohms', ohms)
  requirePositive('endVolts', endVolts)
  return Math.max(0, ohms * microfarads * 1e-6 * Math.log((Math.SQRT2 * rmsVolts) / endVolts))
}
