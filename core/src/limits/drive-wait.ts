import { practice, type Limit } from './limit.ts'

export const driveWait: Limit = {
  id: 'drive-wait',
  title: 'Minutes until the bus of a drive is empty',
  value: 15,
  unit: 'min',
  basis: practice('the minutes on the label of the drive govern; often 5 to 15'),
  house: { min: 5, max: 60 },
  means: 'So long a locked-out drive is left alone before its bus is measured.',
}
