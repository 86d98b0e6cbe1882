import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../machine/index.ts'
import {
  believe,
  Belief,
  causeOf,
  causes,
  columnsFor,
  complaints,
  hypothesesOf,
  nextTests,
  standing,
  testOf,
  tests,
  traceStands,
  unlisted,
  type Feature,
  type Result,
  type TraceOf,
  type TraceStep,
} from './index.ts'
import { likelihoods } from './knowledge/likelihoods.ts'
import { fan, fanOf, resultsIn } from './trace.test-help.ts'

const likelihood = (test: string, outcome: string, cause: string): number => {
  const t = testOf.get(test)
  const i = t?.outcomes.findIndex((o) => o.id === outcome) ?? -1
  return (t && columnsFor(t).get(cause)?.[i]) ?? NaN
}
const chance = (b: Belief, id: string) => b.likely.find((l) => l.id === id)?.p ?? 0

describe('what is known', () => {
  it('names only causes, tests and outcomes that exist', () => {
    const outcome = (t: string, o: string) => testOf.get(t)?.outcomes.some((x) => x.id === o)
    for (const c of causes) {
      for (const [t, o] of c.proof) expect(outcome(t, o), `${c.id}: ${t}=${o}`).toBe(true)
      for (const other of [...c.killedBy, ...c.kills]) expect(causeOf.has(other), other).toBe(true)
      expect(c.proof.length, c.id).toBeGreaterThan(0)
    }
    for (const r of likelihoods) {
      expect(outcome(r.test, r.outcome), `${r.test}=${r.outcome}`).toBe(true)
      for (const c of r.causes) expect(causeOf.has(c), c).toBe(true)
    }
    for (const k of complaints) for (const id of Object.keys(k.shares)) expect(causeOf.has(id), id).toBe(true)
    expect(new Set(tests.map((t) => t.id)).size).toBe(tests.length)
  })
  it('blames no condenser fan for filters, and no exhaust fan for an iced coil', () => {
    const ids = (...f: Feature[]) => hypothesesOf('weak-air', fanOf('direct', ...f)).flatMap((h) => h.causes)
    expect(ids('condenser fan')).not.toContain('filter')
    expect(ids('exhaust')).not.toContain('ice')
    expect(ids('exhaust')).toContain('filter')
    expect(ids()).toContain('ice')
  })
  it('has chances that come to one, of every test under every cause', () => {
    for (const t of tests) {
      expect(t.outcomes.reduce((a, o) => a + o.base, 0)).toBeCloseTo(1, 9)
      for (const [id, column] of columnsFor(t)) {
        expect(
          column.reduce((a, p) => a + p, 0),
          `${t.id} ${id}`,
        ).toBeCloseTo(1, 9)
        for (const p of column) expect(p).toBeGreaterThan(0)
      }
    }
  })
})

describe('inference', () => {
  it('is Bayes: a table worked by hand', () => {
    // Two causes alike before; "free by hand" is 0.78 of unrelated faults, 0.01 of a seized motor, 2 % misread.
    const b = Belief.before([
      { causes: ['leg-lost'], prior: 0.5 },
      { causes: ['mbrg-lock'], prior: 0.5 },
    ])
    const free = likelihood('spin', 'free', 'leg-lost')
    const seized = likelihood('spin', 'free', 'mbrg-lock')
    // 0.98 of 0.01, and what is misread onto it of the rest.
    expect(seized).toBeGreaterThan(0.98 * 0.01)
    expect(seized).toBeLessThan(0.06)
    expect(chance(b.given(['spin', 'free']), 'leg-lost')).toBeCloseTo(free / (free + seized), 12)
    const both = b.given(['spin', 'free']).given(['line-volts', 'lost'])
    const lost = [likelihood('line-volts', 'lost', 'leg-lost'), likelihood('line-volts', 'lost', 'mbrg-lock')]
    const odds = ((free / seized) * (lost[0] ?? 0)) / (lost[1] ?? 0)
    expect(chance(both, 'leg-lost')).toBeCloseTo(odds / (1 + odds), 12)
  })
  it('information is what brute force says: entropy before, less that after every outcome', () => {
    const b = believe(hypothesesOf('hums', fan), [['see-fan', 'hums']])
    const entropy = (x: Belief) => x.weights.reduce((s, p) => s - (p > 0 ? p * Math.log2(p) : 0), 0)
    for (const t of tests) {
      const predicted = b.predict(t)
      const after = t.outcomes.reduce((s, o, i) => s + (predicted[i] ?? 0) * entropy(b.given([t.id, o.id])), 0)
      expect(b.information(t), t.id).toBeCloseTo(entropy(b) - after, 9)
    }
  })

  const anyResults = fc.array(fc.tuple(fc.nat(tests.length - 1), fc.nat()), { maxLength: 12 }).map((picked): Result[] =>
    [...new Map(picked.map(([t, o]) => [t, o]))].map(([t, o]) => {
      const test = tests[t]
      return [test?.id ?? '', test?.outcomes[o % test.outcomes.length]?.id ?? '']
    }),
  )
  const anyComplaint = fc.constantFrom(null, ...complaints.map((c) => c.id))

  it('any set of results, possible or not, leaves finite chances that come to one', () =>
    fc.assert(
      fc.property(anyComplaint, anyResults, (complaint, results) => {
        const b = believe(hypothesesOf(complaint, fan), results)
        expect(b.weights.reduce((a, p) => a + p, 0)).toBeCloseTo(1, 9)
        for (const l of b.likely) expect(l.p >= 0 && l.p <= 1 + 1e-9).toBe(true)
        expect(chance(b, unlisted)).toBeGreaterThan(0)
      }),
    ))
  it('does not depend on the order of results', () =>
    fc.assert(
      fc.property(anyComplaint, anyResults, fc.nat(), (complaint, results, seed) => {
        const random = seeded(seed)
        const shuffled = results
          .map((r) => ({ r, k: random.next() }))
          .sort((a, b) => a.k - b.k)
          .map((x) => x.r)
        const [a, b] = [results, shuffled].map((list) => believe(hypothesesOf(complaint, fan), list))
        a?.weights.forEach((w, i) => expect(b?.weights[i]).toBeCloseTo(w, 9))
      }),
    ))
  it('a proving result never lowers its cause', () =>
    fc.assert(
      fc.property(anyComplaint, anyResults, fc.nat(causes.length - 1), (complaint, results, n) => {
        const cause = causes[n]
        const b = believe(hypothesesOf(complaint, new Set(cause?.fits)), results)
        for (const proof of cause?.proof ?? []) {
          if (results.some(([t]) => t === proof[0])) continue
          const alone = (x: Belief) =>
            x.hypotheses.reduce(
              (s, h, i) => s + (h.causes.length === 1 && h.causes[0] === cause?.id ? (x.weights[i] ?? 0) : 0),
              0,
            )
          expect(alone(b.given(proof))).toBeGreaterThanOrEqual(alone(b) * (1 - 1e-9))
        }
      }),
    ))
})

