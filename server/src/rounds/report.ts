import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { type RoundPage } from '@motor-round/contract'
import { minutesTook, roundVisitState } from '@motor-round/core/round'
import { byClock, dayFormat, dayWords } from '../dates.ts'
import {
  convert,
  findQuantity,
  placeWords,
  legPositions,
  linePositions,
  show,
  shownUnit,
  writtenUnit,
  type Reading,
  type ShownUnits,
} from '@motor-round/core/quantity'
import { inArray } from 'drizzle-orm'
import pdfmake from 'pdfmake'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import type { Db } from '../db/client.ts'
import { pictures } from '../db/rounds-schema.ts'
import type { RoundRecord } from './record.ts'

const fonts = join(dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')), 'build/fonts/Roboto')
let ready = false
function prepare() {
  if (ready) return
  pdfmake.setFonts({
    Roboto: {
      normal: join(fonts, 'Roboto-Regular.ttf'),
      bold: join(fonts, 'Roboto-Medium.ttf'),
      italics: join(fonts, 'Roboto-Italic.ttf'),
      bolditalics: join(fonts, 'Roboto-MediumItalic.ttf'),
    },
  })
  // Nothing is fetched for a report, and of files only the fonts are read.
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(fonts))
  ready = true
}

const levelWords = { ok: 'OK', watch: 'Watch', fix: 'Fix', stop: 'Stop' } as const
const levelColors = { ok: '#1c5e42', watch: '#704800', fix: '#93290b', stop: '#5e0b27' } as const
type Level = keyof typeof levelWords
const level = (l: Level | null): Content =>
  l === null ? { text: 'not seen' } : { text: levelWords[l], bold: true, color: levelColors[l] }
const shownDay = (at: Date | string, zone: string) => byClock(at, zone, dayFormat)
const heading = (text: string): Content => ({ text, bold: true, fontSize: 12, margin: [0, 8, 0, 3] })
const cell = (text: string): Content => ({ text })
const lines = { hLineColor: () => '#c5cdd1', vLineWidth: () => 0, hLineWidth: () => 0.6 }

const document = (
  title: string,
  by: string,
  content: Content[],
  paper: RoundRecord['paper'],
  pages: (count: number) => void = () => undefined,
): TDocumentDefinitions => ({
  pageSize: paper === 'A4' ? 'A4' : 'LETTER',
  pageMargins: [40, 36, 40, 40],
  info: { title, creator: 'Motor Round', producer: 'Motor Round' },
  defaultStyle: { font: 'Roboto', fontSize: 9, lineHeight: 1.15 },
  footer: (now, of) => {
    pages(of)
    return { text: `${title} · ${by} · ${now} of ${of}`, margin: [40, 8], fontSize: 8, color: '#3a464d' }
  },
  content,
})

const bytes = async (d: TDocumentDefinitions): Promise<Buffer> => {
  prepare()
  return pdfmake.createPdf(d).getBuffer()
}

/** How many pictures find room on the one page. */
const mostPictures = 4
/** How many lines each list of the one page has: fewer are tried until it is one page. */
const tries = [18, 12, 8, 5, 2] as const

/** The first of some lines, and how many more there are: nothing is left out without a word. */
const shortened = (list: readonly string[], most: number): string[] =>
  list.length <= most ? [...list] : [...list.slice(0, most), `and ${list.length - most} more, in the full record`]

/** What was found on a round, by machine, and whose it is. */
function foundOn(page: RoundPage, most = Infinity): Content[] {
  const told = page.findings.filter((f) => f.roundId === page.head.id)
  const tagOf = (machineId: string) => {
    const s = page.visits.find((x) => x.machineId === machineId)
    return s ? `${s.unitTag} / ${s.tag}` : ''
  }
  if (told.length === 0) return []
  const words = told.map((f) => `${tagOf(f.machineId)}: ${f.text}${f.owner === '' ? '' : ` (${f.owner})`}`)
  return [heading('Findings'), { ul: shortened(words, most) }]
}

const isPressing = (l: Level | null): boolean => l === 'stop' || l === 'fix'

/** A reading with what was read, where, and its unit. */
function readingWords(x: Reading, units: ShownUnits): string {
  const q = findQuantity(x.quantity)
  const unit = shownUnit(x.quantity, units)
  const value = q ? Math.round(convert(x.value, q.unit, unit) * 100) / 100 : x.value
  const shown = `${x.how === 'over-range' ? 'over ' : ''}${value}`
  return [q?.title ?? x.quantity, placeWords(x.quantity, x.position), shown, writtenUnit(unit)]
    .filter(Boolean)
    .join(' ')
}

