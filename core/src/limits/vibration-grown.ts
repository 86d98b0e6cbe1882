import { practice, type Limit } from './limit.ts'

export const vibrationGrown: Limit = {
  id: 'vibration-grown',
  title: 'Vibration against the last reading, watch above',
  value: 2,
  unit: 'count',
  basis: practice('common practice: twice its last is news, whatever the limits say'),
  house: { min: 1.25, max: 4 },
  means: 'It has changed, although no limit is exceeded.',
}
