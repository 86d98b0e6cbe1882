import { airPathSays } from '../../../air/index.ts'
import { history, practice } from '../../../limits/index.ts'
import { amount, show } from '../../../quantity/index.ts'
import { loadPoint, meanVolts } from '../../../trend/index.ts'
import { across, airBefore } from '../../air-before.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

const told = {
  restriction: {
    level: 'watch',
    because: 'the air is restricted',
    next: 'Check filters and coil, then dampers.',
  },
  opening: {
    level: 'watch',
    because: 'the air bypasses',
    next: 'Look for missing filters and an open door or duct; read the pressure again after each.',
  },
  faster: {
    level: 'watch',
    because: 'the fan runs faster',
    next: 'Check sheave setting and Hz: was a change not recorded?',
  },
  slower: {
    level: 'watch',
    because: 'the fan runs slower, or the wheel is dirty',
    next: 'Check the belt and the sheave first, then the wheel for dirt.',
  },
  mixed: { level: 'watch', because: 'the two do not agree', next: 'Read both again, doors shut, same spots.' },
} as const

/** Less than a manometer tells apart from none. in wg */
const nothing = 0.005

/** Measured, and there is none. */
const noAir: Rule = {
  id: 'no-air',
  title: 'Airflow',
  subject: 'air',
  from: 'visit',
  informs: true,
  running: true,
  needs: ['air_flow'],
  applies: (c) => c.value('air_flow', 'fan') !== undefined,
  judge(c) {
    const flow = c.value('air_flow', 'fan') ?? 0
    const basis = [practice('a fan that runs moves air')]
    const told = amount(flow, 'cfm', c.machine.units)
    if (flow >= 1)
      return verdict(this, { level: 'ok', value: flow, basis, because: `${told}.`, next: 'Nothing to do.' })
    if (!c.legsRead.some((l) => l.amps > 0.1)) return []
    return verdict(this, {
      level: 'fix',
      value: flow,
      basis,
      because: `${told} while it runs: it moves no air.`,
      next: 'Look at belt, rotation and wheel, then at dampers and filters. Measure again.',
    })
  },
}

const path: Rule = {
  id: 'air-path',
  title: 'Air path by pressure and amps',
  subject: 'air',
  from: 'visit',
  applies: (c) => across(c.visit) !== null,
  judge(c) {
    const now = across(c.visit) ?? 0
    const last = airBefore(c)
    const pressure = last && across(last)
    const volts = meanVolts(c.visit)
    const amps = loadPoint(c.visit, volts)
    const then = last && loadPoint(last, volts)
    const figure = `${amount(now, 'inwg', c.machine.units)} across the fan`
    const basis = [practice('fan curves by kind of wheel')]
    if (Math.abs(now) < nothing && c.legsRead.some((l) => l.amps > 0.1))
      return verdict(this, {
        level: 'watch',
        value: now,
        basis,
        because: `${figure} while it runs: it moves no air, or a tube is off.`,
        next: 'Zero the manometer, check both tubes and holes, read again. Still nothing: look at belt, wheel and dampers.',
        settles: false,
      })
    const most = c.limit('fan-pressure-most')
    if (Math.abs(now) > most.value)
      return verdict(this, {
        level: 'watch',
        value: now,
        limit: most.value,
        basis: [most.basis],
        because: `${figure}: more than a building’s fan gives.`,
        next: 'Check the unit and the zero of the manometer and both tubes, then read it again.',
        confidence: 'low',
        settles: false,
      })
    if (!last || !pressure || !amps || !then)
      return verdict(this, {
        level: 'ok',
        value: now,
        basis,
        because: !amps
          ? `${figure}. Read amps too to tell a restriction from a fast fan.`
          : `${figure}: first reading.`,
        next: amps ? 'Use the same holes next time.' : 'Read volts and amps at this visit too.',
      })
    const wheel = c.wheel?.type ?? null
    const change = { pressure: now / pressure - 1, amps: amps.normal / then.normal - 1 }
    const says = airPathSays(wheel ?? 'forward-curved', change, 0.08)
    const since = `${show.signed(change.pressure * 100, 0)} % pressure and ${show.signed(change.amps * 100, 0)} % amps since ${show.day(last.at, c.visit.at, c.machine.zone)}`
    const own = [history(`the visit of ${show.day(last.at, c.visit.at, c.machine.zone)}`), ...basis]
    const sure = { confidence: wheel === null ? 'low' : 'full' } as const
    if (says === 'no change')
      return verdict(this, {
        level: 'ok',
        value: now,
        basis: own,
        because: `${figure}, as on ${show.day(last.at, c.visit.at, c.machine.zone)}.`,
        next: 'Nothing to do.',
        ...sure,
      })
    const t = told[says]
    return verdict(this, {
      level: t.level,
      value: now,
      limit: pressure,
      basis: own,
      because: `${since}${wheel === null ? '' : ` on a ${wheel} wheel`}: ${t.because}.`,
      next: t.next,
      ...sure,
    })
  },
}

/** Static pressure on both sides of the fan, and its air where somebody measured it. */
export const pressureCheck: CheckDefinition = {
  id: 'pressure',
  phase: 'live',
  part: 'drive',
  title: 'Pressure and air',
  how: 'Manometer on the supply and the return side of the fan, doors shut, always the same holes.',
  caution: null,
  for: always,
  groups: () => [
    { title: 'Static pressure', asks: cells('static_pressure', ['supply', 'return'], ['Supply', 'Return']) },
    { title: 'Air, if measured', asks: cells('air_flow', ['fan'], ['Airflow']), also: true },
  ],
  judges: [path, noAir],
}
