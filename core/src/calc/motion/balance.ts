import { z } from 'zod'
import { singlePlane } from '../../motion/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'

const amount = z.number().nonnegative().max(1e5)
const degrees = z.number().min(-360).max(360).meta({ unit: '°' })

export const balanceCalc = calculator({
  id: 'balance',
  title: 'Balancing a wheel with one trial weight',
  group: 'vibration',
  formula: 'α = (V1 − V0)/W;  correction = −V0/α',
  basis: [standard('influence coefficient, one plane')],
  input: z.strictObject({
    original: amount.meta({ unit: 'mm/s', title: 'Vibration as found' }),
    originalAt: degrees.meta({ unit: '°', title: 'its phase' }),
    withTrial: amount.meta({ unit: 'mm/s', title: 'With the trial weight' }),
    withTrialAt: degrees.meta({ unit: '°', title: 'its phase' }),
    trial: amount.positive().meta({ unit: 'g', title: 'Trial weight' }),
    trialAt: degrees.meta({ unit: '°', title: 'put at' }),
  }),
  output: z.object({
    weight: z.number().meta({ unit: 'g', title: 'Correction weight, trial weight removed' }),
    at: z.number().meta({ unit: '°', title: 'put at' }),
    influence: z.number().meta({ unit: 'mm/s per g', title: 'Influence coefficient' }),
  }),
  example: { original: 6.2, originalAt: 40, withTrial: 4.1, withTrialAt: 95, trial: 15, trialAt: 120 },
  compute(i) {
    const s = singlePlane(
      { size: i.original, degrees: i.originalAt },
      { size: i.withTrial, degrees: i.withTrialAt },
      { size: i.trial, degrees: i.trialAt },
    )
    return { weight: s.correction.size, at: s.correction.degrees, influence: s.influence.size }
  },
})
