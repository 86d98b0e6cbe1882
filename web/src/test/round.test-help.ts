import { noCare, roundPage, type RoundEvent, type RoundPage, type RoundVisit } from '@motor-round/contract'
import { blankMap } from '@motor-round/core/round'

export const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
export const roundId = uuid(900)
export const me = { id: uuid(9), name: 'Mosi Okonjo' }
const areaId = uuid(2)

const task = (id: string, title: string, over: object = {}) => ({
  task: id,
  title,
  scope: 'running',
  dueAt: '2026-11-20T09:00:00Z',
  lastAt: null,
  why: 'Never done, every 92 days.',
  moved: null,
  minutes: 8,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  ...over,
})

/** A visit of the round: the n-th unit of the roof. */
export const visitOf = (n: number, over: object = {}): RoundVisit =>
  ({
    machineId: uuid(n),
    unitId: uuid(100 + n),
    areaId,
    siteId: uuid(1),
    unitTag: `RTU-${n}`,
    tag: 'SF',
    purpose: `Hall ${n}`,
    areaName: 'Hall roof',
    siteName: 'Ferry terminal',
    care: noCare,
    levelBefore: 'ok',
    level: 'ok',
    headline: 'As usual.',
    dueAt: '2026-12-20T09:00:00Z',
    tasks: [task('amps', 'Amps and volts')],
    minutes: 8,
    learnt: 0,
    added: false,
    ...over,
  }) as RoundVisit
export const lockedTask = task('belts', 'Belts, bearings and wheel', {
  scope: 'drive',
  locksOut: true,
  visitsUnit: true,
})

export const eventOf = (
  n: number,
  kind: RoundEvent['kind'],
  at: string,
  over: Partial<RoundEvent> = {},
): RoundEvent => ({
  id: uuid(5000 + n * 10 + kind.length),
  roundId,
  machineId: uuid(n),
  kind,
  at,
  visitId: null,
  place: null,
  note: '',
  by: me.name,
  recordedAt: at,
  ...over,
})

/** A round of three visits and one that found no room, for one person; checked by the contract. */
export function roundOf(over: Partial<RoundPage> = {}): RoundPage {
  const visits = over.visits ?? [
    visitOf(11),
    visitOf(12, { level: 'fix', levelBefore: 'fix', headline: 'Over the plate.' }),
    visitOf(13),
  ]
  const events = over.events ?? []
  const steps = visits
    .filter((s) => !s.added)
    .map((s, i) => ({
      step: s.machineId,
      walkers: [me.id],
      start: 430 + i * 20,
      end: 438 + i * 20,
      travel: 2,
      waiting: 0,
    }))
  const done = new Set(events.filter((e) => e.kind === 'done').map((e) => e.machineId)).size
  const skipped = new Set(events.filter((e) => e.kind === 'skipped').map((e) => e.machineId)).size
  return roundPage.parse({
    head: {
      id: roundId,
      name: 'Hall roof',
      day: '2026-11-25',
      siteIds: [uuid(1)],
      state: 'planned',
      people: [{ ...me, from: 420, to: 900 }],
      recurs: null,
      visits: visits.length,
      done,
      skipped,
      left: visits.length - done - skipped,
      madeBy: 'Tamsin Vale',
      version: 1,
    },
    note: '',
    heat: null,
    storm: null,
    route: {
      order: [{ walker: me.id, steps: steps.map((v) => v.step) }],
      steps,
      left: [],
      cost: { travel: 6, waiting: 0, hot: 0, left: 0, back: 500, total: 90 },
    },
    areas: [
      {
        id: areaId,
        name: 'Hall roof',
        siteId: uuid(1),
        kind: 'roof',
        map: {
          ...blankMap,
          units: Object.fromEntries(visits.map((s, i) => [s.unitId, { x: 4 + i * 8, y: 5, w: 3, h: 2 }])),
          hatches: [{ id: uuid(700), name: 'Hatch', x: 2, y: 20 }],
        },
      },
    ],
    away: [],
    closing: null,
    ...over,
    visits,
    events,
  })
}
