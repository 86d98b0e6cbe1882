import { fromShown, inUnits, toShown } from '../../parts/in-units/index.ts'
import { NumberField } from './option-fields.tsx'

/** Of what was converted, without the crumbs of converting. */
const rounded = (v: number): number => Number(v.toPrecision(7))

/** A number that is kept in a US unit, shown and typed in that of the site. */
export function UnitField({
  title,
  unit,
  metric,
  value,
  error,
  min = 0,
  max,
  onChange,
}: {
  title: string
  /** The unit it is kept in: `°F`, `cfm`, `in wg`. */
  unit: string
  metric: boolean
  value: number | null
  error?: string | undefined
  min?: number
  max: number
  onChange: (value: number | null) => void
}) {
  const shown = inUnits(unit, metric)
  const kept = shown.unit === unit
  const there = (v: number) => (kept ? v : rounded(toShown(v, shown)))
  return (
    <NumberField
      label={`${title}, ${shown.unit}`}
      value={value === null ? null : there(value)}
      error={error}
      min={there(min)}
      max={there(max)}
      onChange={(v) => onChange(v === null || kept ? v : rounded(fromShown(v, shown)))}
    />
  )
}
