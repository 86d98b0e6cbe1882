import { memo } from 'react'
import './keypad.css'

const rows = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
] as const

/** The keypad at the thumb: large keys for gloves. It never takes the focus from the cell. */
export const Keypad = memo(function Keypad({
  onKey,
  onErase,
  onPrevious,
  onNext,
  onOpen,
}: {
  onKey: (k: string) => void
  onErase: () => void
  onPrevious: () => void
  onNext: () => void
  /** Where a circuit can be open: the key that says over range. */
  onOpen: (() => void) | null
}) {
  const hold = (e: React.MouseEvent | React.PointerEvent) => e.preventDefault()
  const key = (name: string, label: string, act: () => void, style = '') => (
    <button
      key={name}
      type="button"
      tabIndex={-1}
      aria-label={label}
      className={`key ${style}`}
      onPointerDown={hold}
      onMouseDown={hold}
      onClick={act}
    >
      {name}
    </button>
  )
  // The last column of each row.
  const side = [
    key('Back', 'Delete last digit', onErase, 'key-side'),
    key('Previous', 'Previous field', onPrevious, 'key-side'),
    key('Next', 'Next field', onNext, 'keypad-tall'),
  ]
  return (
    <div className="keypad" role="group" aria-label="Keypad">
      {rows.flatMap((row, i) => [...row.map((d) => key(d, d, () => onKey(d))), side[i]])}
      {key('0', '0', () => onKey('0'), onOpen ? '' : 'keypad-wide')}
      {key('.', 'Decimal point', () => onKey('.'))}
      {onOpen ? key('OL', 'Over range: open', onOpen, 'key-side') : null}
    </div>
  )
})
