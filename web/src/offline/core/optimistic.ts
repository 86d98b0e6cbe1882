import {
  conditionLineOf,
  level,
  machinePage,
  mapDrawn,
  measuredAfter,
  noCare,
  type FindingRecord,
  type MachinePage,
  type Places,
  type RoundEvent,
  type RoundPage,
  type RoundVisit,
  type SpeedChangeRecord,
} from '@motor-round/contract'
import { judgedLevel } from '@motor-round/core/judge'
import { roundCount, type RoofMap } from '@motor-round/core/round'
import { addFinding, applyEffect, motorsOf, stepFinding } from './effects.ts'
import type { QueuedMutation } from './store.ts'

/** Who entered it: their own name where it is known, else whoever is signed in. */
export const authorOf = (w: QueuedMutation, signedIn: string): string => w.authorName || signedIn

/** The roof map of an area as it was last drawn on this phone, where that is not synced yet. */
export function queuedMap(outbox: readonly QueuedMutation[], areaId: string): { map: RoofMap; version: number } | null {
  const drawn = outbox.flatMap((w) => {
    const body = w.kind === 'roof-map' && w.status === 'pending' ? mapDrawn.safeParse(w.body).data : undefined
    return body?.areaId === areaId ? [body] : []
  })
  const last = drawn.at(-1)
  return last ? { map: last.map, version: last.version + 1 } : null
}

/** A machine's page with what still waits in the outbox: offline the newest visit is the one just taken. */
export function withMutations(page: MachinePage, outbox: readonly QueuedMutation[], signedIn: string): MachinePage {
  const own = outbox.filter(
    (w) => 'machineId' in w.body && w.body.machineId === page.machine.id && w.status === 'pending',
  )
  const changed = own.reduce((now, w) => applyEffect(now, w, authorOf(w, signedIn)), page)
  if (changed.speedChanges.length === 0) return changed
  // What came of a speed change is read off the visits that are here.
  const known = { ...changed, motors: motorsOf(changed) }
  const measured = (p: SpeedChangeRecord) => p.measured ?? measuredAfter(known, p.doneAt)
  return { ...changed, speedChanges: changed.speedChanges.map((p) => ({ ...p, measured: measured(p) })) }
}

/** The page of a unit that was found offline and is only on this phone: nothing is known of it but what was typed. */
export function pageOfFound(
  found: Extract<QueuedMutation, { kind: 'found' }>['body'],
  places: Places,
): MachinePage | null {
  const area = places.areas.find((a) => a.id === found.unit.areaId)
  const site = places.sites.find((s) => s.id === area?.siteId)
  if (!area || !site) return null
  const parsed = machinePage.safeParse({
    machine: {
      ...found.machine,
      unitId: found.unit.id,
      siteId: site.id,
      purpose: found.machine.purpose ?? '',
      hasVfd: false,
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
 * A round with what still waits in the outbox: what happened, what was added, and how the visits just taken were
 * judged here.
 * @param pageOf the page of a machine as it is on this phone
 */
export async function roundWithMutations(
  page: RoundPage,
  outbox: readonly QueuedMutation[],
  by: string,
  pageOf: (machineId: string) => Promise<MachinePage | null>,
): Promise<RoundPage> {
  const open = outbox.filter((w) => w.status === 'pending')
  const fresh = open.flatMap((w): RoundEvent[] =>
    w.kind === 'event' && w.body.roundId === page.head.id && !page.events.some((e) => e.id === w.body.id)
      ? [
          {
            ...w.body,
            visitId: w.body.visitId ?? null,
            place: w.body.place ?? null,
            note: w.body.note ?? '',
            by: authorOf(w, by),
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
    open.flatMap((w) => (w.kind === 'visit' && w.level !== null ? [[w.body.machineId, w] as const] : [])),
  )
  const findings = open.reduce<FindingRecord[]>(
    (now, w) =>
      w.kind === 'finding' && visits.some((s) => s.machineId === w.body.machineId)
        ? addFinding(now, w.body, authorOf(w, by))
        : w.kind === 'finding-step'
          ? stepFinding(now, w.body, authorOf(w, by))
          : now,
    page.findings,
  )
  const events = [...page.events, ...fresh].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
  return {
    ...page,
    areas: page.areas.map((a) => ({ ...a, map: queuedMap(outbox, a.id)?.map ?? a.map })),
    visits: visits.map((s) => {
      const own = judged.get(s.machineId)
      const here = level.safeParse(own?.level)
      const headline = own?.synced ? 'Judged on this phone.' : 'Judged on this phone, waiting to sync.'
      return here.success ? { ...s, level: here.data, headline } : s
    }),
    findings,
    events,
    head: {
      ...page.head,
      ...roundCount(
        visits.map((v) => v.machineId),
        events,
      ),
    },
  }
}
