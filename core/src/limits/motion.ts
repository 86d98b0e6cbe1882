import { practice, type Limit } from './limit.ts'

// Vibration and sound.

export const vibrationGrown: Limit = {
  id: 'vibration-grown',
  title: 'Vibration against the last reading, watch above',
  value: 2,
  unit: 'count',
  basis: practice('common practice: twice its last is news, whatever the limits say'),
  house: { min: 1.25, max: 4 },
  means: 'It has changed, although no limit is exceeded.',
}

export const soundGrown: Limit = {
  id: 'sound-grown',
  title: 'Louder than last time, watch above',
  value: 5,
  unit: 'dB',
  basis: practice('common practice: 3 dB is just noticed, 5 dB is plain'),
  house: { min: 2, max: 12 },
  means: 'A new rub, hum or howl.',
}
