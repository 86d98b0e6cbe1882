import type { AirMover } from '@motor-round/contract'
import { afterSpeedChange, airBalance, type Mover } from '@motor-round/core/air'
import { convert } from '@motor-round/core/quantity'

/** Share of outside air in what a unit supplies, where nobody measured it. @source common practice */
export const usualShare = 0.2

const nameOf = (m: AirMover) => `${m.unitTag} / ${m.tag}`

/** The fans of an area as the balance takes them: what recirculated counts for nothing, what is not measured neither. */
export function moversOf(list: readonly AirMover[]): Mover[] {
  return list.flatMap((m): Mover[] => {
    if (m.flow === null || m.air === 'inside') return []
    const flow = convert(m.flow, 'cfm', 'm3/s')
    return m.air === 'supply'
      ? [{ name: nameOf(m), kind: 'outside air', flow: flow * (m.outsideShare ?? usualShare) }]
      : [{ name: nameOf(m), kind: m.air, flow }]
  })
}

/** What counts of a fan's air, cfm; null where nothing does. */
export function counted(m: AirMover): number | null {
  if (m.flow === null || m.air === 'inside') return null
  return m.air === 'supply' ? m.flow * (m.outsideShare ?? usualShare) : m.flow
}

const cfm = (v: number) => convert(v, 'm3/s', 'cfm')

/** The balance in cfm and in wg, and what a change of one fan's speed does to it. */
export function balanceOf(
  list: readonly AirMover[],
  leakSquareFeet: number | null,
  change: { name: string; speed: number } | null,
) {
  const movers = moversOf(list)
  const leak = leakSquareFeet === null ? undefined : leakSquareFeet * 0.09290304
  const told = airBalance(movers, leak)
  const after =
    change && movers.some((m) => m.name === change.name) ? afterSpeedChange(movers, change.name, change.speed) : null
  return {
    coming: cfm(told.coming),
    going: cfm(told.going),
    over: cfm(told.over),
    pressure: told.pressure === null ? null : convert(told.pressure, 'Pa', 'inwg'),
    after: after && { over: cfm(after.after), follow: cfm(after.toMakeUp) },
  }
}
