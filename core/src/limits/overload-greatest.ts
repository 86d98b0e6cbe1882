import { standard, type Limit } from './limit.ts'

export const overloadGreatest: Limit = {
  id: 'overload-greatest',
  title: 'Overload relay, never above',
  value: 1.4,
  unit: 'ratio',
  basis: standard('NEC 430.32(C): 140 % with service factor 1.15 or more, else 130 %'),
  house: null,
  means: 'The dial must never be set higher.',
}
