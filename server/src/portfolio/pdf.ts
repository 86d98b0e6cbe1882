import type { Portfolio } from '@motor-round/contract'
import { figureWords, show, unitsOfSite } from '@motor-round/core/quantity'
import type { Content } from 'pdfmake/interfaces.js'
import { dayWords } from '../dates.ts'
import { bytes, cell, document, heading, table } from '../rounds/pdf.ts'

const colors = { stop: '#5e0b27', fix: '#93290b', watch: '#b0830c', ok: '#1c5e42', unjudged: '#9aa5ab' } as const
const order = ['stop', 'fix', 'watch', 'ok', 'unjudged'] as const
const words = { stop: 'Stop', fix: 'Fix', watch: 'Watch', ok: 'OK', unjudged: 'Not judged' } as const

/** Levels over time as stacked bars; the worst at the foot, where the eye compares. */
function levelChart(levels: Portfolio['levels']): string {
  const [width, height, foot] = [515, 130, 16]
  const most = Math.max(1, ...levels.map((l) => order.reduce((sum, k) => sum + l[k], 0)))
  const step = width / Math.max(1, levels.length)
  const bars = levels.map((l, i) => {
    let y = height - foot
    const parts = order.map((k) => {
      const h = (l[k] / most) * (height - foot - 4)
      y -= h
      return `<rect x="${i * step + step * 0.2}" y="${y}" width="${step * 0.6}" height="${h}" fill="${colors[k]}"/>`
    })
    return `${parts.join('')}<text x="${i * step + step / 2}" y="${height - 3}" font-size="8" text-anchor="middle" fill="#26323a">${l.day.slice(0, 7)}</text>`
  })
  return `<svg width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${bars.join('')}</svg>`
}

const grewWords = ({ grew, units }: Portfolio['postponed'][number]): string => {
  const told = unitsOfSite(units, 'F')
  return grew
    ? `${grew.words.toLowerCase()} ${figureWords(grew.quantity, grew.then, told)} to ${figureWords(grew.quantity, grew.now, told)}`
    : ''
}

const slotWords = (slot: string) =>
  slot.replace('-de', ', drive end').replace('-ode', ', other end').replaceAll('-', ' ')

/** A quarter on paper. */
export function portfolioPdf(p: Portfolio, paper: 'letter' | 'A4'): Promise<Buffer> {
  const { jobs, causes, energy } = p
  const last = p.levels.at(-1)
  const span = `${dayWords(p.from)} to ${dayWords(p.to)}`
  return bytes(
    document(
      `${p.organization}, ${p.siteName ?? 'all sites'}`,
      span,
      [
        { text: `${p.siteName ?? p.organization}: fans, ${span}`, fontSize: 18, bold: true },
        ...(last
          ? [
              cell(
                `${last.stop} to stop, ${last.fix} to fix, ${last.watch} to watch, ${last.ok} OK on ${dayWords(last.day)}. ${show.count(p.overdue, 'visit')} overdue.`,
              ),
            ]
          : []),
        heading('Levels over time'),
        ...(p.levels.length > 0 ? [{ svg: levelChart(p.levels) } as Content] : [cell('None on record.')]),
        { text: order.map((k) => ({ text: `■ ${words[k]}   `, color: colors[k] })), fontSize: 8 },
        heading('Work'),
        cell(
          `${show.count(jobs.closed, 'job')} closed, ${jobs.proven} of them proven by readings before and after; ${jobs.open} open. Of ${jobs.compared} with both: quoted ${show.dollars(jobs.quoted)}, came to ${show.dollars(jobs.cost)}. ${show.count(Math.round(jobs.hours * 10) / 10, 'hour')}. Approved and not done: ${show.dollars(jobs.approved)}.`,
        ),
        cell(
          `The expected cause was right in ${causes.right}, wrong in ${causes.wrong}, not known in ${causes.notKnown}.`,
        ),
        heading('Postponed, and what waiting came to'),
        p.postponed.length === 0
          ? cell('Nothing is postponed.')
          : table(
              [80, '*', 60, 110, 60],
              ['Machine', 'Work', 'Since', 'What grew', 'Waiting'],
              p.postponed
                .slice(0, 15)
                .map((j) => [
                  `${j.unitTag} / ${j.tag}`,
                  j.title,
                  dayWords(j.since.slice(0, 10)),
                  grewWords(j),
                  j.cost === null ? 'not worked out' : show.dollars(j.cost),
                ]),
            ),
        heading('Power'),
        cell(
          `${show.count(energy.machines, 'fan')} took ${energy.kilowatts.toFixed(0)} kW by their last readings${energy.without > 0 ? `; ${energy.without} were never read or have no power on their nameplate` : ''}.`,
        ),
        heading('Motors by model, worst first'),
        table(
          ['*', '*', 50, 80, 70],
          ['Maker', 'Model', 'Motors', 'To fix or stop', 'Replaced'],
          p.models.map((m) => [m.maker, m.model, String(m.motors), String(m.pressing), String(m.replaced)]),
        ),
        heading('Lives of parts'),
        table(
          ['*', 60, 70, 130],
          ['Part', 'On record', 'Worn out', 'Half last longer than'],
          p.lives.map((l) => [
            slotWords(l.slot),
            String(l.n),
            String(l.ended),
            l.medianDays === null ? 'not known yet' : `${(l.medianDays / 365).toFixed(1)} years`,
          ]),
        ),
      ],
      paper,
    ),
  )
}
