import { byClock, dayFormat, dayWords } from '../dates.ts'
import { legPositions, linePositions, show } from '@motor-round/core/quantity'
import type { Content } from 'pdfmake/interfaces.js'
import type { RoundRecord } from './record.ts'
import { bytes, cell, document, heading, level, lines } from './pdf.ts'
import { foundOn, readingWords, standing } from './report-parts.ts'

/** The full record: every visit with its readings and every verdict with what it rests on. */
export function recordPdf(r: RoundRecord): Promise<Buffer> {
  const { head } = r.page
  return bytes(
    document(
      `${head.name}, full record`,
      dayWords(head.day),
      [
        { text: `${head.name}: full record`, fontSize: 18, bold: true },
        { text: `${dayWords(head.day)} · ${head.people.map((p) => p.name).join(', ')}`, margin: [0, 2, 0, 6] },
        ...r.visits.flatMap(({ tag, visit, judgement, pictures: taken }): Content[] => {
          const of = (quantity: string, positions: readonly string[]) =>
            positions.flatMap(
              (p) => visit.readings.find((x) => x.quantity === quantity && x.position === p)?.value ?? [],
            )
          const volts = of('volts_ll', linePositions)
          const amps = of('amps', legPositions)
          const others = visit.readings.filter((x) => x.quantity !== 'volts_ll' && x.quantity !== 'amps')
          return [
            heading(`${tag} · ${byClock(visit.takenAt, r.zone, `${dayFormat}, h:mm A`)} · ${visit.by}`),
            cell(
              [
                volts.length > 0 ? `${volts.map((v) => show.volts(v)).join(' ')} V` : '',
                amps.length > 0 ? `${show.ampsRow(amps).join(' ')} A` : '',
                ...others.map((x) => readingWords(x, r.units)),
              ]
                .filter(Boolean)
                .join(' · '),
            ),
            ...(judgement
              ? [
                  {
                    layout: lines,
                    table: {
                      widths: [34, '*', 170],
                      body: judgement.verdicts.map((v): Content[] => [
                        level(v.level),
                        cell(v.level === 'ok' ? v.because : `${v.because} ${v.next}`),
                        { text: v.basis.map((b) => b.text).join(' · '), fontSize: 7.5 },
                      ]),
                    },
                  } as Content,
                ]
              : []),
            ...(visit.note === '' ? [] : [cell(`Note: ${visit.note}`)]),
            ...(taken.length === 0
              ? []
              : [cell(`${taken.length} ${taken.length === 1 ? 'photo' : 'photos'} on record`)]),
          ]
        }),
        ...(r.visits.length === 0 ? [cell('No readings were taken on this round.')] : []),
        ...foundOn(r.page),
        ...standing(r.page, r.zone),
      ],
      r.paper,
    ),
  )
}
