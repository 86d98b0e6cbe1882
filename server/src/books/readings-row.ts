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

const required = readingColumns.slice(0, 8)
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

/** The id of an imported stop follows from its machine and instant, so that a file read twice names the same stop. */
export function importedStopId(machineId: string, ms: number): string {
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

/**
 * Checker of one file's rows: every cell is checked, and a good row becomes a line of COPY text for the staging table.
 */
export class ReadingsRows {
  zoneless = 0
  from = Infinity
  to = -Infinity
  readonly seen = new Set<string>()
  readonly sites = new Set<string>()
  private readonly index: number[]
  private readonly decimalComma: boolean
  private readonly machines: ReadonlyMap<string, NamedMachine>
  private readonly errors: Errors
  private readonly instant: ReturnType<typeof instantReader>
  private readonly unitsFound = new Map<string, Unit | null>()
  private readonly known = new Map(
    quantities.map((q) => [q.code as string, { ...q, at: new Set<string>(q.positions) }]),
  )
  private lastNames = ''
  private lastMachine: NamedMachine | undefined
  private lastStop = { machine: '', ms: NaN, id: '', text: '' }

  constructor(header: Header, machines: ReadonlyMap<string, NamedMachine>, zone: string | null, errors: Errors) {
    for (const message of headerProblems(header.columns, readingColumns, required)) errors.add(1, 'header', message)
    this.index = readingColumns.map((c) => header.columns.indexOf(c))
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
    const site = plain(this.cell(row, 0))
    const unit = plain(this.cell(row, 1))
    const machine = plain(this.cell(row, 2))
    const names = `${site}\u0001${unit}\u0001${machine}`
    if (names !== this.lastNames) {
      this.lastNames = names
      this.lastMachine = this.machines.get(machineKey(site, unit, machine))
    }
    if (!this.lastMachine) {
      const empty = site.trim() === '' ? 'site' : unit.trim() === '' ? 'unit' : machine.trim() === '' ? 'machine' : null
      this.errors.add(
        line,
        empty ?? 'machine',
        empty ? 'is empty' : `no machine ${unit.trim()} / ${machine.trim()} at ${site.trim()} in the register`,
      )
    }
    return this.lastMachine
  }

  private valueOf(
    row: readonly string[],
    line: number,
    want: { dimension: string; unit: string; range: readonly [number, number]; title: string },
  ): number | null {
    const text = this.cell(row, 6)
    const raw = /^\d+(\.\d+)?$/.test(text) ? Number(text) : parseFigure(text, this.decimalComma ? true : undefined)
    if (raw === null) {
      this.errors.add(line, 'value', text.trim() === '' ? 'is empty' : `"${text}" is not a figure`)
      return null
    }
    const spelling = this.cell(row, 7)
    let unit = this.unitsFound.get(spelling)
    if (unit === undefined) this.unitsFound.set(spelling, (unit = findUnit(spelling) ?? null))
    if (!unit) {
      this.errors.add(
        line,
        'unit_of_measure',
        spelling.trim() === '' ? 'is empty; a figure without its unit is not kept' : `unknown unit "${spelling}"`,
      )
      return null
    }
    if (unit.dimension !== want.dimension) {
      this.errors.add(
        line,
        'unit_of_measure',
        `${unit.id} is ${unit.dimension}; ${want.title.toLowerCase()} is kept in ${want.unit}`,
      )
      return null
    }
    const value = raw * unit.factor + unit.offset
    if (value < want.range[0] || value > want.range[1]) {
      this.errors.add(
        line,
        'value',
        `${text} ${unit.id} is outside what ${want.title.toLowerCase()} can be (${want.range[0]} to ${want.range[1]} ${want.unit})`,
      )
      return null
    }
    return value
  }

  /** @returns a line of COPY text, or '' when something is wrong with the row (then noted) */
  read(row: readonly string[], line: number): string {
    if (row.length > this.index.length && row.slice(this.index.length).some((c) => c !== '')) {
      this.errors.add(line, 'row', `${row.length} cells where the header has ${this.index.length}`)
      return ''
    }
    const machine = this.machineOf(row, line)
    const taken = this.instant(this.cell(row, 3))
    if (taken.kind === 'wrong') this.errors.add(line, 'taken_at', taken.message)
    if (taken.kind === 'no zone') this.zoneless += 1
    const code = this.cell(row, 4).trim()
    const quantity = this.known.get(code)
    if (!quantity) this.errors.add(line, 'quantity', code === '' ? 'is empty' : `unknown quantity "${code}"`)
    const position = this.cell(row, 5).trim()
    if (quantity && !quantity.at.has(position))
      this.errors.add(line, 'position', `"${position}": ${code} is read at ${quantity.positions.join(', ')}`)
    const value = quantity ? this.valueOf(row, line, quantity) : null
    const settled = flags.get(this.cell(row, 9).trim().toLowerCase())
    if (settled === undefined) this.errors.add(line, 'settled', `"${this.cell(row, 9)}" is not yes or no`)
    const by = plain(this.cell(row, 8)).trim()
    const note = plain(this.cell(row, 10))
    if (by.length > 60) this.errors.add(line, 'by', 'is longer than 60 characters')
    if (note.length > 1000) this.errors.add(line, 'note', 'is longer than 1000 characters')
    if (by.includes('\0') || note.includes('\0')) this.errors.add(line, 'note', 'holds a character that cannot be kept')
    if (!machine || taken.kind !== 'instant' || value === null || settled === undefined || !quantity) return ''
    const stop = this.lastStop
    if (stop.machine !== machine.id || stop.ms !== taken.ms)
      this.lastStop = {
        machine: machine.id,
        ms: taken.ms,
        id: importedStopId(machine.id, taken.ms),
        text: new Date(taken.ms).toISOString(),
      }
    if (taken.ms < this.from) this.from = taken.ms
    if (taken.ms > this.to) this.to = taken.ms
    this.seen.add(machine.id)
    this.sites.add(machine.siteId)
    return `${line}\t${machine.siteId}\t${machine.id}\t${this.lastStop.text}\t${this.lastStop.id}\t${code}\t${position}\t${value}\t${copyText(by)}\t${settled}\t${copyText(note)}\n`
  }
}
