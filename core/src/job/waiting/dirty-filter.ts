import { pressureKilowatts } from '../../energy/index.ts'
import { energyFields, figure, type WaitingRule } from './rule.ts'

export const dirtyFilter: WaitingRule = {
  id: 'dirty-filter',
  title: 'Dirty filters or coil on a fan that holds its airflow',
  fields: [
    { key: 'flow', title: 'Airflow', unit: 'cfm', min: 1, max: 500_000, usual: null },
    { key: 'extra', title: 'Pressure drop over that of clean ones', unit: 'in wg', min: 0, max: 10, usual: null },
    { key: 'efficiency', title: 'Fan, belt and motor together', unit: '%', min: 10, max: 95, usual: 50 },
    ...energyFields,
  ],
  month: (f) =>
    pressureKilowatts(figure(f, 'flow'), figure(f, 'extra'), figure(f, 'efficiency') / 100) *
    figure(f, 'hours') *
    figure(f, 'price'),
  assumptions: [
    'A drive or dampers hold the airflow. Without them the space loses air, which is not counted here.',
    'The pressure drop stays as it is now, though it grows.',
  ],
}
