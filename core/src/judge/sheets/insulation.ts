import { insulationFloor, insulationTestVolts } from '../../electrical/index.ts'
import { history, houseRule, practice, standard } from '../../limits/index.ts'
import { show, terminalPositions } from '../../quantity/index.ts'
import { dayMs } from '../../trend/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { insulationHistory, insulationOf, type InsulationFigure, ratedVolts } from './insulation-facts.ts'
import { cells, choice, threePhase, type SheetCheck } from './sheet.ts'

function told(c: Context, f: InsulationFigure): string {
  const at = f.corrected && f.celsius !== null ? `, ${show.megohms(f.at40)} at 40 °C` : ''
  const when = Math.abs(f.at - c.stop.at) > dayMs ? ` on ${show.day(f.at, c.stop.at)}` : ''
  const lead = f.lead === 'all' ? 'All leads' : f.lead
  const warm = f.celsius === null ? '' : ` at ${show.temperature(f.celsius, c.rules.temperature)}`
  return `${lead} ${f.over ? 'over ' : ''}${show.megohms(f.megohms)}${warm}${at}${when}`
}

/** One-minute insulation against the floor of the house's school. */
const insulationResistance: Check = {
  id: 'insulation',
  title: 'Insulation',
  applies: (c) => insulationOf(c.stop, c.rules.insulationSystem) !== null,
  judge(c) {
    const f = insulationOf(c.stop, c.rules.insulationSystem)
    if (!f) throw new RangeError('insulation must have been read')
    const volts = ratedVolts(c)
    const floor = insulationFloor(c.rules.insulation, volts)
    const bottom = Math.min(floor, insulationFloor('kV plus 1', volts))
    const away = f.place !== null && f.place !== 'motor'
    const basis = [
      c.rules.insulation === 'lamp 30' ? practice('common practice: the 30 MΩ lamp') : standard('IEEE 43'),
      houseRule(`house rule: insulation, ${c.rules.insulation}`),
    ]
    const split = away ? ` Read at the ${f.place ?? ''}: through wires that may be the wet part.` : ''
    const unsure = f.corrected ? '' : ' No temperature, so not taken to 40 °C.'
    const said = {
      value: f.at40,
      limit: floor,
      basis,
      confidence: f.corrected && !away ? ('full' as const) : ('low' as const),
    }
    if (!f.over && f.at40 < floor)
      return verdict(this, {
        ...said,
        level: f.at40 < bottom ? 'stop' : 'fix',
        because: `${told(c, f)}: below ${show.megohms(floor)}.${split}${unsure}`,
        next: away
          ? 'Split it: unplug, test at the motor’s own terminals before the motor is blamed.'
          : f.at40 < bottom
            ? 'Do not put it back in service. Dry and clean it, test again; if it stays, the motor is to be changed.'
            : 'Dry and clean before power; test again at the motor.',
      })
    return verdict(this, {
      ...said,
      level: 'ok',
      because: `${told(c, f)}: above ${show.megohms(floor)}.${split}${unsure}`,
      next: 'Keep the number: its fall over the years is what tells.',
    })
  },
}

/** Insulation against its own past. */
const insulationTrend: Check = {
  id: 'insulation-trend',
  title: 'Insulation over the years',
  applies: (c) => insulationOf(c.stop, c.rules.insulationSystem) !== null && insulationHistory(c).length >= 2,
  judge(c) {
    const all = insulationHistory(c)
    const now = all.at(-1)
    if (!now) throw new RangeError('insulation must have been read')
    // Within a year and a half: a yearly test is seldom to the day.
    const year = all.slice(0, -1).filter((f) => f.at >= now.at - 550 * dayMs && f.place === now.place)
    const best = year.reduce<InsulationFigure | null>((a, b) => (a === null || b.at40 > a.at40 ? b : a), null)
    const fix = c.limit('insulation-fall-fix')
    const watch = c.limit('insulation-fall-watch')
    const basis = [history(`${all.length} tests of this motor`)]
    const comparable = now.corrected && (best?.corrected ?? true)
    if (best && !now.over) {
      const share = now.at40 / best.at40
      const since = `${show.megohms(best.at40)} on ${show.day(best.at, c.stop.at)}`
      if (share < watch.value)
        return verdict(this, {
          level: share < fix.value ? 'fix' : 'watch',
          value: share,
          limit: share < fix.value ? fix.value : watch.value,
          basis: [share < fix.value ? fix.basis : watch.basis, ...basis],
          because: `Insulation fell to ${show.percent(share)} of what it was: ${show.megohms(now.at40)} now, ${since}, both at 40 °C. The winding takes up water or dirt, still above the floor or not.`,
          next: 'Dry and clean it, find where the water comes from, test again before the next wet season.',
          confidence: comparable ? 'full' : 'low',
        })
    }
    const last = all.slice(-4)
    const falling = last.length === 4 && last.every((f, i) => i === 0 || f.at40 < (last[i - 1]?.at40 ?? 0))
    const first = last[0]
    if (falling && first && now.at40 < 0.7 * first.at40)
      return verdict(this, {
        level: 'watch',
        value: now.at40 / first.at40,
        limit: null,
        basis,
        because: `Four tests in a row each lower: ${last.map((f) => show.megohms(f.at40)).join(', ')} at 40 °C.`,
        next: 'Keep it dry and clean; test twice a year.',
        confidence: comparable ? 'full' : 'low',
      })
    return verdict(this, {
      level: 'ok',
      value: now.at40,
      basis,
      because: `Insulation holds: ${all
        .slice(-3)
        .map((f) => show.megohms(f.at40))
        .join(', ')} over the last tests.`,
      next: 'Nothing to do.',
      confidence: comparable ? 'full' : 'low',
    })
  },
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
      'Afterwards to ground, four times as long as it was tested',
    ],
  }
}

export const insulation: SheetCheck = {
  id: 'insulation',
  phase: 'dead',
  part: 'electric',
  title: 'Insulation',
  how: 'Each lead to the frame for one minute, or all together; write the winding’s temperature beside it.',
  caution:
    'The tester puts 500 V or more on the leads. Drive and electronics off the wires first; nobody touching; discharge after.',
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
