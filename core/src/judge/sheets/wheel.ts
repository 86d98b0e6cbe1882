import { byWord } from './by-word.ts'
import { always, choice, type SheetCheck } from './sheet.ts'

const seen = byWord({
  id: 'wheel',
  title: 'Wheel',
  subject: 'wheel',
  meanings: {
    'wheel.blades': {
      cracked: [
        'stop',
        'A blade or the hub is cracked: it can fly.',
        'It does not run again before it is changed. Nobody in line with it.',
      ],
      bent: ['fix', 'A blade is bent.', 'A new wheel; straightened it cracks.'],
      clips: [
        'fix',
        'A balance clip is missing.',
        'Vibration before and after; count the clips before the next cleaning.',
      ],
    },
    'wheel.screws': {
      loose: [
        'fix',
        'The hub is loose on its shaft.',
        'Key its full length, screw on the flat, tight, slack, tight, to torque.',
      ],
    },
    'wheel.hand': {
      backward: [
        'fix',
        'The wheel is in backward for this rotation: it moves some air, and its amps lie.',
        'Hand and rotation by the arrow on the scroll; turn the wheel, not the motor.',
      ],
    },
    'wheel.dirt': {
      caked: [
        'watch',
        'The blades are caked: less air, fewer amps, out of balance.',
        'Clean it whole, never half; amps before and after, and the filter that let it through.',
      ],
    },
    'wheel.gap': {
      rubs: ['fix', 'The wheel rubs.', 'Gap all round at four points; bearing, shaft, then the hub.'],
    },
  },
  fine: 'Wheel as it should be.',
  rule: 'look at every blade, count the clips, turn it by hand',
})

/** The wheel by eye and hand. */
export const wheel: SheetCheck = {
  id: 'wheel',
  phase: 'dead',
  part: 'drive',
  title: 'Wheel',
  how: 'Every blade, hub and clip; hand against rotation; the gap all round while it is turned.',
  caution: 'Chock it before a hand goes in: wind or a sister fan can start it.',
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
