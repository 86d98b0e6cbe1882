import { overloadSetting } from '../electrical/index.ts'
import { limitInForce, practice, standard, type Basis, type LimitId, type Policies } from '../limits/index.ts'
import { parameterOf, parameters, shownParameter, type ParameterId, type ParameterSet } from './parameters.ts'

/** The nameplate that a drive is set for, in the column of the volts in force; null where it does not say. */
export interface PlateForDrive {
  readonly amps: number | null
  readonly volts: number | null
  readonly hz: number | null
  readonly rpm: number | null
  readonly kw: number | null
  readonly serviceFactor: number | null
}

/** One line of a commissioning sheet. */
export interface SettingLine {
  readonly id: ParameterId
  readonly title: string
  /** As the drive has it; null where it was not read. */
  readonly set: number | null
  /** As it should be, in words; empty where nothing is known of it. */
  readonly wants: string
  readonly level: 'ok' | 'watch' | 'fix' | 'not judged'
  readonly because: string
  readonly next: string
  readonly basis: Basis
}

type Finding = Pick<SettingLine, 'level' | 'because' | 'next'> & { readonly wants?: string; readonly basis?: Basis }

const usual = practice('common practice for fans on a drive; the drive and motor manuals govern')
const fine = (wants: string, because = 'As it should be.'): Finding => ({ level: 'ok', because, next: '', wants })
const unknown = (what: string): Finding => ({
  level: 'not judged',
  because: `The nameplate does not give the ${what}.`,
  next: 'Complete the nameplate.',
})
const a = (v: number) => `${Math.round(v * 10) / 10} A`
const near = (x: number, y: number, share: number) => Math.abs(x - y) <= share * y

function sameAsPlate(id: ParameterId, set: number, plate: number | null, share: number, does: string): Finding {
  const what = parameterOf(id).title.toLowerCase().replace('motor ', '')
  if (plate === null || plate <= 0) return unknown(what)
  const wants = shownParameter(id, plate)
  if (near(set, plate, share)) return fine(wants)
  return {
    level: 'fix',
    wants,
    because: `Set to ${shownParameter(id, set)}; the nameplate says ${wants}. ${does}`,
    next: `Set it to ${wants}.`,
  }
}

function overload(set: number, p: PlateForDrive): Finding {
  if (p.amps === null || p.amps <= 0) return unknown('amps')
  const most = overloadSetting(p.amps, p.serviceFactor ?? 1).setting
  const basis = standard('NEC 430.32')
  const wants = `${a(p.amps)}, at most ${a(most)}`
  if (set === 0)
    return {
      level: 'fix',
      basis,
      wants,
      because: 'Overload set to 0 A: it is off, and nothing protects the motor.',
      next: `Set it to ${a(p.amps)}.`,
    }
  if (set > most)
    return {
      level: 'fix',
      basis,
      wants,
      because: `Overload set for ${a(set)} on a ${a(p.amps)} motor: it will not trip before the winding is hurt.`,
      next: `Set it to ${a(p.amps)}.`,
    }
  if (set < 0.9 * p.amps)
    return {
      level: 'watch',
      basis,
      wants,
      because: `Overload set for ${a(set)} on a ${a(p.amps)} motor: it trips at a load the motor can carry.`,
      next: `Set it to ${a(p.amps)}, unless it was set low on purpose.`,
    }
  if (set > 1.02 * p.amps)
    return {
      level: 'watch',
      basis,
      wants,
      because: `Overload set for ${a(set)}: over the nameplate's ${a(p.amps)}, and inside the code's limit.`,
      next: `Set it to ${a(p.amps)}, unless there is a reason.`,
    }
  return { ...fine(wants), basis }
}

function overloadClass(set: number, most: Bound): Finding {
  const wants = `10 to ${most.value}`
  if (set === 0)
    return {
      level: 'fix',
      wants,
      because: 'The overload is switched off: nothing protects the motor.',
      next: 'Set class 10 or 20.',
    }
  if (set > most.value)
    return {
      level: 'watch',
      wants,
      basis: most.basis,
      because: `Class ${set} lets a stalled motor hang for ${set} s.`,
      next: 'Set class 10 or 20, unless the wheel needs longer to start.',
    }
  return fine(wants)
}

