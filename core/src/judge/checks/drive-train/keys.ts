import { byWord } from '../by-word.ts'
import { always, choice, type CheckDefinition } from '../check-definition.ts'

const seen = byWord({
  id: 'keys',
  title: 'Keys, screws and hubs',
  subject: 'shaft',
  subjects: { 'hub.side': 'sheaves' },
  meanings: {
    'key.length': {
      short: [
        'fix',
        'The key is not under every screw: it works out, and the hub with it.',
        'Fit a key the full length of the hub, so that the screw over it bears on metal.',
      ],
      missing: [
        'stop',
        'There is no key: screws alone hold the hub.',
        'Do not run it before a full-length key of the right size is in.',
      ],
    },
    'key.flat': {
      round: [
        'watch',
        'A screw bears on the round shaft: it scores the shaft and lets go.',
        'File a flat, or turn the hub to the flat that is there; mark it before it moves.',
      ],
    },
    'key.torque': {
      loose: [
        'fix',
        'A set screw is loose.',
        'Tighten, loosen, tighten to the torque for its size. Mark across screw and hub; check it again after the first day.',
      ],
      once: [
        'watch',
        'The screws were tightened only once: they loosen as the key seats.',
        'Loosen each and tighten it to torque; tighten again after the first day and record both.',
      ],
    },
    'hub.side': {
      backward: [
        'watch',
        'The sheave hub faces the wrong way: the grooves are out of line.',
        'Set the hub beside the old witness mark; measure how far it stands out before it comes off.',
      ],
    },
    'hub.stand': {
      moved: [
        'fix',
        'A hub has moved on its shaft: the marks do not line up.',
        'Find why it let go: look at the key and the flat first. Set it back to the mark, then align and tension the belts.',
      ],
    },
  },
  fine: 'Keys, screws and hubs good.',
  rule: 'a key under every screw, the screw on a flat, tightened twice',
})

/** What holds sheaves and wheel on their shafts. */
export const keys: CheckDefinition = {
  id: 'keys',
  phase: 'dead',
  part: 'drive',
  title: 'Keys, screws and hubs',
  how: 'Both sheaves and the wheel: key full length, each screw on its flat, tightened twice; check the mark across hub and shaft.',
  caution: 'A hub that lets go throws its wheel or sheave. Nobody stands in line at the first start.',
  for: always,
  groups: () => [
    {
      title: 'Key and screws',
      asks: [
        choice('key.length', 'Key', [
          ['full', 'Full length'],
          ['short', 'Short'],
          ['missing', 'None'],
          ['none', 'Built without'],
        ]),
        choice('key.flat', 'Screw on', [
          ['flat', 'Flat or key'],
          ['round', 'Round shaft'],
        ]),
        choice('key.torque', 'Screws', [
          ['twice', 'To torque twice'],
          ['once', 'Once'],
          ['loose', 'Loose'],
        ]),
      ],
    },
    {
      title: 'Hubs',
      asks: [
        choice('hub.side', 'Hub side', [
          ['right', 'As marked'],
          ['backward', 'Backward'],
        ]),
        choice('hub.stand', 'Stand-out', [
          ['kept', 'At the mark'],
          ['moved', 'Moved'],
        ]),
      ],
    },
  ],
  judges: [seen],
}
