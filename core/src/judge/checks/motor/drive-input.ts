import { practice } from '../../../limits/index.ts'
import { legPositions, mean, show } from '../../../quantity/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Legs of a rectifier differ far more than its volts do: so much of their mean is still usual. @source common practice */
const unequal = 0.4

/** Under this share of the nameplate a rectifier may leave a leg out by itself. @source common practice */
const light = 0.2

/** A drive takes no more than its motor and its losses; a rectifier without a choke looks like half as much again. @source common practice */
const most = 1.6

const legsOf = (c: Context) =>
  legPositions.flatMap((name) => {
    const amps = c.value('input_amps', name)
    return amps === undefined ? [] : [{ name, amps }]
  })

/** The three legs ahead of a drive: it runs on two of them, until its input or its bus gives out. */
export const driveInput: Rule = {
  id: 'drive-input',
  title: 'Input amps of the drive',
  subject: 'supply',
  from: 'visit',
  informs: true,
  running: true,
  needs: ['input_amps'],
  applies: (c) => c.machine.hasVfd && c.machine.phases === 3 && legsOf(c).length > 0,
  judge(c) {
    const legs = legsOf(c)
    const sorted = [...legs].sort((a, b) => b.amps - a.amps)
    const [top, low] = [sorted[0], sorted.at(-1)]
    const basis = [practice('a drive takes its amps through a rectifier: its legs differ more than those of a motor')]
    const told = `Input ${legs.map((l) => show.amps(l.amps)).join(', ')} A`
    if (!top || !low) return []
    const output = Math.max(...c.legsRead.map((l) => l.amps), c.value('drive_amps', 'output') ?? 0)
    const plate = c.allowed?.amps ?? output
    const feeds = plate > 0 && output > light * plate
    // A drive that stands takes next to nothing; one that feeds its motor takes it from somewhere.
    if (top.amps < 0.2)
      return feeds
        ? verdict(this, {
            level: legs.length === 3 ? 'watch' : 'fix',
            basis,
            value: top.amps,
            because: `${told}, while the motor takes ${show.amps(output)} A: ${legs.length === 3 ? 'one of them is misread' : `${legs.map((l) => l.name).join(' and ')} may be lost ahead of the drive`}.`,
            next: 'Clamp all three legs on the line side, then read the three line volts at the drive.',
            confidence: 'low',
            settles: legs.length < 3,
          })
        : []
    // A line that is lost drives the others far up: it is told first.
    if (legs.length > 1 && low.amps <= c.limit('lost-leg').value * top.amps)
      return c.allowed && top.amps < light * c.allowed.amps
        ? verdict(this, {
            level: 'fix',
            basis,
            value: low.amps,
            because: `${told}: ${low.name} carries next to nothing. At so light a load volts a few apart do that, and so does a lost leg.`,
            next: 'Read the three line volts at the drive. All good: run it up and clamp again.',
          })
        : verdict(this, {
            level: 'stop',
            basis,
            value: low.amps,
            because: `${told}: ${low.name} is lost ahead of the drive. It runs on the other legs, and its input and bus overheat.`,
            next: 'Switch off at the source. Dead: check fuse, lugs and contactor pole of that leg; then read the three line volts.',
          })
    if (plate > 0 && top.amps > most * Math.max(plate, output))
      return verdict(this, {
        level: 'watch',
        basis,
        value: top.amps,
        limit: most * Math.max(plate, output),
        because: `${told}: far more than a ${show.amps(plate)} A motor takes. Something else is on that line, or it is misread.`,
        next: 'Clamp the leads at the terminals of this drive, one conductor at a time, and read again.',
        settles: false,
      })
    // Good is what was read on all three.
    if (legs.length < 3) return []
    const off = Math.max(...legs.map((l) => Math.abs(l.amps / mean(legs.map((x) => x.amps)) - 1)))
    if (off > unequal)
      return verdict(this, {
        level: 'watch',
        basis,
        value: off,
        limit: unequal,
        because: `${told}: ${show.percent(off)} off their mean.`,
        next: 'Read the three line volts under load: a few volts of difference do this. Volts equal: check the lugs of the low leg, dead.',
      })
    return verdict(this, {
      level: 'ok',
      basis,
      value: top.amps,
      because: `${told}: all three carry.`,
      next: 'Nothing to do.',
    })
  },
}
