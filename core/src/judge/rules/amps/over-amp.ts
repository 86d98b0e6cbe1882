import { overloadSetting, voltageUnbalance } from '../../../electrical/index.ts'
import { sitePolicy, plateBasis, practice, type Basis } from '../../../limits/index.ts'
import { isSlow } from '../../../plate/index.ts'
import { show } from '../../../quantity/index.ts'
import { workWords } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { highest } from '../../evidence.ts'
import { moreAmpsNext } from './load-next.ts'
import type { Level } from '../../verdict.ts'

/** The current up to which the policy in force calls it OK, and up to which it is a watch. Amperes. */
export function bounds(
  c: Context,
  allowed: Context['allowed'] = c.allowed,
): { ok: number; watch: number; policyChoice: string } {
  const plate = allowed?.amps ?? 0
  if (c.policies.overAmp === 'trim below plate')
    return {
      ok: plate * (1 - c.policies.trim),
      watch: plate,
      policyChoice: `our limit: trim ${show.percent(c.policies.trim)} below the nameplate`,
    }
  const unbalanced =
    c.threeVolts !== null &&
    Math.max(...c.threeVolts) > 0 &&
    voltageUnbalance(c.threeVolts) > c.limit('voltage-unbalance-clean').value
  if (c.policies.overAmp === 'service factor' && allowed?.sfa != null && !unbalanced)
    return {
      ok: plate,
      watch: Math.max(plate, allowed.sfa),
      policyChoice: 'our limit: service factor allowed for a short time',
    }
  return {
    ok: plate,
    watch: plate,
    policyChoice:
      c.policies.overAmp === 'service factor' && unbalanced
        ? 'our limit: no service factor on an unbalanced supply'
        : 'our limit: nameplate amps',
  }
}

function source(c: Context): Basis {
  const a = c.allowed
  if (!a) return practice()
  const both = a.motorAmps !== null && a.unitAmps !== null
  const other = both
    ? a.source === 'unit plate'
      ? `, lower than the motor's ${show.amps(a.motorAmps ?? 0)} A`
      : `, lower than the unit's ${show.amps(a.unitAmps ?? 0)} A`
    : ''
  return plateBasis(`${a.source}, ${show.volts(a.columnVolts)} V column${other}`)
}

/** Mean volts, and by how much they are short of the nameplate's; null where none were read. */
function voltsShort(c: Context): { average: number; short: number } | null {
  if (c.volts.length === 0 || !c.allowed) return null
  const average = c.volts.reduce((s, v) => s + v.volts, 0) / c.volts.length
  return { average, short: 1 - average / c.allowed.columnVolts }
}

/** Low volts that explain what it draws over the plate by themselves. */
const isLow = (c: Context): boolean => {
  const { short = 0 } = voltsShort(c) ?? {}
  const over = Math.max(...c.legsRead.map((l) => l.amps)) / (c.allowed?.amps ?? Infinity) - 1
  return short > 0.03 && short < 0.5 && over <= 1 / (1 - short) - 1
}

function lowVolts(c: Context): string {
  const read = voltsShort(c)
  if (!read || !c.allowed) return ''
  const { average, short } = read
  // Below half the plate volts nothing runs: that is a lost line, not a low supply.
  return short > 0.03 && short < 0.5
    ? ` At ${show.volts(average)} V the same load draws up to ${show.percent(1 / (1 - short) - 1)} more than at ${show.volts(c.allowed.columnVolts)} V.`
    : ''
}

/** What the work that began this baseline did to the amps, when it put them over. */
function sinceWork(c: Context): string {
  if (!c.point || !c.before || c.baseline.since === null || c.baseline.startedBy === null) return ''
  const moved = c.point.normal / c.before.middle - 1
  return moved > 0.02
    ? ` Up ${show.percent(moved)} since the ${workWords(c.baseline.startedBy)} on ${show.day(c.baseline.since, c.visit.at, c.machine.zone)}.`
    : ''
}

/** Above this many times the nameplate nothing runs and nothing is locked. @source common practice: locked current is 4 to 8.5 times */
const impossible = 10

/** Figures that lie where the volts of this service lie. */
const looksLikeVolts = (c: Context, value: number) =>
  [1, 1 / Math.sqrt(3), 1 / 2].some((k) => Math.abs(value / (c.machine.serviceVolts * k) - 1) < 0.1)

