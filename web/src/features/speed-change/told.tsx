import type { DriveToday, Option } from '@motor-round/core/speed-change'
import { amount, convert, show, unitIn, writtenUnit } from '@motor-round/core/quantity'
import { showLength, type LengthUnit } from '../../app/lengths.ts'
import { DataTable } from '../../parts/data-table/index.ts'

const whole = (v: number) => Math.round(v).toLocaleString('en')
const kWh = (watts: number | null, hours: number) => `${whole(((watts ?? 0) / 1000) * hours)} kWh`
const share = (v: number) =>
  `${v >= 1 ? '+' : '−'}${Math.abs((v - 1) * 100).toFixed(Math.abs(v - 1) < 0.0995 ? 1 : 0)} %`

/** Everything a change does, one line each: then, and now beside it. */
export function Told({
  option,
  now,
  today,
  unit,
}: {
  option: Option
  now: Option['prediction']
  today: DriveToday
  unit: LengthUnit
}) {
  const p = option.prediction
  const system = today.units ?? 'us'
  const cfm = (v: number) => {
    const to = unitIn('cfm', system)
    return `${whole(convert(v, 'm3/s', to))} ${writtenUnit(to)}`
  }
  const pressure = (v: number) => amount(convert(v, 'Pa', 'inwg'), 'inwg', system)
  const beltSpeed = (v: number) => amount(convert(v, 'm/s', 'ft/min'), 'ft/min', system)
  const lines: readonly (readonly [string, string, string])[] = [
    ['Amps by leg', `${show.ampsRow(p.legs).join('  ')} A`, `${show.ampsRow(today.legs).join('  ')} A`],
    ['Mean, 95 % range', `${show.amps(p.low)} to ${show.amps(p.high)} A`, `${show.amps(now.amps)} A`],
    ...(today.allowed === null
      ? []
      : [
          [
            'Share of allowed amps',
            show.percent(p.amps / today.allowed),
            show.percent(now.amps / today.allowed),
          ] as const,
        ]),
    ...(p.load === null ? [] : [['Motor load', show.percent(p.load), show.percent(now.load ?? 0)] as const]),
    ['Fan speed', `${whole(p.fanRpm)} rpm`, `${whole(p.fanRpmNow)} rpm`],
    [
      'Air',
      p.flow === null || p.flow === p.airShare ? share(p.airShare) : `${cfm(p.flow)}, ${share(p.airShare)}`,
      today.flow === null || today.flow === 1 ? 'today’s' : cfm(today.flow),
    ],
    [
      'Static pressure',
      p.pressure === null ? share(p.pressureShare) : pressure(p.pressure),
      today.pressure === null ? 'today’s' : pressure(today.pressure),
    ],
    ['Shaft power', share(p.powerShare), 'today’s'],
    ...(p.base
      ? [
          [
            'Motor base',
            `${showLength(Math.abs(p.base.travel), unit)} ${p.base.travel >= 0 ? 'away from' : 'toward'} the fan, centers ${showLength(p.base.center, unit)}`,
            today.drive?.center == null ? '' : showLength(today.drive.center, unit),
          ] as const,
        ]
      : []),
    ...(p.base?.newBelt
      ? [['Belt size', `${p.base.newBelt.section}${p.base.newBelt.number}`, 'the present belt no longer fits'] as const]
      : []),
    ...(p.beltSpeed === null
      ? []
      : [['Belt speed', beltSpeed(p.beltSpeed), now.beltSpeed === null ? '' : beltSpeed(now.beltSpeed)] as const]),
    ...(p.beltsCarry === null
      ? []
      : [
          [
            'Belts carry',
            `${convert(p.beltsCarry, 'W', 'hp').toFixed(1)} hp`,
            now.beltsCarry === null ? '' : `${convert(now.beltsCarry, 'W', 'hp').toFixed(1)} hp`,
          ] as const,
        ]),
    ...(p.bearings
      ? [
          [
            'Bearing life',
            `${share(p.bearings.lifeShare)}${p.bearings.hours === null ? '' : `, ${whole(p.bearings.hours)} h on both`}`,
            'at the belt tension for each load',
          ] as const,
        ]
      : []),
    ['Sound of the fan', `${show.signed(p.sound, 1)} dB`, 'today’s'],
    ...(p.flow === null || today.flow === null || today.flow === 1
      ? []
      : [
          [
            'Building air',
            `${cfm(Math.abs(p.flow - today.flow))} ${p.flow > today.flow ? 'more' : 'less'} through this fan`,
            'adjust make-up and outside air',
          ] as const,
        ]),
    ...(p.cost === null || p.costNow === null
      ? []
      : [
          [
            'Energy a year',
            `${kWh(p.watts, today.hours)}, costs ${whole(p.cost)}`,
            `${kWh(p.wattsNow, today.hours)}, ${whole(p.costNow)} at ${today.price} a kWh`,
          ] as const,
        ]),
  ]
  return (
    <DataTable
      label="What the change does"
      className="speed-told"
      rowKey="what"
      dataSource={lines.map(([what, then, was]) => ({ what, then, was }))}
      columns={[
        { title: <span className="visually-hidden">Quantity</span>, dataIndex: 'what', rowScope: 'row' },
        { title: 'After', dataIndex: 'then', className: 'strong' },
        { title: 'Now', dataIndex: 'was', className: 'quiet' },
      ]}
    />
  )
}
