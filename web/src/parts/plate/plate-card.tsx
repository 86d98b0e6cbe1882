import { chooseColumn, readColumns, type Plate, type PlateField } from '@motor-round/core/plate'
import { useEffect, useRef, useState, type RefObject } from 'react'
import { headOf, plateCells, type PlateCell } from './cells.ts'
import { markUnreadable, readCell, writeCell } from './cell-text.ts'
import './plate.css'

interface Props {
  readonly plate: Plate
  readonly serviceVolts: number
  readonly connectionVolts: number | null
  readonly caption?: string
  /** Show blank cells from the start: for a plate that is being entered. */
  readonly blanks?: boolean
  /** Begin with the cursor in the first blank cell. */
  readonly begin?: boolean
  /** Given: cells can be edited in place. */
  readonly onChange?: (plate: Plate) => void
  /** Told at every key what the nameplate would be: a page that is closed in the middle of a field loses nothing. */
  readonly onType?: (plate: Plate) => void
}

/** Printed figures apart, with the place of the one in force. */
function Printed({ text, inForce }: { text: string; inForce: number | null }) {
  const parts = text.split(/([/-])/)
  return parts.map((part, i) => {
    if (part === '/') return <span key={i} className="plate-gap" />
    // Figures stand at the even places, the signs between them.
    return i / 2 === inForce ? <u key={i}>{part}</u> : part
  })
}

/** Which of the printed voltages is in force, as the place in the row; null when none fits or it cannot be read. */
function columnInForce({ plate, serviceVolts, connectionVolts }: Props): number | null {
  if (plate.volts === undefined) return null
  try {
    const columns = readColumns(plate.volts)
    const chosen = chooseColumn(columns, serviceVolts, connectionVolts ?? undefined)
    return chosen ? columns.indexOf(chosen.column) : null
  } catch (e) {
    if (e instanceof RangeError) return null
    throw e
  }
}

function Editor({
  props,
  cell,
  close,
  heldRef,
}: {
  props: Props
  cell: PlateCell
  close: (next?: PlateField) => void
  /** Takes what is typed when another cell is chosen. */
  heldRef: RefObject<(() => boolean) | null>
}) {
  const [text, setText] = useState(readCell(props.plate, cell.field))
  const [message, setMessage] = useState<string | null>(null)
  const commit = () => {
    const written = writeCell(props.plate, cell.field, text)
    if (!written.ok) {
      setMessage(written.message)
      return false
    }
    props.onChange?.(written.plate)
    return true
  }
  useEffect(() => {
    heldRef.current = commit
    return () => {
      heldRef.current = null
    }
  })
  return (
    <span className="plate-editor">
      <input
        autoFocus
        aria-label={cell.title}
        aria-invalid={message !== null}
        value={text}
        placeholder={cell.field === 'maker' ? cell.title : undefined}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setText(e.target.value)
          const written = writeCell(props.plate, cell.field, e.target.value)
          if (written.ok) props.onType?.(written.plate)
        }}
        onBlur={(e) => {
          if (
            !(e.relatedTarget instanceof HTMLElement && e.relatedTarget.dataset['unreadable'] !== undefined) &&
            commit()
          )
            close()
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' || e.key === 'Tab') {
            e.preventDefault()
            if (!commit()) return
            const next = plateCells[plateCells.indexOf(cell) + (e.shiftKey ? -1 : 1)]
            close(next?.field)
          } else if (e.key === 'Escape') close()
        }}
      />
      <button
        type="button"
        data-unreadable=""
        onClick={() => {
          props.onChange?.(markUnreadable(props.plate, cell.field))
          close()
        }}
      >
        cannot be read
      </button>
      {message === null ? null : (
        <span role="alert" className="field-error">
          {message}
        </span>
      )}
    </span>
  )
}

/** The motor's nameplate as a plate. The voltage in force and its amps are underlined. */
export function PlateCard(props: Props) {
  const { plate, onChange } = props
  const [editing, setEditing] = useState<PlateField | null>(() =>
    props.begin
      ? (plateCells.find((c) => plate[c.field] === undefined && (c.phases === undefined || c.phases === plate.phases))
          ?.field ?? null)
      : null,
  )
  const heldRef = useRef<(() => boolean) | null>(null)
  const choose = (field: PlateField) => {
    if (editing !== field && (heldRef.current?.() ?? true)) setEditing(field)
  }
  const [more, setMore] = useState(props.blanks ?? false)
  const inForce = columnInForce(props)
  const cells = plateCells.filter(
    (c) =>
      plate[c.field] !== undefined ||
      plate.unreadable?.includes(c.field) ||
      (onChange && more && (c.phases === undefined || c.phases === plate.phases)),
  )
  const value = (cell: PlateCell) => {
    if (plate.unreadable?.includes(cell.field)) return <i>cannot be read</i>
    const text = readCell(plate, cell.field)
    if (text === '') return <span className="plate-blank">–</span>
    if (cell.field === 'volts' || cell.field === 'amps' || cell.field === 'sfa')
      return <Printed text={text} inForce={inForce} />
    return cell.field === 'efficiency' || cell.field === 'powerFactor' ? `${text} %` : text
  }
  return (
    <section className="plate" aria-label="Motor nameplate">
      <header className="between">
        {onChange && editing === 'maker' ? (
          <Editor
            props={props}
            cell={{ field: 'maker', head: 'MAKER', title: 'Maker' }}
            close={() => setEditing(null)}
            heldRef={heldRef}
          />
        ) : onChange ? (
          <button
            type="button"
            className="plate-maker"
            onMouseDown={(e) => {
              e.preventDefault()
              choose('maker')
            }}
            onClick={() => choose('maker')}
          >
            {plate.maker ?? 'Maker'}
          </button>
        ) : (
          <b className="plate-maker">{plate.maker ?? 'Motor nameplate'}</b>
        )}
        <span>{props.caption}</span>
      </header>
      <div className="plate-cells">
        {cells.map((cell) => (
          <div key={cell.field} className={cell.wide ? 'plate-cell plate-wide' : 'plate-cell'} title={cell.title}>
            {onChange && editing !== cell.field ? (
              // The whole cell is hit, its heading too.
              <button
                type="button"
                aria-label={`${cell.title}: ${readCell(plate, cell.field) || 'blank'}`}
                // The cell that is left closes and the others move: chosen as it is pressed, before they do.
                onMouseDown={(e) => {
                  e.preventDefault()
                  choose(cell.field)
                }}
                onClick={() => choose(cell.field)}
              >
                <small>{headOf(cell, plate)}</small>
                {value(cell)}
              </button>
            ) : (
              <div>
                <small>{headOf(cell, plate)}</small>
                {onChange ? (
                  <Editor
                    key={cell.field}
                    props={props}
                    cell={cell}
                    close={(next) => setEditing(next ?? null)}
                    heldRef={heldRef}
                  />
                ) : (
                  <span>{value(cell)}</span>
                )}
              </div>
            )}
          </div>
        ))}
      </div>
      {onChange && !more ? (
        <button type="button" className="plate-more" onClick={() => setMore(true)}>
          More fields
        </button>
      ) : null}
    </section>
  )
}
