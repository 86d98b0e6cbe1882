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

/** What the swap showed. It condemns one of the two, whatever became of the leads. */
const shown: Rule = {
  id: 'swap-result',
  title: 'Swap test',
  subject: 'motor',
  from: 'visit',
  informs: true,
  applies: (c) => c.machine.hasVfd && c.answer('drive.swap-says') !== undefined,
  judge(c) {
    const basis = [practice('the fault goes with the motor or stays with the drive')]
    switch (c.answer('drive.swap-says')) {
      case 'motor':
        return verdict(this, {
          level: 'fix',
          basis,
          because: 'The swap test found the fault with this motor: on the other drive it was still there.',
          next: 'Test winding and insulation at the motor, then at the cable. The drive is good: leave it in.',
        })
      case 'drive':
        return verdict(this, {
          level: 'fix',
          subject: 'drive',
          basis,
          because: 'The swap test found the fault with this drive: the motor ran on the other one.',
          next: 'Repair or replace the drive. Before its new output is loaded, read winding and insulation of the motor.',
        })
      default:
        return verdict(this, {
          level: 'watch',
          basis,
          because: 'The fault was gone after the leads were moved: neither the motor nor the drive is proven bad.',
          next: 'Look at every lug and plug that was moved, then run it and read the display again.',
          ofVisit: true,
        })
    }
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
  judges: [shown, swapped],
}
