import { standard, type Limit } from './limit.ts'

// Overload protection.

export const overloadSetting: Limit = {
  id: 'overload-setting',
  title: 'Overload relay, maximum setting over the nameplate amps',
  value: 1.25,
  unit: 'ratio',
  basis: standard('NEC 430.32(A)(1): 125 % with service factor 1.15 or more, else 115 %'),
  house: null,
  means: 'A relay set correctly trips above it.',
}

export const overloadGreatest: Limit = {
  id: 'overload-greatest',
  title: 'Overload relay, never above',
  value: 1.4,
  unit: 'ratio',
  basis: standard('NEC 430.32(C): 140 % with service factor 1.15 or more, else 130 %'),
  house: null,
  means: 'The dial must never be set higher.',
}
