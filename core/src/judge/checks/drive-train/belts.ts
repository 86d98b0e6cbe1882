import { byWord } from '../by-word.ts'
import { choice, type CheckDefinition } from '../check-definition.ts'

const belt = byWord({
  id: 'belts',
  title: 'Belts and sheaves',
  subject: 'belts',
  subjects: { 'belt.grooves': 'sheaves', 'belt.line': 'sheaves' },
  meanings: {
    'belt.wear': {
      glazed: [
        'watch',
        'The belt is glazed: it has slipped and run hot.',
        'Check tension and sheaves first, then replace the set.',
      ],
      cracked: ['fix', 'The belt is cracked.', 'Replace all belts of the set together.'],
      frayed: ['fix', 'The belt is frayed: something rubs, or it was pried on.', 'Find what rubs, then fit a new set.'],
      gone: [
        'fix',
        'No belt on: no air, and the motor runs at no load.',
        'Spin fan and motor by hand before a new belt goes on: a belt breaks for a reason.',
      ],
    },
    'belt.tension': {
      slack: [
        'fix',
        'The belt is slack: it slips, so the amps do not show the fan load.',
        'Set the tension on the base, then re-read the amps.',
      ],
      drum: [
        'fix',
        'The belt is too tight: twice the pull leaves one eighth of the bearing life.',
        'Slacken to what the tension calculator gives for this span, and listen to both bearings.',
      ],
    },
    'belt.set': {
      mixed: [
        'watch',
        'The belts of the set do not match: the shortest one carries the load.',
        'Replace them all together, as a matched set.',
      ],
    },
    'belt.grooves': {
      dished: [
        'fix',
        'A groove is worn hollow or shiny at the bottom: a new belt will not last in it.',
        'Replace the sheave with the belts; check the wear with a groove gauge.',
      ],
    },
    'belt.line': {
      off: [
        'fix',
        'The sheaves are out of line.',
        'Straightedge across both faces, four points: square the motor first, then slide a sheave.',
      ],
    },
  },
  fine: 'Belt and sheaves good.',
  rule: 'belts in sets, tension by the base, sheaves within half a degree',
})

/** Belt and sheaves by eye, thumb and straightedge. */
export const belts: CheckDefinition = {
  id: 'belts',
  phase: 'dead',
  part: 'drive',
  title: 'Belts and sheaves',
  how: 'Guard off: check wear, tension on the longest span, grooves, and alignment with a straightedge.',
  caution: 'Keep fingers out of the pinch point: turn it by the wheel, not by the belt. Guard back on before power.',
  for: (m) => m.drive === 'belt',
  groups: () => [
    {
      title: 'Belt',
      asks: [
        choice('belt.wear', 'It is', [
          ['sound', 'Sound'],
          ['glazed', 'Glazed'],
          ['cracked', 'Cracked'],
          ['frayed', 'Frayed'],
          ['gone', 'Gone'],
        ]),
        choice('belt.tension', 'Tension', [
          ['right', 'Right'],
          ['slack', 'Slack'],
          ['drum', 'Too tight'],
        ]),
        choice('belt.set', 'Set', [
          ['one', 'Single'],
          ['matched', 'Matched'],
          ['mixed', 'Mixed'],
        ]),
      ],
    },
    {
      title: 'Sheaves',
      asks: [
        choice('belt.grooves', 'Grooves', [
          ['sharp', 'Sharp'],
          ['dished', 'Dished'],
        ]),
        choice('belt.line', 'In line', [
          ['in', 'Yes'],
          ['off', 'No'],
        ]),
      ],
    },
  ],
  judges: [belt],
}
