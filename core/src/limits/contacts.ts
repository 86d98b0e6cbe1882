import { practice, type Limit } from './limit.ts'

// Contactor poles and fuses.

export const contactOhms: Limit = {
  id: 'contact-ohms',
  title: 'Closed pole or fuse, ohms at most',
  value: 1,
  unit: 'ohm',
  basis: practice(),
  house: { min: 0.2, max: 5 },
  means: 'More is a burnt contact or a blown fuse.',
}

export const contactDropWatch: Limit = {
  id: 'contact-drop-watch',
  title: 'Volts across a closed contact, watch above',
  value: 0.1,
  unit: 'V',
  basis: practice(),
  house: { min: 0.03, max: 0.3 },
  means: 'A clean contact has almost no voltage drop.',
}

export const contactDropFix: Limit = {
  id: 'contact-drop-fix',
  title: 'Volts across a closed contact, fix above',
  value: 0.3,
  unit: 'V',
  basis: practice(),
  house: { min: 0.1, max: 1 },
  means: 'It heats up and unbalances the motor.',
}
