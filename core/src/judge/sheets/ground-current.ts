import { groundReturn } from '../../electrical/index.ts'
import { show } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, cells, type SheetCheck } from './sheet.ts'

/** Amps in the grounding conductor: near zero, or a winding has broken through. */
const groundCurrent: Check = {
  id: 'ground-current',
  title: 'Grounding conductor',
  applies: (c) => c.has('ground_amps'),
  judge(c) {
    const wire = c.value('ground_amps', 'ground-wire')
    const lines = c.value('ground_amps', 'lines')
    const off = Math.max(0, ...['L1', 'L2', 'L3'].map((p) => c.value('off_amps', p) ?? 0))
    const worst = Math.max(wire ?? 0, lines ?? 0)
    const stop = c.limit(c.machine.hasDrive ? 'ground-amps-drive' : 'ground-amps-stop')
    const watch = c.limit('ground-amps-watch')
    const out = lines ?? (off > 0 ? off : undefined)
    const another =
      wire !== undefined && out !== undefined && out > 0
        ? (() => {
            const back = groundReturn(out, wire)
            return back.share < -0.05
              ? ' More comes back than goes out: another circuit uses this conductor.'
              : back.otherLow > 0.05 * out
                ? ` At least ${show.amps(back.otherLow)} A returns another way, by pipe, duct or steel.`
                : ''
          })()
        : ''
    const told = [
      wire === undefined ? '' : `${show.amps(wire)} A in the grounding conductor`,
      lines === undefined ? '' : `${show.amps(lines)} A left over on the lines together`,
    ]
      .filter(Boolean)
      .join(', ')
    if (worst > stop.value)
      return verdict(this, {
        level: 'stop',
        value: worst,
        limit: stop.value,
        basis: [stop.basis],
        because: `${told}. A winding has broken through to the frame.${another} Cut or lift that conductor and the cabinet is live.`,
        next: 'Touch nothing, lift nothing. Isolate at the source, then test each lead to ground.',
      })
    if (worst > watch.value)
      return verdict(this, {
        level: 'watch',
        value: worst,
        limit: watch.value,
        basis: [watch.basis],
        because: `${told}: more than nothing.${c.machine.hasDrive ? ' A drive leaks by design.' : ''}${another}`,
        next: c.machine.hasDrive
          ? 'Read again with the drive stopped.'
          : 'Insulation of each lead, dry and wet; read again.',
        confidence: c.machine.hasDrive ? 'low' : 'full',
      })
    return verdict(this, {
      level: 'ok',
      value: worst,
      limit: watch.value,
      basis: [watch.basis],
      because: `${told}: next to nothing.`,
      next: 'Nothing to do.',
    })
  },
}

/** Current on the lines of a fan that should be off. */
const offAmps: Check = {
  id: 'off-amps',
  title: 'Amps while it should be off',
  applies: (c) => c.has('off_amps'),
  judge(c) {
    const legs = ['L1', 'L2', 'L3'].flatMap((p) => {
      const amps = c.value('off_amps', p)
      return amps === undefined ? [] : [{ p, amps }]
    })
    const live = legs.filter((l) => l.amps > c.limit('ground-amps-stop').value)
    const basis = [c.limit('ground-amps-stop').basis]
    if (live.length > 0)
      return verdict(this, {
        level: 'stop',
        value: Math.max(...live.map((l) => l.amps)),
        limit: c.limit('ground-amps-stop').value,
        basis,
        because: `${live.map((l) => `${l.p} carries ${show.amps(l.amps)} A`).join(', ')} though it should be off. ${
          live.length === 1
            ? 'On one leg alone the current goes to ground: half the motor runs on that leg and the ground wire.'
            : 'Off at the contactor is not off.'
        }`,
        next: 'Isolate at the source. Contactor poles, then each lead to ground.',
      })
    return verdict(this, {
      level: 'ok',
      value: Math.max(...legs.map((l) => l.amps)),
      limit: c.limit('ground-amps-stop').value,
      basis,
      because: 'No current while off.',
      next: 'Nothing to do.',
    })
  },
}

export const groundCurrentSheet: SheetCheck = {
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
