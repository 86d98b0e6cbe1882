import { describe, expect, it } from 'vitest'
import { believe, condemn, hypothesesOf, traceStands, type Feature, type TraceOf } from './index.ts'
import { fan, resultsIn } from './trace.test-help.ts'

/** Worked traces: what was found in order, and what it was. Common practice. */
const worked: readonly (readonly [complaint: string, features: readonly Feature[], results: string, cause: string])[] =
  [
    [
      'hums',
      ['three-phase', 'belt', 'contactor'],
      'see-fan=hums spin=free ohms3=even fuse-ohms=whole line-volts=lost',
      'leg-lost',
    ],
    [
      'wont-stop',
      ['single-phase', 'direct', 'contactor', 'condenser fan'],
      'see-call=no see-turn=back off-amps=one gnd-amps=high megs=dead',
      'gnd-part',
    ],
    [
      'wont-stop',
      ['single-phase', 'direct', 'contactor', 'condenser fan'],
      'selector=auto half-split=call off-amps=all gnd-amps=nil poles=weld',
      'pole-weld',
    ],
    [
      'hums',
      ['three-phase', 'belt', 'contactor', 'power transformer'],
      'spin=free ctl-volts=scaled tx-ratio=wrong tx-ohms=open',
      'tx-power',
    ],
    [
      'comes-goes',
      ['single-phase', 'direct', 'contactor', 'condenser fan'],
      'see-fan=still temps=shell spin=free ohms1=common-open ohms1-cool=closed cap-uf=weak',
      'prot-hot',
    ],
    ['over-amp', ['single-phase', 'direct'], 'temps=shell load=over cap-uf=ok cap-mark=wrong', 'cap-wrong'],
    [
      'weak-air',
      ['three-phase', 'belt', 'contactor'],
      'see-turn=right load=light static=slower tension=right wheel=backward',
      'wheel-back',
    ],
    [
      'vfd-alarm',
      ['three-phase', 'belt', 'drive', 'twin'],
      'vfd-code=out-phase line-volts=ok ohms3=even megs=good swap=drive',
      'vfd-out',
    ],
    ['dead', ['three-phase', 'belt', 'contactor', 'exhaust'], 'selector=auto see-call=no see-clock=off', 'clock-off'],
    [
      'trips',
      ['three-phase', 'direct', 'contactor', 'shared fuses', 'condenser fan'],
      'breaker=tripped see-wind=turns terminals=cut ohms-far=open ohms3=even megs=good',
      'blade-cut',
    ],
    [
      'comes-goes',
      ['three-phase', 'belt', 'contactor'],
      'line-volts=ok amps=uneven pole-drop=hot terminals=loose',
      'lug',
    ],
    ['smell', ['single-phase', 'direct'], 'smell=winding spin=free filters=wall gnd-ohms=ground cap-uf=ok', 'gnd-dead'],
    [
      'over-amp',
      ['three-phase', 'direct', 'contactor'],
      'temps=shell plate=volts line-volts=ok amps=even load=over',
      'plate-v',
    ],
    [
      'smell',
      ['three-phase', 'belt', 'overload relay'],
      'smell=belt spin=seized split=fan ohms3=even megs=good',
      'fbrg-lock',
    ],
    [
      'noise',
      ['three-phase', 'belt', 'contactor'],
      'hear=growl temps=bearing tension=drum align=in brg-hand=motor',
      'mbrg',
    ],
    [
      'after-work',
      ['three-phase', 'belt', 'contactor'],
      'ask-work=belt trend=up amps=even load=over sheaves=bigger rpm=fast',
      'fast',
    ],
    ['weak-air', ['three-phase', 'belt', 'contactor'], 'filters=clean tension=right trend=down see-water=ice', 'ice'],
    [
      'vfd-alarm',
      ['three-phase', 'belt', 'drive'],
      'ask-when=rain vfd-code=ground megs=good megs-cable=low',
      'cable-gnd',
    ],
    [
      'dead',
      ['three-phase', 'belt', 'overload relay', 'phase monitor'],
      'line-volts=ok half-split=monitor phase-meter=ok pm-lamp=misset',
      'pm-set',
    ],
    [
      'after-work',
      ['three-phase', 'belt', 'contactor'],
      'amps=even temps=shell rpm=slow tension=right motor-conn=other',
      'conn',
    ],
  ]

describe('worked traces', () => {
  it.each(worked)('%s on %j with %s is %s', (complaint, features, text, cause) => {
    const results = resultsIn(text)
    const b = believe(hypothesesOf(complaint, new Set(features)), results)
    expect(b.likely[0]?.id).toBe(cause)
    expect(b.likely[0]?.p).toBeGreaterThan(0.5)
  })
})

describe('wrong turns of those traces', () => {
  // A part that people condemn on what these traces found, and may not.
  it.each([
    ['motor', 0],
    ['motor', 4],
    ['motor', 5],
    ['motor', 9],
    ['motor', 10],
    ['motor', 13],
    ['motor', 17],
    ['transformer', 2],
  ] as const)('the %s of trace %i is not condemned', (part, n) => {
    const [, , text = ''] = worked[n] ?? []
    expect(condemn(part, resultsIn(text)).condemned).toBe(false)
  })
  it('a unit that runs now gets no part for what was only reported', () => {
    const of: TraceOf = { complaint: 'trips', features: fan, circumstances: { raisers: [], peers: [] } }
    const found = (outcome: string, test = 'see-fan') =>
      traceStands(of, [], [{ id: 'a', at: 1, by: 'x', kind: 'result', test, outcome, note: '' }]).disagreements
    expect(found('runs')[0]?.next).toContain('logging clamp')
    expect(found('still')).toEqual([])
  })
  it('what another machine of its kind had is likelier here', () => {
    const p = (peers: string[]) =>
      believe(hypothesesOf('shakes', fan, { raisers: [], peers }), []).likely.find((l) => l.id === 'unbal')?.p ?? 0
    expect(p(['unbal'])).toBeGreaterThan(1.2 * p([]))
  })
  it('work of the last month counts more than what is so anyway', () => {
    const p = (recent: boolean | null) =>
      believe(
        hypothesesOf('weak-air', fan, {
          raisers: recent === null ? [] : [{ raiser: 'belt work', recent }],
          peers: [],
        }),
        [],
      ).likely.find((l) => l.id === 'belt-slip')?.p ?? 0
    expect(p(true)).toBeGreaterThan(p(false))
    expect(p(false)).toBeGreaterThan(p(null))
  })
})
