import {
  checksOf,
  insulationAdvice,
  judge,
  judgeMachine,
  machineDueAt,
  phases,
  phasesFor,
  checkDefinitions,
  slipGuard,
  contextOf,
  type JudgeInput,
  type Judgement,
  type ScopeId,
} from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import { dueTasks, kitOf, kitTogether } from '../../core/src/round/index.ts'
import type { Visit, WorkDone } from '../../core/src/trend/index.ts'
import { anything } from '../truth/chaos.ts'
import { dangers } from '../truth/dangers/index.ts'
import { pieces, running, whole } from '../truth/healthy.ts'
import { anyMachine, type Machine } from '../truth/machines.ts'
import { Random } from '../truth/random.ts'
import { nothing, visitOf, type Draft } from '../truth/visit.ts'
import { figures, standsOf, toldOf } from './told.ts'

const dayMs = 86_400_000
const start = Date.UTC(2026, 0, 5, 15)

const snapshot = (m: Machine, visits: readonly Visit[], work: readonly WorkDone[] = []) => ({
  machine: m.facts,
  motor: { plate: m.plate, connectionVolts: null, installedAt: 0 },
  visits,
  work,
  policies: defaultPolicies,
})
const about = (m: Machine) =>
  `${m.facts.phases} phase, ${m.facts.serviceVolts} V, plate ${m.plate.volts ?? ''} V ${m.plate.amps ?? ''} A${m.facts.hasVfd ? ', drive' : ''}, ${m.facts.drive}`

function at(
  m: Machine,
  visits: readonly Visit[],
  work: readonly WorkDone[],
  now: number,
  lines: (j: Judgement) => string[] = standsOf,
): string[] {
  const j = judgeMachine(snapshot(m, visits, work), now)
  return j ? [...lines(j), `  due in ${figures((machineDueAt(j, now, defaultPolicies) - now) / dayMs)} days`] : []
}

const scopes: readonly ScopeId[] = ['running', 'live', 'dead', 'full', 'drive', 'both']

/** Every danger on a machine it can befall: found, passed over by plain amps, put right, read again. */
export function dangersFound(): string {
  return dangers
    .flatMap((d, i) => {
      const r = new Random(77 + i)
      let m = anyMachine(r)
      while (!d.fits(m)) m = anyMachine(r)
      const found = visitOf(d.show(r, m, i % 2 === 0 ? running(r, m, nothing) : nothing), start)
      const plain = visitOf(running(r, m, nothing), start + 30 * dayMs)
      const work: WorkDone[] = d.repair === null ? [] : [{ at: start + 40 * dayMs, kind: d.repair, note: '' }]
      return [
        `## ${d.id} (${about(m)})`,
        ...at(m, [found], [], found.at, toldOf),
        '- after plain amps:',
        ...at(m, [found, plain], [], plain.at),
        '- after the repair:',
        ...at(m, [found, plain], work, start + 41 * dayMs),
        '- read again:',
        ...at(m, [found, plain, visitOf(whole(r, m, nothing), start + 50 * dayMs)], work, start + 51 * dayMs),
        '',
      ]
    })
    .join('\n')
}

/** Good machines, from one piece of a visit to the whole of it. */
export function goodMachines(): string {
  return Array.from({ length: 24 }, (_, i) => {
    const r = new Random(5000 + i)
    const m = anyMachine(r)
    const some = pieces.filter(() => r.chance(0.3)).reduce((v, piece) => piece(r, m, v), nothing)
    const visits = [i % 3 === 0 ? whole(r, m, nothing) : i % 3 === 1 ? running(r, m, some) : some]
    return [`## ${about(m)}`, ...visits.flatMap((v) => at(m, [visitOf(v, start)], [], start, toldOf)), ''].join('\n')
  }).join('\n')
}

/** Whatever the pages let through, sense or none. */
export function anythingTyped(): string {
  return Array.from({ length: 60 }, (_, i) => {
    const input = anything(new Random(9000 + i))
    const walked = scopes.map((p) => phasesFor(p, input.visit).join(' ')).join(' | ')
    const pages = checkDefinitions.filter((x) => x.for(input.machine))
    const c = contextOf(input)
    return [
      `## typed ${i}`,
      ...toldOf(judge(input)),
      `  walks: ${walked}`,
      `  pages: ${scopes
        .map((p) =>
          phases
            .map((f) =>
              checksOf(input.machine, p, f.id)
                .map((x) => x.id)
                .join(' '),
            )
            .join(' / '),
        )
        .join('\n    ')}`,
      `  waits: ${figures(pages.flatMap((s) => s.waits?.(input.machine, input.policies) ?? []))}`,
      `  advice: ${figures(pages.flatMap((s) => s.advice?.(c) ?? []))}`,
      `  insulation: ${figures(insulationAdvice(input.machine.serviceVolts))}`,
      '',
    ].join('\n')
  }).join('\n')
}

