import { legPositions, show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { cells, threePhase, type SheetCheck } from './sheet.ts'

/** Volts across closed contacts while current flows. */
const drop: Check = {
  id: 'contact-drop',
  title: 'Drop across closed contacts',
  applies: (c) => c.has('contact_drop'),
  judge(c) {
    const own = legPositions.flatMap((p) => {
      const v = c.value('contact_drop', p)
      return v === undefined ? [] : [{ p, v, amps: c.value('amps', p) }]
    })
    const worst = own.reduce((a, b) => (b.v > a.v ? b : a))
    const watch = c.limit('contact-drop-watch')
    const fix = c.limit('contact-drop-fix')
    const heat =
      worst.amps === undefined
        ? ''
        : `, ${(worst.v * worst.amps).toFixed(worst.v * worst.amps < 10 ? 1 : 0)} W of heat in it`
    const told = `${worst.p} drops ${worst.v < 10 ? worst.v.toFixed(2) : show.volts(worst.v)} V across its closed contact${heat}`
    if (worst.v > 20)
      return verdict(this, {
        level: 'stop',
        value: worst.v,
        limit: fix.value,
        basis: [fix.basis],
        because: `${told}: that pole is open. The motor runs on two legs.`,
        next: 'Switch off at the source; change the contactor.',
      })
    return verdict(this, {
      level: worst.v > fix.value ? 'fix' : worst.v > watch.value ? 'watch' : 'ok',
      value: worst.v,
      limit: worst.v > fix.value ? fix.value : watch.value,
      basis: [worst.v > fix.value ? fix.basis : watch.basis],
      because: `${told}.`,
      next:
        worst.v > watch.value
          ? 'Lock out; lugs first, then the contacts. Filing them only buys days.'
          : 'Nothing to do.',
    })
  },
}

export const contactDrop: SheetCheck = {
  id: 'contact-drop',
  phase: 'live',
  part: 'electric',
  title: 'Drop across contacts',
  how: 'Meter across each closed pole while it runs.',
  caution: 'Full volts if the pole is open: start on the highest range.',
  for: (m) => threePhase(m) && !m.hasDrive,
  groups: () => [{ title: 'Each pole', asks: cells('contact_drop', legPositions) }],
  judges: [drop],
}
