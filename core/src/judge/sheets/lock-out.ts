import { always, choice, line, yesNo, type SheetCheck } from './sheet.ts'

export const lockOut: SheetCheck = {
  id: 'lock-out',
  phase: 'safe',
  title: 'Stop, open, lock',
  how: 'Let it stop in order, open the disconnect, your own lock and tag on it, the key with you.',
  caution: 'By the site’s own lock-out procedure and qualified people. This page records; it permits nothing.',
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
          ['turning', 'Turning in the wind'],
        ]),
      ],
    },
    ...(m.hasDrive ? [{ title: 'Drive', asks: [line('lock.wait', 'Minutes waited, by the label')] }] : []),
  ],
  judges: [],
}
