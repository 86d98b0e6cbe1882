import { createHash } from 'node:crypto'
import { readingColumns } from '@motor-round/contract'
import { findUnit, parseFigure, quantities, type Unit } from '@motor-round/core/quantity'
import { instantReader } from './csv/instants.ts'
import { plain, type Header } from './csv/rows.ts'
import { copyText } from './staging.ts'
import type { Errors } from './state.ts'

/** A machine as files name it. */
export interface NamedMachine {
  readonly id: string
  readonly siteId: string
}

export const machineKey = (site: string, unit: string, machine: string): string =>
  `${site.trim().toLowerCase()}\u0001${unit.trim().toLowerCase()}\u0001${machine.trim().toLowerCase()}`

/** A figure as nearly every row has it. What else a program may take for a number, hex for one, is none here. */
const figure = /^-?\d{1,15}(?:\.\d{1,15})?$/
const required = readingColumns.slice(0, 8)
/** So many visits are remembered while a file is read; beyond, the database looks for repeats. */
const mostVisits = 400_000
const flags = new Map<string, string>([
  ['', '\\N'],
  ['true', 't'],
  ['yes', 't'],
  ['y', 't'],
  ['1', 't'],
  ['false', 'f'],
  ['no', 'f'],
  ['n', 'f'],
  ['0', 'f'],
])

