import type { Quote } from '@motor-round/contract'
import { assumptionsOf, costWords, lastsWords, optionCosts, optionWords, waitingWords } from '@motor-round/core/job'
import { show } from '@motor-round/core/quantity'
import type { Content } from 'pdfmake/interfaces.js'
import { byClock, dayFormat, dayWords } from '../dates.ts'
import { bytes, cell, document, heading, lines } from '../rounds/pdf.ts'

/** What was found, what can be done about it and what each costs, on one page. */
export function quotePdf(q: Quote, paper: 'letter' | 'A4'): Promise<Buffer> {
  const costs = optionCosts(q.offer, q.stands)
  const given = byClock(q.at, q.timeZone, dayFormat)
  const { waiting } = q.offer
  return bytes(
    document(
      `Quote: ${q.title}`,
      given,
      [
        { text: q.organization, fontSize: 10 },
        { text: q.title, fontSize: 18, bold: true },
        { text: `${q.siteName} · ${q.unitTag} / ${q.tag} · ${given} · ${q.by}`, margin: [0, 2, 0, 8] },
        { text: q.offer.words, fontSize: 12, margin: [0, 0, 0, 6] },
        heading('What can be done'),
        {
          layout: lines,
          table: {
            headerRows: 1,
            widths: ['*', 60, 44, 60],
            body: [
              ['Option', 'Price', 'Lasts', 'For each year'].map((text): Content => ({ text, bold: true })),
              ...costs.map((c): Content[] => [
                {
                  stack: [
                    {
                      text: `${optionWords[c.option.kind]}: ${c.option.title}${c.best ? '  (lowest for each year)' : ''}`,
                      bold: true,
                    },
                    cell(costWords(c)),
                    ...(c.option.risk === '' ? [] : [cell(`Risk: ${c.option.risk}`)]),
                    ...(c.barred === '' ? [] : [{ text: c.barred, bold: true }]),
                  ],
                },
                cell(show.dollars(c.total)),
                cell(lastsWords(c.option.years)),
                cell(show.dollars(c.perYear)),
              ]),
            ],
          },
        },
        ...(waiting.length === 0
          ? []
          : [
              heading('What waiting costs'),
              cell(`About ${waitingWords(waiting)}.`),
              { text: assumptionsOf(waiting).join(' '), fontSize: 8, margin: [0, 2, 0, 0] } as Content,
            ]),
        {
          text: `This price holds until ${dayWords(q.offer.validUntil)}. Parts are listed with the job.`,
          margin: [0, 10, 0, 0],
        },
      ],
      paper,
    ),
  )
}
