import { practice, type Limit } from './limit.ts'

export const twinDiffers: Limit = {
  id: 'twin-differs',
  title: 'Load against the twin fan, watch above',
  value: 0.15,
  unit: 'ratio',
  basis: practice(),
  house: { min: 0.05, max: 0.4 },
  means: 'Twins on one duct carry alike: a difference is a belt, a wheel, a drive or an air path.',
}
