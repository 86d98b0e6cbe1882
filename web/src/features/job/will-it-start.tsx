import type { MachinePage } from '@motor-round/contract'
import { canStart, leastStartVolts } from '@motor-round/core/electrical'
import { supplyHertz, type Plate } from '@motor-round/core/plate'
import { useState } from 'react'
import { ampsNow, fanRpm, plateAmps } from './amps-now.ts'
import { inUnits, toShown } from '../../parts/in-units/index.ts'
import { NumberField } from './option-fields.tsx'
import { UnitField } from './unit-field.tsx'

const horsepower = (p: Plate): number | null =>
  p.power === undefined ? null : p.powerUnit === 'kW' ? p.power / 0.7457 : p.power

/** Does the new motor bring the wheel up before its protection opens? By its nameplate, its wheel and the volts it gets. */
export function WillItStart({ page, plate }: { page: MachinePage; plate: Plate }) {
  const [wheel, setWheel] = useState<number | null>(null)
  const [volts, setVolts] = useState<number | null>(95)
  const [fan, setFan] = useState<number | null>(() => fanRpm(page))
  const { machine, site } = page
  const hp = horsepower(plate)
  const rpm = plate.rpm ?? null
  const [now, full] = [ampsNow(page), plateAmps(page)]
  const turns = machine.drive === 'direct' ? rpm : fan
  const known = hp !== null && rpm !== null && hp > 0 && rpm > 0
  const result =
    known && wheel !== null && volts !== null && volts > 0 && turns !== null && turns > 0
      ? canStart({
          phases: machine.phases,
          hz: supplyHertz(machine.serviceVolts, plate.hz, site.hertz),
          hp,
          rpm,
          wheel,
          fanRpm: turns,
          volts: volts / 100,
          load: now !== null && full !== null ? now / full : 1,
        })
      : null
  const time = result?.seconds == null ? '' : `${result.seconds.toFixed(1)} s of ${result.limit} s.`
  const metric = site.units === 'metric'
  const inertia = inUnits('lb·ft²', metric)
  const told = (v: number | null | undefined) => (v == null ? '' : toShown(v, inertia).toFixed(metric ? 1 : 0))
  const why = {
    'it starts': `It comes up in ${time}`,
    time: `Too slow: ${time} Its overload or protector opens first.`,
    torque: 'It does not come up: the load takes more than it gives.',
    inertia: `More wheel than a motor of its size starts: ${told(result?.referred)} of ${told(result?.largest)} ${inertia.unit} at its shaft.`,
    volts: `Below ${leastStartVolts * 100} % of the nameplate volts: repair the supply first.`,
  }
  return (
    <details>
      <summary>Will it start this wheel?</summary>
      <div className="stack">
        {known ? null : <p className="quiet">Enter power and rpm of the new nameplate first.</p>}
        <div className="job-numbers">
          <UnitField title="Wheel, WK²" unit="lb·ft²" metric={metric} value={wheel} max={1e6} onChange={setWheel} />
          {machine.drive === 'direct' ? null : (
            <NumberField label="Fan speed, rpm" value={fan} max={10_000} onChange={setFan} />
          )}
          <NumberField label="Volts while it starts, % of nameplate" value={volts} max={120} onChange={setVolts} />
        </div>
        {result ? (
          <p className={`note tone-${result.starts ? 'ok' : 'stop'}`} role="status">
            {why[result.because]}{' '}
            {result.starts
              ? 'An estimate: prove it by three starts from rest, one of them hot.'
              : 'Another motor, or a lighter wheel; never more capacitor.'}
          </p>
        ) : null}
      </div>
    </details>
  )
}
