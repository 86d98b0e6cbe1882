import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, choice, type SheetCheck } from './sheet.ts'

/** How it turns by hand, belt on and belt off. */
const spinByHand: Check = {
  id: 'spin',
  title: 'Spun by hand',
  applies: (c) =>
    c.answer('spin.all') !== undefined || c.answer('spin.motor') !== undefined || c.answer('spin.fan') !== undefined,
  judge(c) {
    const basis = [practice('belt off tells motor from fan')]
    const parts = (
      [
        ['spin.motor', 'the motor'],
        ['spin.fan', 'the fan'],
        ['spin.all', 'it'],
      ] as const
    ).flatMap(([id, who]) => {
      const how = c.answer(id)
      return how !== undefined && how !== 'free' ? [{ who, how }] : []
    })
    const stuck = parts.find((p) => p.how === 'seized')
    const words = parts
      .map(
        (p) =>
          `${p.who} ${p.how === 'seized' ? 'does not turn' : p.how === 'stops at once' ? 'stops at once' : `turns ${p.how}`}`,
      )
      .join(', ')
    if (parts.length === 0)
      return verdict(this, { level: 'ok', basis, because: 'It spins free by hand.', next: 'Nothing to do.' })
    return verdict(this, {
      level: stuck ? 'stop' : 'fix',
      basis,
      because: `${words.charAt(0).toUpperCase()}${words.slice(1)}.`,
      next: stuck
        ? 'Leave it locked out. Power on a stuck shaft burns the winding.'
        : 'Bearing, rub or wheel: belt off, then rock and listen, motor and fan apart.',
    })
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

export const spin: SheetCheck = {
  id: 'spin',
  phase: 'dead',
  title: 'Spin by hand',
  how: 'Free, rough, tight; then with the belt off, motor and fan apart.',
  caution: 'Hold the wheel first: wind or a sister fan can start it.',
  for: always,
  groups: (m) => [
    { title: 'By hand', asks: [how('spin.all', 'As it is')] },
    ...(m.drive === 'belt'
      ? [{ title: 'Belt off', asks: [how('spin.motor', 'Motor'), how('spin.fan', 'Fan')], also: true }]
      : []),
  ],
  judges: [spinByHand],
}