/** Everything that is open at the machines of a round, since when, and what answers it. */
function standing(page: RoundPage, zone: string): Content[] {
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

/** One page for the person who pays: what was done, what was found, what was left and why, with pictures. */
export async function reportPdf(db: Db, r: RoundRecord): Promise<Buffer> {
  const { head } = r.page
  const { events } = r.page
  const state = (machineId: string) => roundVisitState(events, machineId)
  // What was seen to and is not in order; of what was not seen to, what must not wait.
  const found = r.page.visits
    .filter((s) => (state(s.machineId) === 'done' ? s.level !== null && s.level !== 'ok' : isPressing(s.level)))
    .sort((a, b) => ['stop', 'fix', 'watch'].indexOf(a.level ?? '') - ['stop', 'fix', 'watch'].indexOf(b.level ?? ''))
  const skipped = r.page.visits.filter((s) => state(s.machineId) === 'skipped')
  const left = r.page.visits.filter((s) => ['open', 'began'].includes(state(s.machineId)))
  const ids = r.visits.flatMap((s) => s.pictures.map((p) => p.id)).slice(0, mostPictures)
  const shown = ids.length === 0 ? [] : await db.select().from(pictures).where(inArray(pictures.id, ids))
  const minutes = r.page.visits.reduce((n, s) => n + (minutesTook(events, s.machineId) ?? 0), 0)
  const better = r.page.visits.filter(
    (s) => s.levelBefore !== null && s.levelBefore !== 'ok' && s.level === 'ok',
  ).length
  const content = (mostLines: number): Content[] => [
    { text: head.name, fontSize: 20, bold: true },
    {
      text: `${dayWords(head.day)} · ${head.people.map((p) => p.name).join(', ')} · ${[...new Set(r.page.visits.map((s) => s.siteName))].join(', ')}`,
      margin: [0, 2, 0, 8],
    },
    {
      text: `${head.done} of ${head.visits} machines visited${head.skipped > 0 ? `, ${head.skipped} skipped` : ''}${left.length > 0 ? `, ${left.length} left` : ''}${minutes > 0 ? `, in ${Math.floor(minutes / 60)} h ${minutes % 60} min` : ''}. ${found.length === 0 ? 'No machine needs work.' : `${found.length} ${found.length === 1 ? 'needs' : 'need'} attention.`}${better > 0 ? ` ${better} that ${better === 1 ? 'was' : 'were'} not in order ${better === 1 ? 'is' : 'are'} now.` : ''}`,
      fontSize: 11,
    },
    ...(found.length === 0
      ? []
      : [
          heading('Machines that need work'),
          {
            layout: lines,
            table: {
              widths: [70, 34, 34, '*', 52],
              headerRows: 1,
              body: [
                ['Machine', 'Before', 'Now', 'What was found', 'Due again'].map((t): Content => ({
                  text: t,
                  bold: true,
                })),
                ...found
                  .slice(0, mostLines)
                  .map((s): Content[] => [
                    cell(`${s.unitTag} / ${s.tag}`),
                    level(s.levelBefore),
                    level(s.level),
                    cell(s.headline),
                    cell(s.level === 'stop' ? 'now' : s.dueAt === null ? '' : shownDay(s.dueAt, r.zone)),
                  ]),
              ],
            },
          } as Content,
          ...(found.length > mostLines ? [cell(`and ${found.length - mostLines} more, in the full record`)] : []),
        ]),
    ...foundOn(r.page, mostLines),
    ...(skipped.length + left.length === 0
      ? []
      : [
          heading('Not done, with reason'),
          {
            ul: shortened(
              [
                ...skipped.map(
                  (s) =>
                    `${s.unitTag} / ${s.tag}: ${r.page.events.find((e) => e.machineId === s.machineId && e.kind === 'skipped')?.note ?? ''}`,
                ),
                ...left.map(
                  (s) =>
                    `${s.unitTag} / ${s.tag}: ${r.page.route.left.find((l) => l.step === s.machineId)?.why ?? r.page.closing?.reason ?? 'not reached'}`,
                ),
              ],
              mostLines,
            ),
          } as Content,
        ]),
    ...(r.page.closing?.next ? [cell(`The next round is on ${dayWords(r.page.closing.next)}.`)] : []),
    ...(shown.length === 0
      ? []
      : [
          heading('Pictures'),
          {
            columns: shown
              .filter((p) => p.type !== 'image/webp')
              .map((p): Content => ({
                stack: [
                  { image: `data:${p.type};base64,${p.bytes.toString('base64')}`, fit: [120, 110] },
                  {
                    text: `${r.visits.find((s) => s.pictures.some((x) => x.id === p.id))?.tag ?? ''} ${p.check}`,
                    fontSize: 8,
                  },
                ],
              })),
            columnGap: 8,
          } as Content,
        ]),
    {
      text: 'Results are based on the nameplate, the standards named in the full record and your organization’s limits. Work on energized parts is for qualified people under local code.',
      fontSize: 7.5,
      color: '#3a464d',
      margin: [0, 10, 0, 0],
    },
  ]
  let made: Buffer = Buffer.alloc(0)
  for (const most of tries) {
    let pages = 0
    made = await bytes(document(head.name, dayWords(head.day), content(most), r.paper, (count) => (pages = count)))
    if (pages === 1) break
  }
  return made
}

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
