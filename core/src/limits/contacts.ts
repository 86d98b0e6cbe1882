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

export const lugTorqueLeast: Limit = {
  id: 'lug-torque-least',
  title: 'Lug torque, not believed below',
  value: 4.4,
  unit: 'lbf.in',
  basis: practice('common practice: the smallest terminal screws are set to about 4.4 lbf·in'),
  house: null,
  means: 'The torque driver was not set, or the figure is misread.',
}

export const lugTorqueMost: Limit = {
  id: 'lug-torque-most',
  title: 'Lug torque, not believed above',
  value: 600,
  unit: 'lbf.in',
  basis: practice('common practice: the largest lugs of such units are set to about 500 lbf·in'),
  house: null,
  means: 'Foot-pounds were taken for inch-pounds, or the screw was overtightened.',
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