/** Amps of each leg against the allowed current, by the policy in force. */
export const overAmp: Rule = {
  id: 'over-amp',
  title: 'Amps against nameplate',
  subject: 'motor',
  from: 'visit',
  running: true,
  applies: (c) => c.allowed !== null && c.legsRead.length > 0,
  judge(c) {
    const allowed = c.allowed
    if (!allowed) throw new RangeError('allowed must be known')
    const { ok, watch, policyChoice } = bounds(c)
    const legs = c.readings('amps').filter((r) => c.legsRead.some((l) => l.name === r.position))
    const read = legs.map((r) => ({ name: r.position, amps: highest(r) }))
    const top = read.reduce((a, b) => (b.amps > a.amps ? b : a))
    const low = Math.min(...read.map((l) => l.amps))
    const share = top.amps / allowed.amps
    const whole = read.length === c.machine.phases
    if (share > impossible)
      return verdict(this, {
        level: 'watch',
        value: top.amps,
        limit: impossible * allowed.amps,
        basis: [practice('no motor draws more than its locked current')],
        because: `${show.amps(top.amps)} A on a ${show.amps(allowed.amps)} A nameplate: not possible for this motor. ${looksLikeVolts(c, top.amps) ? 'Is the meter on volts?' : 'Is the decimal point right, and the clamp around one conductor?'}`,
        next: 'Check the function of the meter and read the amps again.',
        confidence: 'low',
        settles: false,
      })
    if (top.amps <= 0.02 * allowed.amps)
      return verdict(this, {
        level: 'watch',
        value: top.amps,
        basis: [practice('no current is not a good reading')],
        because: 'No current: the motor is not running.',
        next: 'Check for a call. Then read volts from the outside in until they stop: disconnect, breaker, fuses, control power.',
        settles: false,
      })
    const { greatest } = overloadSetting(allowed.amps, allowed.sf ?? 1)
    let level: Level = 'ok'
    if (top.amps > ok) level = 'watch'
    if (top.amps > watch) level = 'fix'
    if (top.amps > greatest) level = 'stop'
    // A low-speed winding burns below the amps printed for full speed: without its own figure nothing is passed.
    const unprinted = level === 'ok' && !c.ownAmps && c.machine.phases === 3
    if (unprinted) level = 'watch'
    const unsettled = c.visit.state.settled === false
    // A start draws several times the plate: until settled, high amps ask for a second reading, no more.
    if (unsettled && level !== 'ok') level = 'watch'
    const even = read.length === 3 && top.amps - low < 0.05 * allowed.amps
    const where = c.machine.phases === 1 ? '' : even ? ' on all three legs' : ` on ${top.name}`
    const twin =
      level !== 'ok' && c.visit.state.twin === 'off'
        ? ' The twin fan is off, so this one may be moving all the air.'
        : ''
    const doors =
      level !== 'ok' && c.visit.state.panels === 'off' ? ' Read with panels off, which loads some wheels more.' : ''
    const slow = c.ownAmps ? (isSlow(c.visit.state.mode) ? ' at low speed' : '') : ' for full speed'
    const of = `${show.percent(share)} of the ${show.volts(allowed.columnVolts)} V nameplate${slow}${where}: ${show.amps(top.amps)} of ${show.amps(allowed.amps)} A.`
    const basis = [source(c), sitePolicy(policyChoice)]
    if (level === 'stop') basis.push(c.limit('overload-greatest').basis)
    if (unprinted)
      return verdict(this, {
        level,
        value: top.amps,
        basis: [source(c), practice('each speed of a two-speed motor has its own amps')],
        because: `${of} Read at ${c.visit.state.mode ?? ''}: what it may draw there is not on record.`,
        next: 'Enter the low-speed amps from the nameplate, or read at full speed.',
        confidence: 'low',
        settles: false,
        ofVisit: true,
      })
    const next = (): string => {
      switch (level) {
        case 'ok':
          return 'Nothing to do.'
        case 'watch':
          if (unsettled) return 'Read again when it has settled.'
          return c.policies.overAmp === 'trim below plate'
            ? 'Reduce the load: run a little slower, or find the drag.'
            : 'For a short time only: set an end date, find the cause, re-read.'
        case 'fix':
          return isLow(c) ? 'The low volts explain it: correct the volts, then re-read.' : moreAmpsNext(c)
        case 'stop':
          return `Shut it down. ${c.machine.phases === 1 ? 'Its thermal protector should have opened' : 'No overload relay may be set this high'}: find out why it did not trip.`
      }
    }
    return verdict(this, {
      level,
      value: top.amps,
      limit: ok,
      basis,
      because: `${of}${level === 'ok' ? '' : sinceWork(c) + lowVolts(c)}${twin}${doors}`,
      next: next(),
      confidence: unsettled || !whole ? 'low' : 'full',
      settles: whole && !unsettled,
    })
  },
}
