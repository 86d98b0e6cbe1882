import { Input } from 'antd'
import { useEffect, useState } from 'react'
import { distanceFigure, showDistance, toMeters, type DistanceUnit } from '../../app/distances.ts'
import { FormField } from '../../parts/form-field/index.ts'

/** A length on the map, kept in meters. What is no length stays in the field, is said there, and is told to `onWrong`. */
export function Distance({
  label,
  name,
  value,
  unit,
  least,
  most = 2000,
  set,
  onWrong,
}: {
  /** Shown beside it. */
  label: string
  /** Said of it by itself: what it is the length of. */
  name: string
  /** Meters, as are `least`, `most` and what `set` is given. */
  value: number
  unit: DistanceUnit
  least: number
  most?: number
  set: (v: number) => void
  onWrong: (name: string, wrong: boolean) => void
}) {
  // Null: nothing is being typed, the plan's own figure stands there.
  const [text, setText] = useState<string | null>(null)
  const read = (t: string) => (t.trim() === '' ? NaN : toMeters(Number(t.replace(',', '.')), unit))
  const fits = (v: number) => v >= least && v <= most
  const wrong = text !== null && !fits(read(text))
  // Told as long as it stands there: a line that is taken off takes its error along.
  useEffect(() => {
    onWrong(name, wrong)
    return () => onWrong(name, false)
  }, [name, wrong, onWrong])
  return (
    <FormField
      label={label}
      error={wrong ? `${distanceFigure(least, unit)} to ${showDistance(most, unit)}` : undefined}
    >
      <Input
        aria-label={`${name}, ${unit}`}
        style={{ width: 96 }}
        suffix={unit}
        inputMode="decimal"
        value={text ?? String(distanceFigure(value, unit))}
        onChange={(e) => {
          const v = read(e.target.value)
          setText(e.target.value)
          if (fits(v)) set(v)
        }}
        onBlur={() => {
          if (!wrong) setText(null)
        }}
      />
    </FormField>
  )
}
