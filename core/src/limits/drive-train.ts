import { practice, type Limit } from './limit.ts'

// Belts and sheaves.

export const beltOvertight: Limit = {
  id: 'belt-overtight',
  title: 'Belt too tight, fix above, of a new belt’s tension',
  value: 1.3,
  unit: 'ratio',
  basis: practice('common practice: a new belt is set to one and a half times a used one, no more'),
  house: { min: 1.05, max: 2 },
  means: 'Bearing life goes with the cube of the pull.',
}

export const sheaveAskew: Limit = {
  id: 'sheave-askew',
  title: 'Sheave misalignment, fix above',
  value: 0.5,
  unit: 'deg',
  basis: practice('common practice: half a degree for V-belts, a tenth of an inch a foot'),
  house: { min: 0.2, max: 1 },
  means: 'A misaligned belt wears on one side and can come off.',
}
