import { boundWords, fieldWords, figure, type CalcProblem } from '@motor-round/core/calc'
import { parseFigure } from '@motor-round/core/quantity'
import { fromShown, inUnits, toShown, type Scaled } from '../../parts/in-units/index.ts'

/** One input or output of a calculator, read off its JSON Schema. */
export interface CalcField {
  readonly name: string
  readonly title: string
  /** As it is shown and typed; the calculator has its own. */
  readonly unit: string
  /** What is shown for one unit of the calculator, and what is shown for none of it: degrees begin elsewhere. */
  readonly scale: number
  readonly offset: number
  readonly kind: 'number' | 'text' | 'choice' | 'numbers' | 'flag' | 'texts'
  readonly required: boolean
  readonly options: readonly (string | number)[]
  /** Labels of the cells of a row of numbers. */
  readonly labels: readonly string[]
  /** What no value means. */
  readonly none: string
}

type Schema = Readonly<Record<string, unknown>>

const text = (v: unknown): string => (typeof v === 'string' ? v : '')

/** The schema itself, or the part of an optional one that is no null, with the words written beside it. */
function inner(schema: Schema): Schema {
  const { type } = schema
  if (Array.isArray(type)) return { ...schema, type: (type as string[]).find((t) => t !== 'null') ?? 'null' }
  const any = schema['anyOf']
  if (!Array.isArray(any)) return schema
  const parts = any as Schema[]
  const consts = parts.filter((p) => 'const' in p)
  if (consts.length === parts.length) return { ...schema, enum: consts.map((p) => p['const']) }
  const own = parts.find((p) => p['type'] !== 'null') ?? {}
  return { ...inner(own), ...Object.fromEntries(Object.entries(schema).filter(([k]) => k !== 'anyOf')) }
}

function fieldOf(name: string, raw: Schema, required: boolean, metric: boolean): CalcField | null {
  const s = inner(raw)
  const base = {
    name,
    title: text(s['title']) || fieldWords(name),
    ...inUnits(text(s['unit']), metric),
    required,
    options: [],
    labels: [],
    none: text(s['none']) || 'none',
  }
  if (Array.isArray(s['enum']))
    return { ...base, kind: 'choice', options: (s['enum'] as (string | number | null)[]).filter((o) => o !== null) }
  if (s['type'] === 'array') {
    const items = s['prefixItems']
    if (!Array.isArray(items)) return { ...base, kind: 'texts' }
    const first = (items as Schema[])[0] ?? {}
    const labels = Array.isArray(s['labels'])
      ? (s['labels'] as string[])
      : (items as Schema[]).map((_, i) => String(i + 1))
    return { ...base, ...inUnits(text(s['unit']) || text(first['unit']), metric), kind: 'numbers', labels }
  }
  if (s['type'] === 'number' || s['type'] === 'integer') return { ...base, kind: 'number' }
  if (s['type'] === 'string') return { ...base, kind: 'text' }
  if (s['type'] === 'boolean') return { ...base, kind: 'flag' }
  return null
}

/** The fields of an object schema, in its order; parts that are objects themselves are left to the terminal. */
export function fieldsOf(schema: Schema, metric = false): CalcField[] {
  const properties = (schema['properties'] ?? {}) as Record<string, Schema>
  const required = new Set((schema['required'] ?? []) as string[])
  return Object.entries(properties).flatMap(
    ([name, s]) => fieldOf(name, s, required.has(name) && s['default'] === undefined, metric) ?? [],
  )
}

/** What stands in the cells: a text each, a row of numbers several. */
export type Cells = Readonly<Record<string, readonly string[]>>

const rounded = (v: number) => String(Math.round(v * 1e6) / 1e6)
const typed = (f: Scaled, v: unknown) =>
  typeof v === 'number' ? rounded(toShown(v, f)) : typeof v === 'string' ? v : ''

/** Values of an input as they are typed. */
export function cellsOf(fields: readonly CalcField[], values: Readonly<Record<string, unknown>>): Cells {
  return Object.fromEntries(
    fields.map((f) => {
      const v = values[f.name]
      if (f.kind === 'numbers')
        return [f.name, f.labels.map((_, i) => typed(f, Array.isArray(v) ? (v as unknown[])[i] : undefined))]
      return [f.name, [typed(f, v)]]
    }),
  )
}

/** The input that is typed. What is no figure stays a text, so that the calculator names the field. */
export function inputOf(fields: readonly CalcField[], cells: Cells): Record<string, unknown> {
  const one = (f: CalcField, t: string): unknown => {
    if (f.kind === 'choice') return f.options.find((o) => String(o) === t) ?? t
    if (f.kind === 'text') return t
    const figure = parseFigure(t)
    return figure === null ? t : fromShown(figure, f)
  }
  return Object.fromEntries(
    fields.flatMap((f) => {
      const list = cells[f.name] ?? []
      if (list.every((t) => t.trim() === '')) return []
      return [[f.name, f.kind === 'numbers' ? list.map((t) => one(f, t)) : one(f, list[0] ?? '')]]
    }),
  )
}

/** A problem in the units that are shown: a bound is said in those in which the figure was typed. */
export const problemWords = (f: CalcField, p: CalcProblem): string =>
  p.bound === undefined
    ? p.message
    : boundWords(
        {
          title: f.kind === 'numbers' ? `${f.title}, ${f.labels[Number(p.field.split('.')[1])] ?? ''}` : f.title,
          unit: f.unit,
        },
        p.bound,
        (v) => figure(toShown(v, f), f.unit, 1),
      )

/** What stands in the cells, in the units of other fields; what is no figure stays as it was typed. */
export const convertCells = (from: readonly CalcField[], to: readonly CalcField[], cells: Cells): Cells =>
  Object.fromEntries(
    Object.entries(cells).map(([name, list]) => {
      const old = from.find((f) => f.name === name)
      const now = to.find((f) => f.name === name)
      if (!old || !now || old.unit === now.unit) return [name, list]
      return [
        name,
        list.map((t) => {
          const v = parseFigure(t)
          return v === null ? t : rounded(toShown(fromShown(v, old), now))
        }),
      ]
    }),
  )

function figureText(v: number, field: Pick<CalcField, 'unit' | 'scale' | 'offset'>): string {
  const { unit } = field
  const x = toShown(v, field)
  const size = Math.abs(x)
  const digits = size >= 1000 ? 0 : size >= 100 || (unit === '%' && size >= 10) ? 1 : size >= 10 ? 2 : size >= 1 ? 3 : 4
  // Dollars stand before their figure, to the dollar or the cent.
  if (unit === '$')
    return x.toLocaleString('en-US', {
      style: 'currency',
      currency: 'USD',
      maximumFractionDigits: size >= 1000 ? 0 : 2,
    })
  return `${Number(x.toFixed(digits)).toLocaleString('en-US', { maximumFractionDigits: 4 })}${unit === '' ? '' : ` ${unit}`}`
}

/** An output as it is read: figure and unit, or what its absence means. */
export function shownOutput(f: CalcField, v: unknown): string {
  if (v === null || v === undefined) return f.none
  if (typeof v === 'number') return figureText(v, f)
  if (typeof v === 'boolean') return v ? 'yes' : 'no'
  if (Array.isArray(v)) {
    if (v.length === 0) return f.none
    return (v as unknown[]).map((x) => (typeof x === 'number' ? figureText(x, f) : String(x))).join(', ')
  }
  return typeof v === 'string' ? v : ''
}
