import { practice, standard, type Limit } from './limit.ts'

// Amps: balance, lost legs, starts.

export const currentUnbalanceWatch: Limit = {
  id: 'current-unbalance-watch',
  title: 'Current unbalance, watch above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.02, max: 0.1 },
  means: 'Below it is balanced; above it, find the cause.',
}

export const currentUnbalanceFix: Limit = {
  id: 'current-unbalance-fix',
  title: 'Current unbalance, fix above',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.2 },
  means: 'One winding runs hot for the other two.',
}

export const currentUnbalanceStop: Limit = {
  id: 'current-unbalance-stop',
  title: 'Current unbalance, do not run above',
  value: 0.3,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.15, max: 0.5 },
  means: 'A leg is failing.',
}

export const unbalanceRatioSupply: Limit = {
  id: 'unbalance-ratio-supply',
  title: 'Current unbalance over voltage unbalance, explained by the supply up to',
  value: 10,
  unit: 'count',
  basis: standard('NEMA MG 1, 14.36: six to ten times'),
  house: null,
  means: 'A larger multiple points at the motor or its lugs.',
}

export const loadExplained: Limit = {
  id: 'load-explained',
  title: 'Unbalance not explained by the supply, watch above',
  value: 0.05,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.03, max: 0.1 },
  means: 'What the supply does not explain is in the motor or its connections.',
}

export const lostLeg: Limit = {
  id: 'lost-leg',
  title: 'A leg is lost below this share of the other two',
  value: 0.1,
  unit: 'ratio',
  basis: practice(),
  house: null,
  means: 'A leg that carries almost nothing while the others work is open.',
}

export const farBelowPlate: Limit = {
  id: 'far-below-plate',
  title: 'Amps far below the nameplate, below',
  value: 0.4,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.2, max: 0.7 },
  means: 'Typical of a slipping belt, blocked air or a lost load.',
}

export const inrushLow: Limit = {
  id: 'inrush-low',
  title: 'Inrush below this many times the nameplate',
  value: 3,
  unit: 'count',
  basis: practice(),
  house: null,
  means: 'A three-phase motor that starts so softly is on a drive or soft starter, or was clamped too late.',
}

export const creepRatio: Limit = {
  id: 'creep-ratio',
  title: 'Single-phase start, high amps over settled',
  value: 1.5,
  unit: 'count',
  basis: practice('common practice: 3.8 A before settling at 2 A'),
  house: { min: 1.2, max: 2.5 },
  means: 'A motor that creeps before it settles is too small for its blade, or its capacitor is weak.',
}
