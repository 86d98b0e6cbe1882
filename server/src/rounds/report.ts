import { minutesTook, roundVisitState } from '@motor-round/core/round'
import { dayWords } from '../dates.ts'
import { inArray } from 'drizzle-orm'
import type { Content } from 'pdfmake/interfaces.js'
import type { Db } from '../db/client.ts'
import { pictures } from '../db/rounds-schema.ts'
import type { RoundRecord } from './record.ts'
import { type Level, level, heading, cell, lines, document, drawn } from './pdf.ts'
import { foundOn, shownDay, shortened } from './report-parts.ts'

/** How many pictures find room on the one page. */
const mostPictures = 4
/** How many lines each list of the one page has: fewer are tried until it is one page. */
const tries = [18, 12, 8, 5, 2] as const

const isPressing = (l: Level | null): boolean => l === 'stop' || l === 'fix'

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
    const { bytes, pages } = await drawn(document(head.name, dayWords(head.day), content(most), r.paper))
    made = bytes
    if (pages === 1) break
  }
  return made
}
