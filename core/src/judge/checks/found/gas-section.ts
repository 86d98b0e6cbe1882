import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Verdict } from '../../verdict.ts'
import { flueRead } from '../air/combustion.ts'
import { yesNo, type CheckDefinition } from '../check-definition.ts'

const basis = [practice('reconnect cut-outs, remove debris; work on it ends with a combustion test')]

/** The leads of its safeties. */
const leads = (check: Rule, off: boolean): Verdict =>
  verdict(check, {
    level: off ? 'stop' : 'ok',
    positions: ['gas.cutout'],
    basis,
    because: off
      ? 'A cut-out or roll-out lead of the gas section is off: it fires without its safety, or not at all.'
      : 'Every cut-out lead of the gas section is on.',
    next: off
      ? 'Do not fire it: close the gas. Reconnect it before you leave the unit. Licensed work under local code.'
      : 'Nothing to do.',
  })

const section = { id: 'gas-section', title: 'Gas section', subject: 'gas section' } as const

/** Its figures are there: what they say is told by themselves. */
export const gasTested: Verdict = verdict(section, {
  level: 'ok',
  positions: ['gas.tested'],
  basis,
  because: 'Combustion test on record.',
  next: 'Nothing to do.',
})

/** Was it tested? The figures of the flue say so; a word alone does not, and answers nothing. */
function test(check: Rule, word: string | undefined, figures: boolean): Verdict {
  const positions = ['gas.tested']
  if (word === 'no')
    return verdict(check, {
      level: 'fix',
      positions,
      basis,
      because: figures
        ? 'The gas section is answered as not tested, though flue gas figures were entered.'
        : 'The gas section was worked on and no combustion test was made.',
      next: figures
        ? 'If the figures were read after the work, answer Yes. Otherwise have it tested by a licensed person before it fires.'
        : 'Have it tested by a licensed person before the heating season, or before it fires.',
    })
  if (figures) return gasTested
  return verdict(check, {
    level: 'watch',
    positions,
    basis,
    because: 'Answered as tested, but no figures were entered.',
    next: 'Enter oxygen, CO and stack under Combustion: the figures decide.',
    confidence: 'low',
    settles: false,
  })
}

/** What was taken off or opened over a gas section is put back and tested before it is left. */
const gas: Rule = {
  ...section,
  from: 'visit',
  needs: ['gas.cutout', 'gas.tested', 'flue_oxygen', 'flue_co'],
  applies: (c) =>
    c.machine.controls.gasSection &&
    (c.answer('gas.cutout') !== undefined || c.answer('gas.tested') !== undefined || flueRead(c)),
  judge(c) {
    const cutout = c.answer('gas.cutout')
    const word = c.answer('gas.tested')
    const figures = flueRead(c)
    return [
      ...(cutout === undefined ? [] : [leads(this, cutout === 'no')]),
      ...(word === undefined && !figures ? [] : [test(this, word, figures)]),
    ]
  },
}

export const gasSection: CheckDefinition = {
  id: 'gas-section',
  phase: 'leave',
  part: 'electric',
  title: 'Gas section',
  how: 'Check that every cut-out lead is on and nothing fell in from the fan deck; test it if it was worked on: the figures go under Combustion.',
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
