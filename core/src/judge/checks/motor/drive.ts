import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { choice, line, type CheckDefinition } from '../check-definition.ts'

/** Families of drive faults with what to look at first; the words on a display differ, these do not. */
const families: readonly (readonly [id: string, words: string, first: string])[] = [
  [
    'over-current',
    'Over-current',
    'At start: check for a stuck or windmilling fan. While running: test motor and cable with the drive disconnected.',
  ],
  ['over-voltage', 'Bus too high', 'Lengthen the deceleration time; check for a windmilling fan or high line volts.'],
  [
    'under-voltage',
    'Bus too low',
    'Read all three line volts at the drive under load: a low pair is the feed, all good is the drive’s input.',
  ],
  ['ground', 'Ground fault', 'Test each lead to ground with the drive disconnected: wet motor, cable or box.'],
  ['input-phase', 'Input phase lost', 'Read the three input volts under load: a low pair is the feed.'],
  [
    'output-phase',
    'Output phase lost',
    'Lock out and read ohms at the drive’s output, then at the motor: open at both is the motor, open at the drive alone is the leads.',
  ],
  ['hot', 'Drive too hot', 'Check the drive’s cooling fan and filter, and the air around it.'],
  [
    'motor-overload',
    'Motor overload',
    'Compare the amps entered in the drive with the nameplate, then read the real amps.',
  ],
  ['reference', 'No command', 'Check the control wires, then for an open freeze, smoke or safety interlock.'],
]

/** What the drive itself says. */
const display: Rule = {
  id: 'drive-display',
  title: 'Drive display',
  subject: 'drive',
  from: 'visit',
  applies: (c) => c.machine.hasVfd && c.answer('drive.display') !== undefined,
  judge(c) {
    const basis = [practice('read the display and its fault first; then line volts in, then out')]
    const code = (c.answer('drive.code') ?? '').trim()
    const family = families.find(([id]) => id === c.answer('drive.family'))
    const twinRuns = c.machine.hasTwin && c.visit.state.twin === 'running'
    const permit = twinRuns ? ' Until then on one fan: set limits, an end date and the next reading.' : ''
    const named = [code === '' ? '' : `code ${code}`, family ? family[1].toLowerCase() : ''].filter(Boolean).join(', ')
    switch (c.answer('drive.display')) {
      case 'fault':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `The drive has tripped${named === '' ? ', and its code was not written down' : `: ${named}`}.`,
          next: `${family ? family[2] : 'Write the code down before it is reset.'} Reset once only.${permit}`,
          confidence: named === '' ? 'low' : 'full',
        })
      case 'warning':
        return verdict(this, {
          level: 'watch',
          basis,
          because: `The drive warns${named === '' ? '' : `: ${named}`}.`,
          next: family ? family[2] : 'Write the code down; look it up in the drive manual.',
        })
      case 'dark':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `The display is dark.${twinRuns ? ' The twin fan carries the air alone.' : ''}`,
          next: `Read all three line volts at the drive’s terminals. The bus may still be charged.${permit}`,
        })
      default:
        return verdict(this, { level: 'ok', basis, because: 'The drive shows no fault.', next: 'Nothing to do.' })
    }
  },
}

export const drive: CheckDefinition = {
  id: 'drive',
  phase: 'look',
  part: 'electric',
  title: 'Drive',
  how: 'Read display and code before any reset.',
  caution: 'Never connect line volts to its motor terminals. The bus stays charged for minutes.',
  for: (m) => m.hasVfd,
  groups: () => [
    {
      title: 'Display',
      asks: [
        choice('drive.display', 'It shows', [
          ['run', 'Runs'],
          ['warning', 'Warning'],
          ['fault', 'Fault'],
          ['dark', 'Dark'],
        ]),
        line('drive.code', 'Code, as it stands there'),
      ],
    },
    {
      title: 'Kind of fault',
      asks: [
        choice(
          'drive.family',
          'It means',
          families.map(([id, words]) => [id, words]),
        ),
      ],
      also: true,
    },
  ],
  judges: [display],
}
