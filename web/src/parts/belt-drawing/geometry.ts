/** Two sheaves and the distance between them, in one unit of length. */
export interface Pair {
  readonly driver: number
  readonly driven: number
  readonly center: number
}

/** Where the drawing lies in its box: the fan's shaft stays, the motor moves. */
export interface Placed {
  readonly scale: number
  readonly motor: { readonly x: number; readonly y: number; readonly r: number }
  readonly fan: { readonly x: number; readonly y: number; readonly r: number }
  /** Ends of the two spans: top, bottom. */
  readonly spans: readonly (readonly [x1: number, y1: number, x2: number, y2: number])[]
}

const margin = 14

/** Scale that lets every pair of a list fit into a box, the fan's shaft in one place. */
export function scaleFor(pairs: readonly Pair[], width: number, height: number): number {
  const wide = Math.max(...pairs.map((p) => p.center + p.driver / 2)) + Math.max(...pairs.map((p) => p.driven / 2))
  const high = Math.max(...pairs.flatMap((p) => [p.driver, p.driven]))
  return Math.min((width - 2 * margin) / wide, (height - 2 * margin) / high)
}

/** A pair drawn to scale: the belt touches both circles, lower span slack side. */
export function place(p: Pair, scale: number, width: number, height: number, largest: number): Placed {
  const y = height / 2
  const fanX = width - margin - (largest / 2) * scale
  const motorX = fanX - p.center * scale
  const motor = { x: motorX, y, r: (p.driver / 2) * scale }
  const fan = { x: fanX, y, r: (p.driven / 2) * scale }
  const lean = Math.asin(Math.max(-1, Math.min(1, (fan.r - motor.r) / (fanX - motorX))))
  const end = (c: { x: number; y: number; r: number }, side: 1 | -1) =>
    [c.x - c.r * Math.sin(lean), c.y - side * c.r * Math.cos(lean)] as const
  return {
    scale,
    motor,
    fan,
    spans: ([1, -1] as const).map((side) => [...end(motor, side), ...end(fan, side)] as const),
  }
}
