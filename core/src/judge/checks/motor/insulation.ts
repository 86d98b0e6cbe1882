import { insulationFactor, insulationFloor, insulationTestVolts } from '../../../electrical/index.ts'
import { history, sitePolicy, practice, standard } from '../../../limits/index.ts'
import { show, terminalPositions } from '../../../quantity/index.ts'
import { dayMs } from '../../../trend/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { scaleOf } from '../../scale.ts'
import { ratedVolts } from '../../rated-volts.ts'
import { insulationHistory, insulationLeads, type InsulationFigure } from './insulation-facts.ts'
import { cells, choice, threePhase, type CheckDefinition } from '../check-definition.ts'

function told(c: Context, f: InsulationFigure): string {
  const at = f.corrected && f.celsius !== null ? `, ${show.megohms(f.at40)} at 40 °C` : ''
  const when = Math.abs(f.at - c.visit.at) > dayMs ? ` on ${show.day(f.at, c.visit.at, c.machine.zone)}` : ''
  const lead = f.lead === 'all' ? 'All leads' : f.lead
  const warm = f.celsius === null ? '' : ` at ${show.temperature(f.celsius, scaleOf(c))}`
  return `${lead} ${f.over ? 'over ' : ''}${show.megohms(f.megohms)}${warm}${at}${when}`
}

/** Room temperature, and the coldest at which a reading can be brought to 40 °C. °C @source IEEE 43 for the latter */
const room = 20
const coldest = 10

/** What a reading that could not be brought to 40 °C would come to there if its winding was cool. Megohms at 40 °C. */
function ifCool(f: InsulationFigure, system: Context['policies']['insulationSystem']): number {
  if (f.corrected || f.over || (f.celsius !== null && f.celsius >= coldest)) return f.at40
  return f.megohms * (insulationFactor(f.celsius === null ? room : coldest, system) ?? 1)
}

