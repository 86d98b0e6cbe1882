import { legPositions, show, type Reading } from '../../../quantity/index.ts'
import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { MachineFacts } from '../../input.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

/** Lines that have a pole and a fuse: three, or two of a single-phase feed between lines, one of a feed to neutral. */
const linesFor = (m: MachineFacts) => legPositions.slice(0, m.phases === 3 ? 3 : m.serviceVolts < 180 ? 1 : 2)
/** Of these, the ones that its contactor switches. */
const polesFor = (m: MachineFacts) => linesFor(m).slice(0, m.controls.poles ?? 3)

/** What is read on the ohm scale closed or whole, and what is said of those that make and those that do not. */
interface Contact {
  readonly quantity: 'pole_ohms' | 'fuse_ohms'
  readonly id: string
  readonly title: string
  readonly subject: Rule['subject']
  readonly level: 'fix' | 'stop'
  readonly open: (words: string, c: Context) => string
  readonly next: (c: Context) => string
  /** @param names those that make @param all nothing else was read */
  readonly good: (names: readonly string[], all: boolean) => string
  /** Lines that have one. */
  readonly lines: (m: MachineFacts) => readonly string[]
  /** What is said where some were read and good, and others were not. */
  readonly unread: string
}

/** Poles or fuses, each by itself: those that do not make, and those that do. */
const contact = (k: Contact): Rule => ({
  id: k.id,
  title: k.title,
  subject: k.subject,
  from: 'visit',
  applies: (c) => c.has(k.quantity),
  judge(c) {
    const limit = c.limit('contact-ohms')
    const all = c.readings(k.quantity)
    const isOpen = (r: Reading) => r.how === 'over-range' || r.value > limit.value
    const open = all.filter(isOpen)
    const whole = all.filter((r) => !isOpen(r))
    const names = (list: readonly Reading[]) => list.map((r) => r.position)
    const words = open.map((r) => `${r.position} ${r.how === 'over-range' ? 'open' : show.ohms(r.value)}`).join(', ')
    const given = { limit: limit.value, basis: [limit.basis] }
    const read = (list: readonly Reading[], p: string) =>
      list.some((r) => r.quantity === k.quantity && r.position === p)
    // What an earlier visit read is known, good or bad.
    const unread = k.lines(c.machine).filter((p) => !read(all, p) && !c.earlier.some((s) => read(s.readings, p)))
    return [
      ...(open.length === 0
        ? []
        : [
            verdict(this, {
              ...given,
              level: k.level,
              positions: names(open),
              because: k.open(words, c),
              next: k.next(c),
            }),
          ]),
      ...(whole.length === 0
        ? []
        : [
            verdict(this, {
              ...given,
              level: 'ok',
              positions: names(whole),
              because: k.good(names(whole), open.length === 0),
              next: 'Nothing to do.',
            }),
          ]),
      ...(open.length > 0 || unread.length === 0
        ? []
        : [
            verdict(this, {
              level: 'watch',
              positions: unread,
              basis: [practice('each by itself')],
              because: `${unread.join(' and ')} not read: ${k.unread}.`,
              next: `Read ${unread.join(' and ')} as well.`,
              confidence: 'low',
              settles: false,
            }),
          ]),
    ]
  },
})

/** Poles of the contactor, closed by its coil or its lever, by ohms. */
const poles = contact({
  quantity: 'pole_ohms',
  id: 'contactor-poles',
  title: 'Contactor poles',
  subject: 'controls',
  level: 'fix',
  open: (words) => `Closed poles read ${words}: no contact.`,
  next: () => 'Pressed by hand the poles can sit crooked: close it with its coil and re-read, then replace it.',
  good: (names, all) => (all ? 'Every pole read closes.' : `${names.join(' and ')} make.`),
  lines: polesFor,
  unread: 'one pole that closes says nothing of the others',
})

const fuses = contact({
  quantity: 'fuse_ohms',
  id: 'fuses',
  title: 'Fuses',
  subject: 'protection',
  level: 'stop',
  open: (words, c) => `Fuse ${words}: blown.${c.machine.phases === 3 ? ' A motor on two legs burns out.' : ''}`,
  next: (c) =>
    `Find the load that blew it before a new one goes in: each load to ground, one by one. Then replace ${c.machine.phases === 3 ? 'all three' : 'all of them'}.`,
  good: (names) => `Fuses ${names.join(', ')} good.`,
  lines: linesFor,
  unread: 'one good fuse says nothing of the others',
})

/** A contactor that does not open every line. */
const polesOpened: Rule = {
  id: 'contactor-kind',
  title: 'Contactor poles against lines',
  subject: 'controls',
  from: 'register',
  applies: (c) =>
    c.machine.controls.starter === 'contactor' &&
    c.machine.controls.poles !== null &&
    c.machine.controls.poles < linesFor(c.machine).length,
  judge(c) {
    const { poles: n } = c.machine.controls
    return verdict(this, {
      level: 'watch',
      value: n,
      limit: linesFor(c.machine).length,
      basis: [practice('off at the contactor is not de-energized')],
      because: `A ${n === 1 ? 'single' : 'two'}-pole contactor: with it off, one leg stays live at the motor.`,
      next: 'Off at the contactor is not de-energized: always open the disconnect and test each leg to ground.',
    })
  },
}

export const contacts: CheckDefinition = {
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
      asks: cells('pole_ohms', polesFor(m)),
    },
    { title: 'Fuses', asks: cells('fuse_ohms', linesFor(m)) },
  ],
  judges: [poles, polesOpened, fuses],
}
