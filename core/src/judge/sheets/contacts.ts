import { legPositions, show, type Reading } from '../../quantity/index.ts'
import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import type { MachineFacts } from '../input.ts'
import { always, cells, type SheetCheck } from './sheet.ts'

/** Poles or fuses that do not make, and those that do, each by itself. */
const read = (c: Context, quantity: 'pole_ohms' | 'fuse_ohms') => {
  const limit = c.limit('contact-ohms').value
  const all = c.readings(quantity)
  const open = (r: Reading) => r.how === 'over-range' || r.value > limit
  return {
    open: all.filter(open),
    whole: all.filter((r) => !open(r)),
    words: all
      .filter(open)
      .map((r) => `${r.position} ${r.how === 'over-range' ? 'open' : show.ohms(r.value)}`)
      .join(', '),
  }
}

/** Poles of the contactor, closed by its coil or its lever, by ohms. */
const poles: Check = {
  id: 'contactor-poles',
  title: 'Contactor poles',
  subject: 'controls',
  from: 'visit',
  applies: (c) => c.has('pole_ohms'),
  judge(c) {
    const limit = c.limit('contact-ohms')
    const { open, whole, words } = read(c, 'pole_ohms')
    return [
      ...(open.length === 0
        ? []
        : [
            verdict(this, {
              level: 'fix',
              positions: open.map((r) => r.position),
              limit: limit.value,
              basis: [limit.basis],
              because: `Closed poles read ${words}: they do not make.`,
              next: 'Pressed by hand they may sit crooked: close it by its coil and read again, then replace it.',
            }),
          ]),
      ...(whole.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: whole.map((r) => r.position),
              limit: limit.value,
              basis: [limit.basis],
              because:
                open.length === 0 ? 'Every pole read makes.' : `${whole.map((r) => r.position).join(' and ')} make.`,
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

/** Lines that would have to open: three, two of a single-phase feed between lines, one of a feed to neutral. */
const linesOf = (c: Context): number => (c.machine.phases === 3 ? 3 : c.machine.serviceVolts < 180 ? 1 : 2)

/** A contactor that does not open every line. */
const polesOpened: Check = {
  id: 'contactor-kind',
  title: 'Contactor poles against lines',
  subject: 'controls',
  from: 'register',
  applies: (c) =>
    c.machine.controls.starter === 'contactor' &&
    c.machine.controls.poles !== null &&
    c.machine.controls.poles < linesOf(c),
  judge(c) {
    const { poles: n } = c.machine.controls
    return verdict(this, {
      level: 'watch',
      value: n,
      limit: linesOf(c),
      basis: [practice('off at the contactor is not dead')],
      because: `A ${n === 1 ? 'single' : 'two'}-pole contactor: with it off, a leg stays hot at the motor.`,
      next: 'Off at the contactor is not dead: open the disconnect and prove each leg to ground, always.',
    })
  },
}

const fuses: Check = {
  id: 'fuses',
  title: 'Fuses',
  subject: 'protection',
  from: 'visit',
  applies: (c) => c.has('fuse_ohms'),
  judge(c) {
    const limit = c.limit('contact-ohms')
    const { open, whole, words } = read(c, 'fuse_ohms')
    return [
      ...(open.length === 0
        ? []
        : [
            verdict(this, {
              level: 'stop',
              positions: open.map((r) => r.position),
              limit: limit.value,
              basis: [limit.basis],
              because: `Fuse ${words}: blown.${c.machine.phases === 3 ? ' A motor on two legs burns.' : ''}`,
              next: `Find the load that blew it before a new one goes in: each load to ground, one by one. Then replace ${c.machine.phases === 3 ? 'all three' : 'all of them'}.`,
            }),
          ]),
      ...(whole.length === 0
        ? []
        : [
            verdict(this, {
              level: 'ok',
              positions: whole.map((r) => r.position),
              limit: limit.value,
              basis: [limit.basis],
              because: `Fuses ${whole.map((r) => r.position).join(', ')} good.`,
              next: 'Nothing to do.',
            }),
          ]),
    ]
  },
}

/** Lines that have a pole and a fuse: three, or two of a single-phase feed between lines, one of a feed to neutral. */
const linesFor = (m: MachineFacts) => legPositions.slice(0, m.phases === 3 ? 3 : m.serviceVolts < 180 ? 1 : 2)

export const contacts: SheetCheck = {
  id: 'contacts',
  phase: 'dead',
  part: 'electric',
  title: 'Contactor and fuses',
  how: 'Closed poles and fuses on the ohm scale, each by itself.',
  caution: 'Do not push a contactor in with a tool on a live panel. New fuses only after the fault is cleared.',
  for: always,
  groups: (m) => [
    {
      title:
        m.controls.poles !== null && m.controls.poles < linesFor(m).length
          ? `Poles, closed (${m.controls.poles} of ${linesFor(m).length} lines are switched)`
          : 'Poles, closed',
      asks: cells('pole_ohms', linesFor(m).slice(0, m.controls.poles ?? 3)),
    },
    { title: 'Fuses', asks: cells('fuse_ohms', linesFor(m)) },
  ],
  judges: [poles, polesOpened, fuses],
}
