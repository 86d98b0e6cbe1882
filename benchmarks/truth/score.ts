import { judge, judgeMachine, type JudgeInput, type Judgement } from '../../core/src/judge/index.ts'
import { defaultPolicies } from '../../core/src/limits/index.ts'
import type { Visit, WorkDone } from '../../core/src/trend/index.ts'
import { anything } from './chaos.ts'
import { dangers, type Danger } from './dangers/index.ts'
import { lockedOut, pieces, poweredUp, running, whole } from './healthy.ts'
import { anyMachine, type Machine } from './machines.ts'
import { Random } from './random.ts'
import { atLowSpeed, overAtLowSpeed, twoSpeed } from './two-speed.ts'
import { nothing, read, visitOf, tell, without, type Draft } from './visit.ts'

const dayMs = 86_400_000
const start = Date.UTC(2026, 0, 5, 15)
const order = ['not judged', 'ok', 'watch', 'fix', 'stop']
const atLeast = (level: string, least: string) => order.indexOf(level) >= order.indexOf(least)

/** What may not happen once, in so many cases. */
export const never = [
  'a danger judged OK',
  'a danger judged too low',
  'a danger forgotten',
  'a danger that cannot be answered',
  'a repair believed unread',
  'a doubtful reading passed',
  'amps without a nameplate judged OK',
  'a 230 V motor on 208 V judged OK',
  'low-speed amps over their own plate judged OK',
  'low-speed amps without a plate of their own judged OK',
  'a good low speed not told as good',
  'a new motor judged OK unread',
  'a new motor judged OK with its turning unseen',
  'a gate open on what is unsafe',
  'a gate shut on a good machine',
  'a check that failed',
  'a judgement that failed',
  'a number that is none',
  'healthy judged fix or stop',
] as const

/** What went against the truth, by kind, with a few examples of each. */
export class Score {
  readonly counts = new Map<string, number>()
  readonly wrong = new Map<string, { count: number; examples: string[] }>()

  count(what: string): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + 1)
  }
  miss(kind: string, example: string): void {
    const own = this.wrong.get(kind) ?? { count: 0, examples: [] }
    own.count += 1
    if (own.examples.length < 400) own.examples.push(example)
    this.wrong.set(kind, own)
  }
  of = (what: string): number => this.counts.get(what) ?? 0
  missed = (kind: string): number => this.wrong.get(kind)?.count ?? 0
}

const inputOf = (
  m: Machine,
  visit: Visit,
  history: readonly Visit[] = [],
  work: readonly WorkDone[] = [],
): JudgeInput => ({
  machine: m.facts,
  motor: { plate: m.plate, connectionVolts: null, installedAt: 0 },
  visit,
  history,
  work,
  policies: defaultPolicies,
})
const machineAt = (m: Machine, visits: readonly Visit[], work: readonly WorkDone[] = []): Judgement => {
  const judgement = judgeMachine(
    {
      machine: m.facts,
      motor: { plate: m.plate, connectionVolts: null, installedAt: 0 },
      visits,
      work,
      policies: defaultPolicies,
    },
    start + 4000 * dayMs,
  )
  if (!judgement) throw new Error('a machine that was visited')
  return judgement
}
const say = (m: Machine, j: Judgement) =>
  `${m.facts.phases} ph ${m.facts.serviceVolts} V plate ${m.plate.volts ?? ''} ${m.plate.amps ?? ''} A${m.facts.hasVfd ? ' drive' : ''} → ${j.level}: ${j.headline} [${j.conditions.map((k) => `${k.key} ${k.level}`).join('; ')}]`

/** A good visit of any extent, from plain amps to everything. */
function anyGood(r: Random, m: Machine): Draft {
  if (r.chance(0.25)) return whole(r, m, nothing)
  const some = pieces.filter(() => r.chance(0.25)).reduce((v, piece) => piece(r, m, v), nothing)
  return r.chance(0.7) || some.readings.size === 0 ? running(r, m, some) : some
}

/** Nothing is wrong, and nothing is reported that needs doing. */
function healthy(r: Random, score: Score): void {
  const m = anyMachine(r)
  const visits = Array.from({ length: 1 + r.below(6) }, (_, i) => visitOf(anyGood(r, m), start + i * 91 * dayMs))
  const j = machineAt(m, visits)
  score.count('healthy')
  if (j.level === 'fix' || j.level === 'stop') score.miss('healthy judged fix or stop', say(m, j))
  if (j.level === 'watch') score.miss('healthy judged watch', say(m, j))
}

