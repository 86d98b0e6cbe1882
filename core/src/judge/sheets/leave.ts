import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, line, yesNo, type SheetCheck } from './sheet.ts'

const asks = [
  ['leave.call', 'Controls back in automatic'],
  ['leave.lock', 'Own lock and tag off, or left on with a reason'],
  ['leave.guards', 'Panels, guards and filters in'],
  ['leave.tools', 'Tools counted'],
] as const

/** What was answered with no when leaving. */
const left: Check = {
  id: 'left',
  title: 'Left as it should be',
  applies: (c) => asks.some(([id]) => c.answer(id) !== undefined),
  judge(c) {
    const not = asks.filter(([id]) => c.answer(id) === 'no').map(([, words]) => words.toLowerCase())
    const basis = [practice('leave it as you would find it')]
    if (not.length > 0)
      return verdict(this, {
        level: 'watch',
        basis,
        because: `Left without: ${not.join('; ')}.`,
        next: 'Write who comes back for it, and when.',
      })
    return verdict(this, { level: 'ok', basis, because: 'Left as it should be.', next: 'Nothing to do.' })
  },
}

export const leave: SheetCheck = {
  id: 'leave',
  phase: 'leave',
  title: 'Leave',
  how: 'Back in automatic, panels on, tools counted, the person who pays told.',
  caution: null,
  for: always,
  groups: () => [
    { title: 'Left', asks: asks.map(([id, words]) => yesNo(id, words)) },
    { title: 'Told', asks: [line('leave.told', 'Who was told what')], also: true },
  ],
  judges: [left],
}
