import { practice } from '../../../limits/index.ts'
import { faultFamilies, faultFamily } from '../../../vfd/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { choice, line, type CheckDefinition } from '../check-definition.ts'

/** What the drive itself says. */
const display: Rule = {
  id: 'drive-display',
  title: 'Drive display',
  subject: 'drive',
  from: 'visit',
  applies: (c) =>
    c.machine.hasVfd && ['drive.display', 'drive.code', 'drive.family'].some((q) => (c.answer(q) ?? '').trim() !== ''),
  judge(c) {
    const basis = [practice('read the display and its fault first; then line volts in, then out')]
    const code = (c.answer('drive.code') ?? '').trim()
    const family = faultFamily(c.answer('drive.family'))
    const twinRuns = c.machine.hasTwin && c.visit.state.twin === 'running'
    const permit = twinRuns ? ' Until then on one fan: set limits, an end date and the next reading.' : ''
    const named = [code === '' ? '' : `code ${code}`, family ? family.words.toLowerCase() : '']
      .filter(Boolean)
      .join(', ')
    // A code that nobody said anything else of is a fault.
    switch (c.answer('drive.display') ?? 'fault') {
      case 'fault':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `The drive has tripped${named === '' ? ', and its code was not written down' : `: ${named}`}.`,
          next: `${family ? family.first : 'Write the code down before it is reset.'} Reset once only.${permit}`,
          confidence: named === '' ? 'low' : 'full',
        })
      case 'warning':
        return verdict(this, {
          level: 'watch',
          basis,
          because: `The drive warns${named === '' ? '' : `: ${named}`}.`,
          next: family ? family.first : 'Write the code down; look it up in the drive manual.',
        })
      case 'dark':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `The display is dark.${twinRuns ? ' The twin fan carries the air alone.' : ''}`,
          next: `Read all three line volts at the drive’s terminals. The bus may still be charged.${permit}`,
        })
      default:
        return named === ''
          ? verdict(this, { level: 'ok', basis, because: 'The drive shows no fault.', next: 'Nothing to do.' })
          : verdict(this, {
              level: 'watch',
              basis,
              because: `The drive runs now, and it has logged a fault: ${named}.`,
              next: family ? family.first : 'Look the code up in the drive manual.',
            })
    }
  },
}

/** What the settings were found to be, held against the nameplate. */
const settings: Rule = {
  id: 'drive-settings',
  title: 'Drive settings',
  subject: 'drive',
  from: 'visit',
  informs: true,
  applies: (c) => c.machine.hasVfd && c.answer('drive.settings') !== undefined,
  judge(c) {
    const basis = [practice('the drive is set to the nameplate of the motor that it runs')]
    const which = (c.answer('drive.settings-which') ?? '').trim()
    const named = which === '' ? 'Which one was not written down.' : /[.!?]$/.test(which) ? which : `${which}.`
    switch (c.answer('drive.settings')) {
      case 'off':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `A setting of the drive is wrong. ${named}`,
          next: 'Set the drive to the nameplate, read the settings again, then read amps.',
        })
      case 'changed':
        return verdict(this, {
          level: 'watch',
          basis,
          because: `Settings of the drive were changed, and nobody recorded why. ${named}`,
          next: 'Ask who changed it, and why. Record the reason or set it back.',
        })
      default:
        return verdict(this, {
          level: 'ok',
          basis,
          because: 'The settings match the nameplate.',
          next: 'Nothing to do.',
        })
    }
  },
}

export const drive: CheckDefinition = {
  id: 'drive',
  phase: 'look',
  part: 'electric',
  title: 'Drive',
  how: 'Read display and code before any reset.',
  caution: 'Never connect line volts to its motor terminals. The bus stays charged for minutes.',
  for: (m) => m.hasVfd,
  groups: () => [
    {
      title: 'Display',
      asks: [
        choice('drive.display', 'It shows', [
          ['run', 'Runs'],
          ['warning', 'Warning'],
          ['fault', 'Fault'],
          ['dark', 'Dark'],
        ]),
        line('drive.code', 'Code, as it stands there'),
      ],
    },
    {
      title: 'Kind of fault',
      asks: [
        choice(
          'drive.family',
          'It means',
          faultFamilies.map(({ id, words }) => [id, words]),
        ),
      ],
      also: true,
    },
    {
      title: 'Settings against the nameplate',
      asks: [
        choice('drive.settings', 'They', [
          ['match', 'Match'],
          ['off', 'Are wrong'],
          ['changed', 'Were changed, reason unknown'],
        ]),
        line('drive.settings-which', 'Which, and how'),
      ],
      also: true,
    },
  ],
  judges: [display, settings],
}