describe('the next test', () => {
  const after = (text: string, setup: 'as found' | 'locked out' | 'powered' = 'as found', complaint = 'hums') => {
    const results = text === '' ? [] : resultsIn(text)
    return nextTests(believe(hypothesesOf(complaint, fan), results), fan, standing(setup, results, complaint), results)
  }
  it('looks before it opens anything', () => expect(after('')[0]?.test.exposure).toBe('look'))
  it('never closes or starts anything on a breaker that tripped and was not tested', () => {
    const tripped = after('breaker=tripped see-fan=still', 'as found', 'trips').map((n) => n.test.id)
    for (const id of ['test-start', 'call-wait', 'start', 'lead-roll', 'run-trip']) expect(tripped).not.toContain(id)
    const good = 'breaker=tripped see-fan=still gnd-ohms=clear megs=good megs-cable=good terminals=tight'
    expect(after(good, 'locked out', 'trips').some((n) => n.test.needs.includes('powered'))).toBe(true)
    expect(after('breaker=tripped', 'locked out', 'trips').some((n) => n.test.needs.includes('powered'))).toBe(false)
  })
  it.each([
    ['see-fan=hums', 'hums'],
    ['smell=winding see-fan=still', 'warm'],
    ['see-fan=still', 'smell'],
    ['see-fan=still', 'tingle'],
    ['see-fan=still gnd-ohms=ground', 'dead'],
    ['see-fan=still wheel=bad', 'shakes'],
  ])('starts nothing on %s', (found, complaint) => {
    const offered = after(found, 'as found', complaint).map((n) => n.test.id)
    for (const id of ['test-start', 'call-wait', 'start', 'run-trip', 'swap']) expect(offered).not.toContain(id)
  })
  it('asks no roof fan for its coil, and no indoor fan for the wind', () => {
    const offered = (features: ReadonlySet<Feature>) =>
      nextTests(believe(hypothesesOf('hums', features), []), features, standing('as found', []), []).map(
        (n) => n.test.id,
      )
    expect(offered(fan)).not.toContain('see-wind')
    const exhaust = fanOf('three-phase', 'direct', 'contactor', 'exhaust')
    expect(offered(exhaust)).toContain('see-wind')
    expect(offered(exhaust)).not.toContain('coil-look')
  })
  it('reads nothing running on a fan that does not run', () =>
    expect(after('see-fan=still').filter((n) => n.test.needs.includes('running'))).toEqual([]))
  it('says what comes first, and counts its minutes', () => {
    const spin = after('see-fan=hums').find((n) => n.test.id === 'spin')
    expect(spin?.before[0]?.words).toBe('Lock out and prove dead')
    expect(spin?.minutes).toBe(10)
    expect(after('see-fan=hums', 'locked out').find((n) => n.test.id === 'spin')?.minutes).toBe(2)
  })
  it('never offers a live test where a dead one tells as much', () =>
    fc.assert(
      fc.property(fc.nat(), fc.constantFrom(...complaints.map((c) => c.id)), (seed, complaint) => {
        const random = seeded(seed)
        const results: Result[] = []
        for (let i = 0; i < 5; i++) {
          const t = tests[Math.floor(random.next() * tests.length)]
          const o = t?.outcomes[Math.floor(random.next() * t.outcomes.length)]
          if (t && o && !results.some(([id]) => id === t.id)) results.push([t.id, o.id])
        }
        const b = believe(hypothesesOf(complaint, fan), results)
        const next = nextTests(b, fan, standing('as found', results), results)
        const live = (id: string) => ['live panel', 'beside it running'].includes(testOf.get(id)?.exposure ?? '')
        const dead = Math.max(0, ...next.filter((n) => !live(n.test.id)).map((n) => n.tells))
        for (const n of next) if (live(n.test.id)) expect(n.tells).toBeGreaterThan(dead)
      }),
      { numRuns: 60 },
    ))
})

