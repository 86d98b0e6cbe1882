import { practice } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

/** From this share of the nameplate on, amps may as well be those of a motor that stands still. */
const nameplateLevel = 0.9

const share = (c: Context): number =>
  c.allowed === null ? 0 : Math.max(0, ...c.legsRead.map((l) => l.amps)) / c.allowed.amps

/** Current is no proof of turning: a burnt winding can hold its nameplate amps and stand still. */
export const turning: Rule = {
  id: 'turning',
  title: 'Turning',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.visit.state.turning !== null || share(c) >= nameplateLevel,
  judge(c) {
    const basis = [practice('a good reading needs “turning, right way” with it')]
    const drawing = c.legsRead.some((l) => l.amps > 0.05)
    switch (c.visit.state.turning) {
      case 'not turning':
        if (drawing)
          return verdict(this, {
            level: 'stop',
            basis,
            because: 'It draws current and does not turn. A stalled motor overheats until it fails.',
            next: 'Shut it off. Lock out, spin it by hand, then test the winding to ground.',
          })
        return verdict(this, {
          level: c.answer('look.call') === 'no' ? 'watch' : 'fix',
          basis,
          because: `It does not turn${c.legsRead.length > 0 ? ' and draws nothing' : '; amps were not read'}.`,
          next: 'Check for a call: clock, delay, thermostat. Then read volts from the outside in until they stop.',
        })
      case 'backwards':
        if (c.legsRead.length === c.machine.phases && !drawing)
          return verdict(this, {
            level: 'watch',
            basis,
            because: `Turning backward with no current: it is windmilling${c.machine.hasTwin ? ', driven by its twin or the wind' : ''}.`,
            next: 'Hold or chock the wheel before hands go in. Starting against it trips a drive and breaks belts: check the backdraft damper, then start it and confirm the direction.',
          })
        return verdict(this, {
          level: 'fix',
          basis,
          because: 'It turns backward. A backward wheel still moves some air, so its amps are misleading.',
          next:
            c.machine.phases === 1
              ? 'Lock out. Swapping the line leads does nothing on a single-phase motor: change its rotation pair by the diagram, if it has one.'
              : `Lock out, swap two leads (${c.machine.hasVfd ? 'at the output of the drive' : 'at the motor'}), bump, read again.`,
        })
      case 'right way':
        return verdict(this, { level: 'ok', basis, because: 'Seen turning the right way.', next: 'Nothing to do.' })
      case null:
        return verdict(this, {
          level: 'watch',
          basis,
          because: `${show.percent(share(c))} of the nameplate, but turning was not confirmed. A stalled motor can draw the same.`,
          next: 'Look at the wheel and enter whether it turns the right way.',
          confidence: 'low',
          settles: false,
        })
    }
  },
}
