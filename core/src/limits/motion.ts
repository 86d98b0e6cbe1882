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

export const vibrationLeast: Limit = {
  id: 'vibration-least',
  title: 'Vibration of a fan that runs, not believed below',
  value: 0.005,
  unit: 'in/s',
  basis: practice('common practice: a smooth fan still moves some 0.02 in/s; 0.00 on the meter is no reading'),
  house: null,
  means: 'It does not run, or the probe does not touch.',
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
