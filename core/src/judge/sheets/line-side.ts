import { lostLineByVolts, voltageUnbalance } from '../../electrical/index.ts'
import { practice, standard } from '../../limits/index.ts'
import { legPositions, linePositions, mean, show, type ThreePhase } from '../../quantity/index.ts'
import { verdict, type Check } from '../check.ts'
import type { Context } from '../context.ts'
import { cells, threePhase, type SheetCheck } from './sheet.ts'

const three = (c: Context, quantity: 'line_ll' | 'line_lg', positions: readonly string[]): ThreePhase | null => {
  const v = positions.map((p) => c.value(quantity, p))
  return v.every((x) => x !== undefined) ? (v as unknown as ThreePhase) : null
}

/** The supply ahead of the starter, before anything is put on it. */
const lineSide: Check = {
  id: 'line-side',
  title: 'Volts ahead of the starter',
  applies: (c) => three(c, 'line_ll', linePositions) !== null,
  judge(c) {
    const volts = three(c, 'line_ll', linePositions) ?? [0, 0, 0]
    const shown = `${volts.map(show.volts).join(', ')} V ahead of the starter`
    const stop = c.limit('voltage-unbalance-stop')
    const window = c.limit('volts-motor-window')
    const supply = c.limit('voltage-unbalance-supply')
    const reference = c.allowed?.columnVolts ?? c.machine.serviceVolts
    if (Math.max(...volts) === 0)
      return verdict(this, {
        level: 'watch',
        basis: [practice('outside in')],
        because: `${shown}: nothing arrives.`,
        next: 'Disconnect, breaker, fuses, then the board, outside in. Ask who opened it.',
      })
    const lost = lostLineByVolts(volts)
    if (lost !== null)
      return verdict(this, {
        level: 'stop',
        basis: [standard('three-phase geometry')],
        because: `${shown}: L${lost + 1} is lost ahead of the starter.`,
        next: 'Do not start it. Fuses and lugs of that line back to the board.',
      })
    const u = voltageUnbalance(volts)
    if (u > stop.value) {
      const high = volts.filter((v) => v > reference * (1 + window.value)).length
      return verdict(this, {
        level: 'stop',
        value: u,
        limit: stop.value,
        basis: [stop.basis, window.basis],
        because: `${shown}: ${show.percent(u)} unbalance${high > 0 ? `, and ${high === 1 ? 'one pair' : `${high} pairs`} over what the motor stands` : ''}. This supply destroys what hangs on it: the transformer or its taps.`,
        next: 'Switch off everything on this supply: motors, boards, compressor. Then the transformer ahead of it, ratio by ratio.',
      })
    }
    const worst = volts.reduce((a, b) => (Math.abs(b / reference - 1) > Math.abs(a / reference - 1) ? b : a))
    const away = worst / reference - 1
    if (Math.abs(away) > window.value + 1e-9)
      return verdict(this, {
        level: away > 0.15 ? 'stop' : 'fix',
        value: worst,
        limit: reference * (1 + Math.sign(away) * window.value),
        basis: [window.basis],
        because: `${shown}: ${show.percent(Math.abs(away))} ${away > 0 ? 'over' : 'under'} the ${show.volts(reference)} V plate.`,
        next:
          away > 0
            ? 'Nothing is started on it. Taps and the transformer ahead.'
            : 'Read it again under load and at the board.',
      })
    const legs = three(c, 'line_lg', legPositions)
    const odd = legs && Math.max(...legs) > 1.2 * Math.min(...legs)
    if (legs && odd)
      return verdict(this, {
        level: 'watch',
        value: Math.max(...legs),
        basis: [practice('to ground the three should agree')],
        because: `${shown}, but ${legs.map(show.volts).join(', ')} V to ground: a corner or a mid-point is grounded, or a leg leaks to ground.`,
        next: 'Know the service before you go on: an open delta reads so by design, a faulted leg does too.',
      })
    if (u > c.limit('voltage-unbalance-clean').value)
      return verdict(this, {
        level: u > supply.value ? 'fix' : 'watch',
        value: u,
        limit: c.limit('voltage-unbalance-clean').value,
        basis: [u > supply.value ? supply.basis : c.limit('voltage-unbalance-clean').basis],
        because: `${shown}: ${show.percent(u)} unbalance at the supply itself, not the branch.`,
        next: 'Tell the one who looks after the supply; until then less load.',
      })
    return verdict(this, {
      level: 'ok',
      value: u,
      limit: c.limit('voltage-unbalance-clean').value,
      basis: [stop.basis],
      because: `${shown}, even within ${show.percent(u)}.`,
      next: 'Nothing to do.',
    })
  },
}

/** What is lost between line side and motor. */
const branchDrop: Check = {
  id: 'branch-drop',
  title: 'Loss between line side and motor',
  applies: (c) => three(c, 'line_ll', linePositions) !== null && c.threeVolts !== null && !c.machine.hasDrive,
  judge(c) {
    const ahead = three(c, 'line_ll', linePositions) ?? [1, 1, 1]
    const at = c.threeVolts ?? [1, 1, 1]
    const lost = ahead.map((v, i) => v - (at[i] ?? v))
    const worst = lost.reduce((best, v, i) => (v > (lost[best] ?? 0) ? i : best), 0)
    const share = (lost[worst] ?? 0) / Math.max(1, mean(ahead))
    const basis = [practice('common practice: branch loss up to 3 %')]
    const told = `${linePositions[worst] ?? ''} loses ${show.volts(Math.max(0, lost[worst] ?? 0))} V between line side and motor`
    return verdict(this, {
      level: share > 0.05 ? 'fix' : share > 0.03 ? 'watch' : 'ok',
      value: share,
      limit: 0.03,
      basis,
      because: `${told}${share > 0.03 ? `, ${show.percent(share)}` : ''}.`,
      next:
        share > 0.03 ? 'Contacts and lugs of that pair: measure the drop across each while it runs.' : 'Nothing to do.',
    })
  },
}

export const lineSideSheet: SheetCheck = {
  id: 'line-side',
  phase: 'restore',
  part: 'electric',
  title: 'Volts ahead of the starter',
  how: 'Line side of the starter or drive: three pairs, then each leg to ground. Before any bump.',
  caution: 'Live panel: qualified people, by local code. Insulated probes, one hand, nothing metal worn.',
  for: threePhase,
  groups: () => [
    { title: 'Line to line', asks: cells('line_ll', linePositions) },
    { title: 'Line to ground', asks: cells('line_lg', legPositions), also: true },
  ],
  judges: [lineSide, branchDrop],
}
