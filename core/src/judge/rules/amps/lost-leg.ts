import { deadPair, lostLegByAmps } from '../../../electrical/index.ts'
import { standard } from '../../../limits/index.ts'
import { linePositions, neutralPositions, show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import type { Verdict } from '../../verdict.ts'
import { lostLineBasis, lostLineNext, lostLineOf, lostLineWords, type LostLine } from '../../lost-line.ts'
import { ratedVolts } from '../../rated-volts.ts'

const name = (leg: number) => `L${leg + 1}`

/** Volts that tell of a lost line, with what they are: between the lines, or to neutral where those were read. */
function byVolts(c: Context): { readonly shown: string; readonly lost: LostLine } | null {
  if (c.machine.phases !== 3) return null
  const full = ratedVolts(c)
  const pairs = linePositions.map((p) => c.value('volts_ll', p))
  const lost = lostLineOf(pairs, full)
  const volts = (list: readonly (number | undefined)[]) =>
    list
      .filter((v) => v !== undefined)
      .map(show.volts)
      .join(', ')
  if (lost) return { shown: `${volts(pairs)} V`, lost }
  if (pairs.some((v) => v !== undefined)) return null
  const legs = neutralPositions.map((p) => c.value('volts_ln', p))
  const line = deadPair(legs, full / Math.sqrt(3))
  return line === null ? null : { shown: `${volts(legs)} V to neutral`, lost: { kind: 'line', line } }
}

/** A leg that is gone, told by its currents or its volts. */
export const lostLeg: Omit<Rule, 'judge'> & { judge(c: Context): Verdict } = {
  id: 'lost-leg',
  title: 'Lost leg',
  subject: 'supply',
  from: 'visit',
  running: true,
  applies: (c) => c.machine.phases === 3 && (c.legsRead.length > 1 || c.threeVolts !== null || byVolts(c) !== null),
  judge(c) {
    const basis = [standard('symmetrical components: a line lost puts √3 on the other two')]
    const volts = byVolts(c)
    const pattern = c.threeAmps ? lostLegByAmps(c.threeAmps, c.limit('lost-leg').value) : null
    if (pattern?.kind === 'open leg' && c.threeAmps) {
      const others = c.threeAmps.filter((_, i) => i !== pattern.leg)
      const names = [0, 1, 2].filter((i) => i !== pattern.leg).map(name)
      const times = c.usual ? `, ${(Math.max(...others) / c.usual.middle).toFixed(1)} times the usual` : ''
      return verdict(this, {
        level: 'stop',
        basis,
        because: `${name(pattern.leg)} has almost no current (${show.amps(c.threeAmps[pattern.leg] ?? 0)} A) while ${names.join(' and ')} carry ${others.map(show.amps).join(' and ')} A${times}. One leg is lost.`,
        next: 'Switch off at the source. Read the volts ahead of the starter: a low pair is the feed; all good, ohm the contactor poles and the winding. Trust the clamp: the motor backfeeds volts to the lost leg.',
      })
    }
    if (pattern?.kind === 'one leg')
      return verdict(this, {
        level: 'stop',
        basis: [standard('what goes in through one leg has to come back through another')],
        because: `Only ${name(pattern.leg)} carries current (${show.amps(c.threeAmps?.[pattern.leg] ?? 0)} A): it comes back through the grounding conductor or the frame. The cabinet can be live.`,
        next: 'Keep everyone off the cabinet and switch off at the source. Never take the ground wire off. Then read each lead to ground.',
      })
    if (pattern?.kind === 'open primary')
      return verdict(this, {
        level: 'stop',
        basis: [standard('symmetrical components: an open primary line gives 2 : 1 : 1')],
        because: `${name(pattern.leg)} carries twice the other two. A line is lost ahead of the supply transformer.`,
        next: 'Switch off at the source. Check the primary fuses of the transformer that feeds this panel.',
      })
    if (volts)
      return verdict(this, {
        level: 'stop',
        basis: volts.lost.kind === 'line' ? basis : [lostLineBasis],
        because: `${volts.shown}: ${lostLineWords(volts.lost, ' or open')}`,
        next: `Switch off at the source. ${lostLineNext(volts.lost, 'Find the open line before anything is started.')}`,
      })
    const top = c.legsRead.reduce<{ name: string; amps: number }>((a, b) => (b.amps > a.amps ? b : a), {
      name: '',
      amps: 0,
    })
    const none = c.threeAmps ? undefined : c.legsRead.find((l) => l.amps <= c.limit('lost-leg').value * top.amps)
    if (none && top.amps > 0)
      return verdict(this, {
        level: 'stop',
        basis,
        because: `${none.name} has almost no current (${show.amps(none.amps)} A) while ${top.name} carries ${show.amps(top.amps)} A. One leg is lost; not every leg was read.`,
        next: 'Switch off at the source. Read the volts ahead of the starter: a low pair is the feed; all good, ohm the contactor poles and the winding.',
      })
    if (pattern?.kind === 'no current')
      return verdict(this, {
        level: 'watch',
        basis,
        because: 'No current on any leg: the motor is not running.',
        next: 'Check for a call. Then read volts from the outside in until they stop: disconnect, breaker, fuses, control power.',
        settles: false,
      })
    return verdict(this, {
      level: 'ok',
      basis,
      because: c.threeAmps
        ? 'All three legs carry current.'
        : c.threeVolts
          ? 'All three lines are there.'
          : `${c.legsRead.map((l) => l.name).join(' and ')} carry current; not every leg was read.`,
      next: 'Nothing to do.',
      // Volts at the motor are fooled by the motor itself: only the three currents clear a lost leg.
      settles: c.threeAmps !== null,
    })
  },
}
