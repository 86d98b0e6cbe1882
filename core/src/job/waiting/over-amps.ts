import { figure, type WaitingRule } from './rule.ts'

/** Rise of a class B winding at its nameplate, °C. @source NEMA MG 1-12.43, from memory */
const riseAtPlate = 80
/** A winding lives half as long for every 10 °C. @source the usual rule of insulation, after Montsinger */
const halvesPer = 10

/** How many times faster a winding ages at these amps than at its nameplate. Below the nameplate: as at it. */
export const wearAt = (amps: number, plate: number): number =>
  2 ** ((riseAtPlate * Math.max(0, (amps / plate) ** 2 - 1)) / halvesPer)

export const overAmps: WaitingRule = {
  id: 'over-amps',
  title: 'Motor over its nameplate amps',
  fields: [
    { key: 'amps', title: 'Amps now', unit: 'A', min: 0.1, max: 2000, usual: null },
    { key: 'plate', title: 'Nameplate amps', unit: 'A', min: 0.1, max: 2000, usual: null },
    { key: 'motor', title: 'Price of a new motor, fitted', unit: '$', min: 0, max: 1e6, usual: null },
    { key: 'life', title: 'Years it lasts at its nameplate', unit: 'years', min: 1, max: 60, usual: 15 },
  ],
  // A part of the motor is used up that is paid for at its end; no more than all of it.
  month: (f) => {
    const share = (wearAt(figure(f, 'amps'), figure(f, 'plate')) - 1) / (12 * figure(f, 'life'))
    return figure(f, 'motor') * Math.min(1, share)
  },
  assumptions: [
    'The winding rises 80 °C at nameplate amps, and with their square.',
    'Its insulation lives half as long for every 10 °C.',
  ],
}
