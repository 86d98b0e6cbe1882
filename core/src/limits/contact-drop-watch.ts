import { practice, type Limit } from './limit.ts'

export const contactDropWatch: Limit = {
  id: 'contact-drop-watch',
  title: 'Volts across a closed contact, watch above',
  value: 0.1,
  unit: 'V',
  basis: practice(),
  house: { min: 0.03, max: 0.3 },
  means: 'A clean contact has almost no voltage drop.',
}
