import { asJobFact, readsOf } from '@motor-round/contract'
import {
  fired,
  jobKindOf,
  jobOutcome,
  jobStands,
  lastsWords,
  optionCosts,
  permitOf,
  restores,
  type JobFact,
  type JobStands,
} from '@motor-round/core/job'
import { figureWords, placeWords, readingFigure, show, unitsOfSite, type ShownUnits } from '@motor-round/core/quantity'
import type { Judgement } from '@motor-round/core/judge'
import { and, asc, eq, gte } from 'drizzle-orm'
import type { Content } from 'pdfmake/interfaces.js'
import { byClock, dayFormat, dayIn, dayWords } from '../dates.ts'
import type { Db } from '../db/client.ts'
import { jobSteps, pictures } from '../db/rounds-schema.ts'
import { judgeStanding } from '../machine/judge.ts'
import { loadSnapshots } from '../machine/snapshot.ts'
import { currentPolicies } from '../policies/current.ts'
import { bytes, cell, document, heading, level, lines, table } from '../rounds/pdf.ts'
import { adverseFor } from './adverse-for.ts'
import { burnTold } from './burn-told.ts'
import { asJobStep } from './load.ts'
import { placeOf } from './quote.ts'

type Reading = JobStands['proof'][number]['before'][number]

/** Figures of one quantity, place by place, in one line. */
function figures(list: readonly Reading[], units: ShownUnits): string {
  return list
    .map((r) => {
      const text = readingFigure(r, units)
      return list.length === 1 ? text : `${placeWords(r.quantity, r.position)} ${text}`
    })
    .join(', ')
}

const section = (title: string, ...content: Content[]): Content[] =>
  content.length === 0 ? [] : [heading(title), ...content]

/** What was to be paid and what it came to. */
function moneyWords(facts: readonly JobFact[]): string[] {
  const { quoted, cost, quotedHours, hours } = jobOutcome(facts)
  const costs = [
    ...(quoted === null ? [] : [`Quoted: ${show.dollars(quoted)}.`]),
    ...(cost === null ? [] : [`Came to: ${show.dollars(cost)}.`]),
    ...(hours === null
      ? []
      : [
          `Hours: ${show.trimmed(hours, 2)}${quotedHours === null ? '' : ` of ${show.trimmed(quotedHours, 2)} quoted`}.`,
        ]),
  ]
  return costs.length === 0 ? [] : [costs.join(' ')]
}

/** The figures that have a limit as they stand, worst first: what was read against what it may be, in one line each. */
const nowStands = (judged: Judgement | null): Content[] => {
  const own = (judged?.verdicts ?? []).filter((v) => v.limit !== null && v.value !== null).slice(0, 8)
  if (own.length === 0) return []
  const body = own.map((v): Content[] => [level(v.level), cell(v.because)])
  return section('How it stands now, against its limits', { layout: lines, table: { widths: [34, '*'], body } })
}

/** What is left, and why. */
function leftWords(stands: JobStands): string[] {
  return [
    ...stands.steps.filter((s) => s.state === 'skipped').map((s) => `${s.title} Not done: ${s.note}`),
    ...stands.open.map((r) => `Not back yet: ${restores[r]}.`),
    ...stands.misfits.map((s) => `${s.title} The part does not fit.`),
    ...(stands.closed && stands.closed.reason !== '' ? [`Closed without its proof: ${stands.closed.reason}`] : []),
    ...(stands.closed
      ? []
      : stands.proof.filter((p) => !p.whole).map((p) => `Not read yet after the work: ${p.words}.`)),
  ]
}

function causeWords(closed: JobStands['closed']): string {
  if (!closed) return 'The work is not finished.'
  if (closed.cause === 'right') return 'The expected cause was right.'
  return closed.cause === 'wrong'
    ? 'The expected cause was wrong.'
    : 'Whether the expected cause was right is not known.'
}

