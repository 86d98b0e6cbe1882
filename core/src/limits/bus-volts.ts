import { practice, type Limit } from './limit.ts'

export const busVolts: Limit = {
  id: 'bus-volts',
  title: 'Drive bus discharged below',
  value: 50,
  unit: 'V',
  basis: practice('common practice: the label, then measure below 50 V direct'),
  house: null,
  means: 'Wait the minutes of the label, then measure.',
}