/** What the visit page of each kind of machine shows: every check, what it asks for and how, its waits and its caution. */
export function pagesShown(): string {
  const kinds = Array.from({ length: 10 }, (_, i) => anything(new Random(300 + i)).machine)
  const seen = new Set<string>()
  return kinds
    .flatMap((m) =>
      checkDefinitions
        .filter((s) => s.for(m))
        .map((s) => figures([s.id, s.phase, s.part, s.title, s.how, s.caution, s.listens, s.groups(m)])),
    )
    .filter((line) => !seen.has(line) && seen.add(line))
    .join('\n')
}

/** Good machines whose readings are each put a little off, at the newest visit and at one before it. */
export function alittleOff(): string {
  return Array.from({ length: 80 }, (_, i) => {
    const r = new Random(21_000 + i)
    const own = anyMachine(r)
    const amps = own.allowed
    const facts = {
      ...own.facts,
      hasTwin: r.chance(0.5),
      controls: {
        ...own.facts.controls,
        overload: r.one(['relay', 'none', 'electronic'] as const),
        protection: r.one(['time-delay fuse', 'breaker', 'non-time-delay fuse'] as const),
        protectionAmps: r.one([15, 20, 30, 60, 100]),
        phaseMonitor: r.chance(0.5),
        transformer: r.chance(0.5) ? { ratedIn: 480, ratedOut: 240 } : null,
        capacitor: r.chance(0.7)
          ? {
              run: own.capacitorUf || 7.5,
              second: r.chance(0.5) ? 5 : null,
              volts: r.one([370, 440]),
              tolerance: r.one([null, 0.1]),
            }
          : null,
      },
    }
    const m: Machine = { ...own, facts }
    const off = (v: Draft, share: number): Draft => ({
      ...v,
      readings: new Map(
        [...v.readings].map(([key, x]) => [
          key,
          r.chance(0.3)
            ? {
                ...x,
                value: Number((x.value * r.one(share > 0 ? [0.3, 0.6, 0.9, 1.04, 1.2, 2.2] : [1])).toPrecision(4)),
              }
            : x,
        ]),
      ),
      state: {
        ...v.state,
        twin: r.one(['running', 'off', 'none', null]),
        panels: r.one(['on', 'on', 'off', null]),
        turning: r.one(['right way', 'right way', null]),
      },
    })
    const history = [0, 1, 2, 3].map((k) =>
      visitOf(off(whole(r, m, nothing), k > 1 ? 1 : 0), start - 120 * (k + 1) * dayMs),
    )
    const visit = visitOf(off(whole(r, m, nothing), 1), start)
    return [
      `## ${about(m)}, ${figures(amps)} A allowed`,
      ...toldOf(
        judge({
          ...snapshot(m, [], []),
          machine: facts,
          visit: visit,
          history: history.slice(0, r.below(5)),
          twins: [
            {
              tag: 'SF-2',
              load: r.between(0.4, 1),
              at: start - 3_600_000,
              hz: r.one([null, m.hz, m.hz - 1.5]),
              state: r.one([
                null,
                {
                  settled: true,
                  mode: null,
                  filters: null,
                  panels: r.one(['on', null]),
                  twin: null,
                  turning: r.one(['right way', null]),
                },
              ]),
            },
          ],
        }),
      ),
      '',
    ].join('\n')
  }).join('\n')
}

/** A machine with a past of good visits, and one thing wrong at the newest. */
function befallen(r: Random): JudgeInput {
  const m = anyMachine(r)
  let d = r.one(dangers)
  while (!d.fits(m)) d = r.one(dangers)
  const history = Array.from({ length: r.below(8) }, (_, k) =>
    visitOf(r.chance(0.5) ? whole(r, m, nothing) : running(r, m, nothing), start - (k + 1) * 60 * dayMs),
  )
  const shown = r.chance(0.7)
    ? d.show(r, m, running(r, m, nothing))
    : running(r, { ...m, load: m.load * 1.12 }, nothing)
  const visit = visitOf(shown, start)
  return {
    machine: m.facts,
    motor: { plate: m.plate, connectionVolts: null, installedAt: 0 },
    visit,
    history,
    work: r.chance(0.3)
      ? [{ at: start + dayMs, kind: r.one(['belts-renewed', 'motor-replaced', 'greased'] as const), note: '' }]
      : [],
    policies: defaultPolicies,
  }
}

