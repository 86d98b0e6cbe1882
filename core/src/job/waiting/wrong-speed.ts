import { energyFields, figure, type WaitingRule } from './rule.ts'

export const wrongSpeed: WaitingRule = {
  id: 'wrong-speed',
  title: 'Fan too fast: wrong sheave or speed setting',
  fields: [
    { key: 'kilowatts', title: 'Power now', unit: 'kW', min: 0.01, max: 1000, usual: null },
    { key: 'now', title: 'Speed now', unit: 'rpm', min: 1, max: 10_000, usual: null },
    { key: 'right', title: 'Right speed', unit: 'rpm', min: 1, max: 10_000, usual: null },
    ...energyFields,
  ],
  month: (f) =>
    figure(f, 'kilowatts') *
    Math.max(0, 1 - (figure(f, 'right') / figure(f, 'now')) ** 3) *
    figure(f, 'hours') *
    figure(f, 'price'),
  assumptions: ['Power goes with the cube of the speed.', 'Too slow costs air, not energy: it counts as nothing.'],
}
