import { tensionAsked, type TensionAsked } from '../../../installed/index.ts'
import {
  deflectionForces,
  lifeRatio,
  tensionByPlay,
  tensionFromForce,
  tensionFromHertz,
  hertzFromTension,
} from '../../../drivetrain/index.ts'
import { practice } from '../../../limits/index.ts'
import { amount, convert, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { cells, type CheckDefinition } from '../check-definition.ts'

const force = (c: Context, newtons: number) => amount(convert(newtons, 'N', 'lbf'), 'lbf', c.machine.units)
const length = (c: Context, meters: number) => amount(convert(meters, 'm', 'in'), 'in', c.machine.units)

/** What this machine's belts ask for; null where drive, centers or the motor's power are not on record. */
function asked(c: Context): TensionAsked | null {
  const plate = c.motor?.plate
  if (!c.driveTrain || plate?.power === undefined) return null
  const watts = plate.power * (plate.powerUnit === 'kW' ? 1000 : 745.7)
  return tensionAsked(c.driveTrain, watts, plate.rpm ?? 0.96 * 30 * c.supplyHz)
}

/** The deflection test of this span: how far, and with what force, used and new. */
function pressing(a: TensionAsked) {
  const used = deflectionForces(a.used, a.stiffness)
  return { far: a.span / 64, least: used.least, greatest: used.greatest }
}

/** Tension by what was read, newtons a belt: the note before the force, as the more exact one. */
function found(c: Context, a: TensionAsked): { tension: number; told: string } | null {
  const note = c.value('belt_note', 'span')
  if (note !== undefined)
    return { tension: tensionFromHertz(note, a.span, a.mass), told: `${note.toFixed(0)} Hz on this span` }
  const pressed = c.value('belt_force', 'span')
  if (pressed === undefined) return null
  const far = convert(c.value('belt_press', 'span') ?? convert(a.span / 64, 'm', 'in'), 'in', 'm')
  if (far <= 0) return null
  // A belt resists being bent besides being pulled: that part says nothing of its tension.
  const pulled = Math.max(0, convert(pressed, 'lbf', 'N') - (a.stiffness / 16) * (far / (a.span / 64)))
  return {
    tension: tensionFromForce(pulled, far, a.span),
    told: `${amount(pressed, 'lbf', c.machine.units)} for ${length(c, far)}`,
  }
}

const tension: Rule = {
  id: 'belt-tension',
  title: 'Belt tension',
  subject: 'belts',
  from: 'visit',
  applies: (c) => c.has('belt_force', 'belt_note'),
  judge(c) {
    const a = asked(c)
    const basis = [
      practice('tight to slack as 5 : 1 at the plate’s power; belt mass and stiffness of the section from memory'),
    ]
    const read = a && found(c, a)
    if (!a || !read)
      return verdict(this, {
        level: 'watch',
        settles: false,
        basis,
        because: 'Sheaves, belts or center distance are not entered: tension cannot be judged.',
        next: 'Enter sheaves, belts and center distance on the machine’s page.',
        confidence: 'low',
      })
    const overtight = c.limit('belt-overtight')
    const told = `${read.told}: ${force(c, read.tension)} a belt, ${force(c, a.used)} to ${force(c, a.fresh)} required`
    if (read.tension > overtight.value * a.fresh)
      return verdict(this, {
        level: 'fix',
        value: read.tension,
        limit: overtight.value * a.fresh,
        basis: [overtight.basis, ...basis],
        because: `${told}. Too tight: at this pull the bearings keep ${show.percent(lifeRatio(a.fresh, read.tension))} of their life.`,
        next: 'Slacken with the motor base, spin it a few turns, measure again.',
      })
    if (read.tension < 0.7 * a.used)
      return verdict(this, {
        level: 'fix',
        value: read.tension,
        limit: 0.7 * a.used,
        basis,
        because: `${told}. Slack: it slips under load, so the amps do not show the fan load.`,
        next: 'Tighten with the motor base, never with the sheave; then re-read the amps.',
      })
    return verdict(this, {
      level: 'ok',
      value: read.tension,
      limit: a.fresh,
      basis,
      because: `${told}.`,
      next: 'A new belt stretches in its first day: measure again after 24 to 48 hours.',
    })
  },
}

/** Tension of the belts: by force, or by note. */
export const tensionCheck: CheckDefinition = {
  id: 'tension',
  phase: 'dead',
  part: 'drive',
  title: 'Belt tension',
  how: 'Press at mid-span of the longest span, square to it; or pluck it and read the frequency.',
  caution: 'Locked out, hands out of the pinch point. Set tension with the base, never with the sheave.',
  for: (m) => m.drive === 'belt',
  listens: { quantity: 'belt_note', position: 'span' },
  groups: () => [
    {
      title: 'Pressed',
      asks: [...cells('belt_press', ['span'], ['How far']), ...cells('belt_force', ['span'], ['With'])],
    },
    { title: 'Or plucked', asks: cells('belt_note', ['span'], ['Its note']), also: true },
  ],
  advice(c) {
    const a = asked(c)
    if (!a) return 'Sheaves, belts or center distance are not entered: no tension can be calculated for this span.'
    const p = pressing(a)
    const byForce = `Press ${length(c, p.far)}: ${force(c, p.least)} used, ${force(c, p.greatest)} new`
    const byNote = `${hertzFromTension(a.used, a.span, a.mass).toFixed(0)} to ${hertzFromTension(a.fresh, a.span, a.mass).toFixed(0)} Hz`
    const half = tensionByPlay(a.span)
    const halfMeans = half > 1.3 * a.fresh ? 'too tight' : half < 0.7 * a.used ? 'slack' : 'about right'
    switch (c.policies.beltTension) {
      case 'span note':
        return `Frequency of this span: ${byNote}. ${byForce}.`
      case 'half an inch':
        return `Half an inch by thumb on this span is ${halfMeans}: ${force(c, half)} a belt. ${byForce}.`
      case 'firm by hand':
        return `Tight, not bouncing. In numbers: ${byForce}.`
      case 'deflection and force':
        return `${byForce}; by frequency ${byNote}.`
    }
  },
  judges: [tension],
}
