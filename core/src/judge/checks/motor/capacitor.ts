import { capacitanceUnderLoad, capacitorDeviation, underLoadUncertainty } from '../../../electrical/index.ts'
import { sitePolicy, plateBasis, practice } from '../../../limits/index.ts'
import { show } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { cells, singlePhase, type CheckDefinition } from '../check-definition.ts'

type Section = 'run' | 'second'

/** Measured off the circuit, or computed under load. Microfarads, with how unsure it is as a fraction. */
function measured(c: Context, section: Section): { uf: number; unsure: number; underLoad: boolean } | null {
  const off = c.value('capacitance', section)
  if (off !== undefined) return { uf: off, unsure: 0.01, underLoad: false }
  const amps = c.value('capacitor_amps', section)
  const volts = c.value('capacitor_volts', section)
  // While it runs, no current at all is no capacitor, whatever the volts.
  if (amps !== undefined && amps < 0.02 && volts === undefined && c.legsRead.some((l) => l.amps > 0.1))
    return { uf: 0, unsure: 0, underLoad: true }
  if (amps === undefined || volts === undefined || volts <= 0) return null
  return { uf: capacitanceUnderLoad(amps, volts, c.supplyHz), unsure: underLoadUncertainty, underLoad: true }
}

const sections: readonly Section[] = ['run', 'second']

/** Allowed for some hours a day. Ratio of its rating. @source common practice, as makers of capacitors print it */
const overRating = 1.1

/** Less than this share of the supply across it while the motor runs is no capacitor at work. @source common practice */
const leastShare = 0.5

const ratingOf = (c: Context): number | null =>
  c.machine.controls.capacitor?.volts ?? c.motor?.plate.capacitorVolts ?? null

const marked = (c: Context, section: Section): number | null => c.machine.controls.capacitor?.[section] ?? null

/** Measured against its own marking: is it healthy? */
const capacitorHealth: Rule = {
  id: 'capacitor',
  title: 'Capacitor against its marking',
  subject: 'capacitor',
  from: 'visit',
  applies: (c) => (['run', 'second'] as const).some((s) => measured(c, s) !== null),
  judge(c) {
    const sections = (['run', 'second'] as const).flatMap((s) => {
      const m = measured(c, s)
      const mark = marked(c, s) ?? (s === 'run' ? (c.motor?.plate.capacitorUf ?? null) : null)
      return m ? [{ ...m, section: s, mark, words: s === 'run' ? '' : 'Second section ' }] : []
    })
    const low = c.limit('capacitor-low')
    const high = c.limit('capacitor-high')
    const tolerance = c.machine.controls.capacitor?.tolerance ?? null
    const floor = -(tolerance ?? low.value)
    // Each section of a dual one is judged by itself, low and high.
    return sections.map((x) => {
      const positions = [x.section]
      if (x.mark === null || x.mark <= 0)
        return verdict(this, {
          level: 'watch',
          positions,
          value: x.uf,
          basis: [practice()],
          because: `${x.words}${show.microfarads(x.uf)}, but neither its marking nor the nameplate’s value is recorded.`,
          next: 'Read the capacitor and enter its marking under Edit.',
          confidence: 'low',
          settles: false,
        })
      const off = capacitorDeviation(x.uf, x.mark)
      const told = `${x.words}${show.microfarads(x.uf)} on ${show.microfarads(x.mark)} marked, ${show.signed(off * 100, 1)} %${x.underLoad ? ', computed under load' : ''}`
      const basis = [tolerance === null ? low.basis : plateBasis(`the can: ±${show.percent(tolerance)}`)]
      const given = { value: off, limit: floor, basis, positions }
      if (off < floor - x.unsure)
        return verdict(this, {
          ...given,
          level: 'fix',
          because: `${told}: weak. The motor starts hard and its winding runs hot.`,
          next: 'Discharge it and replace it; same microfarads, voltage rating as high or higher.',
        })
      if (off < floor + x.unsure && off < 0)
        return verdict(this, {
          ...given,
          level: off < floor ? 'fix' : 'watch',
          because: `${told}: on the edge of its tolerance${x.underLoad ? ', within meter accuracy' : ''}.`,
          next: 'Measure it off the circuit; replace it if it stays.',
          confidence: 'low',
        })
      if (off > 2 * high.value)
        return verdict(this, {
          ...given,
          limit: high.value,
          level: 'fix',
          because: `${told}: far too high. Not the recorded capacitor, or misread.`,
          next: 'Read the marking, check the meter’s range, and install the value the motor’s nameplate calls for.',
          settles: true,
        })
      if (off > high.value)
        return verdict(this, {
          ...given,
          limit: high.value,
          level: 'watch',
          because: `${told}: too high. Misread, or not the recorded capacitor.`,
          next: 'Read the marking again.',
        })
      return verdict(this, { ...given, level: 'ok', because: `${told}: good.`, next: 'Nothing to do.' })
    })
  },
}

