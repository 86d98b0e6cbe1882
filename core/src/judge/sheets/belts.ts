import { byWord } from './by-word.ts'
import { choice, type SheetCheck } from './sheet.ts'

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
        'Tension and sheaves first, then a new set.',
      ],
      cracked: ['fix', 'The belt is cracked.', 'A new set, all belts of it together.'],
      frayed: [
        'fix',
        'The belt is frayed: something rubs, or it was levered on.',
        'Find what rubs, then fit a new set.',
      ],
      gone: [
        'fix',
        'No belt on it: no air, and the motor runs at no load.',
        'Spin fan and motor apart before a new one goes on: a belt breaks for a reason.',
      ],
    },
    'belt.tension': {
      slack: [
        'fix',
        'The belt is slack: it slips, and amps taken on it say nothing of the fan.',
        'Tension by the base, then read the amps again.',
      ],
      drum: [
        'fix',
        'The belt is drum-tight: twice the pull leaves an eighth of the bearings’ life.',
        'Slacken to what the tension calculator gives for this span, and listen to both bearings.',
      ],
    },
    'belt.set': {
      mixed: [
        'watch',
        'The belts of the set differ: the shorter one carries it all.',
        'Replace them all together, as a matched set.',
      ],
    },
    'belt.grooves': {
      dished: [
        'fix',
        'A groove is dished or shines at its bottom: a new belt will not last in it.',
        'New sheave with the belts; a gauge tells how far it is gone.',
      ],
    },
    'belt.line': {
      off: [
        'fix',
        'The sheaves are out of line.',
        'Straightedge over both faces, four points; turn the motor first, then slide a sheave.',
      ],
    },
  },
  fine: 'Belt and sheaves as they should be.',
  rule: 'belts in sets, tension by the base, sheaves within half a degree',
})

/** Belt and sheaves by eye, thumb and straightedge. */
export const belts: SheetCheck = {
  id: 'belts',
  phase: 'dead',
  part: 'drive',
  title: 'Belts and sheaves',
  how: 'Guard off: wear, tension on the longest span, grooves, a straightedge over both faces.',
  caution: 'Fingers stay out of the nip: turn it by the wheel, not by the belt. Guard back on before power.',
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
          ['drum', 'Drum-tight'],
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
