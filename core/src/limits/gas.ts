import { practice, standard, type Limit } from './limit.ts'

// Combustion of a gas section. What the appliance says governs.

const appliance = practice('common practice for induced-draft rooftop sections; the appliance’s own range governs')

export const flueOxygenLow: Limit = {
  id: 'flue-oxygen-low',
  title: 'Oxygen in the flue gas, stop below',
  value: 0.06,
  unit: 'ratio',
  basis: appliance,
  house: { min: 0.02, max: 0.08 },
  means: 'Too little air: it makes carbon monoxide.',
}

export const flueOxygenHigh: Limit = {
  id: 'flue-oxygen-high',
  title: 'Oxygen in the flue gas, stop above',
  value: 0.09,
  unit: 'ratio',
  basis: appliance,
  house: { min: 0.07, max: 0.14 },
  means: 'Too much air, or the probe draws some in.',
}

export const flueCoLook: Limit = {
  id: 'flue-co-look',
  title: 'Carbon monoxide air-free, fix above',
  value: 100,
  unit: 'ppm',
  basis: practice(),
  house: { min: 50, max: 200 },
  means: 'Find out why before it is left in service.',
}

export const flueCoMost: Limit = {
  id: 'flue-co-most',
  title: 'Carbon monoxide air-free, stop above',
  value: 400,
  unit: 'ppm',
  basis: standard('ANSI Z21.47'),
  house: null,
  means: 'Shut the burner down and lock it out.',
}

export const stackLow: Limit = {
  id: 'stack-low',
  title: 'Stack temperature, stop below',
  // 325 °F
  value: 162.7,
  unit: 'degC',
  basis: appliance,
  house: { min: 40, max: 200 },
  means: 'Little gas or too much air: the flue condenses.',
}

export const stackHigh: Limit = {
  id: 'stack-high',
  title: 'Stack temperature, stop above',
  // 450 °F
  value: 232.3,
  unit: 'degC',
  basis: appliance,
  house: { min: 150, max: 320 },
  means: 'Overfired, or too little air over the exchanger.',
}
