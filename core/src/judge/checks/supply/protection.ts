import { branchProtection, fullLoadCurrent, overloadSetting } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { cells, threePhase, type CheckDefinition } from '../check-definition.ts'

/** A three-phase motor with nothing that opens when it is overloaded. */
const missing: Rule = {
  id: 'overload-missing',
  title: 'Overload protection',
  subject: 'protection',
  from: 'register',
  applies: (c) => c.machine.phases === 3 && c.machine.controls.overload === 'none' && !c.machine.hasVfd,
  judge() {
    return verdict(this, {
      level: 'fix',
      basis: [standard('NEC 430.32')],
      because: 'A three-phase motor with no overload protection: nothing trips before it burns out.',
      next: 'Treat it as a fire risk: quote a starter with an overload relay set to the nameplate.',
    })
  },
}

/** The dial of the relay against plate and service factor. */
const setting: Rule = {
  id: 'overload-setting',
  title: 'Overload setting',
  subject: 'protection',
  from: 'visit',
  applies: (c) => c.has('overload_dial') && c.fullAllowed !== null,
  judge(c) {
    const dial = c.value('overload_dial', 'relay') ?? 0
    const plate = c.fullAllowed?.motorAmps ?? c.fullAllowed?.amps ?? 1
    const sf = c.fullAllowed?.sf ?? 1
    const { setting: most, greatest } = overloadSetting(plate, sf)
    const basis = [standard('NEC 430.32(A)(1) and (C)')]
    const told = `Dial at ${show.amps(dial)} A on a ${show.amps(plate)} A plate, service factor ${sf}`
    if (dial > most + 1e-9)
      return verdict(this, {
        level: 'fix',
        value: dial,
        limit: most,
        basis,
        because: `${told}: above ${show.amps(most)} A${dial > greatest ? `, above even the ${show.amps(greatest)} A of a hard start` : ''}. It trips too late to save the winding.`,
        next: `Set it to ${show.amps(plate)} A, ${show.amps(most)} A at the most.`,
      })
    if (dial < 0.95 * plate)
      return verdict(this, {
        level: 'watch',
        value: dial,
        limit: plate,
        basis,
        because: `${told}: below the nameplate. It will trip on a good motor at full load.`,
        next: `Set it to ${show.amps(plate)} A unless there is a reason on record.`,
      })
    return verdict(this, {
      level: 'ok',
      value: dial,
      limit: most,
      basis,
      because: `${told}: up to ${show.amps(most)} A is right.`,
      next: 'Nothing to do.',
    })
  },
}

/** Fuse or breaker against the code's table. */
const branch: Rule = {
  id: 'branch-protection',
  title: 'Fuse or breaker size',
  subject: 'protection',
  from: 'register',
  applies: (c) =>
    c.machine.controls.protection !== null &&
    c.machine.controls.protectionAmps !== null &&
    c.motor?.plate.power !== undefined &&
    c.machine.unitPlate === null &&
    c.supplyHz === 60,
  judge(c) {
    const kind = c.machine.controls.protection ?? 'breaker'
    const rating = c.machine.controls.protectionAmps ?? 0
    const hp = ((c.motor?.plate.power ?? 0) * (c.motor?.plate.powerUnit === 'kW' ? 1000 : 745.7)) / 745.7
    const table = hp > 0 ? fullLoadCurrent(c.machine.phases, hp, c.machine.serviceVolts) : null
    const basis = [standard('NEC 430.52, Tables 430.248 and 430.250')]
    if (!table)
      return verdict(this, {
        level: 'ok',
        value: rating,
        basis: [practice('no row of the table for this size')],
        because: `${show.amps(rating)} A ${kind}; the code’s table has no row for this motor.`,
        next: 'Nothing to do.',
        confidence: 'low',
      })
    const allowed = branchProtection(kind, table.amps)
    const limit = allowed.rating ?? allowed.computed
    const told = `${show.amps(rating)} A ${kind} on ${show.amps(table.amps)} A of the table`
    if (rating > Math.max(limit, allowed.greatest))
      return verdict(this, {
        level: 'fix',
        value: rating,
        limit,
        basis,
        because: `${told}: more than the ${show.amps(limit)} A the code allows.`,
        next: 'Install the right size, and ask why it was raised. If the unit nameplate gives a size, use that.',
      })
    if (rating > limit)
      return verdict(this, {
        level: 'watch',
        value: rating,
        limit,
        basis,
        because: `${told}: above ${show.amps(limit)} A, allowed only where the motor will not start otherwise.`,
        next: 'Check the record for a reason.',
      })
    return verdict(this, {
      level: 'ok',
      value: rating,
      limit,
      basis,
      because: `${told}: up to ${show.amps(limit)} A is right.`,
      next: 'Nothing to do.',
    })
  },
}

export const protection: CheckDefinition = {
  id: 'protection',
  phase: 'dead',
  part: 'electric',
  title: 'Overload relay',
  how: 'Read the dial of the relay.',
  caution: null,
  for: (m) => threePhase(m) && !m.hasVfd && m.controls.overload !== 'none' && m.controls.overload !== 'internal',
  groups: () => [{ title: 'Dial', asks: cells('overload_dial', ['relay'], ['Set at']) }],
  judges: [missing, setting, branch],
}
