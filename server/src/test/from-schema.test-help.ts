import type { openApiDocument } from '../openapi/document.ts'

type Random = () => number
type Schema = Record<string, unknown>

/** Texts that a program trips over: no text, halves of characters, years that no clock shows, numbers that are none. */
const hostileTexts = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'x\udfff',
  '0000-01-01',
  '0000-01-01T00:00:00Z',
  '0001-01-01T00:00:00.000Z',
  '9999-12-31T23:59:59.999Z',
  '2026-02-29',
  '2026-13-45T99:99:99Z',
  '2026-11-25T08:00:00+23:59',
  '+275760-09-13T00:00:00.000Z',
  '--------',
  '00000000-0000-0000-0000-000000000000',
  'NaN',
  '1e999',
  '../../etc/passwd',
  "'; drop table people; --",
  '%00',
  '\u202e\u2066right to left',
  '😀'.repeat(200),
  '9'.repeat(5000),
  '\t\r\n',
  '__proto__',
  'constructor',
]
const hostileNumbers = [0, -0, -1, 1e308, -1e308, 5e-324, 2 ** 31, 2 ** 53, 2 ** 63, 0.1 + 0.2, 1e21]

/** Texts that have a form of their own, by the name of their field. */
const texts: Readonly<Record<string, string>> = {
  zone: 'America/Halifax',
  // Two by two points, as a JPEG.
  bytes:
    '/9j/2wBDAAYEBQYFBAYGBQYHBwYIChAKCgkJChQODwwQFxQYGBcUFhYaHSUfGhsjHBYWICwgIyYnKSopGR8tMC0oMCUoKSj/2wBDAQcHBwoIChMKChMoGhYaKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCgoKCj/wAARCAACAAIDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAb/xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFAEBAAAAAAAAAAAAAAAAAAAABP/EABQRAQAAAAAAAAAAAAAAAAAAAAD/2gAMAwEAAhEDEQA/AJgA0R//2Q==',
  position: 'L1',
  volts: '460',
  amps: '12.8',
  hz: '60',
  login: 'somebody.new',
  password: 'gravel teapot ninety fork',
  code: 'B-61',
  section: 'A',
}

/** A seeded source of values, valid by a JSON schema but for leaves that are hostile now and then. */
export class Hostile {
  constructor(
    private readonly random: Random,
    private readonly document: ReturnType<typeof openApiDocument>,
    /** Ids that exist, so that a request gets past the question whether they do. */
    private readonly ids: {
      readonly any: readonly string[]
      readonly of: Readonly<Record<string, string | undefined>>
    },
    /** Share of leaves that are hostile. */
    private readonly share: number,
  ) {}

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)] as T
  }
  chance(share: number): boolean {
    return this.random() < share
  }

  private resolve(schema: Schema): Schema {
    const ref = schema['$ref']
    if (typeof ref !== 'string') return schema
    const path = ref.replace('#/', '').split('/')
    return path.reduce<unknown>((at, key) => (at as Schema)[key], this.document) as Schema
  }

  text(schema: Schema, key = ''): unknown {
    if (this.chance(this.share)) return this.chance(0.15) ? this.pick([null, 7, {}, []]) : this.pick(hostileTexts)
    const format = schema['format']
    if (format === 'uuid')
      return this.chance(0.8) ? (this.ids.of[key] ?? this.pick(this.ids.any)) : this.pick(this.ids.any)
    const known = texts[key]
    if (known !== undefined) return known
    if (format === 'date') return this.pick(['2026-11-25', '2026-12-01', '2027-03-01'])
    if (format === 'date-time') return this.pick(['2026-11-25T08:00:00Z', '2026-11-24T07:30:00.000Z'])
    if (format === 'email') return 'someone@example.org'
    const { pattern } = schema
    if (typeof pattern === 'string' && pattern.includes('Q[1-4]')) return '2026-Q4'
    return this.pick(['RTU-12', 'amps', 'Belt torn', 'L1', 'UTC', 'A61', '480', 'x']).padEnd(
      Number(schema['minLength'] ?? 0),
      'x',
    )
  }

  number(schema: Schema): unknown {
    if (this.chance(this.share)) return this.chance(0.15) ? this.pick([null, '7', [], {}]) : this.pick(hostileNumbers)
    const low = Math.max(Number(schema['minimum'] ?? schema['exclusiveMinimum'] ?? 0), -1e6)
    const high = Math.min(Number(schema['maximum'] ?? schema['exclusiveMaximum'] ?? 1000), 1e6)
    const value = low + this.random() * (high - low)
    return schema['type'] === 'integer' ? Math.round(value) : value
  }

  value(given: Schema, depth = 0, key = ''): unknown {
    const schema = this.resolve(given)
    if ('const' in schema) return this.chance(this.share) ? this.pick(hostileTexts) : schema['const']
    if (Array.isArray(schema['enum']))
      return this.chance(this.share) ? this.pick(hostileTexts) : this.pick(schema['enum'])
    const either = (schema['anyOf'] ?? schema['oneOf']) as Schema[] | undefined
    if (either) return this.value(this.pick(either), depth + 1, key)
    const every = schema['allOf'] as Schema[] | undefined
    if (every) return every.reduce<object>((all, s) => ({ ...all, ...(this.value(s, depth + 1, key) as object) }), {})
    const type = Array.isArray(schema['type']) ? this.pick(schema['type'] as string[]) : schema['type']
    if (type === 'null') return null
    if (type === 'boolean') return this.chance(this.share) ? 'yes' : this.chance(0.5)
    if (type === 'number' || type === 'integer') return this.number({ ...schema, type })
    if (type === 'array') {
      const most = Math.min(Number(schema['maxItems'] ?? 3), 3)
      const n = Math.max(Number(schema['minItems'] ?? 0), Math.floor(this.random() * (most + 1)))
      return Array.from({ length: depth > 8 ? 0 : n }, () =>
        this.value((schema['items'] ?? {}) as Schema, depth + 1, key),
      )
    }
    if (type === 'object') return this.object(schema, depth)
    return this.text(schema, key)
  }

  private object(schema: Schema, depth: number): object {
    const properties = (schema['properties'] ?? {}) as Record<string, Schema>
    const required = new Set((schema['required'] ?? []) as string[])
    const entries = Object.entries(properties).flatMap(([key, s]): [string, unknown][] =>
      (required.has(key) && !this.chance(this.share / 4)) || this.chance(0.4)
        ? [[key, this.value(s, depth + 1, key)]]
        : [],
    )
    if (this.chance(this.share / 4)) entries.push([this.pick(['__proto__', 'extra', 'constructor']), 1])
    const more = schema['additionalProperties']
    if (typeof more === 'object' && more !== null)
      entries.push([this.pick(['amps', 'found.it', 'x']), this.value(more as Schema, depth + 1)])
    return Object.fromEntries(entries)
  }
}
