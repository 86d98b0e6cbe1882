import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'

/** Current is no proof of turning: a burnt winding can hold its plate amps and stand still. */
export const turning: Check = {
  id: 'turning',
  title: 'Turning, the right way',
  applies: (c) => c.stop.state.turning !== null,
  judge(c) {
    const basis = [practice('a good figure needs "turning, the right way" beside it')]
    const drawing = c.legsRead.some((l) => l.amps > 0)
    if (c.stop.state.turning === 'not turning' && drawing)
      return verdict(this, {
        level: 'stop',
        basis,
        because: 'It draws current and does not turn. A stalled or burnt motor heats until something gives.',
        next: 'Switch off. Spin by hand with it locked out, then test the winding to ground.',
      })
    if (c.stop.state.turning === 'not turning')
      return verdict(this, {
        level: 'watch',
        basis,
        because: 'It does not turn and draws nothing.',
        next: 'Is it called for? Clock, delay, thermostat, then power, outside in.',
      })
    if (c.stop.state.turning === 'backwards')
      return verdict(this, {
        level: 'fix',
        basis,
        because: 'It turns backwards. A backward wheel still moves some air, and its amps say nothing.',
        next: 'Lock out, swap two leads (at a drive: its output), bump, read again.',
      })
    return verdict(this, { level: 'ok', basis, because: 'Seen turning the right way.', next: 'Nothing to do.' })
  },
}
