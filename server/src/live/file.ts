import type { Readable } from 'node:stream'
import type { LiveFile } from '@motor-round/contract'
import { instantsOf, type LivePlate, type LiveQuantity, type PointSeen, type Written } from '@motor-round/core/live'
import { instantReader } from '../import-export/csv/instants.ts'
import { FileProblem, plain, readRows, type Batch, type Header } from '../import-export/csv/rows.ts'
import { Errors } from '../import-export/state.ts'
import type { SeriesMinutes } from './keep.ts'

const minuteMs = 60_000
/** A value so far above the nameplate is no current of this motor, started or stuck. @source common practice */
const mostOfPlate = 12
/** A building's clock may be ahead by so much. */
const ahead = 10 * minuteMs
const mostCells = 8_000_000
const mostBytes = 256 * 1024 * 1024

/** What a column is mapped to. */
export interface MappedPoint {
  readonly machineId: string
  readonly quantity: LiveQuantity
  readonly factor: number
  readonly zone: string
  readonly plate: LivePlate
}

/** What a file of live data holds. */
export interface ReadFile {
  readonly rows: number
  readonly series: readonly SeriesMinutes[]
  readonly unmapped: LiveFile['unmapped']
}

const timeNames = ['time', 'timestamp', 'date', 'datetime', 'date/time', 'date time', 'local time', 'utc']
const longColumns = ['point', 'value'] as const

const on = new Set(['on', 'true', 'yes', 'run', 'running', 'active', 'occupied', 'start', 'started', 'enabled'])
const off = new Set(['off', 'false', 'no', 'stop', 'stopped', 'inactive', 'unoccupied', 'disabled'])

const plainFigure = /^[+-]?\d{1,12}(?:[.]\d{1,12})?(?:e[+-]?\d{1,3})?$/i
const commaFigure = /^[+-]?\d{1,12},\d{1,12}$/

/** A cell as a number; NaN where it is none. @param comma whether the file separates by something else than commas */
function numberOf(cell: string, comma: boolean): number {
  if (plainFigure.test(cell)) return Number(cell)
  if (comma && commaFigure.test(cell)) return Number(cell.replace(',', '.'))
  const word = cell.toLowerCase()
  if (on.has(word)) return 1
  if (off.has(word)) return 0
  return NaN
}

