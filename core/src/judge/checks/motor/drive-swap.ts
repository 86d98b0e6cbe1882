import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { choice, type CheckDefinition } from '../check-definition.ts'

/** Leads of two drives that were swapped for a test: it stands until they are back and the wheel was seen to turn. */
const swapped: Rule = {
  id: 'drive-swap',
  title: 'Swap test',
  subject: 'wiring',
  from: 'visit',
  informs: true,
  applies: (c) => c.machine.hasVfd && c.answer('drive.swap') !== undefined,
  judge(c) {
    const basis = [practice('a swap test is put back the same day, and the wheel seen to turn')]
    if (c.answer('drive.swap') === 'back')
      return verdict(this, {
        level: 'ok',
        basis,
        because: 'The leads are back, direction seen.',
        next: 'Nothing to do.',
      })
    return verdict(this, {
      level: 'fix',
      basis,
      because:
        c.answer('drive.swap') === 'back unseen'
          ? 'The leads are back after a swap test, and nobody has seen the wheel turn.'
          : 'Leads are swapped with the twin’s drive: overload and direction there are set for the other motor.',
      next:
        c.answer('drive.swap') === 'back unseen'
          ? 'See the wheel turn the right way, then read amps.'
          : 'Put the leads back today, both locked out. See the wheel turn the right way, then read amps.',
    })
  },
}

/** The good drive on the doubted motor, or the other way round. */
export const driveSwap: CheckDefinition = {
  id: 'drive-swap',
  phase: 'live',
  part: 'electric',
  title: 'Swap test',
  how: 'Run this motor on the twin’s drive. The fault goes with the motor, or stays with the drive. Then put the leads back.',
  caution:
    'Lock out both drives, wait out both buses and measure them before a lead is moved. Qualified people only; never line volts on a drive’s motor terminals.',
  for: (m) => m.hasVfd && m.hasTwin,
  groups: () => [
    {
      title: 'Output leads swapped with the twin',
      asks: [
        choice('drive.swap-says', 'The fault', [
          ['motor', 'Stays with this motor'],
          ['drive', 'Stays with this drive'],
          ['neither', 'Is gone'],
        ]),
        choice('drive.swap', 'The leads', [
          ['swapped', 'Are still swapped'],
          ['back unseen', 'Are back, direction not seen'],
          ['back', 'Are back, direction seen'],
        ]),
      ],
      also: true,
    },
  ],
  judges: [swapped],
}