/** One-minute insulation against the floor, each lead at its place by itself. */
const insulationResistance: Rule = {
  id: 'insulation',
  title: 'Insulation',
  subject: 'motor',
  from: 'visit',
  needs: ['megohms', 'megohms_at'],
  applies: (c) => c.has('megohms', 'megohms_at'),
  judge(c) {
    c.readings('megohms')
    c.readings('megohms_at')
    const figures = insulationLeads(c.visit, c.policies.insulationSystem)
    const volts = ratedVolts(c)
    const floor = insulationFloor(c.policies.insulation, volts)
    const bottom = Math.min(floor, insulationFloor('kV plus 1', volts))
    const basis = [
      c.policies.insulation === 'lamp 30' ? practice('common practice: the 30 MΩ lamp') : standard('IEEE 43'),
      sitePolicy(`our limit: insulation, ${c.policies.insulation}`),
    ]
    const place = figures[0]?.place ?? null
    const away = place !== null && place !== 'motor'
    const subject = away ? ('wiring' as const) : ('motor' as const)
    const split = away ? ` Read at the ${place}: wires may be the wet part.` : ''
    const unsure = figures.every((f) => f.corrected) ? '' : ' No temperature, so not corrected to 40 °C.'
    const sure = figures.every((f) => f.corrected) && !away ? ('full' as const) : ('low' as const)
    const at = (leads: readonly string[]) => leads.map((lead) => `${lead}/${place ?? 'motor'}`)
    const bad = (own: readonly InsulationFigure[], level: 'fix' | 'stop') => {
      const [worst] = own
      if (!worst) return []
      return [
        verdict(this, {
          level,
          subject,
          positions: at(own.map((f) => f.lead)),
          value: Math.min(...own.map((f) => f.at40)),
          limit: floor,
          basis,
          confidence: sure,
          because: `${own.map((f) => told(c, f)).join('; ')}: below ${show.megohms(floor)}.${split}${unsure}`,
          next: away
            ? 'Split it: disconnect and test at the motor’s own terminals before the motor is condemned.'
            : level === 'stop'
              ? 'Do not put it back in service. Dry and clean it, test again; if it stays, replace the motor.'
              : 'Dry and clean before power; test again at the motor.',
        }),
      ]
    }
    // Without the one-minute value a curve shows what is bad, never what is good.
    const minute = figures.filter((f) => f.minute)
    const below = figures.filter((f) => !f.over && f.at40 < floor)
    const above = minute.filter((f) => f.over || f.at40 >= floor)
    const cool = (f: InsulationFigure) => ifCool(f, c.policies.insulationSystem)
    const doubtful = above.filter((f) => !f.over && cool(f) < floor)
    const good = above.filter((f) => !doubtful.includes(f))
    // What was found at one of them is not answered by the others.
    const found = new Set([...below, ...doubtful].map((f) => f.lead))
    const whole = figures.length > 0 && minute.length === 0 && below.length === 0
    const tested = c.value('test_volts', 'insulation')
    const [least, most] = insulationTestVolts(volts)
    const weak = tested !== undefined && tested < 0.5 * least
    return [
      ...(tested !== undefined && tested > 2 * most ? [testedHard(this, tested, most, volts)] : []),
      ...bad(
        below.filter((f) => f.at40 < bottom),
        'stop',
      ),
      ...bad(
        below.filter((f) => f.at40 >= bottom),
        'fix',
      ),
      ...(whole
        ? [
            verdict(this, {
              level: 'watch',
              subject,
              positions: at(['all']),
              basis,
              because: 'Insulation was read without its one-minute value: cannot be compared with the minimum.',
              next: 'Read it at one minute.',
              confidence: 'low',
              settles: false,
            }),
          ]
        : []),
      ...doubtful.slice(0, 1).map(({ celsius }) =>
        verdict(this, {
          level: 'watch',
          subject,
          positions: at(doubtful.map((f) => f.lead)),
          value: Math.min(...doubtful.map(cool)),
          limit: floor,
          basis,
          because: `${doubtful.map((f) => told(c, f)).join('; ')}: above ${show.megohms(floor)} as read, but ${
            celsius === null
              ? `the winding temperature is not entered. At ${show.temperature(room, scaleOf(c))} it would be ${show.megohms(Math.min(...doubtful.map(cool)))} at 40 °C.`
              : `too cold to be brought to 40 °C: less than ${show.megohms(Math.min(...doubtful.map(cool)))} there.`
          }${split}`,
          next:
            celsius === null
              ? 'Enter the temperature of the winding.'
              : `Test again with the winding above ${show.temperature(coldest, scaleOf(c))}.`,
          confidence: 'low',
          settles: false,
        }),
      ),
      ...(good.length === 0
        ? []
        : [
            verdict(this, {
              level: weak ? 'watch' : 'ok',
              settles: !weak,
              subject,
              positions: at(covered(good.map((f) => f.lead)).filter((lead) => !found.has(lead))),
              value: Math.min(...good.map((f) => f.at40)),
              limit: floor,
              basis,
              confidence: sure,
              because: `${told(
                c,
                good.reduce((a, b) => (b.at40 < a.at40 ? b : a)),
              )}: above ${show.megohms(floor)}${weak ? `, but tested at ${show.volts(tested)} V: too little for a ${show.volts(volts)} V winding` : ''}.${split}${unsure}`,
              next: weak
                ? `Test it at ${show.volts(least)} V.`
                : 'Record the value: the trend over the years matters most.',
            }),
          ]),
    ]
  },
}

/** More than a winding is tested with can break down what was still good. */
const testedHard = (check: Rule, tested: number, most: number, volts: number) =>
  verdict(check, {
    level: 'watch',
    settles: false,
    ofVisit: true,
    positions: ['test volts'],
    value: tested,
    limit: most,
    basis: [standard('IEEE 43, guide for test voltages')],
    because: `Tested at ${show.volts(tested)} V: a ${show.volts(volts)} V winding is tested at ${show.volts(most)} V.`,
    next: `Was the range set wrong? Test it again at ${show.volts(most)} V: it may have been damaged.`,
  })

/** Three good leads clear them together, and all together clear each. */
const covered = (leads: readonly string[]): readonly string[] =>
  leads.includes('all') || terminalPositions.every((t) => leads.includes(t)) ? [...terminalPositions, 'all'] : leads

