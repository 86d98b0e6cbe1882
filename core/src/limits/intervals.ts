import { practice, sitePolicy, type Limit } from './limit.ts'

// When a machine is due again.

export const visitInterval: Limit = {
  id: 'visit-interval',
  title: 'Days between visits to a healthy machine',
  value: 92,
  unit: 'days',
  basis: sitePolicy('once a quarter'),
  house: { min: 7, max: 730 },
  means: 'After this a machine is due again.',
}

export const returnWatch: Limit = {
  id: 'return-watch',
  title: 'Days until a return visit at level Watch',
  value: 30,
  unit: 'days',
  basis: sitePolicy('once a month'),
  house: { min: 1, max: 180 },
  means: 'A machine at level Watch is due again after this.',
}

export const returnFix: Limit = {
  id: 'return-fix',
  title: 'Days until a return visit at level Fix',
  value: 7,
  unit: 'days',
  basis: sitePolicy('within the week'),
  house: { min: 1, max: 60 },
  means: 'A machine at level Fix is due again after this.',
}

export const intervalBelts: Limit = {
  id: 'interval-belts',
  title: 'Days between inspections of belts, bearings and wheel',
  value: 184,
  unit: 'days',
  basis: sitePolicy('twice a year'),
  house: { min: 14, max: 730 },
  means: 'After this the drive train is due for inspection under lockout.',
}

export const intervalFilters: Limit = {
  id: 'interval-filters',
  title: 'Days between filter changes without pressure readings',
  value: 92,
  unit: 'days',
  basis: sitePolicy('once a quarter'),
  house: { min: 14, max: 365 },
  means: 'Where the pressure drop is read, the reading decides instead.',
}

export const intervalInsulation: Limit = {
  id: 'interval-insulation',
  title: 'Days between insulation tests',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this an insulation test is due.',
}

export const intervalTerminals: Limit = {
  id: 'interval-terminals',
  title: 'Days between checks of lugs and contacts',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this lugs, contacts and capacitors are due for a check under lockout.',
}

export const intervalVibration: Limit = {
  id: 'interval-vibration',
  title: 'Days between vibration readings',
  value: 365,
  unit: 'days',
  basis: sitePolicy('once a year'),
  house: { min: 30, max: 1500 },
  means: 'After this a vibration reading is due.',
}

export const intervalStretch: Limit = {
  id: 'interval-stretch',
  title: 'How far good readings or few run hours may extend an interval',
  value: 1.5,
  unit: 'ratio',
  basis: sitePolicy('1.5 times, after three steady readings in a row, or by the run hours of live data'),
  house: { min: 1, max: 2 },
  means: '1 means never extended.',
}

export const settleRun: Limit = {
  id: 'settle-run',
  title: 'Minutes a drive train runs before readings are repeated',
  value: 20,
  unit: 'min',
  basis: practice('15 to 30 minutes'),
  house: { min: 5, max: 120 },
  means: 'New belts seat and a new speed settles first; earlier amps do not count.',
}
