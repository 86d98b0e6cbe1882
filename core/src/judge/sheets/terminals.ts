import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, cells, choice, type SheetCheck } from './sheet.ts'

const terminals: Check = {
  id: 'terminals',
  title: 'Terminals and wires',
  applies: (c) => c.answer('lugs') !== undefined || c.answer('wires') !== undefined,
  judge(c) {
    const basis = [practice('a loose terminal burns a drive and a motor')]
    const lugs = c.answer('lugs')
    const wires = c.answer('wires')
    const found = [
      lugs === 'loose' ? 'lugs found loose' : lugs === 'burnt' ? 'burnt marks at a lug' : '',
      wires === 'chafed' ? 'a wire chafed' : wires === 'through' ? 'insulation worn through' : '',
    ].filter(Boolean)
    const serious = lugs === 'burnt' || wires === 'through'
    if (found.length === 0)
      return verdict(this, { level: 'ok', basis, because: 'Lugs tight, wires whole.', next: 'Nothing to do.' })
    return verdict(this, {
      level: serious ? 'fix' : 'watch',
      basis,
      because: `${found.join(', ').replace(/^./, (t) => t.toUpperCase())}.`,
      next: serious
        ? 'Cut back to clean copper, new lug, new wire; find what it touched.'
        : 'Tighten to the marked torque and write it down; bush the edge, tie the wire.',
    })
  },
}

export const terminalsSheet: SheetCheck = {
  id: 'terminals',
  phase: 'dead',
  part: 'electric',
  title: 'Terminals and wires',
  how: 'Every screw, every edge a wire passes.',
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
