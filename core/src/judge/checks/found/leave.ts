import { byWord } from '../by-word.ts'
import { always, choice, line, yesNo, type CheckDefinition } from '../check-definition.ts'

/** What was answered with no when leaving. The control call is told by the check of what was inhibited. */
const left = byWord({
  id: 'left',
  title: 'Close up',
  subject: 'guards',
  subjects: { 'leave.wires': 'wiring', 'leave.jumpers': 'controls', 'leave.filters': 'air' },
  meanings: {
    'leave.lock': {
      no: ['watch', 'A lock or tag was left on without a reason.', 'Enter who comes back to take it off, and when.'],
    },
    'leave.guards': {
      no: [
        'stop',
        'A panel or guard is not back on: belt, wheel or live parts can be touched.',
        'Do not run it. Put it back on, or leave it locked out and enter who comes back, and when.',
      ],
    },
    'leave.filters': {
      no: [
        'fix',
        'The filters are not back in: dirt goes into wheel and coil, and some wheels draw more.',
        'Put filters in, then re-read the amps.',
      ],
    },
    'leave.wires': {
      no: [
        'fix',
        'A lifted wire or plug is not back on.',
        'Cap and tag it; enter who comes back to restore it, and when.',
      ],
    },
    'leave.jumpers': {
      no: [
        'stop',
        'A jumper is left on, or a switch is bypassed: a safety switch might not shut it off.',
        'Do not run it. Take the jumper off and test the switch, or leave it locked out and enter who comes back, and when.',
      ],
    },
    'leave.tools': {
      no: ['watch', 'The tools were not counted: one may be in the unit.', 'Count them before it starts.'],
    },
  },
  fine: 'Everything restored.',
  rule: 'leave it as you want to find it',
})

export const leave: CheckDefinition = {
  id: 'leave',
  phase: 'leave',
  title: 'Leave',
  how: 'Controls in automatic, panels on, tools counted, customer notified.',
  caution: null,
  for: always,
  groups: () => [
    {
      title: 'Left',
      asks: [
        yesNo('leave.call', 'Controls back in automatic'),
        yesNo('leave.lock', 'Own lock and tag off, or left on with a reason'),
        yesNo('leave.guards', 'Panels and guards on'),
        choice('leave.filters', 'Filters in', [
          ['yes', 'Yes'],
          ['no', 'No'],
          ['none', 'Has none'],
        ]),
        yesNo('leave.wires', 'Lifted wires and plugs back on'),
        yesNo('leave.jumpers', 'Jumpers off, bypassed switches back in'),
        yesNo('leave.tools', 'Tools counted'),
      ],
    },
    { title: 'Told', asks: [line('leave.told', 'Who was notified of what')], also: true },
  ],
  judges: [left],
}
