import './choice.css'

interface Option<T> {
  readonly value: T
  readonly label: string
}

/** A row of words of which at most one is chosen; tapping the chosen one takes it back. Large enough for gloves. */
export function Choice<T extends string | boolean>({
  label,
  options,
  value,
  onChange,
}: {
  label: string
  options: readonly Option<T>[]
  value: T | null
  onChange: (value: T | null) => void
}) {
  return (
    <div className="choice" role="group" aria-label={label}>
      <span className="choice-label">{label}</span>
      {options.map((o) => (
        <button
          key={String(o.value)}
          type="button"
          aria-pressed={value === o.value}
          onClick={() => onChange(value === o.value ? null : o.value)}
        >
          {o.label}
        </button>
      ))}
    </div>
  )
}
