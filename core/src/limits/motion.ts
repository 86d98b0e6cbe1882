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

export const soundLeast: Limit = {
  id: 'sound-least',
  title: 'Sound of a fan that runs, not believed below',
  value: 30,
  unit: 'dB',
  basis: practice('common practice: a quiet bedroom is about 30 dBA'),
  house: null,
  means: 'It does not run, or the meter is on a wrong range.',
}