/** What was seen of a column that belongs to nothing yet; the middle from a part of it. */
class Seen {
  #n = 0
  #low = Infinity
  #high = -Infinity
  readonly #some: number[] = []
  add(v: number): void {
    this.#n++
    if (v < this.#low) this.#low = v
    if (v > this.#high) this.#high = v
    if (v > 0 && this.#some.length < 2000) this.#some.push(v)
  }
  get is(): PointSeen {
    const some = [...this.#some].sort((a, b) => a - b)
    return {
      n: this.#n,
      low: this.#n === 0 ? 0 : this.#low,
      high: this.#n === 0 ? 0 : this.#high,
      middle: some[Math.floor(some.length / 2)] ?? null,
    }
  }
}

/** Rows of one clock and one column, in the order of the file. */
class Column {
  readonly times: Written[] = []
  readonly values: number[] = []
  readonly lines: number[] = []
}

/** The zones of the machines of a file: times without one are read by it where all have the same. */
const zonesOf = (names: readonly string[], points: ReadonlyMap<string, MappedPoint>): string[] => [
  ...new Set(names.flatMap((n) => points.get(n)?.zone ?? [])),
]

/** Columns of a file: one for time, and either one for each point or one for their names and one for their values. */
function layoutOf({ columns }: Header): { readonly time: number; readonly long: readonly [number, number] | null } {
  const named = columns.findIndex((c) => timeNames.includes(c))
  const time = Math.max(0, named)
  const [point, value] = longColumns.map((c) => columns.indexOf(c))
  if (point !== undefined && value !== undefined && point >= 0 && value >= 0) return { time, long: [point, value] }
  if (columns.length < 2) throw new FileProblem(1, '', 'One column alone: a time and at least one figure are needed.')
  const twice = columns.findIndex((c, i) => c !== '' && columns.indexOf(c) !== i)
  if (twice >= 0) throw new FileProblem(1, columns[twice] ?? '', 'This column is there twice.')
  return { time, long: null }
}

/**
 * Read a file of live data: a column of time and one for each point, or rows of time, point and value. What cannot be is told by
 * line and left out; the rest is read.
 * @param points mapped columns by their names in small letters
 * @param zone of times that carry none; null: that of the machines' site
 * @throws FileProblem where the file as a whole cannot be read
 */
export async function readLiveFile(
  source: Readable,
  points: ReadonlyMap<string, MappedPoint>,
  zone: string | null,
  now: number,
  errors: Errors,
): Promise<ReadFile> {
  const columns = new Map<string, Column>()
  const strangers = new Map<string, Seen>()
  const read = { rows: 0, cells: 0 }
  let layout: ReturnType<typeof layoutOf> | null = null
  let names: readonly string[] = []
  let comma = false
  const clocks = new Map<string | null, ReturnType<typeof instantReader>>()
  const clockOf = (of: string | null) => {
    const own = clocks.get(of) ?? instantReader(of)
    clocks.set(of, own)
    return own
  }
  let zones: readonly string[] = []

  /** What takes the cells of a column, found once for all of them. */
  type Taker = (cell: string, written: Written, line: number) => void
  const takers = new Map<string, Taker>()
  const strangerOf = (name: string): Taker => {
    let own = strangers.get(name)
    return (cell) => {
      const v = numberOf(cell, comma)
      if (name === '' || Number.isNaN(v)) return
      if (!own) {
        if (strangers.size >= 2000) return
        own = new Seen()
        strangers.set(name, own)
      }
      own.add(v)
    }
  }
  const pointOf = (name: string, point: MappedPoint): Taker => {
    const own = new Column()
    return (cell, written, line) => {
      const v = numberOf(cell, comma)
      if (Number.isNaN(v)) {
        errors.add(line, name, `"${cell.slice(0, 40)}" is not a figure`)
        return
      }
      const value = v * point.factor
      const wrong = refused(point, value)
      if (wrong !== null) {
        errors.add(line, name, `${cell} ${wrong}`)
        return
      }
      if (++read.cells > mostCells)
        throw new FileProblem(line, '', 'More than eight million values. Split the file and send its parts.')
      if (own.values.length === 0) columns.set(name, own)
      own.times.push(written)
      own.values.push(value)
      own.lines.push(line)
    }
  }
  const takerOf = (name: string): Taker => {
    let own = takers.get(name)
    if (!own) {
      const point = points.get(name)
      own = point ? pointOf(name, point) : strangerOf(name)
      // Names of a long file that belong to nothing may be any number.
      if (point || takers.size < 4000) takers.set(name, own)
    }
    return own
  }
  let wide: readonly Taker[] = []

  const takeRow = (row: readonly string[], line: number) => {
    const { time, long } = layout ?? { time: 0, long: null }
    if (row.length !== names.length) {
      errors.add(line, '', `${row.length} cells; the header has ${names.length}`)
      return
    }
    const named = long
      ? plain(row[long[0]] ?? '')
          .trim()
          .toLowerCase()
      : ''
    // Rows of a point that belongs to nothing are looked at, no more: any clock will do.
    const at = clockOf(
      zone ?? (long ? (points.get(named)?.zone ?? 'UTC') : zones.length > 1 ? null : (zones[0] ?? 'UTC')),
    )(row[time] ?? '')
    if (at.kind === 'no zone')
      throw new FileProblem(
        line,
        names[time] ?? '',
        `Its times carry no zone, and its machines lie in ${zones.length} time zones (${zones.join(', ')}). Upload it with the zone of its clock.`,
      )
    if (at.kind === 'wrong') {
      errors.add(line, names[time] ?? '', at.message)
      return
    }
    if (at.ms > now + ahead) {
      errors.add(line, names[time] ?? '', `"${row[time] ?? ''}" lies in the future: another time zone?`)
      return
    }
    read.rows++
    const written = { first: at.ms, second: at.second ?? null }
    if (long) {
      takerOf(named)((row[long[1]] ?? '').trim(), written, line)
      return
    }
    for (let c = 0; c < row.length; c++) {
      const cell = (row[c] ?? '').trim()
      // A blank is a minute that did not come.
      if (c !== time && cell !== '') wide[c]?.(cell, written, line)
    }
  }
  await readRows(source, {
    header: (h) => {
      layout = layoutOf(h)
      names = h.columns
      comma = h.delimiter !== ','
      if (layout.long) return
      zones = zonesOf(names, points)
      wide = names.map(takerOf)
    },
    batch: ({ rows, lines }: Batch) => {
      rows.forEach((row, i) => takeRow(row, lines[i] ?? 0))
      return Promise.resolve()
    },
    bytes: (n) => {
      if (n > mostBytes) throw new FileProblem(1, '', 'A file can be 256 MB at most. Split it and send its parts.')
    },
  })
  const series = [...columns].flatMap(([name, column]) => {
    const point = points.get(name)
    return point ? [minutesOf(point, name, column, errors)] : []
  })
  return {
    rows: read.rows,
    series,
    unmapped: [...strangers].map(([name, s]) => ({ name, seen: s.is })).slice(0, 500),
  }
}

/** Why a value cannot be; null where it can. */
function refused({ quantity, plate }: MappedPoint, value: number): string | null {
  const [low, high] = quantity.range
  if (value < low) return `is below ${low}${quantity.unit === '' ? '' : ` ${quantity.unit}`}`
  if (value > high) return quantity.unit === '' ? 'is neither on nor off' : `is above ${high} ${quantity.unit}`
  if (quantity.id === 'amps' && plate.amps !== null && value > mostOfPlate * plate.amps)
    return `is more than ${mostOfPlate} times the nameplate: is the unit right?`
  return null
}

/** A column by its minutes, each once: of several values within a minute their mean. */
function minutesOf(point: MappedPoint, name: string, column: Column, errors: Errors): SeriesMinutes {
  const instants = instantsOf(column.times)
  const rows: number[] = []
  instants.forEach((ms, i) => {
    if (ms === null)
      errors.add(column.lines[i] ?? 0, name, 'the clock was set back here, and the rows do not say which pass this is')
    else rows.push(i)
  })
  const at = Float64Array.from(instants, (ms) => Math.floor((ms ?? 0) / minuteMs))
  // Most files run in order already.
  if (rows.some((r, k) => k > 0 && (at[r] ?? 0) < (at[rows[k - 1] ?? 0] ?? 0)))
    rows.sort((a, b) => (at[a] ?? 0) - (at[b] ?? 0))
  const minutes: number[] = []
  const values: number[] = []
  const whole = point.quantity.unit === ''
  for (let k = 0; k < rows.length;) {
    const minute = at[rows[k] ?? 0] ?? 0
    let [sum, n] = [0, 0]
    for (; k < rows.length && at[rows[k] ?? 0] === minute; k++) {
      sum += column.values[rows[k] ?? 0] ?? 0
      n++
    }
    minutes.push(minute)
    values.push(whole ? Math.round(sum / n) : sum / n)
  }
  return { machineId: point.machineId, quantity: point.quantity.id, minutes, values }
}
