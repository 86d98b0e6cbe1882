/** Minutes of a step, where a small job takes less than a full one. */
export type Minutes = number | { readonly full: number; readonly small: number }

/** One step of a job as its template has it. */
export interface Step {
  readonly id: string
  readonly title: string
  /** When it is right. */
  readonly right: string
  readonly minutes: Minutes
  /** Both have to be there; left out, one. */
  readonly people?: 2
  /** Steps that come before it. */
  readonly after: readonly string[]
  /** Time that has to pass between this step and another; hands are free meanwhile. */
  readonly wait?: {
    readonly minutes: Minutes
    readonly before: string
    readonly why: string
    readonly onlyDrive?: boolean
  }
  readonly hazards?: readonly Hazard[]
  /** What is photographed or entered before it is ticked. */
  readonly evidence?: readonly string[]
  /** Beyond the base kit. */
  readonly tools?: readonly string[]
  /** What loses its support in it. */
  readonly support?: string
  /** What cannot be undone, and the checks it stays shut until. */
  readonly irreversible?: { readonly needs: readonly string[]; readonly words: string }
  /** It is done, or the job is not: nobody skips it with a reason. */
  readonly must?: boolean
  /** A hub or a sheave comes off its shaft in it, which may be stuck. */
  readonly hub?: boolean
  /** The job may be left here over night: locked and covered. */
  readonly safe?: boolean
}

/** Said before a step. Cautions, no permits: local code, the site’s lockout and licensed people decide. */
export const hazards = {
  leg: 'Read each leg to ground: nothing between two legs proves nothing.',
  cap: 'Capacitor: bleed it through a resistor, then measure.',
  bus: 'Drive: wait the minutes of its label, then measure the bus.',
  auto: 'It can start by itself.',
  mill: 'Wind or the twin can turn it: hold the wheel.',
  guard: 'Guards on, stand clear.',
  live: 'Live: qualified people with the PPE of the label, never alone.',
  mega: 'Unplug electronics before the insulation test.',
  close: 'Close it onto tested loads only, and once.',
  fall: 'Support it first.',
  edge: 'Sheet-metal edges and insects: gloves.',
  grind: 'Eyes, ears and gloves first; no lint and no grease near sparks.',
  gas: 'Open gas section: cover it, count tools. Licensed technicians only.',
  coil: 'Board over the coil; use holes that are there.',
  hot: 'Let it cool below 140 °F (60 °C).',
  wet: 'Bag the electrics, dry them, test them.',
  blow: 'Air below 30 psi, 2 bar (OSHA 1910.242), and never at bearings.',
  lead: 'Cap every spare lead by itself.',
  gnd: 'Ground wire first on; it is never cut.',
  shake: 'Over the vibration limit: stop.',
  air: 'Watch building pressure, flue draft and the pressure the duct is built for.',
  pinch: 'Slacken the base: belts are never rolled on.',
} as const
export type Hazard = keyof typeof hazards
