import { parseFigure } from '@motor-round/core/quantity'

/** One input or output of a calculator, read off its JSON Schema. */
export interface CalcField {
  readonly name: string
  readonly title: string
  readonly unit: string
  readonly kind: 'number' | 'text' | 'choice' | 'numbers' | 'flag' | 'texts'
  readonly required: boolean
  readonly options: readonly (string | number)[]
  /** Labels of the cells of a row of numbers. */
  readonly labels: readonly string[]
  /** What no value means. */
  readonly none: string
}

type Schema = Readonly<Record<string, unknown>>

const words = (name: string) => {
  const text = name.replace(/([a-z])([A-Z0-9])/g, '$1 $2').toLowerCase()
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`
}

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

function fieldOf(name: string, raw: Schema, required: boolean): CalcField | null {
  const s = inner(raw)
  const base = {
    name,
    title: text(s['title']) || words(name),
    unit: text(s['unit']),
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
    return { ...base, unit: base.unit || text(first['unit']), kind: 'numbers', labels }
  }
  if (s['type'] === 'number' || s['type'] === 'integer') return { ...base, kind: 'number' }
  if (s['type'] === 'string') return { ...base, kind: 'text' }
  if (s['type'] === 'boolean') return { ...base, kind: 'flag' }
  return null
}

/** The fields of an object schema, in its order; parts that are objects themselves are left to the terminal. */
export function fieldsOf(schema: Schema): CalcField[] {
  const properties = (schema['properties'] ?? {}) as Record<string, Schema>
  const required = new Set((schema['required'] ?? []) as string[])
  return Object.entries(properties).flatMap(
    ([name, s]) => fieldOf(name, s, required.has(name) && s['default'] === undefined) ?? [],
  )
}

/** What stands in the cells: a text each, a row of numbers several. */
export type Cells = Readonly<Record<string, readonly string[]>>

const rounded = (v: number) => String(Math.round(v * 1e6) / 1e6)
const typed = (unit: string, v: unknown) =>
  typeof v === 'number' ? rounded(unit === '%' ? v * 100 : v) : typeof v === 'string' ? v : ''

/** Values of an input as they are typed. */
export function cellsOf(fields: readonly CalcField[], values: Readonly<Record<string, unknown>>): Cells {
  return Object.fromEntries(
    fields.map((f) => {
      const v = values[f.name]
      if (f.kind === 'numbers')
        return [f.name, f.labels.map((_, i) => typed(f.unit, Array.isArray(v) ? (v as unknown[])[i] : undefined))]
      return [f.name, [typed(f.unit, v)]]
    }),
  )
}

/** The input that is typed. What is no figure stays a text, so that the calculator names the field. */
export function inputOf(fields: readonly CalcField[], cells: Cells): Record<string, unknown> {
  const one = (f: CalcField, t: string): unknown => {
    if (f.kind === 'choice') return f.options.find((o) => String(o) === t) ?? t
    if (f.kind === 'text') return t
    const figure = parseFigure(t)
    return figure === null ? t : f.unit === '%' ? figure / 100 : figure
  }
  return Object.fromEntries(
    fields.flatMap((f) => {
      const list = cells[f.name] ?? []
      if (list.every((t) => t.trim() === '')) return []
      return [[f.name, f.kind === 'numbers' ? list.map((t) => one(f, t)) : one(f, list[0] ?? '')]]
    }),
  )
}

function figureText(v: number, unit: string): string {
  const x = unit === '%' ? v * 100 : v
  const size = Math.abs(x)
  const digits = size >= 1000 ? 0 : size >= 100 || (unit === '%' && size >= 10) ? 1 : size >= 10 ? 2 : size >= 1 ? 3 : 4
  return `${String(Number(x.toFixed(digits)))}${unit === '' ? '' : ` ${unit}`}`
}

/** An output as it is read: figure and unit, or what its absence means. */
export function shownOutput(f: CalcField, v: unknown): string {
  if (v === null || v === undefined) return f.none
  if (typeof v === 'number') return figureText(v, f.unit)
  if (typeof v === 'boolean') return v ? 'yes' : 'no'
  if (Array.isArray(v)) {
    if (v.length === 0) return f.none
    return (v as unknown[]).map((x) => (typeof x === 'number' ? figureText(x, f.unit) : String(x))).join(', ')
  }
  return typeof v === 'string' ? v : ''
}
