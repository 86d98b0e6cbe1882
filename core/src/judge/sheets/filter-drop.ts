import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, cells, type SheetCheck } from './sheet.ts'

/** Where the filter’s own label says nothing, in wg. */
const change = 1
const soon = 0.5

const drop: Check = {
  id: 'filter-drop',
  title: 'Filters by pressure',
  applies: (c) => c.has('filter_drop'),
  judge(c) {
    const p = c.value('filter_drop', 'filter') ?? 0
    const basis = [practice('2 in pleats: clean 0.15 to 0.35, change at 0.5 to 1.0 in wg; the label governs')]
    const told = `${p.toFixed(2)} in wg over the filters`
    if (p > change)
      return verdict(this, {
        level: 'fix',
        value: p,
        limit: change,
        basis,
        because: `${told}: a wall. Amps taken now are of a starved fan.`,
        next: 'Change them, then read the amps again: speed is not judged before filters and belt are.',
      })
    if (p > soon)
      return verdict(this, {
        level: 'watch',
        value: p,
        limit: soon,
        basis,
        because: `${told}: due soon.`,
        next: 'On the list for the next visit.',
      })
    if (p < 0.03 && c.stop.state.filters !== 'out')
      return verdict(this, {
        level: 'watch',
        value: p,
        basis,
        because: `${told}: next to nothing. No air, a torn or missing filter, or a tap that is plugged.`,
        next: 'Look at the bank and the belt, and blow the tube out.',
      })
    return verdict(this, { level: 'ok', value: p, limit: soon, basis, because: `${told}.`, next: 'Nothing to do.' })
  },
}

/** Pressure drop of the filter bank while it runs. */
export const filterDrop: SheetCheck = {
  id: 'filter-drop',
  phase: 'live',
  part: 'drive',
  title: 'Filters',
  how: 'Manometer before and behind the bank, doors shut, fan at its usual speed.',
  caution: null,
  for: always,
  groups: () => [{ title: 'Pressure drop', asks: cells('filter_drop', ['filter'], ['Over the filters']) }],
  judges: [drop],
}
