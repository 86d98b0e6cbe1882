import { amount, convert } from '../../../quantity/index.ts'
import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'

const placeOf: Readonly<Record<string, string>> = { line: 'Line', load: 'Load', motor: 'Motor' }
const shown = (inchPounds: number) => `${amount(inchPounds, 'lbf.in')} (${amount(inchPounds, 'lbf.in', 'metric')})`

/** A torque is held against the label by whoever sets it; a figure that no lug has was not set. */
export const lugTorque: Rule = {
  id: 'lug-torque',
  title: 'Lug torque',
  subject: 'wiring',
  from: 'visit',
  needs: ['lug_torque'],
  applies: (c) => c.readings('lug_torque').length > 0,
  judge(c) {
    const [least, most] = [c.limit('lug-torque-least'), c.limit('lug-torque-most')]
    return c.readings('lug_torque').map((r) => {
      const set = convert(r.value, 'N.m', 'lbf.in')
      const place = `${placeOf[r.position] ?? r.position} lugs`
      const of = { positions: [r.position], value: set }
      const misread = (limit: typeof least, because: string) =>
        verdict(this, {
          ...of,
          level: 'watch',
          limit: limit.value,
          basis: [limit.basis],
          because,
          next: 'Set the torque driver to the figure on the label, tighten again and enter it.',
          confidence: 'low',
          settles: false,
        })
      if (set < least.value) return misread(least, `${place} at ${shown(set)}: less than any power lug is set to.`)
      if (set > most.value)
        return misread(most, `${place} at ${shown(set)}: more than any lug here is set to. Foot-pounds or inch-pounds?`)
      return verdict(this, {
        ...of,
        level: 'ok',
        basis: [practice('the label of the terminal has the figure')],
        because: `${place} set to ${shown(set)}.`,
        next: 'Hold it against the figure on the label.',
      })
    })
  },
}
