import { groundReturn } from '../../../electrical/index.ts'
import { practice } from '../../../limits/index.ts'
import { legPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { highest } from '../../evidence.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

/** Amps in the grounding conductor: near zero, or a winding has broken through. */
const groundCurrent: Rule = {
  id: 'ground-current',
  title: 'Grounding conductor',
  subject: 'wiring',
  from: 'visit',
  applies: (c) => c.readings('ground_amps').length > 0,
  judge(c) {
    const most = (quantity: 'ground_amps' | 'off_amps', position: string) => {
      const r = c.reading(quantity, position)
      return r && highest(r)
    }
    const wire = most('ground_amps', 'ground-wire')
    const lines = most('ground_amps', 'lines')
    const off = Math.max(0, ...['L1', 'L2', 'L3'].map((p) => most('off_amps', p) ?? 0))
    const worst = Math.max(wire ?? 0, lines ?? 0)
    const visit = c.limit(c.machine.hasVfd ? 'ground-amps-drive' : 'ground-amps-stop')
    // Filters and long leads of a drive leak tens of milliamperes by design: what is a fault without one is a question with one.
    const watch = c.limit(c.machine.hasVfd ? 'ground-amps-stop' : 'ground-amps-watch')
    const out = lines ?? (off > 0 ? off : undefined)
    const another =
      wire !== undefined && out !== undefined && out > 0
        ? (() => {
            const back = groundReturn(out, wire)
            return back.share < -0.05
              ? ' More current returns than goes out: another circuit uses this conductor.'
              : back.otherLow > 0.05 * out
                ? ` At least ${show.amps(back.otherLow)} A returns through pipe, duct or steel.`
                : ''
          })()
        : ''
    const told = [
      wire === undefined ? '' : `${show.amps(wire)} A in the grounding conductor`,
      lines === undefined ? '' : `${show.amps(lines)} A net on all lines together`,
    ]
      .filter(Boolean)
      .join(', ')
    // The wire and the lines together are two places: what was found at one is answered there.
    const at = (over: (amps: number) => boolean) =>
      [
        ['ground-wire', wire],
        ['lines', lines],
      ].flatMap(([p, amps]) => (typeof amps === 'number' && over(amps) ? [p as string] : []))
    const high = at((amps) => amps > visit.value)
    const some = at((amps) => amps > watch.value && amps <= visit.value)
    const none = at((amps) => amps <= watch.value)
    return [
      ...(high.length === 0
        ? []
        : [
            verdict(this, {
              level: 'stop',
              positions: high,
              value: worst,
              limit: visit.value,
              basis: [visit.basis],
              because: `${told}. A winding or a wire is grounded to the frame.${another} If that conductor is cut or lifted the cabinet becomes live.`,
              next: 'Touch nothing and disconnect nothing. Isolate at the source, then test each lead to ground.',
            }),
          ]),
      ...(some.length === 0
        ? []
        : [
            verdict(this, {
              level: 'watch',
              positions: some,
              value: worst,
              limit: watch.value,
              basis: [watch.basis],
              because: `${told}: above the limit.${c.machine.hasVfd ? ' A drive leaks some current by design.' : ''}${another}`,
              next: c.machine.hasVfd
                ? 'Read again with the drive stopped.'
                : 'Test the insulation of each lead, then read the ground wire again.',
              confidence: c.machine.hasVfd ? 'low' : 'full',
            }),
          ]),
      ...(none.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: none,
              value: worst,
              limit: watch.value,
              basis: [watch.basis],
              because: `${told}: ${c.machine.hasVfd && worst > c.limit('ground-amps-watch').value ? 'normal for a drive' : 'negligible'}.`,
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

/** Current on the lines of a fan that should be off. */
const offAmps: Rule = {
  id: 'off-amps',
  title: 'Amps while it should be off',
  subject: 'controls',
  from: 'visit',
  applies: (c) => c.readings('off_amps').length > 0,
  judge(c) {
    const limit = c.limit('ground-amps-stop')
    const legs = c.readings('off_amps').map((r) => ({ p: r.position, amps: highest(r) }))
    const live = legs.filter((l) => l.amps > limit.value)
    const none = legs.filter((l) => l.amps <= limit.value)
    const unread = c.machine.phases === 3 ? legPositions.filter((p) => !legs.some((l) => l.p === p)) : []
    return [
      ...(live.length === 0
        ? []
        : [
            verdict(this, {
              level: 'stop',
              positions: live.map((l) => l.p),
              value: Math.max(...live.map((l) => l.amps)),
              limit: limit.value,
              basis: [limit.basis],
              because: `${live.map((l) => `${l.p} carries ${show.amps(l.amps)} A`).join(', ')} though the fan should be off. ${
                live.length === 1
                  ? 'Current on one leg only goes to ground: half the motor runs on that leg and the ground wire.'
                  : 'Off at the contactor is not de-energized.'
              }`,
              next: 'Isolate at the source. Check the contactor poles, then each lead to ground.',
            }),
          ]),
      ...(none.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: none.map((l) => l.p),
              value: Math.max(...none.map((l) => l.amps)),
              limit: limit.value,
              basis: [limit.basis],
              because: `No current${unread.length > 0 || live.length > 0 ? ` on ${none.map((l) => l.p).join(' and ')}` : ''} with the fan off.`,
              next: 'Nothing to do.',
            }),
          ]),
      ...(unread.length === 0 || live.length > 0
        ? []
        : [
            verdict(this, {
              level: 'watch',
              positions: unread,
              basis: [practice('each line by itself: a winding to ground carries on one alone')],
              because: `${unread.join(' and ')} not read with the fan off: a winding to ground carries current on one leg alone.`,
              next: `Clamp ${unread.join(' and ')} as well.`,
              confidence: 'low',
              settles: false,
              ofVisit: true,
            }),
          ]),
    ]
  },
}

export const groundCurrentCheck: CheckDefinition = {
  id: 'ground-current',
  phase: 'look',
  part: 'electric',
  title: 'Grounding conductor',
  how: 'Clamp the grounding conductor alone; then all line conductors together in one jaw; then each line while the fan is off.',
  caution: 'Never take the grounding conductor off to measure it. If it carries current, isolate first.',
  for: always,
  groups: (m) => [
    { title: 'Clamp', asks: cells('ground_amps', ['ground-wire', 'lines'], ['Ground wire', 'All lines']) },
    {
      title: 'Fan off, each line',
      asks: cells('off_amps', m.phases === 3 ? ['L1', 'L2', 'L3'] : ['L1', 'L2']),
      also: true,
    },
  ],
  judges: [groundCurrent, offAmps],
}
