import {
  conditionLineOf,
  findingBody,
  findingOf,
  findingStepBody,
  inOrderOfNeed,
  level,
  machinePage,
  noCare,
  mapDrawn,
  visit as visitSchema,
  type FindingRecord,
  type FindingStep,
  type MachinePage,
  type Places,
  type RoundEvent,
  type RoundPage,
  type RoundVisit,
  type VisitRecord,
} from '@motor-round/contract'
import { judgedLevel } from '@motor-round/core/judge'
import type { RoofMap } from '@motor-round/core/round'
import { withChanges } from './pending-changes.ts'
import type { Waiting } from './store.ts'

/** Who took it: their own name where it is known, else whoever is signed in. */
export const takenBy = (w: Waiting, signedIn: string): string => w.byName || signedIn

/** A stop of the line as the book will have it. */
function visitOf(w: Waiting, signedIn: string): VisitRecord | null {
  if (w.kind !== 'visit') return null
  const parsed = visitSchema.safeParse({
    answers: {},
    passes: [],
    note: '',
    supersedes: null,
    reason: '',
    ...w.body,
    recordedAt: w.body.takenAt,
    by: takenBy(w, signedIn),
    supersededBy: null,
    source: 'walk',
  })
  return parsed.success ? parsed.data : null
}

/** Findings with those of the line, and with what this phone has still to tell of any of them. */
function findingsWith(known: readonly FindingRecord[], line: readonly Waiting[], by: string): FindingRecord[] {
  const steps = line.flatMap((w): FindingStep[] => {
    const body = w.kind === 'finding-step' ? findingStepBody.safeParse(w.body).data : undefined
    return body ? [{ ...body, by: takenBy(w, by) }] : []
  })
  const fresh = line.flatMap((w) => {
    const body = w.kind === 'finding' ? findingBody.safeParse(w.body).data : undefined
    return body && !known.some((f) => f.id === body.id) ? [findingOf({ ...body, by: takenBy(w, by) }, steps)] : []
  })
  const told = known.map((f) => {
    const own = steps.filter((s) => s.findingId === f.id && !f.steps.some((x) => x.id === s.id))
    return own.length === 0 ? f : findingOf(f, [...f.steps, ...own])
  })
  return inOrderOfNeed([...told, ...fresh])
}

/** The plan of an area as it was last drawn on this phone, where that is not home yet. */
export function drawnHere(line: readonly Waiting[], areaId: string): { map: RoofMap; version: number } | null {
  const drawn = line.flatMap((w) => {
    const body = w.kind === 'roof-map' && w.refused === null ? mapDrawn.safeParse(w.body).data : undefined
    return body?.areaId === areaId ? [body] : []
  })
  const last = drawn.at(-1)
  return last ? { map: last.map, version: last.version + 1 } : null
}

/** A machine's page with what this phone has still to bring: without a signal the newest visit is the one just taken. */
export function withPending(page: MachinePage, line: readonly Waiting[], by: string): MachinePage {
  const own = line.filter((w) => 'machineId' in w.body && w.body.machineId === page.machine.id && w.refused === null)
  const fresh = own.flatMap((w) => visitOf(w, by) ?? []).filter((s) => !page.visits.some((p) => p.id === s.id))
  const replaced = new Map(fresh.flatMap((s) => (s.supersedes === null ? [] : [[s.supersedes, s.id] as const])))
  const work = own.flatMap((w) =>
    w.kind === 'work' ? [{ ...w.body, note: w.body.note ?? '', by: takenBy(w, by) }] : [],
  )
  const read = {
    ...page,
    visits: [...fresh, ...page.visits]
      .map((s) => (replaced.has(s.id) ? { ...s, supersededBy: replaced.get(s.id) ?? null } : s))
      .sort((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt)),
    work: [...page.work, ...work.filter((w) => !page.work.some((p) => p.id === w.id))],
    findings: findingsWith(page.findings, own, by),
    closings: [
      ...page.closings,
      ...own.flatMap((w) =>
        w.kind === 'closing' && !page.closings.some((c) => c.id === w.body.id)
          ? [{ ...w.body, by: takenBy(w, by) }]
          : [],
      ),
    ],
  }
  return withChanges(read, own, by)
}

