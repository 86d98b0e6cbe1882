import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

function lacking(c: Context): { serious: string[]; minor: string[] } {
  const serious: string[] = []
  const minor: string[] = []
  const { state } = c.visit
  if (c.machine.phases === 3 && c.legsRead.length > 0 && c.legsRead.length < 3)
    serious.push(`amps on ${c.legsRead.map((l) => l.name).join(' and ')} only`)
  if (c.legsRead.length === 0) serious.push('no amps read')
  if (state.settled === false) serious.push('read before it had settled')
  if (state.filters === 'out') serious.push('the filters out')
  if (state.panels === 'off') serious.push('panels off, which loads some wheels more')
  if (state.twin === 'off') serious.push('the twin fan off')
  if (state.settled === null) minor.push('whether it had settled')
  if (c.machine.hasTwin && state.twin === null) minor.push('whether the twin fan ran')
  if (c.machine.hasVfd && c.hz === undefined) minor.push('the drive’s Hz')
  if (c.volts.length === 0) minor.push('the volts')
  return { serious, minor }
}

/** What was not read or not said: it lowers the confidence in everything else, and says so. */
export const conditions: Rule = {
  id: 'conditions',
  title: 'How it was read',
  subject: 'visit',
  from: 'visit',
  // A visit of dead tests alone says nothing of how it ran, and need not.
  applies: (c) => c.has('amps', 'volts_ll', 'volts_ln'),
  judge(c) {
    const { serious, minor } = lacking(c)
    const { state } = c.visit
    if (serious.length === 0 && minor.length === 0)
      return verdict(this, {
        level: 'ok',
        basis: [practice('readings in different states are not compared')],
        because: 'Read settled, in the usual state.',
        next: 'Nothing to do.',
      })
    const parts = [
      serious.length > 0 ? `Taken with ${serious.join(', ')}` : '',
      minor.length > 0 ? `${serious.length > 0 ? 'not entered: ' : 'Not entered: '}${minor.join(', ')}` : '',
    ].filter(Boolean)
    return verdict(this, {
      level: serious.length > 0 ? 'watch' : 'ok',
      basis: [practice('readings in different states are not compared')],
      because: `${parts.join('; ')}.${state.twin === 'off' ? ' This fan may be moving all the air.' : ''}`,
      next:
        serious.length > 0
          ? 'Read again, all legs, settled, panels on, the twin fan in its usual state.'
          : 'Enter it next time.',
      confidence: 'low',
      settles: c.legsRead.length >= c.machine.phases,
    })
  },
}
