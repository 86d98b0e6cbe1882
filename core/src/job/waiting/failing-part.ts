import { figure, type Figures, type WaitingRule } from './rule.ts'

/** Chance that it fails in a month, as a fraction, growing month by month. */
const chanceIn = (f: Figures, month: number): number =>
  Math.min(1, (figure(f, 'chance') / 100) * (1 + figure(f, 'growth') / 100) ** month)

export const failingPart: WaitingRule = {
  id: 'failing-part',
  title: 'Bearing, belt or winding that will fail',
  fields: [
    { key: 'chance', title: 'Chance that it fails in the first month', unit: '%', min: 0, max: 100, usual: 5 },
    { key: 'growth', title: 'Growth of that chance, a month', unit: '%', min: 0, max: 200, usual: 30 },
    { key: 'planned', title: 'Price of the planned repair', unit: '$', min: 0, max: 1e6, usual: null },
    { key: 'times', title: 'An unplanned one costs so many times more', unit: '×', min: 1, max: 20, usual: 3 },
    { key: 'down', title: 'Hours down when it fails', unit: 'h', min: 0, max: 2000, usual: 24 },
    { key: 'downHour', title: 'Cost of an hour down', unit: '$', min: 0, max: 100_000, usual: 0 },
  ],
  month: (f, month) => {
    let survives = 1
    for (let m = 0; m < month; m++) survives *= 1 - chanceIn(f, m)
    const damage = figure(f, 'planned') * (figure(f, 'times') - 1) + figure(f, 'down') * figure(f, 'downHour')
    return survives * chanceIn(f, month) * damage
  },
  assumptions: [
    'Chance and growth are judgement, not measured: 5 % and 30 % for a bearing at its limit is common practice.',
    'A bearing that fails takes shaft and wheel along: three to five times the planned price is common practice.',
  ],
}
