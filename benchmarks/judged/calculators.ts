import { calculators } from '../../core/src/calc/index.ts'
import { figures } from './told.ts'

/** The example with one of its figures made half, more by a tenth, twice, nothing or negative; words and lists as they are. */
function varied(example: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>>[] {
  const other = (v: unknown, by: number): unknown =>
    typeof v === 'number'
      ? Number((v * by).toPrecision(6))
      : Array.isArray(v)
        ? v.map((x: unknown, i) => (i === 0 ? other(x, by) : x))
        : v
  return Object.keys(example).flatMap((key) => {
    const value = example[key]
    if (typeof value !== 'number' && !Array.isArray(value)) return []
    return [0.5, 1.1, 2, 0, -1].map((by) => ({ ...example, [key]: other(value, by) }))
  })
}

/** Every calculator at its worked example and around it, with its drawing in three points a line. */
export function calculatorsAsked(): string {
  return calculators
    .flatMap((c) => {
      const curve = c.curve(c.example)
      const drawn = curve?.lines.map((l) => [l.points[0], l.points[Math.floor(l.points.length / 2)], l.points.at(-1)])
      return [
        `## ${c.id}`,
        `example ${figures(c.run(c.example))}`,
        ...varied(c.example).map((i) => `${figures(i)} ${figures(c.run(i))}`),
        ...(curve ? [`drawn ${figures([drawn, curve.marks])}`] : []),
      ]
    })
    .join('\n')
}
