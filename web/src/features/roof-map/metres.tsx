import { Input } from 'antd'
import { useEffect, useState } from 'react'
import { Field } from '../../parts/fields/index.ts'

/** A length on the plan. What is no length stays in the field, is said there, and is told to `onWrong`. */
export function Metres({
  label,
  name,
  value,
  least,
  most = 2000,
  set,
  onWrong,
}: {
  /** Shown beside it. */
  label: string
  /** Said of it by itself: what it is the length of. */
  name: string
  value: number
  least: number
  most?: number
  set: (v: number) => void
  onWrong: (name: string, wrong: boolean) => void
}) {
  // Null: nothing is being typed, the plan's own figure stands there.
  const [text, setText] = useState<string | null>(null)
  const read = (t: string) => (t.trim() === '' ? NaN : Number(t.replace(',', '.')))
  const fits = (v: number) => v >= least && v <= most
  const wrong = text !== null && !fits(read(text))
  // Told as long as it stands there: a line that is taken off takes its error along.
  useEffect(() => {
    onWrong(name, wrong)
    return () => onWrong(name, false)
  }, [name, wrong, onWrong])
  return (
    <Field label={label} error={wrong ? `${least} to ${most} m` : undefined}>
      <Input
        aria-label={`${name}, m`}
        className="map-figure"
        suffix="m"
        inputMode="decimal"
        value={text ?? String(value)}
        onChange={(e) => {
          const v = read(e.target.value)
          setText(e.target.value)
          if (fits(v)) set(v)
        }}
        onBlur={() => {
          if (!wrong) setText(null)
        }}
      />
    </Field>
  )
}
