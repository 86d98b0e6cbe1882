import { practice, type Limit } from './limit.ts'

export const soundGrown: Limit = {
  id: 'sound-grown',
  title: 'Louder than last time, watch above',
  value: 5,
  unit: 'dB',
  basis: practice('common practice: 3 dB is just noticed, 5 dB is plain'),
  house: { min: 2, max: 12 },
  means: 'A new rub, hum or howl.',
}
