import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Amps far below the plate are information too, unless that is how this machine has always run. */
export const farBelow: Rule = {
  id: 'far-below',
  title: 'Far below the nameplate',
  subject: 'motor',
  from: 'history',
  applies: (c) => {
    const limit = c.limit('far-below-plate').value
    return (
      c.allowed !== null &&
      c.ownAmps &&
      c.point !== null &&
      c.point.amps < limit * c.allowed.amps &&
      c.legsRead.every((l) => l.amps > 0) &&
      (c.hz === undefined || !c.machine.hasVfd || c.hz > 50)
    )
  },
  judge(c) {
    const limit = c.limit('far-below-plate')
    const amps = c.point?.amps ?? 0
    const plate = c.allowed?.amps ?? 1
    const usual = c.usual !== null && c.point !== null && c.point.amps >= c.usual.low && c.change === null
    return verdict(this, {
      level: usual ? 'ok' : 'watch',
      value: amps,
      limit: limit.value * plate,
      basis: [limit.basis],
      because: usual
        ? `Only ${show.percent(amps / plate)} of nameplate, as usual on this machine.`
        : `Only ${show.percent(amps / plate)} of nameplate. Typical of a slipping belt, blocked air or a lost load.`,
      next: usual
        ? 'Nothing to do; there is room to speed the fan up.'
        : 'Look at the belt, the wheel and the air path.',
    })
  },
}