function anyDanger(r: Random, m: Machine): Danger {
  for (;;) {
    const d = r.one(dangers)
    if (d.fits(m)) return d
  }
}

/** One danger at a visit, alone or among what is good. */
function alone(r: Random, score: Score): void {
  const m = anyMachine(r)
  const d = anyDanger(r, m)
  const around = r.chance(0.4) ? nothing : anyGood(r, m)
  const history = r.chance(0.5) ? [visitOf(anyGood(r, m), start - 91 * dayMs)] : []
  const j = judge(inputOf(m, visitOf(d.show(r, m, around), start), history))
  score.count('alone')
  if (!atLeast(j.level, 'watch')) score.miss('a danger judged OK', `${d.id} | ${say(m, j)}`)
  else if (!atLeast(j.level, d.least)) score.miss('a danger judged too low', `${d.id} | ${say(m, j)}`)
}

/** Two at once: neither hides the other. */
function pair(r: Random, score: Score): void {
  const m = anyMachine(r)
  const a = anyDanger(r, m)
  const b = anyDanger(r, m)
  const shown = b.show(r, m, a.show(r, m, r.chance(0.5) ? nothing : anyGood(r, m)))
  // The second may have been read at the same place as the first and stands in its stead.
  const placesOf = (d: Danger) => {
    const v = d.show(new Random(1), m, nothing)
    return [...v.readings.keys(), ...Object.keys(v.answers), ...Object.keys(v.state)]
  }
  const places = new Set(placesOf(a))
  const kept = placesOf(b).some((k) => places.has(k))
  const j = judge(inputOf(m, visitOf(shown, start)))
  score.count('pairs')
  const least = kept || atLeast(b.least, a.least) ? b.least : a.least
  if (!atLeast(j.level, 'watch')) score.miss('a danger judged OK', `${a.id} + ${b.id} | ${say(m, j)}`)
  else if (!atLeast(j.level, least)) score.miss('a danger judged too low', `${a.id} + ${b.id} | ${say(m, j)}`)
}

/** Found, passed over by plain visits, put right, read again. */
function sequence(r: Random, score: Score): void {
  const m = anyMachine(r)
  const d = anyDanger(r, m)
  // A phone whose clock stands still enters them all at one instant: what is found counts all the same.
  const apart = r.chance(0.15) ? 0 : dayMs
  const visits: Visit[] = [visitOf(whole(r, m, nothing), start)]
  const seen = d.show(r, m, r.chance(0.5) ? running(r, m, nothing) : nothing)
  visits.push(visitOf(seen, start + 30 * apart))
  score.count('sequences')
  const before = machineAt(m, visits)
  if (!atLeast(before.level, d.least)) score.miss('a danger judged too low', `${d.id} in a row | ${say(m, before)}`)
  if (d.answeredByAmps !== true) {
    for (let i = 0; i < 1 + r.below(3); i++) visits.push(visitOf(running(r, m, nothing), start + (60 + 30 * i) * apart))
    const after = machineAt(m, visits)
    // What the same running shows better is answered by it: seen turning the right way, started, quiet.
    if (!atLeast(after.level, 'watch')) score.miss('a danger forgotten', `${d.id} | ${say(m, after)}`)
  }
  const work: WorkDone[] = d.repair === null ? [] : [{ at: start + 200 * dayMs, kind: d.repair, note: '' }]
  if (d.repair !== null) {
    const repaired = machineAt(m, visits, work)
    if (repaired.level === 'ok' && d.repair !== 'controls-restored')
      score.miss('a repair believed unread', `${d.id} | ${say(m, repaired)}`)
  }
  visits.push(visitOf(whole(r, m, nothing), start + 210 * dayMs))
  const again = machineAt(m, visits, work)
  if (atLeast(again.level, 'fix')) score.miss('a danger that cannot be answered', `${d.id} | ${say(m, again)}`)
}

