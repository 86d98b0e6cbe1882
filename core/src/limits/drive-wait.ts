import { practice, type Limit } from './limit.ts'

export const driveWait: Limit = {
  id: 'drive-wait',
  title: 'Minutes until the bus of a drive is discharged',
  value: 15,
  unit: 'min',
  basis: practice('the minutes on the label of the drive govern; often 5 to 15'),
  house: { min: 5, max: 60 },
  means: 'Waiting time after lockout before the bus is measured.',
}
