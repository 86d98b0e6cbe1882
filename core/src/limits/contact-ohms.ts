import { practice, type Limit } from './limit.ts'

export const contactOhms: Limit = {
  id: 'contact-ohms',
  title: 'Closed pole or fuse, ohms at most',
  value: 1,
  unit: 'ohm',
  basis: practice(),
  house: { min: 0.2, max: 5 },
  means: 'More is a burnt contact or a blown fuse.',
}
