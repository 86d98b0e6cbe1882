import { byWord, type Meaning } from '../by-word.ts'
import { always, choice, type CheckDefinition } from '../check-definition.ts'

const ear = (where: string): Readonly<Record<string, Meaning>> => ({
  rough: [
    'watch',
    `The ${where} bearing is rough by hand.`,
    'Grease it if it is greasable; listen again in a month and read temperature and vibration.',
  ],
  growls: [
    'fix',
    `The ${where} bearing growls.`,
    'Replace both bearings; inspect the shaft under them before ordering parts.',
  ],
  play: [
    'fix',
    `There is play in the ${where} bearing.`,
    'Check whether it turns on the shaft: a scored shaft means replacing both.',
  ],
})

const heard = byWord({
  id: 'bearings',
  title: 'Bearings and shaft',
  subject: 'bearings',
  subjects: { 'bearing.shaft': 'shaft' },
  meanings: {
    'bearing.de': ear('drive-end'),
    'bearing.ode': ear('opposite'),
    'bearing.lock': {
      loose: [
        'fix',
        'A collar or set screw is loose: the shaft turns in the bearing.',
        'Clean the shaft, set the screws on the flat or turn the collar with the rotation, tighten to torque; check again after the first run.',
      ],
    },
    'bearing.shaft': {
      scored: [
        'fix',
        'The shaft is scored under the bearing.',
        'Replace the shaft and both bearings: a new bearing alone will not hold on it.',
      ],
    },
    'bearing.grease': {
      dry: [
        'watch',
        'The grease is dry or rusty.',
        'Add what the grease calculator gives, slowly, while it is turned by hand; the same kind of grease.',
      ],
      over: [
        'watch',
        'Grease is pushed out: too much grease runs hot and damages the seals.',
        'Wipe it off and add none this time. A sealed bearing gets none at all.',
      ],
    },
  },
  fine: 'Bearings and shaft good.',
  rule: 'belt off, turned by hand, an ear on each housing',
})

/** Both ends by ear and hand. */
export const bearings: CheckDefinition = {
  id: 'bearings',
  phase: 'dead',
  part: 'drive',
  title: 'Bearings and shaft',
  how: 'Belt off: turn it slowly and listen at each housing; rock the shaft; check locks, shaft and grease.',
  caution: 'Hold the wheel: wind or the twin fan can turn it while a hand is on the shaft.',
  for: always,
  groups() {
    const ends = [
      ['quiet', 'Quiet'],
      ['rough', 'Rough'],
      ['growls', 'Growls'],
      ['play', 'Play'],
    ] as const
    return [
      {
        title: 'By ear and hand',
        asks: [choice('bearing.de', 'Drive end', ends), choice('bearing.ode', 'Opposite', ends)],
      },
      {
        title: 'Stands',
        asks: [
          choice('vibration.mount', 'On', [
            ['flexible', 'Springs, rubber'],
            ['rigid', 'Rigid'],
          ]),
        ],
      },
      {
        title: 'Shaft',
        asks: [
          choice('bearing.lock', 'Collars, screws', [
            ['tight', 'Tight'],
            ['loose', 'Loose'],
          ]),
          choice('bearing.shaft', 'Shaft', [
            ['smooth', 'Smooth'],
            ['scored', 'Scored'],
          ]),
          choice('bearing.grease', 'Grease', [
            ['right', 'Right'],
            ['dry', 'Dry'],
            ['over', 'Pushed out'],
            ['sealed', 'Sealed'],
          ]),
        ],
      },
    ]
  },
  judges: [heard],
}
