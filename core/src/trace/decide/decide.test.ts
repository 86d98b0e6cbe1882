import { describe, expect, it } from 'vitest'
import { condemn, reclose, shouldRun, type Result } from '../index.ts'
import { startBarred } from '../needs.ts'

const results = (text: string): Result[] =>
  text.split(' ').map((r): Result => [r.split('=')[0] ?? '', r.split('=')[1] ?? ''])
const good = 'gnd-ohms=clear megs=good megs-cable=good terminals=tight'

// Common practice; the rule on re-energizing is that of OSHA 1910.334(b)(2).
describe('closing what was found open', () => {
  it('says nothing where nothing was', () => {
    expect(reclose(results('breaker=closed'), 0)).toBeNull()
    expect(reclose(results('see-fan=still'), 0)).toBeNull()
  })
  it.each([
    ['breaker=tripped', false, /^It opened for a reason\. Not tested yet: winding to frame/],
    ['breaker=tripped gnd-ohms=clear megs=good', false, /insulation of the cable, lugs and wires\.$/],
    [`breaker=tripped ${good}`, true, /tested good/],
    [`breaker=fuse ${good}`, true, /tested good/],
    [`breaker=tripped ${good.replace('megs=good', 'megs=low')}`, false, /^Insulation at the motor: not good/],
    ['breaker=open', false, /nobody said who/],
    ['breaker=open ask-open=unknown', false, /Not tested yet/],
    ['breaker=open ask-open=hand', true, /by hand/],
  ])('%s: %s', (text, may, because) => {
    const r = reclose(results(text), 0)
    expect(r?.may).toBe(may)
    expect(r?.because).toMatch(because)
  })
  it('is never tried twice', () => {
    expect(reclose(results(`breaker=tripped ${good}`), 1)).toMatchObject({
      may: false,
      next: 'Leave it open and call a licensed electrician.',
    })
  })
  it('fuses are replaced all together', () =>
    expect(reclose(results(`breaker=fuse ${good}`), 0)?.next).toContain('Replace all fuses'))
})

describe('starting it', () => {
  it.each([
    ['gnd-ohms=ground', null, 'Do not start it. Winding to frame: reads to frame: repair it, then read it again.'],
    [
      'see-fan=hums',
      null,
      /^Do not start it yet \(fan as found: hums, does not turn\)\. First tested and good: winding/,
    ],
    [
      'see-fan=still',
      'smell',
      /^Do not start it yet\. First tested and good: winding to frame, insulation at the motor/,
    ],
    [`see-fan=hums ${good}`, 'smell', null],
    ['see-fan=still', 'dead', null],
  ])('%s, reported %s', (text, complaint, said) => {
    const barred = startBarred(results(text), complaint)
    if (said === null) expect(barred).toBeNull()
    else expect(barred).toMatch(said)
  })
})

describe('condemning a part', () => {
  it.each([
    ['motor', 'gnd-ohms=ground', true],
    ['motor', 'megs=dead', true],
    ['motor', 'ohms3=lead-open', true],
    ['motor', 'spin=seized split=motor', true],
    ['motor', 'spin=seized', false],
    // Never by these.
    ['motor', 'smell=winding ohms-far=open amps=leg0 ohms1=common-open temps=shell', false],
    ['drive', 'vfd-code=out-phase line-volts=ok megs=good', false],
    ['drive', 'line-volts=ok megs=good megs-cable=good swap=drive see-turn=right', true],
    ['transformer', 'tx-ratio=wrong', true],
    ['transformer', 'ctl-volts=scaled', false],
  ] as const)('%s on %s: %s', (part, text, condemned) => {
    const c = condemn(part, results(text))
    expect(c.condemned).toBe(condemned)
    expect(c.missing.length === 0).toBe(condemned)
  })
  it('says what is missing on the way that lacks least', () => {
    const most = 'line-volts=ok megs=good megs-cable=good swap=drive'
    expect(condemn('drive', results(most)).missing).toEqual([['see-turn', 'right']])
  })
  it('a direct drive has no belt to take off: the clear wheel says it is the motor', () => {
    expect(condemn('motor', results('spin=seized wheel=fine'), true).condemned).toBe(true)
    expect(condemn('motor', results('spin=seized wheel=fine')).condemned).toBe(false)
  })
})

describe('should it run now', () => {
  it.each([
    ['see-call=no', 'no', /no call/],
    ['see-call=no see-fan=runs-off', 'no', /and it runs/],
    ['see-call=yes see-clock=off', 'no', /schedule/],
    ['see-call=yes see-timer=counting', 'no', /timer/],
    ['see-call=yes half-split=safety', 'no', /safety is open/],
    ['see-call=yes', 'yes', /called for/],
    ['smell=none', 'unknown', /^Not entered/],
  ])('%s: %s', (text, should, because) => {
    const s = shouldRun(results(text))
    expect(s.should).toBe(should)
    expect(s.because).toMatch(because)
  })
})
