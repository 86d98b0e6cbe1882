import { seeded } from '../machine/index.ts'
import type { RouteProblem, RouteStep } from './index.ts'

/** A round of so many visits, made by a seed: places on a roof, some windows, pairs, locks and waits. */
export function roundOf(seed: number, count: number, people: number, over: Partial<RouteProblem> = {}): RouteProblem {
  const random = seeded(seed)
  const spots = Array.from({ length: count + 1 }, () => [random.between(0, 120), random.between(0, 60)] as const)
  const steps = Array.from({ length: count }, (_, i): RouteStep => {
    const from = Math.round(random.between(420, 800))
    return {
      id: `v${i}`,
      place: i + 1,
      minutes: Math.round(random.between(5, 25)),
      people: people > 1 && random.next() < 0.12 ? 2 : 1,
      windows: random.next() < 0.2 ? [{ from, to: from + 150 }] : [],
      outdoors: random.next() < 0.7,
      lock: random.next() < 0.3 ? `u${Math.floor(i / 3)}` : null,
      after: i > 0 && random.next() < 0.15 ? { step: `v${i - 1}`, wait: Math.round(random.between(0, 40)) } : null,
      value: random.pick([1, 1, 2, 5]),
    }
  })
  // Every fourth that waits for nothing is locked out first and left alone.
  const leaves = (v: RouteStep, i: number) => i % 4 === 3 && v.after === null
  return {
    steps: steps.flatMap((v, i) =>
      leaves(v, i)
        ? [
            { ...v, id: `${v.id}:lock`, minutes: 2, people: 1 as const, lock: v.id, value: 2, serves: v.id },
            { ...v, lock: null, after: { step: `${v.id}:lock`, wait: 15 } },
          ]
        : [v],
    ),
    walkers: Array.from({ length: people }, (_, k) => ({ id: `w${k}`, from: 420, to: 420 + 480 })),
    travel: spots.map((a) => spots.map((b) => Math.hypot(a[0] - b[0], a[1] - b[1]) / 50)),
    lockMinutes: 6,
    heat: null,
    storm: null,
    ...over,
  }
}
