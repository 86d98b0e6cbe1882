import { practice, type Limit } from './limit.ts'

export const contactDropFix: Limit = {
  id: 'contact-drop-fix',
  title: 'Volts across a closed contact, fix above',
  value: 0.3,
  unit: 'V',
  basis: practice(),
  house: { min: 0.1, max: 1 },
  means: 'It heats up and unbalances the motor.',
}
