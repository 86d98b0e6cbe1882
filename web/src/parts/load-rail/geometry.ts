import type { Rail } from '@motor-round/core/judge'
import { show } from '@motor-round/core/quantity'

/** The rail shows up to this share of the allowed current. */
export const railEnd = 1.25

/** Push labels apart until none is nearer to the next than `gap`, staying between the ends. */
export function spreadLabels(wanted: readonly number[], gap: number, from: number, to: number): number[] {
  const order = wanted
    .map((x, i) => ({ x, i }))
    .sort((a, b) => a.x - b.x)
    .map(({ x, i }) => ({ x: Math.max(from, x), i }))
  for (let k = 1; k < order.length; k++) {
    const before = order[k - 1]
    const own = order[k]
    if (before && own && own.x - before.x < gap) own.x = before.x + gap
  }
  const last = order[order.length - 1]
  if (last && last.x > to) {
    last.x = to
    for (let k = order.length - 2; k >= 0; k--) {
      const own = order[k]
      const after = order[k + 1]
      if (own && after && after.x - own.x < gap) own.x = after.x - gap
    }
  }
  const out = new Array<number>(wanted.length).fill(from)
  for (const { x, i } of order) out[i] = x
  return out
}

/** What the rail says to one who cannot see it. */
export function railWords(rail: Rail): string {
  if (rail.legs.length === 0) return 'no amps read'
  const legs = rail.legs.map((l) => `${l.name} ${show.amps(l.amps)}`).join(', ')
  if (rail.allowed === null) return `${legs} ampere, no limit known`
  const top = Math.max(...rail.legs.map((l) => l.amps))
  return `${legs} ampere, ${show.percent(top / rail.allowed)} of nameplate`
}
