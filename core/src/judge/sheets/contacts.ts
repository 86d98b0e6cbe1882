import { legPositions, show } from '../../quantity/index.ts'
import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { cells, threePhase, type SheetCheck } from './sheet.ts'

const bad = (c: Context, quantity: 'pole_ohms' | 'fuse_ohms') => {
  const limit = c.limit('contact-ohms').value
  return legPositions.flatMap((p) => {
    const r = c.reading(quantity, p)
    return r && (r.how === 'over-range' || r.value > limit)
      ? [`${p} ${r.how === 'over-range' ? 'open' : show.ohms(r.value)}`]
      : []
  })
}

/** Poles of the contactor, closed by its coil or its lever, by ohms. */
const poles: Check = {
  id: 'contactor-poles',
  title: 'Contactor poles',
  applies: (c) => c.has('pole_ohms'),
  judge(c) {
    const limit = c.limit('contact-ohms')
    const open = bad(c, 'pole_ohms')
    if (open.length > 0)
      return verdict(this, {
        level: 'fix',
        limit: limit.value,
        basis: [limit.basis],
        because: `Closed poles read ${open.join(', ')}: they do not make.`,
        next: 'Pressed by hand they may sit crooked: close it by its coil and read again, then change it.',
      })
    return verdict(this, {
      level: 'ok',
      limit: limit.value,
      basis: [limit.basis],
      because: 'Every pole makes.',
      next: 'Nothing to do.',
    })
  },
}

/** Lines that would have to open: three, two of a single-phase feed between lines, one of a feed to neutral. */
const linesOf = (c: Context): number => (c.machine.phases === 3 ? 3 : c.machine.serviceVolts < 180 ? 1 : 2)

/** A contactor that does not open every line. */
const polesOpened: Check = {
  id: 'contactor-kind',
  title: 'What the contactor opens',
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
      because: `A ${n === 1 ? 'single' : 'two'}-pole contactor: when it is off a leg stays hot at the motor.`,
      next: 'Dead only by the disconnect; prove each leg to ground, always.',
    })
  },
}

const fuses: Check = {
  id: 'fuses',
  title: 'Fuses',
  applies: (c) => c.has('fuse_ohms'),
  judge(c) {
    const limit = c.limit('contact-ohms')
    const blown = bad(c, 'fuse_ohms')
    if (blown.length > 0)
      return verdict(this, {
        level: 'stop',
        limit: limit.value,
        basis: [limit.basis],
        because: `Fuse ${blown.join(', ')}: blown. A motor on two legs burns.`,
        next: 'Find the load that blew it before a new one goes in: each load to ground, one by one. Then all three new.',
      })
    return verdict(this, {
      level: 'ok',
      limit: limit.value,
      basis: [limit.basis],
      because: 'Fuses whole.',
      next: 'Nothing to do.',
    })
  },
}

export const contacts: SheetCheck = {
  id: 'contacts',
  phase: 'dead',
  part: 'electric',
  title: 'Contactor and fuses',
  how: 'Closed poles and fuses on the ohm scale, each by itself.',
  caution: 'Do not push a contactor in with a tool on a live panel. New fuses only after the fault is cleared.',
  for: threePhase,
  groups: () => [
    { title: 'Poles, closed', asks: cells('pole_ohms', legPositions) },
    { title: 'Fuses', asks: cells('fuse_ohms', legPositions) },
  ],
  judges: [poles, polesOpened, fuses],
}