function highest(set: number, all: ParameterSet, p: PlateForDrive, over: Bound): Finding {
  const low = all['min-hz']
  if (low !== undefined && low >= set)
    return {
      level: 'fix',
      because: `The maximum frequency, ${set} Hz, is not above the minimum, ${low} Hz: the speed cannot be controlled.`,
      next: 'Set both again.',
    }
  if (p.hz === null || p.hz <= 0) return unknown('frequency')
  const wants = `up to ${p.hz} Hz`
  if (set <= p.hz) return fine(wants)
  const power = Math.round((set / p.hz) ** 3 * 100)
  return {
    level: set > over.value * p.hz ? 'fix' : 'watch',
    wants,
    because: `At ${set} Hz the fan asks for ${power} % of its power at ${p.hz} Hz, and the motor has less torque.`,
    next: `Set ${p.hz} Hz, unless wheel, shaft and motor are good for more and it is written down.`,
  }
}

function ramp(what: 'accel' | 'decel', set: number, limit: Limits): Finding {
  const [least, most] = [limit('vfd-ramp-short'), limit('vfd-ramp-long')]
  const wants = `${least.value} to ${most.value} s`
  if (set < least.value)
    return {
      level: 'watch',
      wants,
      basis: least.basis,
      because:
        what === 'accel'
          ? `${set} s to full speed: the wheel asks for more amps than the drive gives, and it trips at the start.`
          : `${set} s to a stop: the wheel drives the motor, the bus rises, and it trips on bus volts.`,
      next: `Set ${Math.max(20, least.value)} s or more${what === 'decel' ? ', or let it coast' : ''}.`,
    }
  if (set > most.value)
    return {
      level: 'watch',
      wants,
      basis: most.basis,
      because: `${set} s: so slow that it looks as if the fan does not ${what === 'accel' ? 'start' : 'stop'}.`,
      next: 'Set 20 to 60 s, unless there is a reason for it.',
    }
  return fine(wants)
}

function lowest(set: number, least: Bound): Finding {
  const wants = `${least.value} Hz or more`
  if (set >= least.value) return fine(wants)
  return {
    level: 'watch',
    wants,
    basis: least.basis,
    because: `At ${set} Hz the motor's own fan hardly cools it.`,
    next: `Set ${least.value} Hz or more, unless the motor is made for less.`,
  }
}

function direction(set: number): Finding {
  if (set === 0) return fine('forward, and seen at the wheel')
  return {
    level: 'watch',
    wants: 'forward, and seen at the wheel',
    because: 'Set to reverse: it turns the right way only as long as the leads are crossed as well.',
    next: 'See the wheel turn. Better swap two output leads with the power locked out, and set it forward.',
  }
}

function carrier(set: number, most: Bound): Finding {
  const wants = `up to ${most.value} kHz`
  if (set > most.value)
    return {
      level: 'watch',
      wants,
      basis: most.basis,
      because: `${set} kHz heats the drive and drives more current through the bearings.`,
      next: 'Set 4 kHz, unless noise asks for more and the drive is large enough.',
    }
  return fine(wants)
}

function restarts(set: number, most: Bound): Finding {
  if (set === 0) return fine('0', 'It stays off after a fault until somebody resets it.')
  const many = set > most.value
  return {
    level: many ? 'fix' : 'watch',
    wants: `0 to ${most.value}`,
    basis: most.basis,
    because: many
      ? `It restarts by itself ${set} times after a fault: each start onto a shorted motor burns more.`
      : `It can restart by itself ${set} ${set === 1 ? 'time' : 'times'} after a fault: lock it out before you reach in.`,
    next: many
      ? `Set ${most.value} or fewer, and none for over-current and ground faults.`
      : 'Put an automatic-restart label on the unit.',
  }
}

function skipped(set: number, all: ParameterSet): Finding {
  const low = all['skip-low']
  if (low === undefined || set === 0 || low <= set) return fine('as the fan needs it')
  return {
    level: 'watch',
    because: `The skipped band ends at ${set} Hz and begins at ${low} Hz: nothing is skipped.`,
    next: 'Set the lower end below the upper one.',
  }
}

