import { beltService, beltsCarry } from '../../../installed/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { convert } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'

const hp = (watts: number) => `${convert(watts, 'W', 'hp').toFixed(1)} hp`

/** What the belts are good for against what the motor's plate gives, watts; null where either is not known. */
function facts(c: Context): { carry: number; plate: number } | null {
  const plate = c.motor?.plate
  if (!c.driveTrain || plate?.power === undefined || plate.rpm === undefined) return null
  const carry = beltsCarry(c.driveTrain, plate.rpm)
  return carry === null ? null : { carry, plate: plate.power * (plate.powerUnit === 'kW' ? 1000 : 745.7) }
}

/** Under-belted: the set wears out early, whatever its tension. */
export const beltsCarryRule: Rule = {
  id: 'belts-carry',
  title: 'Belt capacity',
  subject: 'belts',
  from: 'register',
  informs: true,
  applies: (c) => c.point !== null && facts(c) !== null,
  judge(c) {
    const { carry, plate } = facts(c) ?? { carry: 0, plate: 0 }
    const under = carry < plate
    const short = !under && carry < beltService * plate
    const told = `${c.driveTrain?.belts ?? ''} × ${c.driveTrain?.section ?? ''} carry ${hp(carry)}, the motor gives ${hp(plate)}`
    return verdict(this, {
      level: under ? 'watch' : 'ok',
      value: carry,
      limit: plate,
      basis: [
        standard('rating formula of the drive standards for V-belts; constants', 'from memory'),
        practice(`service factor ${beltService} of a fan`),
      ],
      because: under ? `Under-belted: ${told}.` : short ? `${told}: little to spare.` : `${told}.`,
      next: under
        ? 'Add a belt, or use a larger section or larger sheaves of the same ratio. Until then check the belts at each visit.'
        : 'Nothing to do.',
      confidence: 'low',
    })
  },
}
