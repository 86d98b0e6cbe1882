import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, choice, line, threePhase, yesNo, type SheetCheck } from './sheet.ts'

/** What was lifted so that nothing starts must be put back before the unit is left. */
const inhibits: Check = {
  id: 'inhibits',
  title: 'Controls back in automatic',
  applies: (c) => c.answer('restore.call') === 'broken',
  judge(c) {
    const basis = [practice('what was lifted is put back')]
    const how = (c.answer('restore.how') ?? '').trim()
    const what = how === '' ? 'The control call' : how.replace(/^./, (t) => t.toUpperCase())
    if (c.answer('leave.call') === 'yes')
      return verdict(this, { level: 'ok', basis, because: `${what}: broken, and put back.`, next: 'Nothing to do.' })
    return verdict(this, {
      level: 'watch',
      basis,
      because: `${what} was broken and nobody wrote that it is back. A lifted wire forgotten is a building without air.`,
      next: 'Put it back, see it start on its own call, and say so under Leave.',
    })
  },
}

export const inhibit: SheetCheck = {
  id: 'inhibit',
  phase: 'restore',
  title: 'Before power',
  how: 'Break the control call, clear tools and people, then close and watch: a trip now is line-side.',
  caution: 'Stand aside, face away, one attempt. Somebody below knows air is coming.',
  for: always,
  groups: () => [
    {
      title: 'Controls',
      asks: [
        choice('restore.call', 'Control call', [
          ['broken', 'Broken'],
          ['live', 'Left as it is'],
        ]),
        line('restore.how', 'What was lifted: wire, clock, test mode'),
      ],
    },
    {
      title: 'People',
      asks: [yesNo('restore.told', 'Tools out, people told'), yesNo('restore.guards', 'Guards and panels on')],
    },
    { title: 'If it was found open', asks: [line('restore.who', 'Who opened it, and why')], also: true },
  ],
  judges: [inhibits],
}

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
