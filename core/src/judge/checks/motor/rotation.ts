import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { always, choice, type CheckDefinition } from '../check-definition.ts'

/** Rotation with the end it was seen from. */
const rotationCheck: Rule = {
  id: 'rotation',
  title: 'Rotation',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.answer('rotation.seen') !== undefined || c.answer('rotation.meter') !== undefined,
  judge(c) {
    const basis = [practice('phase meter, then bump; on a drive, bump from the drive')]
    const seen = c.answer('rotation.seen')
    const end = c.answer('rotation.end')
    const from = end === undefined ? '' : `, seen from the ${end}`
    const wanted = c.motor?.plate.rotation
    const wantedEnd = c.motor?.plate.rotationSeenFrom
    const single = c.machine.phases === 1
    const reversed = c.answer('rotation.meter') === 'L3-L2-L1'
    if (seen === 'wrong way')
      return verdict(this, {
        level: 'fix',
        basis,
        because: `It turns the wrong way${from}. A backward wheel moves some air, so its amps are misleading.`,
        next: single
          ? singlePhaseReversal(c)
          : `Lock out, swap two leads at ${c.machine.hasVfd ? 'the output of the drive, or set the direction there' : 'the motor'}. Bump again.`,
      })
    if (seen === 'nothing moved')
      return verdict(this, {
        level: 'stop',
        basis,
        because: 'Bumped, no movement.',
        next: single
          ? 'Do not try again. Read the volts at the motor; good volts, test the capacitor and the winding.'
          : 'Do not try again. Read the three volts; all good, test the winding.',
      })
    if (seen === undefined)
      return verdict(this, {
        level: 'watch',
        basis,
        because: `Line side in sequence ${reversed ? 'L3-L2-L1: reversed' : 'L1-L2-L3'}. Rotation was not seen.`,
        next: reversed ? 'Find where two lines are swapped; then bump and look.' : 'Bump it and look at the wheel.',
        settles: false,
      })
    const plate =
      wanted === undefined || wanted === 'either'
        ? ''
        : ` Nameplate: ${wanted}${wantedEnd === undefined ? '' : `, seen from the ${wantedEnd}`}.`
    const by = c.answer('rotation.by') ?? 'eye'
    if (by === 'phase meter')
      return verdict(this, {
        level: 'watch',
        basis,
        because: 'Phase meter only: it shows the line sequence, not which way the wheel turns.',
        next: 'Bump it and look at the wheel.',
        settles: false,
      })
    return verdict(this, {
      level: reversed && !single ? 'watch' : 'ok',
      basis,
      because: `Turns the right way${from}, by ${by}.${plate}${reversed && !single ? ' The line side reads L3-L2-L1: two leads are swapped at the motor, and other motors on this line may run backward.' : ''}`,
      next: reversed && !single ? 'Check every other three-phase motor and compressor on this line.' : 'Nothing to do.',
      confidence: end === undefined ? 'low' : 'full',
    })
  },
}

/** How a single-phase motor is reversed, where it can be. @source common practice */
const singlePhaseReversal = (c: Context): string => {
  switch (c.motor?.plate.rotation) {
    case 'either':
      return 'Lock out and change the rotation pair by its diagram (plug or two leads). Swapping the line leads does nothing. Bump again.'
    case 'clockwise':
    case 'counter-clockwise':
      return 'The nameplate gives one rotation: it cannot be reversed. Check whether the motor is mounted the wrong way around or is the wrong motor.'
    default:
      return 'Swapping the line leads does nothing. Look on the diagram for a rotation pair; a shaded-pole motor is reversed only by turning it around.'
  }
}

export const rotation: CheckDefinition = {
  id: 'rotation',
  phase: 'restore',
  title: 'Rotation',
  how: 'Line-side volts first. Phase meter at the leads, then a bump of a second by the test mode, with someone watching the wheel.',
  caution: 'Guards on, hands off. Read the volts ahead of the starter before any bump: a wrong supply shows there.',
  for: always,
  groups: (m) => [
    ...(m.phases === 1
      ? []
      : [
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
        ]),
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
          ...(m.phases === 1 ? [] : [['phase meter', 'Phase meter'] as const]),
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
