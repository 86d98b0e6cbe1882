import type { Grade } from '@motor-round/core/fit'

export const tones: Readonly<Record<Grade, string>> = {
  'drops in': 'ok',
  'fits with changes': 'watch',
  'not known': 'watch',
  'does not fit': 'stop',
}
export const heads: Readonly<Record<Grade, string>> = {
  'drops in': 'Drops in.',
  'fits with changes': 'Fits with changes.',
  'not known': 'Not known yet.',
  'does not fit': 'Does not fit.',
}
