import { describe, expect, it } from 'vitest'
import { connectionOf, wantedVolts, type Connection, type LeadsOf, type Wanted } from '../electrical/index.ts'
import { ohmsAcross, type Branch } from './index.ts'

const coil = (a: string, b: string): Branch => [a, b, 1]
/** Windings of one ohm each, as they lie in the motor. @source NEMA MG 1 part 2 (from memory) */
const inside: Readonly<Record<string, readonly Branch[]>> = {
  '6': [coil('T1', 'T4'), coil('T2', 'T5'), coil('T3', 'T6')],
  '9 wye': [
    ...[coil('T1', 'T4'), coil('T2', 'T5'), coil('T3', 'T6')],
    ...[coil('T7', 'N'), coil('T8', 'N'), coil('T9', 'N')],
  ],
  '9 delta': [
    ...[coil('T1', 'T4'), coil('T2', 'T5'), coil('T3', 'T6')],
    ...[coil('T1', 'T9'), coil('T2', 'T7'), coil('T3', 'T8')],
  ],
  '12': [
    ...[coil('T1', 'T4'), coil('T2', 'T5'), coil('T3', 'T6')],
    ...[coil('T7', 'T10'), coil('T8', 'T11'), coil('T9', 'T12')],
  ],
  'one winding': [
    ...[coil('T1', 'T4'), coil('T2', 'T5'), coil('T3', 'T6')],
    ...[coil('T4', 'N'), coil('T5', 'N'), coil('T6', 'N')],
  ],
}

const made = (of: LeadsOf, wanted: Wanted): Connection => {
  const c = connectionOf(of, wanted)
  if (typeof c === 'string') throw new Error(c)
  return c
}
/** Ohms from line to line, each joint being a piece of wire. */
const pairs = (windings: readonly Branch[], { lines, joints }: Connection): readonly number[] => {
  const named = new Map<string, string>()
  lines.forEach((leads, i) => leads.forEach((l) => named.set(l, `L${i + 1}`)))
  joints.forEach((leads, i) => leads.forEach((l) => named.set(l, `J${i}`)))
  const name = (n: string) => named.get(n) ?? n
  const network = windings.map(([a, b, r]): Branch => [name(a), name(b), r])
  return [ohmsAcross(network, 'L1', 'L2'), ohmsAcross(network, 'L2', 'L3'), ohmsAcross(network, 'L3', 'L1')]
}
const all = (c: Connection) => [...c.lines.flat(), ...c.joints.flat(), ...c.apart].sort()

describe('how a motor is connected', () => {
  // Two windings in series or side by side: four times, or a quarter of, the ohms. In a wye a pair is two of them.
  it.each<[string, LeadsOf, number, number]>([
    ['9 wye', { leads: 9, winding: 'wye' }, 4, 1],
    ['9 delta', { leads: 9, winding: 'delta' }, 4 / 3, 1 / 3],
    ['12', { leads: 12, winding: 'wye' }, 4, 1],
    ['12', { leads: 12, winding: 'delta' }, 4 / 3, 1 / 3],
    ['6', { leads: 6, winding: null }, 2, 2 / 3],
  ])('%s: every pair alike, high volts in series and low side by side: %o', (windings, of, high, low) => {
    const coils = inside[windings] ?? []
    for (const ohms of pairs(coils, made(of, 'high volts'))) expect(ohms).toBeCloseTo(high, 6)
    for (const ohms of pairs(coils, made(of, 'low volts'))) expect(ohms).toBeCloseTo(low, 6)
    for (const wanted of ['high volts', 'low volts'] as const) {
      const used = all(made(of, wanted))
      expect(new Set(used).size).toBe(of.leads)
      expect(used).toHaveLength(of.leads)
    }
  })
  it('two speeds of one winding: series wye slow, parallel wye fast, and the other end stays apart', () => {
    const of: LeadsOf = { leads: 6, winding: 'two speeds, one winding' }
    for (const ohms of pairs(inside['one winding'] ?? [], made(of, 'low speed'))) expect(ohms).toBeCloseTo(4, 6)
    for (const ohms of pairs(inside['one winding'] ?? [], made(of, 'high speed'))) expect(ohms).toBeCloseTo(1, 6)
    expect(made(of, 'low speed').apart).toEqual(['T4', 'T5', 'T6'])
    expect(made({ leads: 6, winding: 'two speeds, two windings' }, 'high speed')).toMatchObject({
      lines: [['T11'], ['T12'], ['T13']],
      apart: ['T1', 'T2', 'T3'],
    })
  })
  it('refuses what the nameplate does not say, and what there is not', () => {
    expect(connectionOf({ leads: 9, winding: null }, 'low volts')).toMatch(
      /^With nine leads wye and delta are connected/,
    )
    expect(connectionOf({ leads: 3, winding: null }, 'low volts')).toMatch(/cannot be changed/)
    expect(connectionOf({ leads: 9, winding: 'wye' }, 'only')).toBe('Choose the low or the high volts.')
    expect(connectionOf({ leads: 9, winding: 'two speeds, one winding' }, 'low speed')).toMatch(/six leads/)
    expect(connectionOf({ leads: 6, winding: 'two speeds, one winding' }, 'high volts')).toMatch(/speed/)
    expect(made({ leads: 3, winding: null }, 'only').lines).toEqual([['T1'], ['T2'], ['T3']])
  })
})

describe('which of its voltages a motor is connected for', () => {
  const of = (volts: string, service: number, connection: number | null = null) =>
    wantedVolts(
      {
        volts,
        amps: volts
          .split('/')
          .map(() => '10')
          .join('/'),
      },
      service,
      connection,
    )
  it('goes by the service, or by what it is known to be connected for', () => {
    expect(of('230/460', 480)).toEqual({ wanted: 'high volts', volts: 460 })
    expect(of('230/460', 240)).toEqual({ wanted: 'low volts', volts: 230 })
    expect(of('230/400', 400)).toEqual({ wanted: 'high volts', volts: 400 })
    expect(of('575', 600)).toEqual({ wanted: 'only', volts: 575 })
    expect(of('208-230/460', 208)).toMatchObject({ wanted: 'low volts' })
  })
  it('refuses what the nameplate does not say', () => {
    expect(wantedVolts(null, 480, null)).toMatch(/gives no volts/)
    expect(wantedVolts({ volts: 'eaten' }, 480, null)).toMatch(/cannot be read/)
  })
})
