import type { Step } from '../step.ts'

export const capacitorSteps: readonly Step[] = [
  {
    id: 'CP1',
    title: 'Photograph the leads. Enter what it measured, its marking, and what the nameplate asks for.',
    right: 'Three numbers are entered.',
    minutes: 5,
    after: ['A6'],
    hazards: ['cap'],
    evidence: ['lead colors and terminals', 'capacitor leads'],
  },
  {
    id: 'CP2',
    title: 'Check the new one: µF of the nameplate, volts the same or more, terminals, size.',
    right: 'Of a dual one, both halves.',
    minutes: 3,
    after: ['CP1'],
  },
  {
    id: 'CP3',
    title: 'Move lead by lead; strap and cover on.',
    right: 'No lead is left over.',
    minutes: 7,
    after: ['CP2'],
    hazards: ['lead'],
  },
]
