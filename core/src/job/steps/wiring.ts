import type { Step } from '../step.ts'

export const wiringSteps: readonly Step[] = [
  {
    id: 'WL1',
    title: 'Map the damage: which screws turn, and how far.',
    right: 'Every mark is placed.',
    minutes: 15,
    after: ['A6'],
    evidence: ['lead colors and terminals', 'torque marks'],
  },
  {
    id: 'WL2',
    title: 'Unplug the loads and test them; then test the run.',
    right: 'The bad piece is named.',
    minutes: 10,
    after: ['WL1'],
    hazards: ['mega'],
    safe: true,
  },
  {
    id: 'WL3',
    title: 'Check wire size, temperature rating, lug metal, splice rule and route.',
    right: 'The slack is measured.',
    minutes: 5,
    after: ['WL1'],
  },
  {
    id: 'WL4',
    title: 'Cut back to bright copper. New end, or a whole new run.',
    right: 'Every end was tugged.',
    minutes: 25,
    after: ['WL2', 'WL3'],
    tools: ['crimper'],
    irreversible: { needs: ['WL3'], words: 'cut the wires: their slack is measured' },
  },
  {
    id: 'WL5',
    title: 'A bushing at each edge, two ties, clear of what moves.',
    right: 'A photo is taken.',
    minutes: 15,
    after: ['WL4'],
    hazards: ['edge', 'coil'],
  },
  {
    id: 'WL6',
    title: 'Torque the panel by its label; paint-mark the screws.',
    right: 'The count is entered.',
    minutes: 20,
    after: ['WL5'],
    safe: true,
  },
]
