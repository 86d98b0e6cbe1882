import type { Step } from '../step.ts'

export const contactorSteps: readonly Step[] = [
  {
    id: 'CO1',
    title: 'Tag line, load, coil and auxiliary leads; write down dial and class.',
    right: 'Each side is tagged.',
    minutes: 10,
    after: ['A6'],
    evidence: ['lead colors and terminals', 'dials'],
  },
  {
    id: 'CO2',
    title: 'Test the load before the new part goes in.',
    right: 'The cause is found.',
    minutes: 10,
    after: ['CO1'],
    hazards: ['mega'],
    safe: true,
  },
  {
    id: 'CO3',
    title: 'Check amps, poles, coil volts, auxiliary contacts and overload range.',
    right: 'The range spans the nameplate amps.',
    minutes: 5,
    after: ['CO1'],
  },
  {
    id: 'CO4',
    title: 'Take the old one out. Cut burnt wire ends back to bright copper.',
    right: 'The ends are bright.',
    minutes: 15,
    after: ['CO2', 'CO3'],
    irreversible: { needs: ['CO3'], words: 'cut the wires: their slack is measured' },
  },
  {
    id: 'CO5',
    title: 'Put the new one in, wire for wire.',
    right: 'Screws are at the torque of the label.',
    minutes: 20,
    after: ['CO4'],
  },
  {
    id: 'CO6',
    title: 'Set the dial to the nameplate. Trip it and reset it by hand.',
    right: 'The trip opens the coil circuit.',
    minutes: 10,
    after: ['CO5'],
    safe: true,
  },
]
