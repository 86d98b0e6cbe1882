import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { choice, threePhase, type SheetCheck } from './sheet.ts'

/** Rotation with the end it was seen from. */
const rotationCheck: Check = {
  id: 'rotation',
  title: 'Rotation',
  applies: (c) => c.answer('rotation.seen') !== undefined,
  judge(c) {
    const basis = [practice('meter, then bump; a drive’s output is bumped by itself')]
    const seen = c.answer('rotation.seen')
    const end = c.answer('rotation.end')
    const from = end === undefined ? '' : `, seen from the ${end}`
    const wanted = c.motor?.plate.rotation
    const wantedEnd = c.motor?.plate.rotationSeenFrom
    if (seen === 'wrong way')
      return verdict(this, {
        level: 'fix',
        basis,
        because: `It turns the wrong way${from}. A wheel that runs backwards moves some air and lies about its amps.`,
        next: 'Lock out, swap two leads at the motor; behind a drive swap its output or set it there. Bump again.',
      })
    if (seen === 'nothing moved')
      return verdict(this, {
        level: 'stop',
        basis,
        because: 'Bumped, and nothing moved.',
        next: 'Do not try again. Back to the three volts and the winding.',
      })
    const plate =
      wanted === undefined || wanted === 'either'
        ? ''
        : ` Plate: ${wanted}${wantedEnd === undefined ? '' : `, seen from the ${wantedEnd}`}.`
    return verdict(this, {
      level: 'ok',
      basis,
      because: `Turns the right way${from}, by ${c.answer('rotation.by') ?? 'eye'}.${plate}`,
      next: 'Nothing to do.',
      confidence: end === undefined ? 'low' : 'full',
    })
  },
}

export const rotation: SheetCheck = {
  id: 'rotation',
  phase: 'restore',
  title: 'Rotation',
  how: 'Phase meter at the leads, then a bump of a second by the test mode, someone watching the wheel.',
  caution:
    'Guards on, hands off. Read the volts at the last switch before any bump: a wrong supply is found there, not at the motor.',
  for: threePhase,
  groups: () => [
    {
      title: 'Sequence on the meter',
      asks: [
        choice('rotation.meter', 'Line side', [
          ['L1-L2-L3', 'L1 L2 L3'],
          ['L3-L2-L1', 'L3 L2 L1'],
        ]),
      ],
      also: true,
    },
    {
      title: 'Bump',
      asks: [
        choice('rotation.seen', 'It turned', [
          ['right way', 'Right way'],
          ['wrong way', 'Wrong way'],
          ['nothing moved', 'Not at all'],
        ]),
        choice('rotation.by', 'By', [
          ['test mode', 'Test mode'],
          ['bump', 'Bump'],
          ['phase meter', 'Phase meter'],
        ]),
        choice('rotation.end', 'Seen from', [
          ['drive end', 'Drive end'],
          ['opposite end', 'Opposite end'],
        ]),
      ],
    },
  ],
  judges: [rotationCheck],
}
