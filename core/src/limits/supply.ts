import { practice, standard, type Limit } from './limit.ts'

// The supply and its transformers.

export const voltageUnbalanceClean: Limit = {
  id: 'voltage-unbalance-clean',
  title: 'Voltage unbalance, no derating below',
  value: 0.01,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 12.45'),
  house: null,
  means: 'Up to here a motor carries its full load.',
}

export const voltageUnbalanceSupply: Limit = {
  id: 'voltage-unbalance-supply',
  title: 'Voltage unbalance, supply should not exceed',
  value: 0.03,
  unit: 'ratio',
  basis: standard('ANSI C84.1, informative annex', 'from memory'),
  house: { min: 0.01, max: 0.05 },
  means: 'Above it the supply needs repair.',
}

export const voltageUnbalanceStop: Limit = {
  id: 'voltage-unbalance-stop',
  title: 'Voltage unbalance, do not run above',
  value: 0.05,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 14.36'),
  house: null,
  means: 'Above it the motor overheats at any load.',
}

export const voltsMotorWindow: Limit = {
  id: 'volts-motor-window',
  title: 'Volts off the nameplate, either way',
  value: 0.1,
  unit: 'ratio',
  basis: standard('NEMA MG 1, 12.44'),
  house: null,
  means: 'A motor runs, though not at its best, within this much of its nameplate volts.',
}

export const voltsServiceRange: Limit = {
  id: 'volts-service-range',
  title: 'Volts off the system nominal, either way',
  value: 0.05,
  unit: 'ratio',
  basis: standard('ANSI C84.1, service voltage, Range A'),
  house: null,
  means: 'What a healthy service delivers.',
}

export const transformerRatio: Limit = {
  id: 'transformer-ratio',
  title: 'Transformer ratio, deviation at most',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'Within it the transformer is healthy and the fault lies elsewhere.',
}

export const controlVolts: Limit = {
  id: 'control-volts',
  title: 'Control volts off their rating, either way',
  value: 0.15,
  unit: 'ratio',
  basis: standard('contactor coils pull in at 85 % and stand 110 %', 'from memory'),
  house: { min: 0.1, max: 0.2 },
  means: 'A coil that chatters burns its contacts.',
}

export const controlVoltsHigh: Limit = {
  id: 'control-volts-high',
  title: 'Control volts over their rating',
  value: 0.1,
  unit: 'ratio',
  basis: standard('contactor coils stand 110 %', 'from memory'),
  house: { min: 0.05, max: 0.15 },
  means: 'A coil above it overheats and burns out.',
}
