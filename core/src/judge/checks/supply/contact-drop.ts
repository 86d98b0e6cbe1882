import { legPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { highest } from '../../evidence.ts'
import { cells, threePhase, type CheckDefinition } from '../check-definition.ts'

/** Volts across closed contacts while current flows. */
const drop: Rule = {
  id: 'contact-drop',
  title: 'Drop across closed contacts',
  subject: 'controls',
  from: 'visit',
  running: true,
  applies: (c) => c.readings('contact_drop').length > 0,
  judge(c) {
    const watch = c.limit('contact-drop-watch')
    const fix = c.limit('contact-drop-fix')
    const read = c
      .readings('contact_drop')
      .map((r) => ({ p: r.position, v: highest(r), amps: c.value('amps', r.position) }))
    const bad = read.filter((r) => r.v > watch.value)
    const good = read.filter((r) => r.v <= watch.value)
    const told = (r: (typeof read)[number]) => {
      const watts = r.amps === undefined ? null : r.v * r.amps
      return `${r.p} drops ${r.v < 10 ? r.v.toFixed(2) : show.volts(r.v)} V across its closed contact${watts === null ? '' : `, ${watts.toFixed(watts < 10 ? 1 : 0)} W of heat in it`}`
    }
    return [
      ...bad.map((r) =>
        r.v > 20
          ? verdict(this, {
              level: 'stop',
              positions: [r.p],
              value: r.v,
              limit: fix.value,
              basis: [fix.basis],
              because: `${told(r)}: that pole is open. The motor runs on two legs.`,
              next: 'Switch off at the source; replace the contactor.',
            })
          : verdict(this, {
              level: r.v > fix.value ? 'fix' : 'watch',
              positions: [r.p],
              value: r.v,
              limit: r.v > fix.value ? fix.value : watch.value,
              basis: [r.v > fix.value ? fix.basis : watch.basis],
              because: `${told(r)}.`,
              next: 'Lock out. Check the lugs first, then replace the contacts: filing them only buys days.',
            }),
      ),
      ...(good.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: good.map((r) => r.p),
              value: Math.max(...good.map((r) => r.v)),
              limit: watch.value,
              basis: [watch.basis],
              because: `${good.map(told).join('; ')}.`,
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

export const contactDrop: CheckDefinition = {
  id: 'contact-drop',
  phase: 'live',
  part: 'electric',
  title: 'Drop across contacts',
  how: 'Meter across each closed pole while it runs.',
  caution: 'An open pole shows full volts: start on the highest range.',
  for: (m) => threePhase(m) && !m.hasVfd,
  groups: () => [{ title: 'Each pole', asks: cells('contact_drop', legPositions) }],
  judges: [drop],
}
