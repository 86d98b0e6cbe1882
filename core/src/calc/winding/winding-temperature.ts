import { z } from 'zod'
import { temperatureByOhms } from '../../electrical/index.ts'
import { standard } from '../../limits/index.ts'
import { calculator } from '../calculator.ts'
import { celsius, ohms } from '../fields.ts'

export const windingTemperatureCalc = calculator({
  id: 'winding-temperature',
  title: 'Winding temperature from resistance',
  group: 'winding',
  formula: 'T2 = (R2 / R1)(234.5 + T1) − 234.5',
  basis: [standard('copper 234.5 °C')],
  input: z.strictObject({
    coldOhms: ohms.positive(),
    coldCelsius: celsius.meta({ unit: '°C', title: 'Cold, at' }),
    hotOhms: ohms.positive(),
    ambient: celsius.optional().meta({ unit: '°C', title: 'Air temperature at the end' }),
  }),
  output: z.object({
    hotCelsius: z.number().meta({ unit: '°C', title: 'Winding' }),
    rise: z.number().nullable().meta({ unit: 'K', title: 'Rise', none: 'air temperature not entered' }),
  }),
  example: { coldOhms: 1.32, coldCelsius: 20, hotOhms: 1.71, ambient: 28 },
  compute(i) {
    const hot = temperatureByOhms(i.coldOhms, i.coldCelsius, i.hotOhms)
    return { hotCelsius: hot, rise: i.ambient === undefined ? null : hot - i.ambient }
  },
})
