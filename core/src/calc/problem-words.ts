import type { z } from 'zod'

/** A bound that a figure is outside of, in the calculator's own unit: what shows other units can say it in those. */
export interface Bound {
  readonly value: number
  readonly limit: number
  readonly is: 'more than' | 'less than' | 'not above'
}

/** A field as it is named on the page. */
export interface FieldName {
  readonly title: string
  readonly unit: string
}

const text = (v: unknown): string => (typeof v === 'string' ? v : '')

/** A field's name in words where none is given: `serviceFactor` is `Service factor`. */
export function fieldWords(name: string): string {
  const words = name.replace(/([a-z])([A-Z0-9])/g, '$1 $2').toLowerCase()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** The words and the unit of a field, a cell of a row by its label. */
export function fieldName(input: z.ZodObject, path: readonly PropertyKey[]): FieldName {
  const name = String(path[0] ?? '')
  const field = input.shape[name] as z.ZodType | undefined
  const meta = field?.meta() ?? {}
  const title = text(meta['title']) || fieldWords(name)
  const labels: unknown = meta['labels']
  const label = Array.isArray(labels) ? text(labels[Number(path[1])]) : ''
  return { title: label === '' ? title : `${title}, ${label}`, unit: text(meta['unit']) }
}

/** A figure as it is read: 300,000 and 0.05. @param scale what is shown for one unit of the calculator */
export const figure = (v: number, unit: string, scale = unit === '%' ? 100 : 1): string =>
  `${Number((v * scale).toPrecision(6)).toLocaleString('en-US', { maximumFractionDigits: 6 })}${unit === '' ? '' : ` ${unit}`}`

/** What is wrong with a figure outside of its bound. */
export const boundWords = ({ title }: FieldName, b: Bound, shown: (v: number) => string): string =>
  b.is === 'not above' && b.limit === 0
    ? `${title}: ${shown(b.value)} is not above zero.`
    : `${title}: ${shown(b.value)} is ${b.is} ${shown(b.limit)}.`

function valueAt(input: unknown, path: readonly PropertyKey[]): unknown {
  let at = input
  for (const key of path)
    at = typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[key] : undefined
  return at
}

/** What an issue of the schema says, in plain words with the field's own name and unit. */
export function issueWords(
  schema: z.ZodObject,
  input: unknown,
  issue: z.core.$ZodIssue,
): { readonly message: string; readonly bound?: Bound } {
  const name = fieldName(schema, issue.path)
  const value = valueAt(input, issue.path)
  if ((issue.code === 'too_big' || issue.code === 'too_small') && typeof value === 'number') {
    const big = issue.code === 'too_big'
    const bound: Bound = {
      value,
      limit: Number(big ? issue.maximum : issue.minimum),
      is: big ? 'more than' : issue.inclusive === false ? 'not above' : 'less than',
    }
    return { message: boundWords(name, bound, (v) => figure(v, name.unit)), bound }
  }
  if (issue.code === 'unrecognized_keys') return { message: `Unknown field: ${issue.keys.join(', ')}.` }
  if (value === undefined) return { message: `${name.title} is needed.` }
  if (typeof value === 'string' && issue.code === 'invalid_type')
    return { message: `${name.title}: “${value}” is not a number.` }
  if (issue.code === 'invalid_type' && issue.expected === 'int')
    return { message: `${name.title} must be a whole number.` }
  if (issue.code === 'invalid_value')
    return { message: `${name.title}: choose one of ${issue.values.map(String).join(', ')}.` }
  if (issue.code === 'invalid_union') {
    const values = issue.errors.flat().flatMap((i) => (i.code === 'invalid_value' ? i.values.map(String) : []))
    if (values.length > 0) return { message: `${name.title}: choose one of ${values.join(', ')}.` }
    return { message: `${name.title} cannot be that.` }
  }
  if (issue.code === 'invalid_type') return { message: `${name.title} must be a number.` }
  return { message: `${name.title}: ${issue.message}.` }
}

/** A complaint of the computing as of its field: its first word is the name of the argument. */
export function complaintWords(schema: z.ZodObject, field: string, message: string): string {
  const { title, unit } = fieldName(schema, [field])
  const rest = message.slice(field.length).trim()
  return `${title}${unit === '' || unit === '%' ? '' : `, ${unit},`} ${rest}${rest.endsWith('.') ? '' : '.'}`
}
