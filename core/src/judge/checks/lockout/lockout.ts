import { always, choice, line, yesNo, type CheckDefinition } from '../check-definition.ts'

export const lockout: CheckDefinition = {
  id: 'lockout',
  phase: 'safe',
  title: 'Stop, open, lock',
  how: 'Shut it down, open the disconnect, put your own lock and tag on it, keep the key.',
  caution: 'Follow the site’s lockout procedure; qualified people only. This page is a record, not a permit.',
  for: always,
  groups: (m) => [
    {
      title: 'Lock',
      asks: [
        yesNo('lock.on', 'Disconnect open, locked, tagged'),
        line('lock.number', 'Lock or tag number'),
        line('lock.key', 'Who holds the key'),
      ],
    },
    {
      title: 'Every other source',
      asks: [
        choice('lock.others', 'Second feed, control feed, twin’s breaker', [
          ['none', 'None'],
          ['locked', 'Locked too'],
          ['unknown', 'Not known'],
        ]),
      ],
    },
    {
      title: 'Wheel',
      asks: [
        choice('windmill', 'The wheel is', [
          ['still', 'Still'],
          ['held', 'Held or chocked'],
          ['turning', 'Windmilling'],
        ]),
      ],
    },
    ...(m.hasVfd ? [{ title: 'Drive', asks: [line('lock.wait', 'Minutes waited, per label')] }] : []),
  ],
  judges: [],
}