/** The id of an imported stop follows from its machine and instant, so that a file read twice names the same visit. */
export function importedVisitId(machineId: string, ms: number): string {
  const h = createHash('md5').update(`${machineId} ${ms}`).digest('hex')
  // Marked as a version-8 UUID: made by the application, not at random.
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-8${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`
}

/** What is wrong with a header; empty when nothing is. */
export function headerProblems(
  columns: readonly string[],
  known: readonly string[],
  needed: readonly string[],
): string[] {
  const out: string[] = []
  for (const c of needed) if (!columns.includes(c)) out.push(`the column ${c} is missing`)
  columns.forEach((c, i) => {
    if (!known.includes(c)) out.push(`unknown column "${c}"; known are ${known.join(', ')}`)
    else if (columns.indexOf(c) !== i) out.push(`the column ${c} is there twice`)
  })
  return out
}

interface MachineSnapshot {
  readonly code: string
  readonly title: string
  readonly dimension: string
  readonly unit: string
  /** The unit values are kept in. */
  readonly keeps: Unit
  readonly range: readonly [number, number]
  readonly positions: readonly string[]
  /** A number of its own for each position, to see a value given twice in one visit. */
  readonly places: ReadonlyMap<string, number>
}

function unitKept(q: { code: string; unit: string }): Unit {
  const unit = findUnit(q.unit)
  if (!unit) throw new RangeError(`quantity ${q.code} is kept in no known unit`)
  return unit
}

let place = 0
const known = new Map<string, MachineSnapshot>(
  quantities.map((q) => [q.code, { ...q, keeps: unitKept(q), places: new Map(q.positions.map((p) => [p, place++])) }]),
)

/** A text that repeats from row to row, read once: what it means is remembered until another text comes. */
function remembered<T>(read: (text: string) => T): (text: string) => T {
  let last: string | null = null
  let value: T
  return (text) => {
    if (text !== last) {
      value = read(text)
      last = text
    }
    return value
  }
}

/**
 * Checker of one file's rows: every cell is checked, and a good row becomes a line of COPY text for the staging table.
 * Rows of one visit follow each other in most files, so what they share is read once.
 */
export class ReadingsRows {
  zoneless = 0
  /** Rows at a time that the clock passed twice, and the first of them. */
  twice = 0
  firstTwice = 0
  /** The decimal mark of this file, once one was met. */
  private decimal: ',' | '.' | null = null
  from = Infinity
  to = -Infinity
  readonly seen = new Set<string>()
  readonly sites = new Set<string>()
  /** Could a value stand twice in this file? Then the database looks; most files rule it out by their order. */
  repeats = false
  private readonly visits = new Set<string>()
  /** For each place the run of rows that gave it last. */
  private readonly given = new Int32Array(place)
  private run = 0
  private readonly index: readonly number[]
  private readonly width: number
  private readonly decimalComma: boolean
  private readonly machines: ReadonlyMap<string, NamedMachine>
  private readonly errors: Errors
  private readonly instant: ReturnType<typeof instantReader>
  private readonly unitOf = new Map<string, Unit | null>()
  private readonly settledOf = remembered((text) => flags.get(text.trim().toLowerCase()))
  private readonly byOf = remembered((text) => plain(text).trim())
  private readonly noteOf = remembered(plain)
  private readonly copiedBy = remembered(copyText)
  private readonly copied = remembered(copyText)
  private site = ''
  private unit = ''
  private tag = ''
  private machine: NamedMachine | undefined
  private visitMachine: NamedMachine | undefined
  private stopMs = NaN
  private visitText = ''
  /** Is the row's value a lower bound, written `>2000`? */
  private over = false

  constructor(header: Header, machines: ReadonlyMap<string, NamedMachine>, zone: string | null, errors: Errors) {
    for (const message of headerProblems(header.columns, readingColumns, required)) errors.add(1, 'header', message)
    this.index = readingColumns.map((c) => header.columns.indexOf(c))
    this.width = header.columns.length
    this.decimalComma = header.delimiter !== ','
    this.machines = machines
    this.errors = errors
    this.instant = instantReader(zone)
  }

  private cell(row: readonly string[], column: number): string {
    const i = this.index[column] ?? -1
    return i < 0 ? '' : (row[i] ?? '')
  }

  private machineOf(row: readonly string[], line: number): NamedMachine | undefined {
    const site = this.cell(row, 0)
    const unit = this.cell(row, 1)
    const tag = this.cell(row, 2)
    if (tag !== this.tag || unit !== this.unit || site !== this.site) {
      this.site = site
      this.unit = unit
      this.tag = tag
      this.machine = this.machines.get(machineKey(plain(site), plain(unit), plain(tag)))
    }
    if (!this.machine) {
      const empty = (['site', 'unit', 'machine'] as const).find((_, i) => this.cell(row, i).trim() === '')
      const told = empty ? 'is empty' : `no machine ${unit.trim()} / ${tag.trim()} at ${site.trim()} on record`
      this.errors.add(line, empty ?? 'machine', told)
    }
    return this.machine
  }

  private valueOf(row: readonly string[], line: number, want: MachineSnapshot): number | null {
    let text = this.cell(row, 6)
    this.over = text.startsWith('>')
    if (this.over) text = text.slice(1)
    const raw = figure.test(text) ? Number(text) : parseFigure(text, this.decimalComma ? true : undefined)
    if (raw === null || text.includes('/')) {
      this.errors.add(line, 'value', text.trim() === '' ? 'is empty' : `"${text}" is not a number`)
      return null
    }
    // A file that writes 1.5 here and 1,5 there leaves open what its 1.234 is.
    const mark = text.includes(',') ? ',' : text.includes('.') ? '.' : null
    if (mark !== null && this.decimal !== null && mark !== this.decimal) {
      const before = this.decimal === ',' ? 'comma' : 'point'
      const told = `"${text}" has a decimal ${mark === ',' ? 'comma' : 'point'}; lines above have a decimal ${before}`
      this.errors.add(line, 'value', told)
      return null
    }
    this.decimal ??= mark
    const spelling = this.cell(row, 7)
    let unit = this.unitOf.get(spelling)
    if (unit === undefined) this.unitOf.set(spelling, (unit = findUnit(spelling) ?? null))
    if (!unit) {
      const told = spelling.trim() === '' ? 'is empty; a value needs its unit' : `unknown unit "${spelling}"`
      this.errors.add(line, 'unit_of_measure', told)
      return null
    }
    if (unit.dimension !== want.dimension) {
      const told = `${unit.id} is ${unit.dimension}; ${want.title.toLowerCase()} is kept in ${want.unit}`
      this.errors.add(line, 'unit_of_measure', told)
      return null
    }
    const { keeps } = want
    const value = unit === keeps ? raw : (raw * unit.factor + unit.offset - keeps.offset) / keeps.factor
    if (!(value >= want.range[0] && value <= want.range[1])) {
      const bounds = `${want.range[0]} to ${want.range[1]} ${want.unit}`
      this.errors.add(
        line,
        'value',
        `${text} ${unit.id} is outside what ${want.title.toLowerCase()} can be (${bounds})`,
      )
      return null
    }
    return value
  }

  /** Is this row the first of its visit? Notes repeats on the way. */
  private opens(machine: NamedMachine, ms: number, mark: number): boolean {
    const same = this.visitMachine === machine && this.stopMs === ms
    if (!same) {
      const id = importedVisitId(machine.id, ms)
      this.visitMachine = machine
      this.stopMs = ms
      this.visitText = `${machine.siteId}\t${machine.id}\t${new Date(ms).toISOString()}\t${id}`
      this.run += 1
      if (this.visits.has(id) || this.visits.size >= mostVisits) this.repeats = true
      else this.visits.add(id)
      this.seen.add(machine.id)
      this.sites.add(machine.siteId)
      if (ms < this.from) this.from = ms
      if (ms > this.to) this.to = ms
    }
    if (this.given[mark] === this.run) this.repeats = true
    this.given[mark] = this.run
    return !same
  }

  /** @returns a line of COPY text, or '' when something is wrong with the row (then noted) */
  read(row: readonly string[], line: number): string {
    if (row.length > this.width && row.slice(this.width).some((c) => c !== '')) {
      this.errors.add(line, 'row', `${row.length} cells where the header has ${this.width}`)
      return ''
    }
    const before = this.errors.count
    const machine = this.machineOf(row, line)
    const taken = this.instant(this.cell(row, 3))
    if (taken.kind === 'wrong') this.errors.add(line, 'taken_at', taken.message)
    if (taken.kind === 'no zone') this.zoneless += 1
    if (taken.kind === 'instant' && taken.twice) {
      if (this.twice === 0) this.firstTwice = line
      this.twice += 1
    }
    const code = this.cell(row, 4)
    const quantity = known.get(code) ?? known.get(code.trim())
    if (!quantity) this.errors.add(line, 'quantity', code.trim() === '' ? 'is empty' : `unknown quantity "${code}"`)
    const position = this.cell(row, 5)
    const place = quantity?.places.has(position) ? position : position.trim()
    const mark = quantity?.places.get(place)
    if (quantity && mark === undefined)
      this.errors.add(line, 'position', `"${position}": ${code} is read at ${quantity.positions.join(', ')}`)
    const value = quantity ? this.valueOf(row, line, quantity) : null
    const settled = this.settledOf(this.cell(row, 9))
    if (settled === undefined) this.errors.add(line, 'settled', `"${this.cell(row, 9)}" is not yes or no`)
    const by = this.byOf(this.cell(row, 8))
    const note = this.noteOf(this.cell(row, 10))
    if (by.length > 60) this.errors.add(line, 'by', 'is longer than 60 characters')
    if (note.length > 1000) this.errors.add(line, 'note', 'is longer than 1000 characters')
    if (by.includes('\0') || note.includes('\0'))
      this.errors.add(line, 'note', 'contains a character that cannot be stored')
    if (this.errors.count > before || taken.kind !== 'instant') return ''
    if (!machine || value === null || settled === undefined || !quantity || mark === undefined) return ''
    const opens = this.opens(machine, taken.ms, mark) ? 't' : 'f'
    return `${line}\t${this.visitText}\t${quantity.code}\t${place}\t${value}\t${this.over ? 'over-range' : '\\N'}\t${this.copiedBy(by)}\t${settled}\t${this.copied(note)}\t${opens}\n`
  }
}
