import { describe, expect, it } from 'vitest'
import { pscConnection, speedTaps, type PscConnection, type PscLeads, type TapCount } from './psc-connection.ts'

const motor = (taps: TapCount, capacitorLeads: 1 | 2 = 2): PscLeads => ({
  taps,
  capacitorLeads,
  microfarads: 7.5,
  capacitorVolts: 370,
})
const made = (m: PscLeads, tap: number): PscConnection => {
  const c = pscConnection(m, tap)
  if (typeof c === 'string') throw new Error(c)
  return c
}

/**
 * The motor inside, as a network of volts: the main winding from its fast end over the taps to its far end, the start winding from the
 * fast end to its lead. With the joints made, is the main winding across the lines, and the start winding with its capacitor, too?
 */
function stands(c: PscConnection, m: PscLeads) {
  const node = new Map<string, string>()
  for (const r of c.rows) {
    if (r.to === 'L1' || r.to === 'L2 or N') for (const l of r.leads) node.set(l, r.to)
    if (r.to === 'Capped') for (const l of r.leads) node.set(l, `open ${l}`)
  }
  const taps = m.taps === 1 ? ['Common'] : speedTaps[m.taps].map((t) => `${t} speed`)
  const far = m.taps === 1 ? 'Run' : 'Common, by its diagram'
  // Two capacitor leads: the return is joined to the far end inside.
  node.set('Capacitor return', node.get(far) ?? '')
  const [from, to] = c.rows.find((r) => r.to === 'Capacitor')?.leads ?? []
  return {
    fed: taps.filter((t) => node.get(t) === 'L1'),
    far: node.get(far),
    capacitorFrom: from,
    capacitorTo: node.get(to ?? ''),
    open: taps.filter((t) => node.get(t)?.startsWith('open')).length,
  }
}

describe('a fan motor with a run capacitor', () => {
  for (const taps of [1, 2, 3, 4] as const)
    for (const leads of [1, 2] as const)
      it(`of ${taps} speeds and ${leads} capacitor leads has its windings across the lines and the other taps capped`, () => {
        const m = motor(taps, leads)
        speedTaps[taps].forEach((_, tap) => {
          expect(stands(made(m, tap), m)).toEqual({
            fed: [taps === 1 ? 'Common' : `${speedTaps[taps][tap] ?? ''} speed`],
            far: 'L2 or N',
            capacitorFrom: 'Start',
            // The start winding is fed from the far line through the capacitor; from the near one it would be shorted by it.
            capacitorTo: 'L2 or N',
            open: taps - 1,
          })
        })
      })
  it('names its capacitor, and is refused without', () => {
    expect(made(motor(3), 1)).toMatchObject({
      title: 'Single-phase, run capacitor, medium speed',
      capacitor: '7.5 µF, 370 V or more',
    })
    expect(pscConnection({ ...motor(3), microfarads: null }, 1)).toContain('does not give the capacitor')
  })
  it('has no more taps than it has', () => expect(() => pscConnection(motor(2), 2)).toThrow(RangeError))
})
