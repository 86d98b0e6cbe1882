import { practice, type Limit } from './limit.ts'

// Proving de-energized, and stored energy.

export const deadVolts: Limit = {
  id: 'dead-volts',
  title: 'Proving dead, nothing above',
  value: 5,
  unit: 'V',
  basis: practice(),
  house: { min: 1, max: 10 },
  means: 'Above it a leg is energized or backfed.',
}

export const proofVolts: Limit = {
  id: 'proof-volts',
  title: 'Meter proven on at least',
  value: 20,
  unit: 'V',
  basis: practice(),
  house: { min: 10, max: 100 },
  means: 'A known source must show on the meter before and after.',
}

export const busVolts: Limit = {
  id: 'bus-volts',
  title: 'Drive bus discharged below',
  value: 50,
  unit: 'V',
  basis: practice('common practice: the label, then measure below 50 V direct'),
  house: null,
  means: 'Wait the minutes of the label, then measure.',
}

export const driveWait: Limit = {
  id: 'drive-wait',
  title: 'Minutes until the bus of a drive is discharged',
  value: 15,
  unit: 'min',
  basis: practice('the minutes on the label of the drive govern; often 5 to 15'),
  house: { min: 5, max: 60 },
  means: 'Waiting time after lockout before the bus is measured.',
}