/** A limit as the organization applies it. */
type Bound = Pick<ReturnType<typeof limitInForce>, 'value' | 'basis'>
type Limits = (id: LimitId) => Bound

const noFlux = 'The motor gets the wrong volts at every speed: it runs hot and weak.'
type Judge = (set: number, p: PlateForDrive, all: ParameterSet, limit: Limits) => Finding
const judges: Readonly<Record<ParameterId, Judge>> = {
  'plate-amps': (set, p) =>
    sameAsPlate('plate-amps', set, p.amps, 0.03, 'The drive limits and protects by the wrong figure.'),
  'plate-volts': (set, p) => sameAsPlate('plate-volts', set, p.volts, 0.03, noFlux),
  'plate-hz': (set, p) => sameAsPlate('plate-hz', set, p.hz, 0.01, noFlux),
  'plate-rpm': (set, p) => sameAsPlate('plate-rpm', set, p.rpm, 0.02, 'The slip it works with is wrong.'),
  'plate-power': (set, p) => sameAsPlate('plate-power', set, p.kw, 0.08, 'The drive takes it for another motor.'),
  'overload-amps': overload,
  'overload-class': (set, _p, _all, limit) => overloadClass(set, limit('vfd-class')),
  accel: (set, _p, _all, limit) => ramp('accel', set, limit),
  decel: (set, _p, _all, limit) => ramp('decel', set, limit),
  'min-hz': (set, _p, _all, limit) => lowest(set, limit('vfd-hz-low')),
  'max-hz': (set, p, all, limit) => highest(set, all, p, limit('vfd-hz-over')),
  direction,
  carrier: (set, _p, _all, limit) => carrier(set, limit('vfd-carrier-high')),
  restarts: (set, _p, _all, limit) => restarts(set, limit('vfd-restarts')),
  'skip-low': () => fine('as the fan needs it'),
  'skip-high': (set, _, all) => skipped(set, all),
}

/**
 * A drive's settings held against the nameplate, line by line; what was not read is listed as not judged.
 * @source NEC 430.32 for the overload; the rest common practice
 */
export function checkSettings(set: ParameterSet, plate: PlateForDrive, policies: Policies): readonly SettingLine[] {
  const limit: Limits = (id) => limitInForce(id, policies)
  return parameters.map(({ id, title }) => {
    const value = set[id]
    const found: Finding =
      value === undefined
        ? { level: 'not judged', because: 'This drive does not report it.', next: 'Read it on the display.' }
        : judges[id](value, plate, set, limit)
    return { wants: '', basis: usual, ...found, id, title, set: value ?? null }
  })
}

/** A setting that differs between two sets. */
export interface Difference {
  readonly id: ParameterId
  readonly title: string
  readonly was: number | null
  readonly is: number | null
}

const alike = (x: number, y: number) => Math.abs(x - y) <= 1e-6 * Math.max(1, Math.abs(x), Math.abs(y))

/** What differs from one set to another; what neither tells is left out. */
export const differences = (from: ParameterSet, to: ParameterSet): readonly Difference[] =>
  parameters.flatMap(({ id, title }) => {
    const [was, is] = [from[id], to[id]]
    if (was === undefined && is === undefined) return []
    return was !== undefined && is !== undefined && alike(was, is)
      ? []
      : [{ id, title, was: was ?? null, is: is ?? null }]
  })

const side = (id: ParameterId, v: number | null) => (v === null ? 'not known' : shownParameter(id, v))
/** A difference as it is read aloud. */
export const differenceWords = ({ id, title, was, is }: Difference): string =>
  `${title} ${side(id, was)} → ${side(id, is)}`

/** Settings in which twin fans must be alike: otherwise one works against the other. */
const shared: ReadonlySet<ParameterId> = new Set(['accel', 'decel', 'min-hz', 'max-hz', 'skip-low', 'skip-high'])

/** What a drive and its twin's have set differently, of what they must have alike. @source common practice */
export const twinDifferences = (own: ParameterSet, twin: ParameterSet): readonly Difference[] =>
  differences(twin, own).filter((d) => shared.has(d.id) && d.was !== null && d.is !== null)