/** Volts across it while it runs: more than its rating breaks it down. */
const capacitorVolts: Rule = {
  id: 'capacitor-volts',
  title: 'Volts across the capacitor',
  subject: 'capacitor',
  from: 'visit',
  informs: true,
  needs: ['capacitor_volts'],
  applies: (c) => ratingOf(c) !== null && sections.some((s) => c.value('capacitor_volts', s) !== undefined),
  judge(c) {
    const rating = ratingOf(c) ?? Infinity
    return sections.flatMap((s) => {
      const volts = c.value('capacitor_volts', s)
      if (volts === undefined) return []
      const given = { positions: [s], value: volts, limit: rating, basis: [plateBasis('the can')] }
      // The second section is another motor's, which may be off.
      const least = leastShare * c.machine.serviceVolts
      if (s === 'run' && volts < least && c.legsRead.some((l) => l.amps > 0.1))
        return [
          verdict(this, {
            ...given,
            level: 'fix',
            limit: least,
            basis: [practice('a run capacitor at work has about the line’s volts across it, or more')],
            because: `${show.volts(volts)} V across the capacitor of a running motor: it is shorted, or it or the start winding is not connected.`,
            next: 'Lock out, discharge it, then test capacitor and start winding by themselves.',
          }),
        ]
      if (volts <= overRating * rating)
        return [
          verdict(this, {
            ...given,
            level: 'ok',
            because: `${show.volts(volts)} V across a capacitor rated ${show.volts(rating)} V.`,
            next: 'Nothing to do.',
          }),
        ]
      return [
        verdict(this, {
          ...given,
          level: 'fix',
          because: `${show.volts(volts)} V across a capacitor rated ${show.volts(rating)} V: it will break down.`,
          next: 'Replace it with one of the same microfarads and a higher voltage rating.',
        }),
      ]
    })
  },
}

/** What is installed against what the motor asks for: is it the right one? */
const capacitorFits: Rule = {
  id: 'capacitor-fits',
  title: 'Capacitor against the nameplate',
  subject: 'capacitor',
  from: 'register',
  applies: (c) => c.machine.phases === 1 && (c.motor?.plate.capacitorUf ?? 0) > 0 && (marked(c, 'run') ?? 0) > 0,
  judge(c) {
    const wanted = c.motor?.plate.capacitorUf ?? 0
    const installed = marked(c, 'run') ?? 0
    const basis = [plateBasis('the motor plate'), sitePolicy(`our limit: capacitor, ${c.policies.capacitor}`)]
    const volts = c.machine.controls.capacitor?.volts ?? null
    const wantedVolts = c.motor?.plate.capacitorVolts ?? null
    const off = installed / wanted - 1
    if (Math.abs(off) > 0.01)
      return verdict(this, {
        level: 'fix',
        value: installed,
        limit: wanted,
        basis,
        because: `A ${show.microfarads(installed)} capacitor on a motor that calls for ${show.microfarads(wanted)}: wrong value, even if it is good.`,
        next: 'Replace it with the value on the motor nameplate, not the value of the old capacitor.',
      })
    if (volts !== null && wantedVolts !== null && volts < wantedVolts)
      return verdict(this, {
        level: 'fix',
        value: volts,
        limit: wantedVolts,
        basis,
        because: `The capacitor is rated ${show.volts(volts)} V, the motor calls for ${show.volts(wantedVolts)} V.`,
        next: 'Replace it: voltage equal or higher, never lower.',
      })
    return verdict(this, {
      level: 'ok',
      value: installed,
      limit: wanted,
      basis,
      because: `${show.microfarads(installed)} installed, as the motor’s nameplate calls for.`,
      next: 'Nothing to do.',
    })
  },
}

export const capacitor: CheckDefinition = {
  id: 'capacitor',
  phase: 'dead',
  part: 'electric',
  title: 'Capacitor',
  how: 'Discharged and disconnected, on the meter; or read its amps and volts while running.',
  caution: 'Discharge through a resistor, then prove. It can hold its charge for minutes.',
  for: singlePhase,
  groups: (m) => {
    const dual = m.controls.capacitor?.second != null
    const where = dual ? (['run', 'second'] as const) : (['run'] as const)
    const labels = dual ? ['Fan section', 'Second section'] : ['Measured']
    return [
      { title: 'Off the circuit', asks: cells('capacitance', where, labels) },
      {
        title: 'Or under load',
        asks: [
          ...cells('capacitor_amps', where, dual ? ['Fan lead', 'Second lead'] : ['Its lead']),
          ...cells('capacitor_volts', where, dual ? ['Across fan', 'Across second'] : ['Volts across it']),
        ],
        also: true,
      },
    ]
  },
  judges: [capacitorHealth, capacitorVolts, capacitorFits],
}
