import { describe, expect, it } from 'vitest'
import { atRest, ohmsAcross, type MotorAtRest } from './at-rest.ts'

const none = [Infinity, Infinity, Infinity] as const
const sound: MotorAtRest = {
  joined: 'wye',
  coils: [1, 1, 1],
  leads: [0, 0, 0],
  toFrame: none,
  cable: { wires: [0.1, 0.1, 0.1], toFrame: none },
}
const motor = (over: Partial<MotorAtRest>): MotorAtRest => ({ ...sound, ...over })
const near = (read: readonly number[]) => read.map((r) => (r === Infinity ? r : Number(r.toFixed(3))))

// Circuit theory.
describe('what an ohmmeter reads', () => {
  it('in series, in parallel, and through a bridge', () => {
    expect(
      ohmsAcross(
        [
          ['a', 'b', 3],
          ['b', 'c', 4],
        ],
        'a',
        'c',
      ),
    ).toBeCloseTo(7, 9)
    expect(
      ohmsAcross(
        [
          ['a', 'b', 3],
          ['a', 'b', 6],
        ],
        'a',
        'b',
      ),
    ).toBeCloseTo(2, 9)
    // A balanced bridge carries nothing across its middle: 1 + 2 beside 2 + 4.
    const bridge = [
      ['a', 'm', 1],
      ['m', 'b', 2],
      ['a', 'k', 2],
      ['k', 'b', 4],
      ['m', 'k', 5],
    ] as const
    expect(ohmsAcross(bridge, 'a', 'b')).toBeCloseTo(2, 9)
  })
  it('nothing leads there: open', () => {
    expect(
      ohmsAcross(
        [
          ['a', 'b', 1],
          ['c', 'd', 1],
        ],
        'a',
        'd',
      ),
    ).toBe(Infinity)
    expect(ohmsAcross([['a', 'b', Infinity]], 'a', 'b')).toBe(Infinity)
  })
  it('refuses what is no resistance', () => expect(() => ohmsAcross([['a', 'b', -1]], 'a', 'b')).toThrow(/ohms/))
})

describe('a motor at rest', () => {
  it.each([
    ['wye: two coils in series', {}, [2, 2, 2]],
    ['delta: one beside two', { joined: 'delta', coils: [3, 3, 3] }, [2, 2, 2]],
    // An open branch of a delta reads two to one to one.
    ['delta, a branch open', { joined: 'delta', coils: [3, Infinity, 3] }, [3, 6, 3]],
    ['one lead open', { leads: [0, Infinity, 0] }, [Infinity, Infinity, 2]],
    ['a bad joint shows in two pairs', { leads: [0, 0.5, 0] }, [2.5, 2.5, 2]],
    ['so do shorted turns of a wye', { coils: [1, 0.5, 1] }, [1.5, 1.5, 2]],
  ] as const)('%s', (_, over, pairs) => expect(near(atRest(motor(over), 'motor').pairs)).toEqual(pairs))
  it('a winding to ground is to ground from every lead, but for the ohms between them', () => {
    const m = motor({ toFrame: [50, Infinity, Infinity] })
    expect(near(atRest(m, 'motor').toFrame)).toEqual([50, 52, 52])
  })
  it('from the far end the cable is in it: its ohms, its opens, its grounds', () => {
    expect(near(atRest(sound, 'far end').pairs)).toEqual([2.2, 2.2, 2.2])
    const cut = motor({ cable: { wires: [Infinity, 0.1, 0.1], toFrame: [Infinity, Infinity, 900] } })
    expect(near(atRest(cut, 'far end').pairs)).toEqual([Infinity, 2.2, Infinity])
    expect(near(atRest(cut, 'motor').pairs)).toEqual([2, 2, 2])
    expect(atRest(cut, 'motor').toFrame).toEqual(none)
    expect(near(atRest(cut, 'far end').toFrame)).toEqual([Infinity, 902.2, 900])
  })
})
