import { jobOffer, type JobRecord, type MachinePage } from '@motor-round/contract'
import { jobKindOf, waitingFault, waitingRuleOf, type OptionKind } from '@motor-round/core/job'
import dayjs from 'dayjs'
import type { z } from 'zod'
import { ampsNow, plateAmps } from './amps-now.ts'

type Figure = number | null
export interface PartDraft {
  readonly name: string
  readonly count: Figure
  readonly price: Figure
}
export interface OptionDraft {
  readonly kind: OptionKind
  readonly title: string
  readonly hours: Figure
  readonly people: Figure
  readonly parts: readonly PartDraft[]
  readonly access: Figure
  readonly down: Figure
  readonly years: Figure
  readonly risk: string
}
export interface OfferDraft {
  readonly words: string
  readonly rate: Figure
  readonly downHour: Figure
  readonly options: readonly OptionDraft[]
  readonly waiting: readonly { readonly rule: string; readonly figures: Readonly<Record<string, Figure>> }[]
  readonly validUntil: string
}
export type OfferBody = z.output<typeof jobOffer>

/** An option to begin with: what the plan of the job says of hours and parts. */
export const plannedOption = (job: JobRecord, minutes: number): OptionDraft => ({
  kind: job.kinds.some((k) => k.endsWith('motor')) ? 'replace' : 'repair',
  title: job.kinds.flatMap((k) => jobKindOf.get(k)?.title ?? []).join('; '),
  hours: Math.ceil(minutes / 15) / 4,
  people: job.crew,
  parts: [...new Set(job.kinds.flatMap((k) => jobKindOf.get(k)?.kit ?? []))].map((name) => ({
    name,
    count: 1,
    price: null,
  })),
  access: 0,
  down: Math.ceil(minutes / 60),
  years: null,
  risk: '',
})
export const leaveOption: OptionDraft = {
  kind: 'leave',
  title: 'Leave it, and read it again',
  hours: 0,
  people: 1,
  parts: [],
  access: 0,
  down: 0,
  years: 0.5,
  risk: '',
}

/** What was offered before, to be changed; else what the plan says. */
export function startDraft(page: MachinePage, job: JobRecord, minutes: number, now: number): OfferDraft {
  const last = job.steps.findLast((s) => s.kind === 'offer')
  if (last?.kind === 'offer') {
    const { words, rate, downHour, options, waiting, validUntil } = last
    return { words, rate, downHour, options, waiting, validUntil }
  }
  // The rate of the last job on this machine that was priced.
  const rates = page.jobs.flatMap((j) => j.steps).filter((s) => s.kind === 'offer')
  const known = rates.at(-1)
  return {
    words: '',
    rate: known?.kind === 'offer' ? known.rate : null,
    downHour: known?.kind === 'offer' ? known.downHour : 0,
    options: [plannedOption(job, minutes), leaveOption],
    waiting: [],
    validUntil: dayjs(now).add(30, 'day').format('YYYY-MM-DD'),
  }
}

/** Figures of a cost of waiting to begin with: the usual ones, and what is read of the machine. */
export function startFigures(rule: string, page: MachinePage, draft: OfferDraft): Record<string, Figure> {
  const first = draft.options.find((o) => o.kind !== 'leave')
  const planned = first
    ? (first.hours ?? 0) * (first.people ?? 1) * (draft.rate ?? 0) +
      first.parts.reduce((sum, p) => sum + (p.count ?? 0) * (p.price ?? 0), 0)
    : 0
  const known: Record<string, Figure> = {
    amps: ampsNow(page),
    plate: plateAmps(page),
    planned: planned > 0 ? Math.round(planned) : null,
    motor: planned > 0 ? Math.round(planned) : null,
    downHour: draft.downHour,
  }
  return Object.fromEntries(
    (waitingRuleOf.get(rule)?.fields ?? []).map((f) => [f.key, known[f.key] ?? f.usual] as const),
  )
}

const dropNulls = (figures: Readonly<Record<string, Figure>>) =>
  Object.fromEntries(Object.entries(figures).filter((f): f is [string, number] => f[1] !== null))

/** Read a draft. @returns the offer, or what is wrong by path: `options.0.years` */
export function readDraft(draft: OfferDraft): {
  readonly offer: OfferBody | null
  readonly faults: ReadonlyMap<string, string>
} {
  const faults = new Map<string, string>()
  const waiting = draft.waiting.map((w) => ({ rule: w.rule, figures: dropNulls(w.figures) }))
  waiting.forEach((w, i) => {
    const fault = waitingFault(w)
    if (fault) faults.set(`waiting.${i}.figures.${fault.key}`, fault.message)
  })
  const read = jobOffer.safeParse({ ...draft, waiting })
  if (!read.success)
    for (const { path, message, code } of read.error.issues) {
      const key = path.join('.')
      // What is blank asks to be entered, in our words and not in those of a type.
      if (!faults.has(key)) faults.set(key, code === 'invalid_type' ? 'enter a number' : message)
    }
  return { offer: read.success && faults.size === 0 ? read.data : null, faults }
}

/** A draft out of what was kept; null where it is none. */
export function keptOffer(kept: unknown): OfferDraft | null {
  const like = kept as Partial<OfferDraft> | null
  return like && Array.isArray(like.options) && Array.isArray(like.waiting) && typeof like.words === 'string'
    ? (like as OfferDraft)
    : null
}