/** When machines with some past want what, and what is taken along. */
export function tasksDue(): string {
  return Array.from({ length: 110 }, (_, i) => {
    const r = new Random(13_000 + i)
    const input: JudgeInput = i % 2 === 0 ? anything(r) : befallen(r)
    const now = input.visit.at + r.below(400) * dayMs
    const visits = [input.visit, ...input.history].sort((a, b) => b.at - a.at)
    const tasks = dueTasks({
      machine: input.machine,
      unitKind: r.one(['RTU', 'AHU', 'EF', 'MAU', 'CT']),
      indoors: r.chance(0.4),
      visits: r.chance(0.1) ? [] : visits,
      work: input.work,
      parts: input.parts ?? [],
      layout: input.layout ?? null,
      motorRpm: input.motor?.plate.rpm ?? null,
      substitute: r.chance(0.2) ? { at: now - r.below(100) * dayMs, what: 'a 5 hp motor from the van' } : null,
      waiting: r.chance(0.2) ? [{ at: now - 9 * dayMs, what: '3 turns' }] : [],
      findings: r.chance(0.3)
        ? [{ at: now - 20 * dayMs, what: 'belt frayed', reviewAt: r.chance(0.5) ? now + 12 * dayMs : null }]
        : [],
      judgement: judgeMachine({ ...input, visits: visits }, now),
      policies: r.chance(0.3)
        ? { ...input.policies, limits: { ...input.policies.limits, 'interval-stretch': 1.5 } }
        : input.policies,
      now,
    })
    const kit = kitOf({
      tasks: tasks.filter((t) => t.dueAt <= now).map((t) => t.task),
      parts: input.parts ?? [],
      controls: input.machine.controls,
      phases: input.machine.phases,
      now,
    })
    const told = tasks.map(
      (t) =>
        `  ${figures((t.dueAt - now) / dayMs)} d ${t.task} (${t.scope}, ${figures([t.minutes, t.people, t.visitsUnit, t.locksOut, t.moved, t.rest, t.settle])}): ${t.why}`,
    )
    return [
      `## machine ${i}`,
      ...told,
      `  kit: ${figures(kit)}`,
      `  twice: ${figures(kitTogether([kit, kit]))}`,
      '',
    ].join('\n')
  }).join('\n')
}

/** What is asked of a figure just typed. */
export function slipsAsked(): string {
  const r = new Random(404)
  const lines: string[] = []
  for (let i = 0; i < 700; i++) {
    const quantity = r.one(['amps', 'amps', 'amps', 'volts_ll', 'winding_ohms', 'vibration', 'temperature'] as const)
    const middle = quantity === 'amps' ? r.between(2, 30) : quantity === 'volts_ll' ? 470 : r.between(0.5, 4)
    const digits = r.below(3)
    const read = (x: number) => Number(x.toFixed(digits))
    const past = Array.from({ length: r.below(7) }, () => read(middle * (1 + r.normal(0.02))))
    const twin = past.map((x) => read(x * 1.03 * (1 + r.normal(0.004))))
    const positions = quantity === 'volts_ll' ? ['L1-L2', 'L2-L3'] : ['L1', 'L2', 'L3']
    const [here = '', there = ''] = positions
    const value = read(
      middle * r.one([1, 1.03, 1.15, 0.7, 10, 0.1, 100, 0.01, 470 / middle, 271 / middle, 9.1 / middle]),
    )
    const slip = slipGuard(
      { quantity, position: here, value },
      [
        ...(r.chance(0.6) ? [{ quantity, position: there, value: r.chance(0.5) ? value : read(middle) }] : []),
        ...(r.chance(0.2) ? [{ quantity: 'hz' as const, position: 'motor', value }] : []),
        ...(r.chance(0.2) ? [{ quantity, position: here, value }] : []),
      ],
      past,
      (p) => (p === there ? twin : past),
      r.chance(0.7) ? read(middle * r.between(0.9, 1.4)) : null,
      r.chance(0.8) ? (quantity === 'amps' ? 470 : 9.2) : null,
    )
    lines.push(`${quantity} ${value} after ${past.join(' ')}: ${slip ? `${slip.kind}: ${slip.asks}` : 'taken'}`)
  }
  return lines.join('\n')
}
