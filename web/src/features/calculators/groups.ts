import type { CalcGroup } from '@motor-round/core/calc'

/** The groups of calculators in the mechanic's words. */
export const groupWords: Readonly<Record<CalcGroup, string>> = {
  supply: 'Supply and unbalance',
  load: 'Amps, load and the motor',
  winding: 'Windings',
  insulation: 'Insulation',
  capacitor: 'Capacitors',
  protection: 'Protection and conductors',
  faults: 'Finding the fault',
  'drive train': 'Belts and sheaves',
  bearings: 'Bearings and grease',
  air: 'Air',
  vibration: 'Vibration, balance and sound',
  energy: 'Energy and money',
  trend: 'Trends',
  units: 'Units',
}
