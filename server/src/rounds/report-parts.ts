import { type RoundPage } from '@motor-round/contract'
import { byClock, dayFormat } from '../dates.ts'
import { findQuantity, placeWords, readingFigure, type Reading, type ShownUnits } from '@motor-round/core/quantity'
import type { Content } from 'pdfmake/interfaces.js'
import { levelWords, heading } from './pdf.ts'

export const shownDay = (at: Date | string, zone: string) => byClock(at, zone, dayFormat)

/** The first of some lines, and how many more there are: nothing is left out without a word. */
export const shortened = (list: readonly string[], most: number): string[] =>
  list.length <= most ? [...list] : [...list.slice(0, most), `and ${list.length - most} more, in the full record`]

/** What was found on a round, by machine, and whose it is. */
export function foundOn(page: RoundPage, most = Infinity): Content[] {
  const told = page.findings.filter((f) => f.roundId === page.head.id)
  const tagOf = (machineId: string) => {
    const s = page.visits.find((x) => x.machineId === machineId)
    return s ? `${s.unitTag} / ${s.tag}` : ''
  }
  if (told.length === 0) return []
  const words = told.map((f) => `${tagOf(f.machineId)}: ${f.text}${f.owner === '' ? '' : ` (${f.owner})`}`)
  return [heading('Findings'), { ul: shortened(words, most) }]
}

/** A reading with what was read, where, and its unit. */
export function readingWords(x: Reading, units: ShownUnits): string {
  const title = findQuantity(x.quantity)?.title ?? x.quantity
  return [title, placeWords(x.quantity, x.position), readingFigure(x, units)].filter(Boolean).join(' ')
}

/** Everything that is open at the machines of a round, since when, and what answers it. */
export function standing(page: RoundPage, zone: string): Content[] {
  const open = page.visits.filter((s) => s.conditions.length > 0)
  if (open.length === 0) return []
  return [
    heading('Still open at these machines'),
    ...open.map((s): Content => ({
      stack: [
        { text: `${s.unitTag} / ${s.tag}`, bold: true },
        {
          ul: s.conditions.map(
            (k) =>
              `${levelWords[k.level]} since ${shownDay(new Date(k.since), zone)}${k.by === null ? '' : ` (${k.by})`}: ${k.because} ${k.next}`,
          ),
        },
      ],
      margin: [0, 2, 0, 2],
    })),
  ]
}
