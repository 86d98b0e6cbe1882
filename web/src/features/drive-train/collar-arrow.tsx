import type { MachinePage } from '@motor-round/contract'
import { inPlace } from './drive-facts.ts'

type Turning = 'clockwise' | 'counter-clockwise'
const other: Readonly<Record<Turning, Turning>> = { clockwise: 'counter-clockwise', 'counter-clockwise': 'clockwise' }

/**
 * Which way an eccentric collar is turned, as one stands before it: with the shaft, until it is snug.
 * @param rotation of the shaft as seen from the drive end
 */
const turned = (rotation: Turning, end: 'drive end' | 'opposite end'): Turning =>
  end === 'drive end' ? rotation : other[rotation]

function Arrow({ way, label }: { way: Turning; label: string }) {
  const s = way === 'clockwise' ? 1 : -1
  return (
    <figure className="condensed" style={{ width: 150, margin: 0, textAlign: 'center' }}>
      <svg width="120" height="100" viewBox="0 0 120 100" role="img" aria-label={`${label}: turn the collar ${way}`}>
        <circle cx="60" cy="50" r="34" stroke="var(--ink)" fill="var(--sunk)" strokeWidth={3} />
        <circle cx="60" cy="50" r="17" stroke="var(--ink)" fill="var(--track)" strokeWidth={2} />
        <rect x="57" y="8" width="6" height="13" fill="var(--ink-2)" />
        <path
          d={`M ${60 - s * 38} 30 A 43 43 0 0 ${s === 1 ? 1 : 0} ${60 + s * 38} 30`}
          stroke="var(--act)"
          fill="none"
          strokeWidth={4}
        />
        <polygon points={`${60 + s * 43},38 ${60 + s * 29},33 ${60 + s * 44},22`} fill="var(--act)" />
      </svg>
      <figcaption>
        <b>{label}</b>
        <br />
        {way}
      </figcaption>
    </figure>
  )
}

/** The direction of eccentric collars on this shaft, drawn from its rotation, with the opposite habit explained. */
export function CollarArrow({ page }: { page: MachinePage }) {
  const { rotation, seenFrom } = page.machine.layout
  const ends = (
    [
      ['bearing-de', 'drive end', 'Drive end'],
      ['bearing-ode', 'opposite end', 'Opposite end'],
    ] as const
  ).filter(([slot]) => {
    const part = inPlace(page, slot)?.part
    return part?.slot === slot && part.spec.lock === 'eccentric collar'
  })
  if (ends.length === 0) return null
  const fromDriveEnd = rotation === null ? null : seenFrom === 'opposite end' ? other[rotation] : rotation
  return (
    <section className="sheet">
      <h2>Locking collars</h2>
      {fromDriveEnd === null ? (
        <p className="quiet">Enter which way the fan turns and from which end: then the collars are drawn here.</p>
      ) : (
        <>
          <div className="row">
            {ends.map(([slot, end, label]) => (
              <Arrow key={slot} way={turned(fromDriveEnd, end)} label={`${label}, facing it`} />
            ))}
          </div>
          <p className="quiet">
            With the shaft’s rotation until snug, a tap with a drift, then the set screw. Turned against it the shaft
            works it loose; that “it never failed” only means that the screw alone has held so far.
          </p>
        </>
      )}
    </section>
  )
}
