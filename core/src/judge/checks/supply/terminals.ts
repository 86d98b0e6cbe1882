import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, cells, choice, type CheckDefinition } from '../check-definition.ts'
import { lugTorque } from './lug-torque.ts'

const tighten = 'Tighten to the marked torque and enter it.'

const terminals: Rule = {
  id: 'terminals',
  title: 'Terminals and wires',
  subject: 'wiring',
  from: 'visit',
  applies: (c) => c.answer('lugs') !== undefined || c.answer('wires') !== undefined,
  judge(c) {
    const basis = [practice('a loose terminal destroys drive and motor')]
    const meanings: Readonly<
      Record<
        string,
        Readonly<Record<string, readonly [level: 'watch' | 'fix' | 'stop', because: string, next: string]>>
      >
    > = {
      lugs: {
        loose: ['watch', 'Lugs found loose.', tighten],
        burnt: ['fix', 'Burnt marks at a lug.', 'Cut back to clean copper, fit a new lug, and find why it ran hot.'],
      },
      wires: {
        chafed: ['watch', 'A wire is chafed.', 'Put a bushing at the edge and tie the wire away from it.'],
        through: [
          'stop',
          'Wire insulation is worn through: bare copper can reach the frame.',
          'Leave it locked out. Replace the wire, put a bushing at the edge, then test insulation before power.',
        ],
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
              next: meaning[2],
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
  judges: [terminals, lugTorque],
}
