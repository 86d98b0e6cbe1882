import { limitInForce, practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { aliveBecause, deadGate, deadPositions } from '../../gates.ts'
import { always, cells, choice, type CheckDefinition } from '../check-definition.ts'

const deadTests = [
  'winding_ohms',
  'ground_ohms',
  'megohms',
  'megohms_at',
  'capacitance',
  'pole_ohms',
  'fuse_ohms',
] as const

/** Locked out and proven dead, before any hand goes in. */
const deadProof: Rule = {
  id: 'dead-proof',
  title: 'Proof of dead',
  subject: 'protection',
  from: 'visit',
  needs: ['dead_ll', 'dead_lg', 'stored_volts', ...deadTests],
  applies: (c) =>
    c.has('dead_ll', 'dead_lg', 'stored_volts') ||
    // Of tests that were read in from a file nobody can say how they were made safe.
    (Object.keys(c.visit.answers ?? {}).length > 0 && c.has(...deadTests)),
  judge(c) {
    const basis = [practice('every pair and every leg to ground, meter proven before and after')]
    const alive = aliveBecause(c)
    if (alive)
      return verdict(this, {
        level: 'stop',
        positions: ['alive'],
        limit: c.limit('dead-volts').value,
        basis: [c.limit('dead-volts').basis, ...basis],
        because: alive,
        next: 'Keep hands out. Find the feed, open and lock it, and repeat the dead tests from the start.',
      })
    const gate = deadGate(c)
    const missing = gate.steps.filter((s) => !s.met)
    if (missing.length > 0)
      return verdict(this, {
        level: 'watch',
        basis,
        because: `${gate.passed ? `${gate.passed.by} went on: ${gate.passed.reason}. ` : ''}Not entered: ${missing.map((s) => s.words.charAt(0).toLowerCase() + s.words.slice(1)).join('; ')}.`,
        next: 'Read what is missing before hands go in.',
        confidence: 'low',
        settles: false,
        ofVisit: true,
      })
    return verdict(this, {
      level: 'ok',
      positions: ['alive'],
      limit: c.limit('dead-volts').value,
      basis,
      because: 'Measured: no volts on any pair or leg, meter proven before and after.',
      next: 'Valid at that time only: test again when anything has changed.',
    })
  },
}

export const proveDead: CheckDefinition = {
  id: 'prove-dead',
  phase: 'safe',
  title: 'Prove dead',
  how: 'Meter on a known live source; every pair; every leg to ground; the known source again.',
  caution: '0 V line to line is not proof: a leg can feed the others through the winding. Read each leg to ground.',
  for: always,
  groups(m) {
    const { pairs, legs } = deadPositions(m.phases)
    const low = m.serviceVolts < 180
    return [
      { title: 'Meter proven, before', asks: cells('proof_volts', ['before'], ['Known source']) },
      { title: 'Line to line', asks: cells('dead_ll', pairs, m.phases === 1 && low ? ['L1-N'] : pairs) },
      { title: 'Line to ground', asks: cells('dead_lg', legs, m.phases === 1 && low ? ['L1', 'N'] : legs) },
      { title: 'Meter proven, after', asks: cells('proof_volts', ['after'], ['Known source']) },
      ...(m.phases === 1
        ? [
            {
              title: 'Capacitor',
              asks: [
                ...(m.controls.capacitor === null
                  ? [
                      choice('capacitor.there', 'Run or start capacitor', [
                        ['there', 'Installed'],
                        ['none', 'None on this motor'],
                      ]),
                    ]
                  : []),
                ...cells('stored_volts', ['capacitor'], ['Volts across it']),
              ],
            },
          ]
        : []),
      ...(m.hasVfd ? [{ title: 'Drive bus', asks: cells('stored_volts', ['bus'], ['Bus, DC']) }] : []),
    ]
  },
  waits: (m, policies) =>
    m.hasVfd
      ? [
          {
            id: 'bus',
            words: 'Drive bus draining',
            seconds: limitInForce('drive-wait', policies).value * 60,
            then: 'Measure the bus: the meter decides, not the timer. A longer time on the label governs.',
          },
        ]
      : [],
  judges: [deadProof],
}
