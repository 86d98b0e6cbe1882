import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { yesNo, type CheckDefinition } from '../check-definition.ts'

/** What was taken off or opened over a gas section is put back and tested before it is left. */
const gas: Rule = {
  id: 'gas-section',
  title: 'Gas section',
  subject: 'gas section',
  from: 'visit',
  applies: (c) =>
    c.machine.controls.gasSection && (c.answer('gas.cutout') !== undefined || c.answer('gas.tested') !== undefined),
  judge(c) {
    const basis = [practice('reconnect cut-outs, remove debris; work on it ends with a combustion test')]
    const cutout = c.answer('gas.cutout')
    const tested = c.answer('gas.tested')
    return [
      ...(cutout === undefined
        ? []
        : [
            verdict(this, {
              level: cutout === 'no' ? 'stop' : 'ok',
              positions: ['gas.cutout'],
              basis,
              because:
                cutout === 'no'
                  ? 'A cut-out or roll-out lead of the gas section is off: it fires without its safety, or not at all.'
                  : 'Every cut-out lead of the gas section is on.',
              next:
                cutout === 'no'
                  ? 'Do not fire it: close the gas. Reconnect it before you leave the unit. Licensed work under local code.'
                  : 'Nothing to do.',
            }),
          ]),
      ...(tested === undefined
        ? []
        : [
            verdict(this, {
              level: tested === 'no' ? 'fix' : 'ok',
              positions: ['gas.tested'],
              basis,
              because:
                tested === 'no'
                  ? 'The gas section was worked on and no combustion test was made.'
                  : 'Gas section tested.',
              next:
                tested === 'no'
                  ? 'Have it tested by a licensed person before the heating season, or before it fires.'
                  : 'Nothing to do.',
            }),
          ]),
    ]
  },
}

export const gasSection: CheckDefinition = {
  id: 'gas-section',
  phase: 'leave',
  part: 'electric',
  title: 'Gas section',
  how: 'Check that every cut-out lead is on and nothing fell in from the fan deck; test it if it was worked on.',
  caution: 'Gas work is for licensed people under local code. If you smell gas, leave and call.',
  for: (m) => m.controls.gasSection,
  groups: () => [
    {
      title: 'Left',
      asks: [yesNo('gas.cutout', 'Cut-out leads on'), yesNo('gas.tested', 'Tested, if it was worked on')],
    },
  ],
  judges: [gas],
}
