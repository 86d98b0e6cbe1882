/** What is opened on the way and has to be put back. */
export const restores = {
  call: 'Controls: call, clock, building system',
  lock: 'Your lock',
  hold: 'The hold on the wheel',
  panel: 'Panels',
  guard: 'Guards',
  cover: 'Cover over coil or opening: off again',
  motor: 'Motor back on its base',
  gas: 'Gas cock, leak-tested',
  cutout: 'Cut-out leads',
  dead: 'Isolated fan or drive',
  blank: 'Temporary blank',
  bypass: 'Temporary bypass',
} as const
export type Restore = keyof typeof restores

/** How a machine is while one of them is not back. */
export const asLeft: Readonly<Record<Restore, string>> = {
  call: 'controls held off',
  lock: 'locked out',
  hold: 'wheel held',
  panel: 'panels off',
  guard: 'guards off',
  cover: 'opening covered',
  motor: 'motor off its base',
  gas: 'gas shut off',
  cutout: 'cut-out leads off',
  dead: 'fan or drive isolated',
  blank: 'temporary blank on',
  bypass: 'temporary bypass on',
}

/** What doing a step leaves off, and what has to be so before it counts as done. */
export interface TakesOff {
  /** What it takes off, lifts or shuts: no job closes with one of them off. */
  readonly opens?: readonly Restore[]
  /** The step that puts it back; left out, a job that follows does. */
  readonly back?: string
  /** Tools and loose parts are counted in it; `same`: and are as many as in that step. */
  readonly count?: { readonly same?: string }
  /** It is done by a combustion test within the limits. */
  readonly burn?: true
}

/** By step. Apart from the steps themselves: judging a machine asks what is off, and nothing else of them. */
export const takesOff: Readonly<Record<string, TakesOff>> = {
  // Locking out and opening.
  A2: { opens: ['call'], back: 'Z7' },
  A3: { opens: ['lock'], back: 'Z3' },
  A5: { opens: ['hold'], back: 'Z2' },
  A6: { opens: ['panel', 'guard'], back: 'Z2' },
  // Cleaning, propeller fan, wheel.
  CL2: { opens: ['cover'], back: 'CL8' },
  PF2: { opens: ['cover'], back: 'PF10' },
  WH2: { opens: ['motor'], back: 'WH11' },
  // Fan deck over a gas section.
  FD1: { opens: ['gas'], back: 'FD11' },
  FD2: { opens: ['cutout'], back: 'FD10' },
  FD6: { opens: ['cover'], back: 'FD8', count: {} },
  FD8: { count: { same: 'FD6' } },
  FD11: { burn: true },
  // Temporary blank or bypass.
  TB2: { opens: ['dead'] },
  TB3: { opens: ['blank'] },
  TB4: { opens: ['bypass'] },
}

const lasting = new Set(Object.values(takesOff).flatMap((t) => (t.back === undefined ? (t.opens ?? []) : [])))
/** Does it stay on purpose once its job is closed, until the job that follows? */
export const stays = (r: Restore): boolean => lasting.has(r)

const backs = new Set(Object.values(takesOff).map((t) => t.back))
/** Does a step put something back? */
export const putsBack = (step: string): boolean => backs.has(step)
