import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, cells, choice, type CheckDefinition } from '../check-definition.ts'

const terminals: Rule = {
  id: 'terminals',
  title: 'Terminals and wires',
  subject: 'wiring',
  from: 'visit',
  applies: (c) => c.answer('lugs') !== undefined || c.answer('wires') !== undefined,
  judge(c) {
    const basis = [practice('a loose terminal destroys drive and motor')]
    const meanings: Readonly<
      Record<string, Readonly<Record<string, readonly [level: 'watch' | 'fix', because: string]>>>
    > = {
      lugs: { loose: ['watch', 'Lugs found loose.'], burnt: ['fix', 'Burnt marks at a lug.'] },
      wires: {
        chafed: ['watch', 'A wire is chafed.'],
        through: ['fix', 'Wire insulation is worn through: bare copper can reach the frame.'],
      },
    }
    return Object.entries(meanings).flatMap(([question, words]) => {
      const answer = c.answer(question)
      if (answer === undefined) return []
      const meaning = words[answer]
      return [
        meaning
          ? verdict(this, {
              level: meaning[0],
              positions: [question],
              basis,
              because: meaning[1],
              next:
                meaning[0] === 'fix'
                  ? 'Cut back to clean copper, fit a new lug, and find what it touched.'
                  : 'Tighten to the marked torque and enter it; add a bushing at the edge and tie the wire.',
            })
          : verdict(this, {
              level: 'ok',
              positions: [question],
              basis,
              because: question === 'lugs' ? 'Lugs tight.' : 'Wires whole.',
              next: 'Nothing to do.',
            }),
      ]
    })
  },
}

export const terminalsCheck: CheckDefinition = {
  id: 'terminals',
  phase: 'dead',
  part: 'electric',
  title: 'Terminals and wires',
  how: 'Check every screw and every edge a wire passes.',
  caution: null,
  for: always,
  groups: () => [
    {
      title: 'Found',
      asks: [
        choice('lugs', 'Lugs', [
          ['tight', 'Tight'],
          ['loose', 'Loose'],
          ['burnt', 'Burnt'],
        ]),
        choice('wires', 'Wires', [
          ['whole', 'Whole'],
          ['chafed', 'Chafed'],
          ['through', 'Worn through'],
        ]),
      ],
    },
    {
      title: 'Torque, if set',
      asks: cells('lug_torque', ['line', 'load', 'motor'], ['Line', 'Load', 'Motor']),
      also: true,
    },
  ],
  judges: [terminals],
}
