import { standard, type Limit } from './limit.ts'

export const voltsServiceRange: Limit = {
  id: 'volts-service-range',
  title: 'Volts off the system nominal, either way',
  value: 0.05,
  unit: 'ratio',
  basis: standard('ANSI C84.1, service voltage, Range A'),
  house: null,
  means: 'What a healthy service delivers.',
}