describe('a trace', () => {
  const of: TraceOf = { complaint: 'hums', features: fan, circumstances: { raisers: [], peers: [] } }
  const step = (n: number, body: object): TraceStep =>
    ({ id: `s${n}`, at: 1_000_000 * n, by: 'Okonjo', ...body }) as TraceStep
  const result = (n: number, test: string, outcome: string) => step(n, { kind: 'result', test, outcome, note: '' })
  const lost = [
    result(1, 'see-fan', 'hums'),
    result(2, 'spin', 'free'),
    result(3, 'ohms3', 'even'),
    result(4, 'fuse-ohms', 'whole'),
    result(5, 'line-volts', 'lost'),
  ]
  it('comes to a cause that is proven, and says so only with its proof', () => {
    const [top] = traceStands(of, [], lost).suspects
    expect(top).toMatchObject({ id: 'leg-lost', name: 'One line lost ahead of the unit', confidence: 'proven' })
    const [before] = traceStands(of, [], lost.slice(0, 4)).suspects
    expect(before?.confidence).toBe('open')
  })
  it('striking evidence out restores exactly what was before it, and restoring it what was after', () => {
    const chances = (steps: TraceStep[]) => traceStands(of, [], steps).suspects.map((s) => [s.id, s.p])
    const struck = [...lost, step(6, { kind: 'struck', evidence: 's5', reason: 'wrong disconnect' })]
    expect(chances(struck)).toEqual(chances(lost.slice(0, 4)))
    expect(chances([...struck, step(7, { kind: 'restored', evidence: 's5' })])).toEqual(chances(lost))
    expect(traceStands(of, [], struck).evidence.at(-1)?.counts).toMatchObject({ kind: 'struck out' })
  })
  it('the newest reading of a test counts, whatever order the steps come in', () => {
    const again = [...lost, result(9, 'line-volts', 'ok')]
    expect(traceStands(of, [], again).suspects).toEqual(traceStands(of, [], [...again].reverse()).suspects)
    expect(traceStands(of, [], again).suspects[0]?.id).not.toBe('leg-lost')
  })
  it('what was read at a visit is evidence by itself', () => {
    const read = [
      { id: 'v:line-volts', at: 1, by: 'Vale', result: ['line-volts', 'lost'] as Result, visit: 'v', note: '' },
    ]
    const stands = traceStands(of, read, [])
    expect(stands.evidence[0]?.visit).toBe('v')
    expect(stands.next.map((n) => n.test.id)).not.toContain('line-volts')
  })
  it('a dropped theory keeps its reason and is back only when new evidence lifts it', () => {
    const drop = step(2, { kind: 'dropped', cause: 'leg-lost', reason: 'utility was here', p: 0.3 })
    const dropped = (steps: TraceStep[]) =>
      traceStands(of, [], [...steps, drop]).suspects.find((s) => s.id === 'leg-lost')
    expect(dropped(lost.slice(0, 1))).toMatchObject({ dropped: { reason: 'utility was here' }, back: false })
    expect(dropped(lost)).toMatchObject({ dropped: { by: 'Okonjo' }, back: true })
  })
  it('a result of a test that is no more is shown and tells nothing', () => {
    const gone = [...lost.slice(0, 2), result(3, 'divining', 'water'), result(4, 'spin', 'haunted')]
    const stands = traceStands(of, [], gone)
    expect(stands.evidence).toHaveLength(4)
    expect(stands.suspects.every((s) => Number.isFinite(s.p))).toBe(true)
  })
  it('names the reading that does not go with the others', () => {
    const stands = traceStands(
      of,
      [],
      [...lost.slice(0, 3), result(4, 'line-volts', 'none'), result(5, 'amps', 'even')],
    )
    expect(stands.disagreements[0]?.because).toContain('Amps without volts')
    expect(stands.suspects.length).toBeGreaterThan(10)
  })
})
