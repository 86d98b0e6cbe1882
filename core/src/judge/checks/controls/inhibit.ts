import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, choice, line, yesNo, type CheckDefinition } from '../check-definition.ts'

/** What was lifted so that nothing starts must be put back before the unit is left. */
const inhibits: Rule = {
  id: 'inhibits',
  title: 'Controls back in automatic',
  subject: 'controls',
  from: 'visit',
  needs: ['restore.call', 'leave.call'],
  applies: (c) => c.answer('restore.call') === 'broken' || c.answer('leave.call') !== undefined,
  judge(c) {
    const basis = [practice('what was lifted is restored')]
    const how = (c.answer('restore.how') ?? '').trim()
    const what = how === '' ? 'The control call' : how.replace(/^./, (t) => t.toUpperCase())
    if (c.answer('leave.call') === 'yes')
      return verdict(this, {
        level: 'ok',
        basis,
        because:
          c.answer('restore.call') === 'broken' ? `${what}: inhibited and restored.` : 'Controls back in automatic.',
        next: 'Nothing to do.',
      })
    return verdict(this, {
      level: 'fix',
      basis,
      because:
        c.answer('restore.call') === 'broken'
          ? `${what} was inhibited and is not entered as restored. A forgotten wire leaves the building without air.`
          : 'Controls were left out of automatic.',
      next: 'Restore it, see it start on its own call, and enter it under Close up.',
    })
  },
}

/** Guards that were off before power are off until somebody says that they are back; that they were left off is told by itself. */
const guards: Rule = {
  id: 'guards-off',
  title: 'Guards and panels',
  subject: 'guards',
  from: 'visit',
  needs: ['restore.guards', 'leave.guards'],
  applies: (c) =>
    c.answer('leave.guards') === 'yes' ||
    (c.answer('leave.guards') === undefined && c.answer('restore.guards') !== undefined),
  judge(c) {
    const basis = [practice('guards are on before it turns')]
    return c.answer('leave.guards') === 'yes' || c.answer('restore.guards') === 'yes'
      ? verdict(this, { level: 'ok', basis, because: 'Guards and panels on.', next: 'Nothing to do.' })
      : verdict(this, {
          level: 'fix',
          basis,
          because: 'Guards or panels were off at power up, and nobody entered that they are back on.',
          next: 'Put them on before it runs, and enter it under Close up.',
        })
  },
}

export const inhibit: CheckDefinition = {
  id: 'inhibit',
  phase: 'restore',
  title: 'Before power',
  how: 'Inhibit the control call, clear tools and people, then close and watch: a trip now is on the line side.',
  caution: 'Stand aside, face away, close once. People below are notified.',
  for: always,
  groups: () => [
    {
      title: 'Controls',
      asks: [
        choice('restore.call', 'Control call', [
          ['broken', 'Inhibited'],
          ['live', 'Left as it is'],
        ]),
        line('restore.how', 'What was lifted: wire, clock, test mode'),
      ],
    },
    {
      title: 'People',
      asks: [yesNo('restore.told', 'Tools out, people notified'), yesNo('restore.guards', 'Guards and panels on')],
    },
    {
      title: 'If it was found open',
      asks: [
        line('restore.who', 'Who opened it, and why'),
        line('restore.instead', 'Test done instead of winding and insulation tests'),
      ],
      also: true,
    },
  ],
  judges: [inhibits, guards],
}
