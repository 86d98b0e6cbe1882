import { byWord } from '../by-word.ts'
import { always, choice, type CheckDefinition } from '../check-definition.ts'

const seen = byWord({
  id: 'wheel',
  title: 'Wheel',
  subject: 'wheel',
  meanings: {
    'wheel.blades': {
      cracked: [
        'stop',
        'A blade or the hub is cracked: it can come apart.',
        'Do not run it before it is replaced. Nobody stands in line with it.',
      ],
      bent: ['fix', 'A blade is bent.', 'Replace the wheel: a straightened blade cracks.'],
      clips: [
        'fix',
        'A balance clip is missing.',
        'Read the vibration before and after; count the clips before the next cleaning.',
      ],
    },
    'wheel.screws': {
      loose: [
        'stop',
        'The hub is loose on its shaft: the wheel can come off.',
        'Do not run it. Fit a full-length key, set the screw on the flat and tighten it to torque, twice.',
      ],
    },
    'wheel.hand': {
      backward: [
        'fix',
        'The wheel is in backward for this rotation: it moves some air, so its amps are misleading.',
        'Hold the hand of the wheel against the arrow on the scroll; turn the wheel around, not the motor.',
      ],
    },
    'wheel.dirt': {
      caked: [
        'watch',
        'The blades are dirty: less air, fewer amps, out of balance.',
        'Clean the whole wheel, never half of it. Read amps before and after, and repair the filter bank that let the dirt through.',
      ],
    },
    'wheel.gap': {
      rubs: [
        'fix',
        'The wheel rubs.',
        'Measure the gap at four points and turn it by hand: a narrow spot that moves with the wheel is hub or shaft, one that stays is the bearing or the housing.',
      ],
    },
  },
  fine: 'Wheel good.',
  rule: 'look at every blade, count the clips, turn it by hand',
})

/** The wheel by eye and hand. */
export const wheel: CheckDefinition = {
  id: 'wheel',
  phase: 'dead',
  part: 'drive',
  title: 'Wheel',
  how: 'Check every blade, hub and clip; hand against rotation; the gap all around while you turn it.',
  caution: 'Chock it before a hand goes in: wind or the twin fan can turn it.',
  for: always,
  groups: () => [
    {
      title: 'Seen',
      asks: [
        choice('wheel.blades', 'Blades, hub', [
          ['whole', 'Whole'],
          ['clips', 'Clip missing'],
          ['bent', 'Bent'],
          ['cracked', 'Cracked'],
        ]),
        choice('wheel.screws', 'Screws, key', [
          ['tight', 'Tight'],
          ['loose', 'Loose'],
        ]),
        choice('wheel.hand', 'Hand', [
          ['right', 'Right'],
          ['backward', 'Backward'],
        ]),
        choice('wheel.dirt', 'Dirt', [
          ['clean', 'Clean'],
          ['dusty', 'Dusty'],
          ['caked', 'Caked'],
        ]),
        choice('wheel.gap', 'Gap', [
          ['even', 'Even'],
          ['rubs', 'Rubs'],
        ]),
      ],
    },
  ],
  judges: [seen],
}
