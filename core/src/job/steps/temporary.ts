import type { Step } from '../step.ts'

export const temporarySteps: readonly Step[] = [
  { id: 'TB1', title: 'Open the permit for running it so.', right: 'It is accepted by name.', minutes: 10, after: [] },
  {
    id: 'TB2',
    title: 'Isolate the dead fan or drive: fuse out, leads capped, tag.',
    right: 'The rest of the feed is tested.',
    minutes: 10,
    after: ['A6', 'TB1'],
    hazards: ['lead'],
  },
  {
    id: 'TB3',
    title: 'Sheet metal or plywood, screws into the frame.',
    right: 'It laps 2 in (50 mm) and sheds rain.',
    minutes: 25,
    after: ['TB2'],
    hazards: ['coil', 'edge'],
    safe: true,
  },
  {
    id: 'TB4',
    title: 'Bypass: boxes open, high-static trip tested, overload set.',
    right: 'Never on boxes that can close.',
    minutes: 20,
    after: ['TB2'],
    hazards: ['air'],
    safe: true,
  },
  {
    id: 'TB5',
    title: 'Watch head or duct pressure.',
    right: 'It is inside the limits of the permit.',
    minutes: 10,
    after: ['Z5'],
    hazards: ['live'],
  },
]
