import { requireMagnitude, requirePositive } from '../quantity/index.ts'

/** Tension a belt drive asks for. Forces in newtons, per belt where not said otherwise. */
export interface DriveTension {
  /** Pull that carries the power, all belts. */
  readonly pull: number
  /** Static tension of one belt, what speed throws off included. */
  readonly static: number
  /** Part of it for what speed throws off. */
  readonly thrown: number
}

/**
 * Static tension of a belt: tight to slack side as 5 : 1 at half a turn of contact, less arc by its factor.
 * @param watts design power: the motor's times its service factor @param speed of the belt, m/s
 * @param belts how many @param factor arc factor Kθ @param mass of one belt, kg/m
 * @throws RangeError when power, speed or count is not above zero, or the factor not in (0, 1]
 * @source Ts = 500 (2.5 − Kθ)/Kθ kW/(N v) + m v²
 */
export function driveTension(watts: number, speed: number, belts: number, factor: number, mass: number): DriveTension {
  requirePositive('watts', watts)
  requirePositive('speed', speed)
  requirePositive('belts', belts)
  requireMagnitude('mass', mass)
  if (!(factor > 0 && factor <= 1)) throw new RangeError('factor must lie above 0 and at most 1')
  const pull = watts / speed
  const thrown = mass * speed * speed
  return { pull, thrown, static: (0.5 * (2.5 - factor) * pull) / (factor * belts) + thrown }
}

/** How far to press mid-span: 1/64 of the span. @source belt makers' deflection method */
export function deflectionOf(span: number): number {
  requirePositive('span', span)
  return span / 64
}

/** Force that presses one belt that far at mid-span, without its own stiffness. @source F = 4 T q / t = T / 16 */
export function deflectionForce(tension: number): number {
  requireMagnitude('tension', tension)
  return tension / 16
}

/** What a pressed force says of the tension, newtons: the inverse, for any deflection of the span. */
export function tensionFromForce(force: number, deflection: number, span: number): number {
  requireMagnitude('force', force)
  requirePositive('deflection', deflection)
  requirePositive('span', span)
  return (force * span) / (4 * deflection)
}

/**
 * Least and greatest deflection force of one belt, its stiffness included: used belt, and one and a half times for new.
 * @param stiffness of the section, N; for a single belt times span over length
 * @source (Ts + Y)/16 to (1.5 Ts + Y)/16, engineering handbooks
 */
export function deflectionForces(tension: number, stiffness: number): { least: number; greatest: number } {
  requireMagnitude('tension', tension)
  requireMagnitude('stiffness', stiffness)
  return { least: (tension + stiffness) / 16, greatest: (1.5 * tension + stiffness) / 16 }
}

/** Tension from the note of the plucked span. @param span metres @param mass kg/m @source T = 4 m t² f² */
export function tensionFromHertz(hertz: number, span: number, mass: number): number {
  requireMagnitude('hertz', hertz)
  requirePositive('span', span)
  requirePositive('mass', mass)
  return 4 * mass * span * span * hertz * hertz
}

/** The note a span at that tension gives, hertz. @source f = √(T/m) / 2t */
export function hertzFromTension(tension: number, span: number, mass: number): number {
  requireMagnitude('tension', tension)
  requirePositive('span', span)
  requirePositive('mass', mass)
  return Math.sqrt(tension / mass) / (2 * span)
}

/**
 * What "half an inch of play" by a thumb means on a span: the tension at which that push gives that play.
 * @param play metres @param push newtons; a thumb's push is about 40 N (common practice)
 */
export function tensionByPlay(span: number, play = 0.0127, push = 40): number {
  return tensionFromForce(push, play, span)
}

/** Pull of all belts across the shafts, newtons. @param arc degrees @source 2 N Ts sin(θ/2) */
export function shaftPull(tension: number, belts: number, arc: number): number {
  requireMagnitude('tension', tension)
  requirePositive('belts', belts)
  requirePositive('arc', arc)
  return 2 * belts * tension * Math.sin((arc * Math.PI) / 360)
}

/**
 * Power a belt set can carry at a tension before the slack side runs empty of grip.
 * @returns watts; below the motor's power it is under-belted or slack
 * @source the same 5 : 1 as `driveTension`, solved for the power
 */
export function powerAtTension(tension: number, speed: number, belts: number, factor: number, mass: number): number {
  requireMagnitude('tension', tension)
  requirePositive('speed', speed)
  requirePositive('belts', belts)
  if (!(factor > 0 && factor <= 1)) throw new RangeError('factor must lie above 0 and at most 1')
  return (Math.max(0, tension - mass * speed * speed) * belts * speed * factor) / (0.5 * (2.5 - factor))
}
