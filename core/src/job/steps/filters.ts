import type { Step } from '../step.ts'

export const filtersSteps: readonly Step[] = [
  {
    id: 'FB1',
    title: 'Take the old filters out and bag them. Look for dirt that went around them.',
    right: 'The count matches.',
    minutes: 10,
    after: ['A6'],
    hazards: ['edge'],
    evidence: ['size on the frame'],
  },
  {
    id: 'FB2',
    title: 'Clean the rack; seal the gaps.',
    right: 'No light comes through.',
    minutes: 15,
    after: ['FB1'],
    wait: { minutes: 10, before: 'FB3', why: 'the sealant sets' },
    safe: true,
  },
  {
    id: 'FB3',
    title: 'New ones in, arrow to the fan, date on the frame.',
    right: 'None is bowed.',
    minutes: 10,
    after: ['FB2'],
  },
  {
    id: 'FB4',
    title: 'Spacers, blank-offs, latch.',
    right: 'The gasket touches.',
    minutes: 5,
    after: ['FB3'],
    safe: true,
  },
]