/** The page of a unit that was found on the roof and is only on this phone: nothing is known of it but what was typed. */
export function pageOfFound(found: Extract<Waiting, { kind: 'found' }>['body'], places: Places): MachinePage | null {
  const area = places.areas.find((a) => a.id === found.unit.areaId)
  const site = places.sites.find((s) => s.id === area?.siteId)
  if (!area || !site) return null
  const parsed = machinePage.safeParse({
    machine: {
      ...found.machine,
      unitId: found.unit.id,
      siteId: site.id,
      purpose: found.machine.purpose ?? '',
      hasDrive: false,
      hasTwin: false,
      controls: {},
      layout: {},
      unitPlate: null,
      version: 1,
      retiredAt: null,
    },
    unit: { ...found.unit, siteId: site.id, modelLine: '', version: 1, care: noCare },
    area,
    site,
    motor: null,
    pastMotors: [],
    twins: [],
    peers: [],
    siblings: [],
    visits: [],
    moreVisits: 0,
    work: [],
    parts: [],
    speedChanges: [],
    judgement: null,
    dueAt: null,
  })
  return parsed.success ? parsed.data : null
}

/** A machine that was added during the round, as the round will have it. */
const addedVisit = (page: MachinePage): RoundVisit => ({
  machineId: page.machine.id,
  unitId: page.unit.id,
  areaId: page.area.id,
  siteId: page.site.id,
  unitTag: page.unit.tag,
  tag: page.machine.tag,
  purpose: page.machine.purpose,
  areaName: page.area.name,
  siteName: page.site.name,
  care: page.unit.care,
  levelBefore: page.judgement ? judgedLevel(page.judgement.level) : null,
  level: page.judgement ? judgedLevel(page.judgement.level) : null,
  conditions: (page.judgement?.conditions ?? []).map(conditionLineOf),
  headline: page.judgement?.headline ?? '',
  dueAt: page.dueAt,
  tasks: [],
  minutes: 8,
  learnt: 0,
  added: true,
})

/**
 * A round with what this phone has still to tell of it: what happened, what was added, and how the visits just taken were
 * judged here.
 * @param pageOf the page of a machine as it is on this phone
 */
export async function roundWithPending(
  page: RoundPage,
  line: readonly Waiting[],
  by: string,
  pageOf: (machineId: string) => Promise<MachinePage | null>,
): Promise<RoundPage> {
  const open = line.filter((w) => w.refused === null)
  const fresh = open.flatMap((w): RoundEvent[] =>
    w.kind === 'event' && w.body.roundId === page.head.id && !page.events.some((e) => e.id === w.body.id)
      ? [
          {
            ...w.body,
            visitId: w.body.visitId ?? null,
            place: w.body.place ?? null,
            note: w.body.note ?? '',
            by: takenBy(w, by),
            recordedAt: w.body.at,
          },
        ]
      : [],
  )
  const visits = [...page.visits]
  for (const e of fresh) {
    if (e.kind !== 'added' || visits.some((s) => s.machineId === e.machineId)) continue
    const own = await pageOf(e.machineId ?? '')
    if (own) visits.push(addedVisit(own))
  }
  const judged = new Map(
    open.flatMap((w) => (w.kind === 'visit' && w.level !== null ? [[w.body.machineId, w.level]] : [])),
  )
  return {
    ...page,
    areas: page.areas.map((a) => ({ ...a, map: drawnHere(line, a.id)?.map ?? a.map })),
    visits: visits.map((s) => {
      const here = level.safeParse(judged.get(s.machineId))
      return here.success ? { ...s, level: here.data, headline: 'Judged on this phone, waiting to sync.' } : s
    }),
    findings: findingsWith(
      page.findings,
      open.filter((w) => w.kind !== 'finding' || visits.some((s) => s.machineId === w.body.machineId)),
      by,
    ),
    events: [...page.events, ...fresh].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)),
  }
}
