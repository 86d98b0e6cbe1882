import type { Step } from '../step.ts'

export const transformerSteps: readonly Step[] = [
  {
    id: 'TX1',
    title: 'Read both sides under load.',
    right: 'If the ratio is good, look upstream.',
    minutes: 5,
    after: ['A1'],
    hazards: ['live'],
  },
  {
    id: 'TX2',
    title: 'Tag the leads. Check the secondary fuse; read each winding, and to the frame.',
    right: 'The bad side is named.',
    minutes: 10,
    after: ['A6', 'TX1'],
    evidence: ['lead colors and terminals', 'tap'],
  },
  {
    id: 'TX3',
    title: 'Test the secondary loads one by one.',
    right: 'What killed it is found.',
    minutes: 20,
    after: ['TX2'],
    hazards: ['mega'],
    safe: true,
  },
  {
    id: 'TX4',
    title: 'Check VA, volts, tap, hertz, fuse and grounded side of the new one.',
    right: 'It is graded.',
    minutes: 5,
    after: ['TX2'],
  },
  {
    id: 'TX5',
    title: 'Swap it. Tap by the measured volts; fuse; bond as found.',
    right: 'Over 50 lb (23 kg) it takes two people.',
    minutes: 20,
    after: ['TX3', 'TX4'],
    hazards: ['gnd', 'fall'],
    safe: true,
  },
  {
    id: 'TX6',
    title: 'Power it with nothing on it and read; land the loads one by one.',
    right: 'Control volts are in limits.',
    minutes: 10,
    after: ['Z3'],
    hazards: ['live'],
  },
]
