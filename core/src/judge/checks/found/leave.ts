import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, line, yesNo, type CheckDefinition } from '../check-definition.ts'

const asks = [
  ['leave.call', 'Controls back in automatic', 'fix', 'controls'],
  ['leave.lock', 'Own lock and tag off, or left on with a reason', 'watch', 'guards'],
  ['leave.guards', 'Panels, guards and filters in', 'fix', 'guards'],
  ['leave.wires', 'Lifted wires and plugs back on', 'fix', 'wiring'],
  ['leave.jumpers', 'Jumpers off, bypassed switches back in', 'fix', 'controls'],
  ['leave.tools', 'Tools counted', 'watch', 'guards'],
] as const

/** The control call is told by the check of what was inhibited. */
const judged = asks.filter(([id]) => id !== 'leave.call')

/** What was answered with no when leaving. */
const left: Rule = {
  id: 'left',
  title: 'Close up',
  subject: 'guards',
  from: 'visit',
  applies: (c) => judged.some(([id]) => c.answer(id) !== undefined),
  judge(c) {
    const basis = [practice('leave it as you want to find it')]
    const not = judged.filter(([id]) => c.answer(id) === 'no')
    const done = judged.filter(([id]) => c.answer(id) === 'yes')
    return [
      ...not.map(([id, words, level, subject]) =>
        verdict(this, {
          level,
          subject,
          positions: [id],
          basis,
          because: `Not restored: ${words.toLowerCase()}.`,
          next: 'Enter who comes back to restore it, and when.',
        }),
      ),
      ...(done.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: done.map(([id]) => id),
              basis,
              because: not.length === 0 ? 'Everything restored.' : 'The rest is restored.',
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

export const leave: CheckDefinition = {
  id: 'leave',
  phase: 'leave',
  title: 'Leave',
  how: 'Controls in automatic, panels on, tools counted, customer notified.',
  caution: null,
  for: always,
  groups: () => [
    { title: 'Left', asks: asks.map(([id, words]) => yesNo(id, words)) },
    { title: 'Told', asks: [line('leave.told', 'Who was notified of what')], also: true },
  ],
  judges: [left],
}