/** What is not known about a machine is not OK: no nameplate, a motor for another supply, a new motor nobody has read. */
function unknown(r: Random, score: Score): void {
  const m = anyMachine(r)
  const good = visitOf(running(r, m, whole(r, m, nothing)), start)
  const plain = visitOf(running(r, m, nothing), start)
  score.count('unknown')
  const bare = judge({
    ...inputOf(m, r.chance(0.5) ? good : plain),
    motor: r.chance(0.5) ? null : { plate: { phases: m.facts.phases }, connectionVolts: null, installedAt: 0 },
  })
  if (bare.level === 'ok') score.miss('amps without a nameplate judged OK', say(m, bare))
  if (m.facts.phases === 3 && m.facts.serviceVolts === 208) {
    const plate = { ...m.plate, volts: '230/460', amps: `${String(m.allowed)}/${String(m.allowed / 2)}` }
    const other = judge({ ...inputOf({ ...m, plate }, plain) })
    if (other.level === 'ok') score.miss('a 230 V motor on 208 V judged OK', say({ ...m, plate }, other))
  }
  const work: WorkDone[] = [{ at: start + dayMs, kind: 'motor-replaced', note: '' }]
  const unread = machineAt(m, [good], work)
  if (unread.level === 'ok' || unread.level === 'not judged') score.miss('a new motor judged OK unread', say(m, unread))
  const noTurn = { ...running(r, m, nothing), state: { settled: true, turning: null } }
  const unseen = machineAt(m, [good, visitOf(noTurn, start + 2 * dayMs)], work)
  if (unseen.level === 'ok') score.miss('a new motor judged OK with its turning unseen', say(m, unseen))
}

/** A motor of two speeds: each has its own amps, and neither is compared with the other's. */
function speeds(r: Random, score: Score): void {
  const m = twoSpeed(r)
  const full = visitOf(whole(r, m.machine, nothing), start)
  score.count('two speeds')
  const good = machineAt(m.machine, [full, visitOf(atLowSpeed(r, m), start + 30 * dayMs)])
  if (good.level !== 'ok') score.miss('a good low speed not told as good', say(m.machine, good))
  const over = visitOf(overAtLowSpeed(r, m), start + 60 * dayMs)
  for (const [what, j] of [
    ['at once', judge(inputOf(m.machine, over))],
    ['later', machineAt(m.machine, [full, over])],
    [
      'after a good full speed',
      machineAt(m.machine, [over, visitOf(running(r, m.machine, nothing), start + 90 * dayMs)]),
    ],
  ] as const)
    if (!atLeast(j.level, 'watch'))
      score.miss('low-speed amps over their own plate judged OK', `${what} | ${say(m.machine, j)}`)
  const { lowAmps: _none, lowRpm: _unknown, ...plate } = m.machine.plate
  const unprinted = { ...m.machine, plate }
  const unknownAmps = judge(inputOf(unprinted, visitOf(atLowSpeed(r, m), start)))
  if (unknownAmps.level === 'ok' || unknownAmps.level === 'not judged')
    score.miss('low-speed amps without a plate of their own judged OK', say(unprinted, unknownAmps))
  if (atLeast(unknownAmps.level, 'fix')) score.miss('a good low speed not told as good', say(unprinted, unknownAmps))
}

const quantitiesOf = (visit: Draft) => [...visit.readings.values()]

/** A reading that is no figure never counts as a pass, and nothing is the better for being left out. */
function flagged(r: Random, score: Score): void {
  const m = anyMachine(r)
  const good = r.chance(0.5) ? running(r, m, nothing) : r.one(pieces)(r, m, nothing)
  if (good.readings.size === 0) return
  const one = r.one(quantitiesOf(good))
  const openIsFine = ['ground_ohms', 'megohms'].includes(one.quantity)
  if (openIsFine && r.chance(0.5)) return
  const bad = read(good, one.quantity, {
    [one.position]:
      openIsFine || r.chance(0.5)
        ? { value: one.value, spread: Math.max(one.value, 1) * r.between(0.3, 2) }
        : 'over range',
  })
  const j = judge(inputOf(m, visitOf(bad, start)))
  score.count('flagged')
  if (j.level === 'ok' && j.verdicts.every((v) => v.level === 'ok' && v.settles))
    score.miss('a doubtful reading passed', `${one.quantity} ${one.position} | ${say(m, j)}`)
}

