import './keypad.css'

const digits = ['7', '8', '9', '4', '5', '6', '1', '2', '3'] as const

/** The keypad at the thumb: large keys for gloves. It never takes the focus from the cell. */
export function Keypad({
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
  return (
    <div className={`keypad${onOpen ? ' keypad-open' : ''}`} role="group" aria-label="Keypad">
      {digits.map((d) => key(d, d, () => onKey(d), `key-${d}`))}
      {key('Back', 'Delete last digit', onErase, 'key-side key-back')}
      {key('Previous', 'Previous field', onPrevious, 'key-side key-previous')}
      {key('Next', 'Next field', onNext, 'key-next')}
      {key('0', '0', () => onKey('0'), 'key-0')}
      {key('.', 'Decimal point', () => onKey('.'), 'key-point')}
      {onOpen ? key('OL', 'Over range: open', onOpen, 'key-open') : null}
    </div>
  )
}
