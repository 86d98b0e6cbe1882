import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { yesNo, type SheetCheck } from './sheet.ts'

/** What was taken off or opened over a gas section is put back and tested before it is left. */
const gas: Check = {
  id: 'gas-section',
  title: 'Gas section',
  applies: (c) =>
    c.machine.controls.gasSection && (c.answer('gas.cutout') !== undefined || c.answer('gas.tested') !== undefined),
  judge(c) {
    const basis = [practice('cut-outs reconnected, nothing fallen in; work on it ends with a combustion test')]
    if (c.answer('gas.cutout') === 'no')
      return verdict(this, {
        level: 'fix',
        basis,
        because: 'A cut-out or roll-out lead of the gas section is off: it fires without its safeguard, or not at all.',
        next: 'Put it back before the unit is left. Licensed work, by local code.',
      })
    if (c.answer('gas.tested') === 'no')
      return verdict(this, {
        level: 'watch',
        basis,
        because: 'The gas section was worked on and no combustion test was made.',
        next: 'Have it tested by a licensed person before the heating season, or before it fires.',
      })
    return verdict(this, { level: 'ok', basis, because: 'Gas section as it was.', next: 'Nothing to do.' })
  },
}

export const gasSection: SheetCheck = {
  id: 'gas-section',
  phase: 'leave',
  part: 'electric',
  title: 'Gas section',
  how: 'Look that every cut-out lead is on and nothing fell in from the fan deck; tested if it was worked on.',
  caution: 'Gas work is for licensed people, by local code. Smell gas: out, and call.',
  for: (m) => m.controls.gasSection,
  groups: () => [
    {
      title: 'Left',
      asks: [yesNo('gas.cutout', 'Cut-out leads on'), yesNo('gas.tested', 'Tested, if it was worked on')],
    },
  ],
  judges: [gas],
}
