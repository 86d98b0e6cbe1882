import { acrossTheLine, always, atVolts, both, three, type Danger } from './danger.ts'
import { linesOf } from '../healthy.ts'
import type { Machine } from '../machines.ts'

export const voltDangers = (quantity: 'volts_ll' | 'line_ll'): Danger[] => {
  const fits = quantity === 'volts_ll' ? acrossTheLine : always
  return [
    // MG 1 14.36: more than 5 % apart, do not run.
    atVolts(
      'volts far apart',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        const off = r.between(0.11, 0.16)
        return { 'L1-L2': v, 'L2-L3': v * (1 - off / 2), 'L3-L1': v * (1 - off) }
      },
      'stop',
      both(three, fits),
    ),
    // MG 1 12.44: ten percent of the nameplate either way; a service that far off is outside for every column.
    atVolts('volts high', quantity, (r, m) => even(m, m.facts.serviceVolts * r.between(1.2, 1.35)), 'fix', fits),
    atVolts('volts low', quantity, (r, m) => even(m, m.facts.serviceVolts * r.between(0.5, 0.75)), 'fix', fits),
    atVolts(
      'a line with nothing on it',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        return m.facts.phases === 3
          ? { 'L1-L2': v, 'L2-L3': v * r.between(0, 0.04), 'L3-L1': v * r.between(0, 0.04) }
          : { 'L1-L2': 0 }
      },
      'watch',
      fits,
    ),
    atVolts(
      'half volts on two pairs',
      quantity,
      (_r, m) => {
        const v = m.facts.serviceVolts
        return { 'L1-L2': v, 'L2-L3': v / 2, 'L3-L1': v / 2 }
      },
      'stop',
      both(three, fits),
    ),
    // Two lines on one and the same phase: one of them is lost, and something between the two feeds it.
    atVolts(
      'a line fed from its neighbor',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        const at = r.below(3)
        return Object.fromEntries(
          linesOf(m).map((l, i) => [l, i === at ? v * r.between(0, 0.1) : v * r.between(0.97, 1.03)]),
        )
      },
      'stop',
      both(three, fits),
    ),
    atVolts(
      'of two pairs one with nothing on it',
      quantity,
      (r, m) => {
        const [a = '', b = ''] = linesOf(m)
        return { [a]: m.facts.serviceVolts, [b]: m.facts.serviceVolts * r.between(0, 0.1) }
      },
      'stop',
      both(three, fits),
    ),
    atVolts(
      'two pairs of three, far apart',
      quantity,
      (r, m) => {
        const [a = '', b = ''] = linesOf(m)
        return { [a]: m.facts.serviceVolts, [b]: m.facts.serviceVolts * r.between(0.8, 0.88) }
      },
      'stop',
      both(three, fits),
    ),
    // 480, 480 and 970 cannot be three voltages of one supply: asked for again, never a pass.
    atVolts(
      'volts that close no triangle',
      quantity,
      (r, m) => {
        const v = m.facts.serviceVolts
        return { 'L1-L2': v, 'L2-L3': v, 'L3-L1': Math.min(v * r.between(1.6, 2.05), 999) }
      },
      'watch',
      both(three, fits),
    ),
  ]
}
export const even = (m: Machine, v: number) =>
  Object.fromEntries(linesOf(m).map((l) => [l, Number(Math.min(v, 999).toFixed(1))]))
