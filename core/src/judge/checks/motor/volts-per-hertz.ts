import { plateBasis } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { hertzOf } from '../../../trend/index.ts'
import type { Context } from '../../context.ts'
import { verdict, type Rule } from '../../rule.ts'

/** Below it a drive lifts the volts on purpose, so that the motor starts. Hz */
const lifted = 20

/** No running motor is given so little. Fraction of what it should be. */
const nothing = 0.05

interface Given {
  readonly volts: number
  /** Null: not known; then the most that any hertz could want. */
  readonly hz: number | null
  /** What the nameplate gives at these hertz, and at its own. */
  readonly wanted: number
  readonly plateVolts: number
  readonly plateHz: number
}

function given(c: Context): Given | null {
  const volts = c.value('drive_volts', 'output')
  const hz = hertzOf(c.visit) ?? null
  const plateVolts = c.allowed?.columnVolts
  const plateHz = c.circuit?.circuit.hz ?? c.supplyHz
  if (volts === undefined || plateVolts === undefined || (hz !== null && hz < lifted)) return null
  // Above the hertz of the nameplate the volts rise no more.
  return { volts, hz, plateVolts, plateHz, wanted: plateVolts * Math.min(1, (hz ?? plateHz) / plateHz) }
}

/** Volts that the drive gives at its hertz, against the nameplate: too many saturate the motor, whatever its amps. */
export const voltsPerHertz: Rule = {
  id: 'volts-per-hertz',
  title: 'Output volts for the hertz',
  subject: 'drive',
  from: 'visit',
  informs: true,
  running: true,
  needs: ['drive_volts'],
  applies: (c) => c.machine.hasVfd && given(c) !== null,
  judge(c) {
    const at = given(c)
    if (!at) throw new RangeError('volts and hertz must be known')
    const share = at.volts / at.wanted
    const [high, most, low] = [c.limit('vfd-volts-high'), c.limit('vfd-volts-most'), c.limit('vfd-volts-low')]
    const basis = [plateBasis(`${show.volts(at.plateVolts)} V at ${at.plateHz} Hz`), high.basis]
    const told =
      at.hz === null
        ? `The drive gives ${show.volts(at.volts)} V; the nameplate gives ${show.volts(at.wanted)} V at most`
        : `The drive gives ${show.volts(at.volts)} V at ${show.trimmed(at.hz, 1)} Hz; the nameplate gives ${show.volts(at.wanted)} V there`
    if (share > high.value) {
      const stop = share > most.value
      return verdict(this, {
        level: stop ? 'stop' : 'fix',
        basis,
        value: share,
        limit: stop ? most.value : high.value,
        because: `${told}. Too many volts for the hertz: the iron saturates and the winding overheats.`,
        next: `${stop ? 'Stop the drive. ' : ''}Check motor volts and base frequency in the drive, and how the motor leads are connected.`,
      })
    }
    if (share < nothing && c.legsRead.some((l) => l.amps > 0.1 * (c.allowed?.amps ?? Infinity)))
      return verdict(this, {
        level: 'watch',
        basis,
        value: share,
        because: `${told}, and the motor takes ${show.amps(Math.max(...c.legsRead.map((l) => l.amps)))} A: one of them is misread.`,
        next: 'Read output volts and amps off the display again, while it runs.',
        confidence: 'low',
        settles: false,
      })
    // What is not too much at full speed may be at less.
    if (at.hz === null) return []
    // Fans may be run on a curve below it; at full speed nothing is saved by that.
    if (share < low.value && at.hz >= 0.95 * at.plateHz)
      return verdict(this, {
        level: 'watch',
        basis: [...basis, low.basis],
        value: share,
        limit: low.value,
        because: `${told}: too few at full speed, so it draws more amps for the same air.`,
        next: 'Read the line volts at the drive; check motor volts and base frequency in the drive.',
      })
    return verdict(this, { level: 'ok', basis, value: share, because: `${told}.`, next: 'Nothing to do.' })
  },
}
