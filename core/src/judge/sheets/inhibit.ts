import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, choice, line, yesNo, type SheetCheck } from './sheet.ts'

/** What was lifted so that nothing starts must be put back before the unit is left. */
const inhibits: Check = {
  id: 'inhibits',
  title: 'Controls back in automatic',
  applies: (c) => c.answer('restore.call') === 'broken',
  judge(c) {
    const basis = [practice('what was lifted is put back')]
    const how = (c.answer('restore.how') ?? '').trim()
    const what = how === '' ? 'The control call' : how.replace(/^./, (t) => t.toUpperCase())
    if (c.answer('leave.call') === 'yes')
      return verdict(this, { level: 'ok', basis, because: `${what}: broken, and put back.`, next: 'Nothing to do.' })
    return verdict(this, {
      level: 'watch',
      basis,
      because: `${what} was broken and nobody wrote that it is back. A lifted wire forgotten is a building without air.`,
      next: 'Put it back, see it start on its own call, and say so under Leave.',
    })
  },
}

export const inhibit: SheetCheck = {
  id: 'inhibit',
  phase: 'restore',
  title: 'Before power',
  how: 'Break the control call, clear tools and people, then close and watch: a trip now is line-side.',
  caution: 'Stand aside, face away, one attempt. Somebody below knows air is coming.',
  for: always,
  groups: () => [
    {
      title: 'Controls',
      asks: [
        choice('restore.call', 'Control call', [
          ['broken', 'Broken'],
          ['live', 'Left as it is'],
        ]),
        line('restore.how', 'What was lifted: wire, clock, test mode'),
      ],
    },
    {
      title: 'People',
      asks: [yesNo('restore.told', 'Tools out, people told'), yesNo('restore.guards', 'Guards and panels on')],
    },
    { title: 'If it was found open', asks: [line('restore.who', 'Who opened it, and why')], also: true },
  ],
  judges: [inhibits],
}