/** Insulation against its own past: the same motor at the same place. */
const insulationTrend: Rule = {
  id: 'insulation-trend',
  title: 'Insulation over the years',
  subject: 'motor',
  from: 'history',
  of: ['megohms', 'megohms_at'],
  applies: (c) => samePlace(c).length >= 2,
  judge(c) {
    const all = samePlace(c)
    const now = all.at(-1)
    if (!now) throw new RangeError('insulation must have been read')
    // Within a year and a half: a yearly test is seldom to the day.
    const best = (own: readonly InsulationFigure[]) =>
      own.reduce<InsulationFigure | null>((a, b) => (a === null || b.at40 > a.at40 ? b : a), null)
    const year = best(all.slice(0, -1).filter((f) => f.at >= now.at - 550 * dayMs))
    const life = best(all.slice(0, -1))
    const fix = c.limit('insulation-fall-fix')
    const watch = c.limit('insulation-fall-watch')
    const basis = [history(`${all.length} tests of this motor at the same place`)]
    const value = (f: InsulationFigure) => `${f.over ? 'over ' : ''}${show.megohms(f.at40)}`
    const sure = (other: InsulationFigure | null) =>
      now.corrected && (other?.corrected ?? true) ? ('full' as const) : ('low' as const)
    if (year && !now.over) {
      const share = now.at40 / year.at40
      if (share < watch.value)
        return verdict(this, {
          level: share < fix.value ? 'fix' : 'watch',
          value: share,
          limit: share < fix.value ? fix.value : watch.value,
          basis: [share < fix.value ? fix.basis : watch.basis, ...basis],
          because: `Insulation fell to ${show.percent(share)} of what it was: ${value(now)} now, ${value(year)} on ${show.day(year.at, c.visit.at, c.machine.zone)}, both at 40 °C. The winding takes up moisture or dirt, even if still above the minimum.`,
          next: 'Dry and clean it, find where the water comes from, test again before the next wet season.',
          confidence: sure(year),
        })
    }
    if (life && !now.over && now.at40 / life.at40 < fix.value)
      return verdict(this, {
        level: 'watch',
        value: now.at40 / life.at40,
        limit: fix.value,
        basis: [fix.basis, ...basis],
        because: `Insulation is down to ${show.percent(now.at40 / life.at40)} of its best: ${value(now)} now, ${value(life)} on ${show.day(life.at, c.visit.at, c.machine.zone)}.`,
        next: 'Keep it dry and clean; test twice a year.',
        confidence: sure(life),
      })
    const last = all.slice(-4)
    const falling = last.length === 4 && last.every((f, i) => i === 0 || (!f.over && f.at40 < (last[i - 1]?.at40 ?? 0)))
    const first = last[0]
    if (falling && first && now.at40 < 0.7 * first.at40)
      return verdict(this, {
        level: 'watch',
        value: now.at40 / first.at40,
        limit: null,
        basis,
        because: `Falling in four tests in a row: ${last.map(value).join(', ')} at 40 °C.`,
        next: 'Keep it dry and clean; test twice a year.',
        confidence: sure(first),
      })
    return verdict(this, {
      level: 'ok',
      value: now.at40,
      basis,
      because: `Insulation steady: ${all.slice(-3).map(value).join(', ')} over the last tests.`,
      next: 'Nothing to do.',
      confidence: sure(first ?? null),
    })
  },
}

/** The tests of this motor that were made where the newest was made, oldest first. */
function samePlace(c: Context): InsulationFigure[] {
  const all = insulationHistory(c)
  const now = all.at(-1)
  return now ? all.filter((f) => (f.place ?? 'motor') === (now.place ?? 'motor')) : []
}

const places = choice('insulation.place', 'Tested at', [
  ['motor', 'Motor terminals'],
  ['plug', 'Plug'],
  ['contactor', 'Contactor'],
  ['drive output', 'Drive output'],
])

/** Advice for the tester: the voltage and what must be off first. */
export function insulationAdvice(ratedLineVolts: number): {
  volts: readonly [number, number]
  before: readonly string[]
} {
  return {
    volts: insulationTestVolts(ratedLineVolts),
    before: [
      'Drive, soft starter, phase monitor and surge parts disconnected',
      'At the motor’s own terminals, leads apart and clean',
      'Afterwards discharged to ground, four times as long as the test',
    ],
  }
}

export const insulation: CheckDefinition = {
  id: 'insulation',
  phase: 'dead',
  part: 'electric',
  title: 'Insulation',
  how: 'Each lead to the frame for one minute, or all together; enter the winding temperature with it.',
  caution:
    'The tester puts 500 V or more on the leads. Disconnect drive and electronics first; keep people clear; discharge after.',
  for: threePhase,
  groups: () => [
    { title: 'After one minute', asks: cells('megohms', [...terminalPositions, 'all'], [...terminalPositions, 'All']) },
    {
      title: 'At',
      asks: [...cells('temperature', ['winding'], ['Winding']), ...cells('test_volts', ['insulation'], ['Test volts'])],
    },
    { title: 'Where', asks: [places] },
  ],
  judges: [insulationResistance, insulationTrend],
}
