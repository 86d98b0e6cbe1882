import type { RefObject } from 'react'
import { useNarrow } from '../../app/use-narrow.ts'
import { isBad, type Cell, type Snapshot, type Typed } from './cells.ts'

/** A row of big cells under one heading. */
export function CellRow({
  title,
  last,
  inLine,
  cells,
  all,
  at,
  active,
  typed,
  taken,
  inputs,
  type,
  enter,
  focus,
}: {
  title: string
  last: string
  /** On a phone two cells stand beside their heading. */
  inLine: boolean
  cells: readonly Cell[]
  all: readonly Cell[]
  at: number
  active: boolean
  typed: Typed
  taken: Snapshot
  inputs: RefObject<(HTMLInputElement | null)[]>
  type: (c: Cell, text: string) => void
  enter: () => void
  focus: (i: number) => void
}) {
  const narrow = useNarrow()
  const also = cells.every((c) => c.also)
  const kind = also
    ? 'group-also group-line'
    : cells.length === 1
      ? 'group-single'
      : cells.length === 2
        ? 'group-pair'
        : ''
  return (
    <div
      className={`visit-group ${kind}${inLine && kind === 'group-pair' ? ' group-line' : ''}`}
      role="group"
      aria-label={title}
    >
      <div className="between visit-group-head">
        <h3>{title}</h3>
        {last === '' ? null : <span className="quiet">{last}</span>}
      </div>
      <div className={`visit-cells${cells.length > 4 ? ' cells-many' : ''}`}>
        {cells.map((c) => {
          const i = all.indexOf(c)
          const text = typed[c.key] ?? ''
          const how = taken[c.key]?.how
          return (
            <label
              key={c.key}
              className={`visit-cell${i === at && active ? ' cell-here' : ''}${isBad(c, text) ? ' cell-bad' : ''}`}
            >
              <span>
                {c.label}
                {how === 'meter' || how === 'peak' || how === 'unsteady' ? (
                  <em> {how === 'meter' ? 'from meter' : how}</em>
                ) : null}
              </span>
              <input
                ref={(el) => {
                  inputs.current[i] = el
                }}
                inputMode={narrow ? 'none' : 'decimal'}
                autoComplete="off"
                value={text}
                aria-label={`${title}, ${c.label}, ${c.shown}`}
                aria-invalid={isBad(c, text)}
                onChange={(e) => type(c, e.target.value)}
                onFocus={() => focus(i)}
                onKeyDown={(e) => {
                  if (e.key === 'Enter') {
                    e.preventDefault()
                    enter()
                  }
                }}
              />
              <i>{c.shown}</i>
            </label>
          )
        })}
      </div>
    </div>
  )
}