/** One page for the person who pays: what was wrong, what was done, before and after, photos, money, what is left and why. */
export async function jobReportPdf(db: Db, jobId: string, now: Date): Promise<Buffer> {
  const at = await placeOf(db, jobId)
  const { job } = at
  const rows = await db
    .select()
    .from(jobSteps)
    .where(eq(jobSteps.jobId, jobId))
    .orderBy(asc(jobSteps.at), asc(jobSteps.id))
  const facts = rows.map((r) => asJobFact(asJobStep(r)))
  const [snapshot] = await loadSnapshots(db, [job.machineId])
  const visits = readsOf(snapshot?.visits ?? [])
  const policies = await currentPolicies(db)
  const judged = snapshot ? judgeStanding(snapshot, policies) : null
  const stands = jobStands(
    { at: job.at.getTime(), kinds: job.kinds, skip: job.skip },
    facts,
    { hasVfd: snapshot?.machine.hasVfd ?? false, phases: snapshot?.machine.phases ?? 3 },
    visits,
    adverseFor(judged),
  )
  const units = unitsOfSite(at.units, policies.temperature)
  const taken = await db
    .select()
    .from(pictures)
    .where(and(eq(pictures.machineId, job.machineId), gte(pictures.takenAt, job.at)))
    .orderBy(asc(pictures.takenAt))
  const own = taken.filter(
    (p) => p.type !== 'image/webp' && (!stands.closed || p.takenAt.getTime() <= stands.closed.at + 3_600_000),
  )
  const photos = own.length <= 2 ? own : [own[0], own.at(-1)].flatMap((p) => p ?? [])
  const day = (ms: number) => byClock(new Date(ms), at.zone, dayFormat)
  const chosen = stands.decision?.chosen
  const offer = facts.find((f) => f.kind === 'offer' && f.id === chosen?.offerId)
  const option = chosen && offer?.kind === 'offer' ? optionCosts(offer)[chosen.option] : undefined
  const words = stands.offer?.words ?? ''
  const permit = permitOf(facts, visits, dayIn(now, at.zone), at.zone)
  const waited = stands.closed ? null : fired(stands.decision, visits, dayIn(now, at.zone))
  const back = job.kinds.flatMap((k) => jobKindOf.get(k)?.backInDays ?? [])
  const left = leftWords(stands)
  const decided = facts.flatMap((f) =>
    f.kind === 'decision'
      ? [`${day(f.at)}: ${f.decision} by ${f.who}, ${f.means}${f.words === '' ? '' : `. ${f.words}`}`]
      : [],
  )
  const next = [
    ...(stands.closed && back.length > 0
      ? [`We look again on ${day(stands.closed.at + Math.min(...back) * 86_400_000)}.`]
      : []),
    ...stands.substitutes.map((s) => `${s.inPlace} is in place of ${s.part}. Right part in by ${dayWords(s.until)}.`),
    ...(permit ? [`It runs on a permit until ${dayWords(permit.until)}: ${permit.limits}`] : []),
    ...(waited?.figure
      ? [
          `While it waited, ${waited.figure.words.toLowerCase()} went from ${figureWords(waited.figure.quantity, waited.figure.then, units)} to ${figureWords(waited.figure.quantity, waited.figure.now, units)}.`,
        ]
      : []),
  ]
  const content: Content[] = [
    { text: at.organization, fontSize: 10 },
    { text: job.title, fontSize: 20, bold: true },
    {
      text: `${at.siteName} · ${at.unitTag} / ${at.tag} · made ${day(job.at.getTime())} by ${job.by}`,
      margin: [0, 2, 0, 8],
    },
    ...(words === '' ? [] : [{ text: words, fontSize: 12 } as Content]),
    ...section(
      'State of the job',
      cell(
        `${stands.closed ? `Closed ${day(stands.closed.at)} by ${stands.closed.by}. ` : ''}${causeWords(stands.closed)}`,
      ),
    ),
    ...section('What was decided', decided.length > 0 ? { ul: decided } : cell('Nobody was asked yet.')),
    ...(option
      ? section(
          'What was ordered',
          cell(`${option.option.title}: ${show.dollars(option.total)}, lasts ${lastsWords(option.option.years)}.`),
        )
      : []),
    ...section(
      'Before and after',
      table(
        ['*', '*', '*'],
        ['Read', 'Before', 'After'],
        stands.proof.map((p) => [
          p.words,
          p.before.length === 0 ? 'not read' : `${figures(p.before, units)}  (${day(p.beforeAt ?? 0)})`,
          p.after.length === 0 ? 'not read yet' : `${figures(p.after, units)}  (${day(p.afterAt ?? 0)})`,
        ]),
      ),
    ),
    ...burnTold(facts, units.temperature, day),
    ...nowStands(judged),
    ...(moneyWords(facts).length > 0 ? section('Money', ...moneyWords(facts).map((t) => cell(t))) : []),
    ...(left.length > 0 ? section('Not done, and why', { ul: left.slice(0, 12) }) : []),
    ...(next.length > 0 ? section('What comes next', { ul: next }) : []),
    ...(photos.length > 0
      ? section('Photos', {
          columns: photos.map((p): Content => ({
            stack: [
              { image: `data:${p.type};base64,${p.bytes.toString('base64')}`, fit: [220, 150] },
              { text: `${p.check === '' ? 'Photo' : p.check}, ${day(p.takenAt.getTime())}`, fontSize: 8 },
            ],
          })),
          columnGap: 10,
        })
      : []),
  ]
  return bytes(document(`Job: ${job.title}`, day(now.getTime()), content, at.paper))
}
