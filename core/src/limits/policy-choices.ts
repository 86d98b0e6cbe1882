import { practice, standard, type Basis } from './limit.ts'
import type { Policies } from './policies.ts'

export type PolicyKey = Exclude<keyof Policies, 'trim' | 'limits'>

/** A matter in which the trade disagrees, with what each policy holds. The first option is the default. */
export interface PolicyChoice<K extends PolicyKey = PolicyKey> {
  readonly key: K
  readonly title: string
  readonly options: readonly {
    readonly id: Policies[K]
    /** As it is shown. */
    readonly words: string
    readonly holds: string
    readonly basis: Basis
  }[]
  /** What stays fixed whatever is chosen. */
  readonly fixed: string
}

const policyChoice = <K extends PolicyKey>(s: PolicyChoice<K>): PolicyChoice<K> => s

/** Every choice a house makes, in the order of the page. A new one is a field of the rules and an entry here. */
export const policyChoices: readonly PolicyChoice[] = [
  policyChoice({
    key: 'overAmp',
    title: 'Overcurrent policy',
    options: [
      {
        id: 'plate',
        words: 'Nameplate amps',
        holds: 'The nameplate is the limit. Default: the maker guarantees it at the air temperature on the nameplate.',
        basis: practice('the motor plate'),
      },
      {
        id: 'service factor',
        words: 'Service factor, for short times',
        holds:
          'The service factor may be used for a short time: inside it the level is Watch, never OK, and not on an unbalanced supply.',
        basis: practice(),
      },
      {
        id: 'trim below plate',
        words: 'Trim below the nameplate',
        holds: 'A few percent below the nameplate, so that low volts or a clean filter do not push it over.',
        basis: practice(),
      },
    ],
    fixed: 'The amps printed for the connected volts apply, and the lower of motor and unit nameplate.',
  }),
  policyChoice({
    key: 'insulation',
    title: 'Insulation policy',
    options: [
      {
        id: 'random-wound 5',
        words: '5 MΩ for random-wound motors',
        holds: '5 MΩ at 40 °C. Default: the standard’s minimum for random-wound motors below 1 kV, such as fan motors.',
        basis: standard('IEEE 43'),
      },
      {
        id: 'kV plus 1',
        words: 'kV + 1 MΩ',
        holds: '1 MΩ plus 1 MΩ per kV: the older rule, for windings made before about 1970.',
        basis: standard('IEEE 43'),
      },
      {
        id: 'form-wound 100',
        words: '100 MΩ for form-wound motors',
        holds: '100 MΩ, for form-wound coils.',
        basis: standard('IEEE 43'),
      },
      {
        id: 'lamp 30',
        words: 'Lamp tester',
        holds: '30 MΩ, where the lamp of a portable tester changes. Record the number, not the lamp.',
        basis: practice(),
      },
    ],
    fixed:
      'A fall against the motor’s own history is a finding even above the minimum. An ohmmeter is never an insulation test.',
  }),
  policyChoice({
    key: 'insulationSystem',
    title: 'Correction of insulation readings to 40 °C',
    options: [
      {
        id: 'thermosetting',
        words: 'Modern resin',
        holds: 'As for modern resins. Default: motors of the last sixty years.',
        basis: standard('IEEE 43', 'from memory'),
      },
      {
        id: 'thermoplastic',
        words: 'Before about 1960',
        holds: 'Halving every 10 °C, as for asphalt and shellac before about 1960.',
        basis: standard('IEEE 43'),
      },
    ],
    fixed: 'Readings below 10 °C and above 85 °C are not corrected.',
  }),
  policyChoice({
    key: 'capacitor',
    title: 'Capacitor at motor replacement',
    options: [
      {
        id: 'new with the motor',
        words: 'New with the motor',
        holds: 'A new one with every motor. Default: the old one has aged as much as the motor.',
        basis: practice(),
      },
      {
        id: 'keep if it measures',
        words: 'Keep it if it measures well',
        holds: 'Keep it when it measures well and its value fits.',
        basis: practice(),
      },
    ],
    fixed: 'The value always follows the nameplate of the installed motor, never the old capacitor.',
  }),
  policyChoice({
    key: 'beltTension',
    title: 'Belt tension method',
    options: [
      {
        id: 'deflection and force',
        words: 'Deflection and force',
        holds: 'Deflect the belt 1/64 of the span and read the force. Default: it uses span, power and belt.',
        basis: practice('belt makers’ deflection method'),
      },
      {
        id: 'span note',
        words: 'Frequency of the span',
        holds: 'Frequency of the plucked span: the most exact, with a meter or microphone.',
        basis: practice('T = 4 m t² f²'),
      },
      {
        id: 'half an inch',
        words: 'Half an inch by thumb',
        holds: 'Half an inch of play by thumb: right for one span only, too tight or too slack on others.',
        basis: practice(),
      },
      {
        id: 'firm by hand',
        words: 'Firm by hand',
        holds: 'Tight, not bouncing. Gives no value to compare.',
        basis: practice(),
      },
    ],
    fixed: 'Tension is set with the motor base, never with the sheave: the sheave sets the speed.',
  }),
  policyChoice({
    key: 'temperature',
    title: 'Temperature scale',
    options: [
      { id: 'F', words: '°F', holds: 'Degrees Fahrenheit. Default: as most spot meters show.', basis: practice() },
      { id: 'C', words: '°C', holds: 'Degrees Celsius.', basis: practice() },
    ],
    fixed: 'Stored in degrees Celsius either way.',
  }),
]
