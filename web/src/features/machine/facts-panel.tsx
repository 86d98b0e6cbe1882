import type { MachinePage } from '@motor-round/contract'
import { hoursADay } from '@motor-round/core/live'
import { show } from '@motor-round/core/quantity'
import { Link } from 'react-router'
import { degreesOf, shownDegrees } from '../../app/shown-units.ts'
import { Facts } from '../../parts/facts/index.ts'

const starterWords = { starter: 'starter', contactor: 'contactor', none: 'none' } as const
const overloadWords = {
  relay: 'overload relay',
  electronic: 'overload in the drive',
  internal: 'protector in the motor',
  none: 'no overload protection',
} as const

/** The ranges of the burner, where they are entered. */
const burnerWords = (b: MachinePage['machine']['controls']['burner'], scale: 'F' | 'C'): string[] =>
  (
    [
      ['oxygen', b?.oxygenLow, b?.oxygenHigh, '%'],
      ['stack', b?.stackLow, b?.stackHigh, `°${scale}`],
    ] as const
  ).flatMap(([what, low, high, unit]) => {
    const told = (v: number) => (what === 'stack' ? shownDegrees(v, scale) : v)
    return low == null || high == null ? [] : [`${what} ${told(low)} to ${told(high)} ${unit}`]
  })

/** What stands between supply and motor, as far as it is known. */
function controlsWords({ controls: c }: MachinePage['machine'], scale: 'F' | 'C'): string {
  return [
    c.starter === null ? '' : starterWords[c.starter],
    c.poles === null ? '' : `${c.poles} ${c.poles === 1 ? 'pole' : 'poles'}`,
    c.overload === null ? '' : overloadWords[c.overload],
    c.protectionAmps === null ? '' : `${c.protectionAmps} A ${c.protection ?? ''}`,
    c.controlVolts === null ? '' : `${c.controlVolts} V control`,
    c.transformer === null ? '' : `${c.transformer.ratedIn}/${c.transformer.ratedOut} V transformer`,
    c.capacitor === null ? '' : `${c.capacitor.run} µF capacitor`,
    c.gasSection ? ['gas section', ...burnerWords(c.burner, scale)].join(', ') : '',
    c.phaseMonitor ? 'phase monitor' : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** What its own instruments say of how it runs, in one line. */
function liveWords(live: MachinePage['live']): string {
  const days = live?.days.slice(-3) ?? []
  if (days.length === 0) return 'none yet'
  const hours = hoursADay(live)
  const highest = Math.max(...days.map((d) => d.mostAmps ?? 0))
  return [
    hours === null ? '' : `${hours.perDay.toFixed(1)} h a day`,
    `${show.count(
      days.reduce((s, d) => s + d.starts, 0),
      'start',
    )} in ${show.count(days.length, 'day')}`,
    highest > 0 ? `up to ${highest.toFixed(1)} A` : '',
  ]
    .filter((t) => t !== '')
    .join(', ')
}

/** Where a machine stands, what feeds and switches it, and what shares its unit. */
export function FactsPanel({ page }: { page: MachinePage }) {
  const { machine, unit, area, site, siblings } = page
  return (
    <section className="sheet">
      <h2>Machine</h2>
      <Facts
        rows={[
          [
            'Location',
            <>
              {site.name}, {area.name} ·{' '}
              <Link className="link-tall" to={`/areas/${area.id}/air`}>
                Air balance
              </Link>
            </>,
          ],
          [
            'Supply',
            `${machine.serviceVolts} V, ${machine.phases === 3 ? 'three-phase' : 'single-phase'}${page.motor?.connectionVolts ? `, connected for ${page.motor.connectionVolts} V` : ''}`,
          ],
          ['Drive', `${machine.drive}${machine.hasVfd ? ', variable-frequency drive' : ''}`],
          ['Controls', controlsWords(machine, degreesOf(page.site)) || 'not entered'],
          [
            'Live data',
            <Link className="link-tall" to={`/machines/${machine.id}/live`}>
              {liveWords(page.live)}
            </Link>,
          ],
          ['Unit', `${unit.kind}${unit.modelLine ? ` ${unit.modelLine}` : ''}`],
          ...(siblings.length === 0
            ? []
            : [
                [
                  'Same unit',
                  siblings.map((s) => (
                    <Link key={s.id} className="link-tall" to={`/machines/${s.id}`}>
                      {s.unitTag} / {s.tag}{' '}
                    </Link>
                  )),
                ] as const,
              ]),
        ]}
      />
    </section>
  )
}
