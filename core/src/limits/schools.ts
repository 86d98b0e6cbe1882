import { practice, standard, type Basis } from './limit.ts'
import type { HouseRules } from './house-rules.ts'

export type SchoolKey = Exclude<keyof HouseRules, 'trim' | 'limits'>

/** A matter in which the trade disagrees, with what each school holds. The first option is the default. */
export interface School<K extends SchoolKey = SchoolKey> {
  readonly key: K
  readonly title: string
  readonly options: readonly { readonly id: HouseRules[K]; readonly holds: string; readonly basis: Basis }[]
  /** What stays fixed whatever is chosen. */
  readonly fixed: string
}

const school = <K extends SchoolKey>(s: School<K>): School<K> => s

/** Every choice a house makes, in the order of the page. A new one is a field of the rules and an entry here. */
export const schools: readonly School[] = [
  school({
    key: 'overAmp',
    title: 'How much current is too much',
    options: [
      {
        id: 'plate',
        holds:
          'The plate is the limit. Default: the plate is what the maker stands behind at any air temperature it names.',
        basis: practice('the motor plate'),
      },
      {
        id: 'service factor',
        holds:
          'The service factor may carry it for a while: inside it is a watch, never OK, and not on an unbalanced supply.',
        basis: practice(),
      },
      {
        id: 'trim below plate',
        holds: 'Trim a few per cent below the plate, so that a low supply or a clean filter does not put it over.',
        basis: practice(),
      },
    ],
    fixed:
      'Nobody raises a limit quietly: the column of the connection counts as printed, and of motor plate and unit plate the lower.',
  }),
  school({
    key: 'insulation',
    title: 'How much insulation is enough',
    options: [
      {
        id: 'random-wound 5',
        holds: '5 MΩ at 40 °C. Default: the standard’s floor for random-wound motors below 1 kV, which fan motors are.',
        basis: standard('IEEE 43'),
      },
      {
        id: 'kV plus 1',
        holds: '1 MΩ and one more for each kV: the older rule, for windings of before about 1970.',
        basis: standard('IEEE 43'),
      },
      { id: 'form-wound 100', holds: '100 MΩ, for form-wound coils.', basis: standard('IEEE 43') },
      {
        id: 'lamp 30',
        holds: '30 MΩ, where the lamp of a portable tester changes. The number is kept, not the lamp.',
        basis: practice(),
      },
    ],
    fixed:
      'A fall against the motor’s own past is a finding above every floor; an ohmmeter is never an insulation test.',
  }),
  school({
    key: 'insulationSystem',
    title: 'How readings are taken to 40 °C',
    options: [
      {
        id: 'thermosetting',
        holds: 'As today’s resins. Default: every motor of the last sixty years.',
        basis: standard('IEEE 43', 'from memory'),
      },
      {
        id: 'thermoplastic',
        holds: 'Halving every 10 K, as the asphalt and shellac of before about 1960.',
        basis: standard('IEEE 43'),
      },
    ],
    fixed: 'Below 10 and above 85 °C nothing is corrected.',
  }),
  school({
    key: 'capacitor',
    title: 'The capacitor when a motor is changed',
    options: [
      {
        id: 'new with the motor',
        holds: 'A new one with every motor. Default: it has aged as much as the motor it served.',
        basis: practice(),
      },
      { id: 'keep if it measures', holds: 'Keep it when it measures well and its value fits.', basis: practice() },
    ],
    fixed: 'The value always follows the plate of the motor that is in, never the old can.',
  }),
  school({
    key: 'beltTension',
    title: 'How belt tension is measured',
    options: [
      {
        id: 'deflection and force',
        holds: 'A 64th of the span, with the force that does it. Default: it knows span, power and belt.',
        basis: practice('belt makers’ deflection method'),
      },
      {
        id: 'span note',
        holds: 'The note of the plucked span: the exact one, where a meter or microphone is at hand.',
        basis: practice('T = 4 m t² f²'),
      },
      {
        id: 'half an inch',
        holds: 'Half an inch of play by thumb: right on one span, drum-tight or slack on others. It says which.',
        basis: practice(),
      },
      { id: 'firm by hand', holds: 'Tight, not bouncing. Nothing to hold a reading against.', basis: practice() },
    ],
    fixed: 'Tension is set by the motor base, never by the sheave: the sheave sets the speed.',
  }),
  school({
    key: 'temperature',
    title: 'Temperatures are read and shown in',
    options: [
      { id: 'F', holds: 'Degrees Fahrenheit. Default: what the spot meters on the roof show.', basis: practice() },
      { id: 'C', holds: 'Degrees Celsius.', basis: practice() },
    ],
    fixed: 'Kept in degrees Celsius either way.',
  }),
]
