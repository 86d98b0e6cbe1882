import { pscLeads, type PscPast } from '../../../electrical/index.ts'
import { practice, standard } from '../../../limits/index.ts'
import { show, three, wirePairs } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { badMeterLeads } from './meter-leads.ts'
import { cells, choice, singlePhase, type CheckDefinition } from '../check-definition.ts'

const names = ['A', 'B', 'C']

/** Run and start ohms of an earlier whole reading of this motor. */
function pastOf(c: Context): PscPast | null {
  for (const s of c.earlier) {
    if (s.at < (c.motor?.installedAt ?? -Infinity)) continue
    const own = wirePairs.map((p) => s.readings.find((r) => r.quantity === 'winding_ohms' && r.position === p))
    if (own.some((r) => r === undefined || r.how === 'over-range')) continue
    const found = pscLeads(three(own.map((r) => r?.value ?? 0)), [false, false, false])
    if (found.kind === 'leads found') return { run: found.runOhms, start: found.startOhms }
  }
  return null
}

/** More than a single-phase winding of this nameplate can have, ohms: start windings are of thin wire. @source common practice */
function mostOhms(c: Context): number | null {
  const amps = c.allowed?.motorAmps ?? c.allowed?.amps
  return c.allowed && amps ? (5 * c.allowed.columnVolts) / amps : null
}

/** Common, run and start by three readings; an open protector told from a burnt winding. */
const pscWinding: Rule = {
  id: 'psc-winding',
  title: 'Single-phase winding',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.machine.phases === 1 && wirePairs.some((p) => c.reading('winding_ohms', p)),
  judge(c) {
    const own = wirePairs.map((p) => c.reading('winding_ohms', p))
    const basis = [standard('run to start is the sum of run and start')]
    const given = own.filter((r) => r !== undefined)
    const leads = c.value('lead_ohms', 'leads') ?? 0
    const ohms = given.map((r) => (r.how === 'over-range' ? r.value : Math.max(0, r.value - leads)))
    const shown = given.map((r) => `${r.position} ${r.how === 'over-range' ? 'open' : show.ohms(r.value)}`).join(', ')
    const burnt = c.answer('lugs') === 'burnt'
    // Nothing plus a winding is that winding: a shorted one adds up.
    if (given.every((r) => r.how !== 'over-range') && Math.min(...ohms) < 0.05)
      return verdict(this, {
        level: 'fix',
        basis,
        because: `${shown}: shorted, or too low for this meter to tell.`,
        next: 'Touch the probes together, take that off, read again with a low-ohm meter.',
        confidence: 'low',
        settles: false,
      })
    const most = mostOhms(c)
    if (most !== null && given.some((r, i) => r.how !== 'over-range' && (ohms[i] ?? 0) > most))
      return verdict(this, {
        level: 'fix',
        basis,
        because: `${shown}: more than a motor of this nameplate can have. Bad contact, wrong range, or another load in the circuit.`,
        next: 'Disconnect everything else, check the range and read again.',
        confidence: 'low',
        settles: false,
      })
    if (given.length < 3)
      return verdict(this, {
        level: given.some((r) => r.how === 'over-range') ? 'fix' : 'watch',
        basis: [practice('three pairs, each once')],
        because: `Only ${given.map((r) => r.position).join(' and ')} read. Two pairs do not prove the third.`,
        next: 'Read the missing pair.',
        confidence: 'low',
        settles: false,
      })
    const said = pscLeads(three(ohms), three(given.map((r) => r.how === 'over-range')), pastOf(c))
    switch (said.kind) {
      case 'leads found':
        return (
          badMeterLeads(this, c, ['']) ??
          verdict(this, {
            level: 'ok',
            value: said.misfit,
            basis,
            because: `${shown}: ${names[said.common] ?? ''} is common, ${names[said.run] ?? ''} run (${show.ohms(said.runOhms)}), ${names[said.start] ?? ''} start (${show.ohms(said.startOhms)}); they add up.`,
            next: 'Write down the wire colors before you move anything.',
          })
        )
      case 'one lead open': {
        const hot = c.answer('psc.body') === 'hot'
        const lead = names[said.lead] ?? ''
        if (said.says === 'winding' && !burnt)
          return verdict(this, {
            level: 'stop',
            basis,
            because: `${shown}: ${lead} is open and the pair left is one winding, as it read when whole. The other winding is open.`,
            next: 'Leave it locked out. Replace the motor.',
          })
        return verdict(this, {
          level: 'fix',
          basis,
          because: `${shown}: ${lead} is open to both. ${
            said.says === 'protector'
              ? 'The pair left is run and start together, so common is open: the internal protector, or the winding.'
              : 'A tripped protector and a burnt winding read the same until cool.'
          }${hot ? ' The shell is hot: likely the protector.' : ''}`,
          next: 'Let it cool for an hour, hand on the shell, power locked out; read again. If the protector closes, the cause is overload or no air.',
          confidence: 'low',
        })
      }
      case 'all open':
        return verdict(this, {
          level: 'stop',
          basis,
          because: `${shown}: all open. Burnt out, or the wires are off.`,
          next: 'Leave it locked out; read at the motor’s own leads once more.',
        })
      case 'do not add up':
        return verdict(this, {
          level: 'fix',
          basis,
          because: `${shown}: they do not add up. Turns are shorted, or a pair was read twice.`,
          next: 'Read all three again, each pair once.',
          confidence: 'low',
          settles: false,
        })
    }
  },
}

export const psc: CheckDefinition = {
  id: 'psc',
  phase: 'dead',
  part: 'electric',
  title: 'Single-phase winding',
  how: 'Capacitor discharged and off; three readings between the three wires, then one to the shell.',
  caution: 'Discharge the capacitor through a resistor first. A shell too hot to touch means overload.',
  for: singlePhase,
  groups: () => [
    { title: 'Wire to wire', asks: cells('winding_ohms', wirePairs) },
    { title: 'To the shell, ohm scale', asks: cells('ground_ohms', ['T1'], ['Any wire']) },
    {
      title: 'Body',
      asks: [
        choice('psc.body', 'Touched', [
          ['cool', 'Cool'],
          ['warm', 'Warm'],
          ['hot', 'Too hot to touch'],
        ]),
      ],
    },
  ],
  waits: () => [
    {
      id: 'protector',
      words: 'Protector cooling',
      seconds: 3600,
      then: 'Read all three pairs again. Closed now: it tripped on heat, find the cause. Still open: the common lead.',
    },
  ],
  judges: [pscWinding],
}
