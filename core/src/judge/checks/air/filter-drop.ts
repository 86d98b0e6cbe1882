import { amount } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { highest } from '../../evidence.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

const drop: Rule = {
  id: 'filter-drop',
  title: 'Filters by pressure',
  subject: 'air',
  from: 'visit',
  running: true,
  applies: (c) => c.value('filter_drop', 'filter') !== undefined,
  judge(c) {
    const r = c.reading('filter_drop', 'filter')
    const p = r ? highest(r) : 0
    const change = c.limit('filter-drop-fix')
    const soon = c.limit('filter-drop-watch')
    const none = c.limit('filter-drop-none')
    const basis = [soon.basis]
    const told = `${amount(p, 'inwg', c.machine.units)} over the filters`
    if (p > change.value)
      return verdict(this, {
        level: 'fix',
        value: p,
        limit: change.value,
        basis: [change.basis],
        because: `${told}: plugged. Amps are low for lack of air.`,
        next: 'Change the filters, then re-read the amps.',
      })
    if (p > soon.value)
      return verdict(this, {
        level: 'watch',
        value: p,
        limit: soon.value,
        basis,
        because: `${told}: due soon.`,
        next: 'Change them at the next visit.',
      })
    if (p < none.value && c.visit.state.filters !== 'out')
      return verdict(this, {
        level: 'watch',
        value: p,
        limit: none.value,
        basis: [none.basis],
        because: `${told}: too low. No air, a torn or missing filter, or a plugged tap.`,
        next: 'Look for a gap in the filter bank and a slipping belt; blow the tube out and read again.',
      })
    return verdict(this, {
      level: 'ok',
      value: p,
      limit: soon.value,
      basis,
      because: `${told}.`,
      next: 'Nothing to do.',
    })
  },
}

/** Pressure drop of the filter bank while it runs. */
export const filterDrop: CheckDefinition = {
  id: 'filter-drop',
  phase: 'live',
  part: 'drive',
  title: 'Filters',
  how: 'Manometer before and after the bank, doors shut, fan at usual speed.',
  caution: null,
  for: always,
  groups: () => [{ title: 'Pressure drop', asks: cells('filter_drop', ['filter'], ['Across the filters']) }],
  judges: [drop],
}
