import { unitPatterns, type UnitPattern } from '@motor-round/core/machine'
import { convert, findQuantity } from '@motor-round/core/quantity'
import { Button, Select } from 'antd'
import { useState } from 'react'
import type { Cell } from '../cells.ts'
import { simulatedAddress, valueOf, type Meter, type MeterValue } from './use-meter.ts'
import './meter.css'

/** Why a stream is not settled yet, or that it is. */
function stateWords(meter: Meter, unit: string, cell: Cell | undefined): string {
  if (!cell) return 'The reading goes to the selected field; this field is not measured'
  const steady = meter.reading?.steady
  if (!steady) return 'Waiting for the meter'
  switch (steady.kind) {
    case 'filling':
      return 'Reading'
    case 'drifting':
      return `Not settled: still ${steady.perSecond < 0 ? 'falling' : 'rising'} ${Math.abs(steady.perSecond).toPrecision(2)} ${unit} a second`
    case 'wandering':
      return `Wanders by ±${steady.spread.toPrecision(2)} ${unit}: poor contact, a moving rotor, or a failing joint`
    case 'over range':
      return 'Over range: open'
    case 'settled':
      return `Steady within ±${Number(Math.max(steady.spread, 10 ** -(meter.reading?.digits ?? 0)).toPrecision(1))} ${unit}`
  }
}

/** A value of the meter as the cell is typed: in the site’s units. */
export function asTyped(value: MeterValue, cell: Cell): string {
  const kept = findQuantity(cell.quantity)?.unit ?? cell.unit
  if (value.text === 'OL' || kept === cell.unit) return value.text
  return String(Math.round(convert(Number(value.text), kept, cell.unit) * 10) / 10)
}

/** The meter beside the cells: what it shows, why it is not settled yet, and Take. */
export function MeterPanel({
  meter,
  machineId,
  cell,
  take,
  connected,
}: {
  meter: Meter
  machineId: string
  cell: Cell | undefined
  take: (v: MeterValue) => void
  /** Connected: the cursor goes back to its cell. */
  connected: () => void
}) {
  const [pattern, setPattern] = useState<UnitPattern>('healthy')
  if (!meter.on)
    return (
      <div className="row">
        <Select<UnitPattern>
          listHeight={420}
          aria-label="The simulated unit is"
          value={pattern}
          options={unitPatterns.map((p) => ({ value: p.id, label: p.words }))}
          onChange={setPattern}
        />
        <Button
          onClick={() => {
            meter.connect(simulatedAddress(machineId, pattern))
            connected()
          }}
        >
          Connect
        </Button>
        <p className="quiet">A simulated meter on a simulated unit with this nameplate: for practice only.</p>
        {meter.problem ? (
          <p className="field-error" role="alert">
            {meter.problem}
          </p>
        ) : null}
      </div>
    )
  const steady = meter.reading?.steady.kind
  const value = cell ? valueOf(meter.reading, cell, true) : null
  const shown = meter.reading
    ? meter.reading.latest.over
      ? 'OL'
      : meter.reading.latest.value.toFixed(meter.reading.digits)
    : '…'
  const unit = cell ? (findQuantity(cell.quantity)?.unit ?? '') : ''
  return (
    <div className="between meter" role="group" aria-label="Meter">
      <b className="meter-shown">
        {shown} <i>{unit}</i>
      </b>
      <p className={steady === 'settled' || steady === 'over range' ? 'strong tone-ok meter-steady' : ''}>
        {stateWords(meter, unit, cell)}
      </p>
      {meter.problem ? (
        <p className="field-error" role="alert">
          {meter.problem}
        </p>
      ) : null}
      <div className="row">
        <Button
          disabled={!value}
          type={value?.how === 'unsteady' ? 'default' : 'primary'}
          onClick={() => value && take(value)}
        >
          {value
            ? `Take ${value.text}${value.how === 'unsteady' ? ', unsteady' : value.how === 'peak' ? ', peak' : ''}`
            : 'Take'}
        </Button>
        <Button type="link" onClick={meter.disconnect}>
          Off
        </Button>
      </div>
      <p className="quiet meter-name">{meter.name}</p>
    </div>
  )
}
