import { practice, standard, type Limit } from './limit.ts'

// Insulation to ground.

export const insulationRandomWound: Limit = {
  id: 'insulation-random-wound',
  title: 'Insulation, random-wound below 1 kV, at least',
  value: 5,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'At 40 °C after one minute; below it the winding is wet, dirty or failing.',
}

export const insulationFormWound: Limit = {
  id: 'insulation-form-wound',
  title: 'Insulation, form-wound, at least',
  value: 100,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'At 40 °C after one minute, for form-wound coils.',
}

export const insulationLamp: Limit = {
  id: 'insulation-lamp',
  title: 'Insulation, lamp of a portable tester',
  value: 30,
  unit: 'Mohm',
  basis: practice(),
  house: null,
  means: 'Where a good/bad lamp changes; the number counts, not the lamp.',
}

export const insulationFallWatch: Limit = {
  id: 'insulation-fall-watch',
  title: 'Insulation, fall within a year, watch below',
  value: 0.5,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.3, max: 0.8 },
  means: 'A fall to this share means: dry and clean the motor.',
}

export const insulationFallFix: Limit = {
  id: 'insulation-fall-fix',
  title: 'Insulation, fall within a year, fix below',
  value: 0.3333,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.1, max: 0.5 },
  means: 'A fall to this share of last year is a finding even above the minimum.',
}

export const polarisationClear: Limit = {
  id: 'polarisation-clear',
  title: 'Polarization index, not meaningful above',
  value: 5000,
  unit: 'Mohm',
  basis: standard('IEEE 43'),
  house: null,
  means: 'Above this one-minute value the index is not meaningful.',
}

export const groundOhms: Limit = {
  id: 'ground-ohms',
  title: 'Winding to ground on the ohm scale, below',
  value: 100000,
  unit: 'ohm',
  basis: practice(),
  house: null,
  means: 'Any reading on an ohmmeter from a lead to the frame is a fault.',
}
