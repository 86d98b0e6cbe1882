import { place, scaleFor, type Pair, type Placed } from './geometry.ts'

/** Words at the drawing; what is not known is left out. */
export interface BeltWords {
  /** `2 × B66 · centers 23.8 in` */
  readonly belt?: string | undefined
  /** `1,755 → 859 rpm` */
  readonly speed?: string | undefined
  /** `4.6 in, 2 turns open` */
  readonly driver?: string | undefined
  readonly driven?: string | undefined
}

const width = 372
const height = 150

function Belt({ at, was }: { at: Placed; was: boolean }) {
  return (
    <g
      className={was ? 'belt-was' : 'belt-is'}
      stroke={was ? 'var(--rule-2)' : 'var(--ink)'}
      fill="none"
      strokeWidth={was ? 2 : 3.4}
      strokeDasharray={was ? '5 4' : undefined}
    >
      {at.spans.map(([x1, y1, x2, y2]) => (
        <line key={y1} x1={x1} y1={y1} x2={x2} y2={y2} />
      ))}
      <circle cx={at.motor.x} cy={at.motor.y} r={at.motor.r} />
      <circle cx={at.fan.x} cy={at.fan.y} r={at.fan.r} />
    </g>
  )
}

/** An arrow round the fan's shaft, the way it turns as it is looked at. */
function Turn({ at, rotation }: { at: Placed['fan']; rotation: 'clockwise' | 'counter-clockwise' }) {
  const r = Math.max(10, at.r * 0.62)
  const s = rotation === 'clockwise' ? 1 : -1
  const from = [at.x - s * r * 0.87, at.y - r * 0.5] as const
  const to = [at.x + s * r * 0.87, at.y - r * 0.5] as const
  const tip = `${to[0] + s * 1},${to[1] + 8} ${to[0] - s * 9},${to[1] + 1} ${to[0] + s * 6},${to[1] - 6}`
  return (
    <g>
      <path
        stroke="var(--act)"
        fill="none"
        strokeWidth={2.6}
        d={`M ${from[0]} ${from[1]} A ${r} ${r} 0 0 ${s === 1 ? 1 : 0} ${to[0]} ${to[1]}`}
      />
      <polygon fill="var(--act)" points={tip} />
    </g>
  )
}

/**
 * The belt drive to scale: motor left, fan right. With `was` the drive of today lies behind it, dashed, the fan's shaft in
 * one place, so that what the base has to travel is seen.
 */
export function BeltDrawing({
  pair,
  was = null,
  rotation = null,
  words,
}: {
  pair: Pair
  was?: Pair | null
  rotation?: 'clockwise' | 'counter-clockwise' | null
  words: BeltWords
}) {
  const all = was ? [pair, was] : [pair]
  const scale = scaleFor(all, width, height)
  const largest = Math.max(...all.map((p) => p.driven))
  const at = place(pair, scale, width, height, largest)
  const told = [words.driver, words.driven, words.belt, words.speed, rotation && `turns ${rotation}`].filter(Boolean)
  // What lies left of both motors is cut off, so that a short drive is not drawn into a corner.
  const left =
    Math.min(...all.map((p) => place(p, scale, width, height, largest)).map((p) => p.motor.x - p.motor.r)) - 8
  return (
    <figure className="condensed" style={{ margin: 0 }}>
      {words.belt ? <figcaption>{words.belt}</figcaption> : null}
      <svg
        width="100%"
        height={170}
        viewBox={`${left} 0 ${width - left} ${height}`}
        role="img"
        aria-label={`Belt drive: ${told.join('; ')}`}
      >
        {was ? <Belt at={place(was, scale, width, height, largest)} was /> : null}
        <Belt at={at} was={false} />
        <circle fill="var(--ink)" cx={at.motor.x} cy={at.motor.y} r={4} />
        <circle fill="var(--ink)" cx={at.fan.x} cy={at.fan.y} r={6} />
        {rotation ? <Turn at={at.fan} rotation={rotation} /> : null}
      </svg>
      <div className="between">
        <span>{words.driver}</span>
        <span>{words.speed}</span>
        <span>{words.driven}</span>
      </div>
    </figure>
  )
}
