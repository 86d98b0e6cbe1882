import type { PartRecord } from '@motor-round/contract'
import { show } from '@motor-round/core/quantity'
import { showLength, type LengthUnit } from '../../app/lengths.ts'

const some = (...parts: (string | null | undefined | false)[]) => parts.filter(Boolean).join(', ')

/** A installed part in one line, the mechanic's words. */
export function partWords({ slot, spec }: PartRecord['part'], unit: LengthUnit): string {
  const long = (mm: number | null) => (mm === null ? null : showLength(mm, unit))
  switch (slot) {
    case 'motor-sheave':
      return spec.type === 'fixed'
        ? some(
            `${showLength(spec.pitch, unit)} pitch`,
            `${spec.section} section`,
            spec.grooves > 1 && `${spec.grooves} grooves`,
          )
        : some(
            `adjustable, ${showLength(spec.closed, unit)} closed`,
            `${showLength(spec.perTurn, unit)} a turn`,
            `${spec.section} section`,
            `up to ${show.count(spec.most, 'turn')}`,
            spec.grooves > 1 && `${spec.grooves} grooves, all set alike`,
          )
    case 'driven-sheave':
      return some(
        `${showLength(spec.pitch, unit)} pitch`,
        `${spec.section} section`,
        spec.grooves > 1 && `${spec.grooves} grooves`,
      )
    case 'belts':
      return `${spec.count > 1 ? `${spec.count} × ` : ''}${spec.section}${spec.number}`
    case 'bearing-de':
    case 'bearing-ode':
      return some(
        spec.mark || `${spec.type} bearing`,
        spec.bore !== null && `${long(spec.bore) ?? ''} bore`,
        spec.lock,
        spec.greasable === true ? 'takes grease' : spec.greasable === false ? 'sealed: never grease it' : null,
      )
    case 'shaft':
      return some(`${showLength(spec.diameter, unit)}`, spec.key !== null && `${long(spec.key) ?? ''} key`)
    case 'wheel':
      return some(
        `${spec.type}${spec.wheels === 2 ? ', two wheels' : ''}`,
        long(spec.diameter),
        spec.blades !== null && show.count(spec.blades, 'blade'),
        spec.greatestRpm !== null && `${show.trimmed(spec.greatestRpm, 0)} rpm at most`,
        spec.clips !== null && show.count(spec.clips, 'balance clip'),
      )
    case 'filters':
      return `${spec.count} × ${spec.size}`
  }
}