/** No gate opens on what is unsafe or unread. */
function gates(r: Random, score: Score): void {
  const m = anyMachine(r)
  const full = whole(r, m, nothing)
  const gateOf = (visit: Draft, id: string, history: readonly Visit[] = []) => {
    const g = judge(inputOf(m, visitOf(visit, start), history)).gates.find((x) => x.id === id)
    if (!g) throw new Error(`no gate ${id}`)
    return g
  }
  score.count('gates')
  for (const id of ['dead', 'restore', 'live', 'close'])
    if (!gateOf(full, id).open)
      score.miss('a gate shut on a good machine', `${id} ${JSON.stringify(gateOf(full, id))} ${m.facts.phases}`)
  const dead = lockedOut(r, m, nothing)
  const proof = quantitiesOf(dead)
  const x = r.one(proof)
  const how = r.below(3)
  const spoiled =
    how === 0
      ? { ...dead, readings: new Map([...dead.readings].filter(([, k]) => k !== x)) }
      : read(dead, x.quantity, {
          [x.position]:
            how === 1
              ? r.chance(0.5)
                ? 'over range'
                : { value: x.value, spread: 120 }
              : x.quantity === 'proof_volts'
                ? r.between(0, 15)
                : r.between(60, 300),
        })
  if (gateOf(spoiled, 'dead').open)
    score.miss('a gate open on what is unsafe', `dead: ${x.quantity} ${x.position} spoiled ${how}`)
  const untold = r.one<Record<string, string>>([
    { 'lock.on': 'no' },
    { 'lock.number': '' },
    { 'lock.others': 'unknown' },
    { windmill: 'turning' },
  ])
  if (gateOf(tell(dead, untold), 'dead').open)
    score.miss('a gate open on what is unsafe', `dead: ${JSON.stringify(untold)}`)

  const d = anyDanger(r, m)
  if (!d.bars) return
  // Seen today, or the last time, with everything else of today as it should be and nothing of it read again.
  const shown = d.show(r, m, nothing)
  const today = r.chance(0.5)
  const keys = new Set(quantitiesOf(shown).map((q) => q.quantity))
  const visit = today
    ? d.show(r, m, poweredUp(r, m, lockedOut(r, m, nothing)))
    : without(poweredUp(r, m, lockedOut(r, m, nothing)), ...keys)
  const lined = keys.has('line_ll')
    ? visit
    : read(
        visit,
        'line_ll',
        Object.fromEntries(
          ['L1-L2', 'L2-L3', 'L3-L1'].slice(0, m.facts.phases === 3 ? 3 : 1).map((p) => [p, m.facts.serviceVolts]),
        ),
      )
  // Turning the right way, seen today, answers what was said of turning the last time.
  if (!today && d.id.startsWith('rotation.seen')) return
  if (!today && d.id === 'seen turning backward') return
  const past = today ? [] : [visitOf(shown, start - 30 * dayMs)]
  if (gateOf(lined, 'live', past).open)
    score.miss('a gate open on what is unsafe', `live: ${d.id} ${today ? 'today' : 'before'}`)
}

/** Sense or none: no failure, and every number is one. */
function legal(r: Random, score: Score): void {
  const input = anything(r)
  score.count('anything')
  try {
    const j = judge(input)
    const now = judgeMachine({ ...input, visits: [...input.history, input.visit] }, input.visit.at + dayMs)
    for (const made of [j, now]) {
      for (const f of made?.failures ?? []) score.miss('a check that failed', `${f.check} | ${JSON.stringify(f)}`)
      const text = JSON.stringify(made, (_key, x: unknown) =>
        typeof x === 'number' && !Number.isFinite(x) ? 'no number' : x,
      )
      const at = text.search(/no number|NaN|Infinity|undefined/)
      if (at >= 0) score.miss('a number that is none', `${text.slice(Math.max(0, at - 160), at + 40)}`)
    }
  } catch (error) {
    score.miss(
      'a judgement that failed',
      `${error instanceof Error ? (error.stack ?? error.message).slice(0, 300) : 'unknown'}`,
    )
  }
}

const kinds = [healthy, healthy, alone, alone, pair, sequence, sequence, flagged, gates, unknown, speeds, legal]

/** Many random machines and visits, judged and compared with what is true of them. */
export function runTruth(cases: number, seed: number): Score {
  const score = new Score()
  for (let i = 0; i < cases; i++) {
    const kind = kinds[i % kinds.length]
    kind?.(new Random(seed + i * 7919), score)
  }
  return score
}
