import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, choice, type CheckDefinition } from '../check-definition.ts'

/** How it turns by hand, belt on and belt off. */
const spinByHand: Rule = {
  id: 'spin',
  title: 'Spun by hand',
  subject: 'bearings',
  from: 'visit',
  applies: (c) =>
    c.answer('spin.all') !== undefined || c.answer('spin.motor') !== undefined || c.answer('spin.fan') !== undefined,
  judge(c) {
    const basis = [practice('belt off separates motor from fan')]
    const answered = (
      [
        ['spin.motor', 'Motor', 'motor'],
        ['spin.fan', 'Fan shaft', 'bearings'],
        ['spin.all', 'Assembly', 'bearings'],
      ] as const
    ).flatMap(([id, who, subject]) => {
      const how = c.answer(id)
      return how === undefined ? [] : [{ id, who, subject, how }]
    })
    const bad = answered.filter((a) => a.how !== 'free')
    const good = answered.filter((a) => a.how === 'free')
    return [
      ...bad.map(({ id, who, subject, how }) =>
        verdict(this, {
          level: how === 'seized' ? 'stop' : 'fix',
          subject,
          positions: [id],
          basis,
          because:
            how === 'seized'
              ? `${who} is seized: it does not turn by hand.`
              : how === 'stops at once'
                ? `${who} stops at once when spun by hand.`
                : `${who} turns ${how} by hand.`,
          next:
            how === 'seized'
              ? 'Leave it locked out. Power on a seized shaft burns the winding.'
              : 'Take the belt off and spin motor and fan by themselves: the rough one has the fault.',
        }),
      ),
      ...(good.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              // The whole turns free: so do motor and fan.
              positions: good.some((g) => g.id === 'spin.all')
                ? ['spin.all', 'spin.motor', 'spin.fan'].filter((p) => !bad.some((b) => b.id === p))
                : good.map((g) => g.id),
              basis,
              because: `${good.map((g) => g.who).join(' and ')}: free by hand.`,
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

const how = (id: string, label: string) =>
  choice(id, label, [
    ['free', 'Free'],
    ['rough', 'Rough'],
    ['tight', 'Tight'],
    ['stops at once', 'Stops at once'],
    ['seized', 'Seized'],
  ])

export const spin: CheckDefinition = {
  id: 'spin',
  phase: 'dead',
  title: 'Spin by hand',
  how: 'Free, rough or tight; then with the belt off, motor and fan separately.',
  caution: 'Hold the wheel first: wind or the twin fan can turn it.',
  for: always,
  groups: (m) => [
    { title: 'By hand', asks: [how('spin.all', 'As it is')] },
    ...(m.drive === 'belt'
      ? [{ title: 'Belt off', asks: [how('spin.motor', 'Motor'), how('spin.fan', 'Fan')], also: true }]
      : []),
  ],
  judges: [spinByHand],
}
