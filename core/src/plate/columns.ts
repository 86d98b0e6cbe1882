import { parseFigure } from '../quantity/index.ts'

/** One voltage of a plate with the amps printed for it. Null: the plate does not give them. */
export interface PlateColumn {
  readonly volts: number
  readonly amps: number | null
  readonly sfa: number | null
}

/** Groups by `/`, alternatives within a group by `-`: `208-230/460` is [[208, 230], [460]]. */
function groups(name: string, text: string): number[][] {
  const clean = text.replace(/[–—]/g, '-').replace(/\s+/g, '').replace(/[VA]$/i, '')
  return clean.split('/').map((group) =>
    group.split('-').map((part) => {
      const value = parseFigure(part)
      if (value === null || value <= 0)
        throw new RangeError(
          `${name}: "${text}" is not read as ${name} such as ${name === 'volts' ? '208-230/460' : '27.0-25.6/12.8'}`,
        )
      return value
    }),
  )
}

/** Spread printed figures over the voltages; a group with one figure serves every voltage of its group. */
function spread(name: string, text: string, volts: number[][]): number[] {
  const given = groups(name, text)
  const all = volts.flat()
  const flat = given.flat()
  if (flat.length === all.length) return flat
  if (given.length === volts.length && given.every((g, i) => g.length === 1 || g.length === volts[i]?.length))
    return volts.flatMap((group, i) => {
      const g = given[i] ?? []
      return group.map((_, k) => (g.length === 1 ? g[0] : g[k]) ?? 0)
    })
  if (flat.length === 1 && all.length === 1) return flat
  throw new RangeError(`${name}: "${text}" has ${flat.length} figures for ${all.length} voltages`)
}

/** Prints read before: a nameplate is text, and is asked for at every key. */
const read = new Map<string, readonly PlateColumn[]>()
const mostKept = 500

/**
 * Read a plate's columns.
 * @param volts as printed, e.g. `208-230/460`
 * @param amps as printed, e.g. `27.0-25.6/12.8`; undefined when not given or unreadable
 * @param sfa service-factor amps as printed
 * @returns one column a voltage, in the plate's order
 * @throws RangeError naming `volts`, `amps` or `sfa` when the print cannot be read or the counts do not fit
 */
export function readColumns(volts: string, amps?: string, sfa?: string): readonly PlateColumn[] {
  const print = JSON.stringify([volts, amps, sfa])
  const known = read.get(print)
  if (known) return known
  const v = groups('volts', volts)
  const a = amps === undefined ? null : spread('amps', amps, v)
  const s = sfa === undefined ? null : spread('sfa', sfa, v)
  const columns = v.flat().map((value, i) => ({ volts: value, amps: a?.[i] ?? null, sfa: s?.[i] ?? null }))
  if (read.size >= mostKept) read.clear()
  read.set(print, columns)
  return columns
}

export type ColumnHow = 'recorded connection' | 'nearest to the supply' | 'only column'

export interface ChosenColumn {
  readonly column: PlateColumn
  readonly how: ColumnHow
}

/**
 * The column that is in use: the one of the recorded connection, else the one nearest the service voltage
 * (by ratio; the higher of two equally near, so that the limit is never quietly raised).
 * Null when no column lies within a fifth of the service.
 */
export function chooseColumn(
  columns: readonly PlateColumn[],
  serviceVolts: number,
  connectionVolts?: number,
): ChosenColumn | null {
  if (connectionVolts !== undefined) {
    const named = columns.find((c) => c.volts === connectionVolts)
    if (named) return { column: named, how: 'recorded connection' }
  }
  const away = (c: PlateColumn) => Math.abs(Math.log(c.volts / serviceVolts))
  const best = [...columns].sort((a, b) => away(a) - away(b) || b.volts - a.volts)[0]
  if (!best || away(best) > Math.log(1.2)) return null
  return { column: best, how: columns.length === 1 ? 'only column' : 'nearest to the supply' }
}
