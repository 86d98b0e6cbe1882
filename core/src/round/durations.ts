import { median } from '../trend/index.ts'

/** Fewest earlier visits that say how long one takes here. */
const fewest = 3

/**
 * Minutes a visit takes at a machine: what is usual for its tasks, drawn to what this machine's own visits took.
 * @param usual by the tasks @param taken minutes of earlier visits here, planned and real
 * @returns minutes, and how many visits it was learnt from
 * @source median of real over planned, shrunk to one by four visits' worth
 */
export function minutesHere(
  usual: number,
  taken: readonly { readonly planned: number; readonly real: number }[],
): { minutes: number; learnt: number } {
  const ratios = taken.filter((t) => t.planned > 0 && t.real > 0 && t.real < 8 * 60).map((t) => t.real / t.planned)
  if (ratios.length < fewest) return { minutes: usual, learnt: 0 }
  const n = ratios.length
  const ratio = Math.exp((n * Math.log(median(ratios))) / (n + 4))
  return { minutes: Math.round(usual * Math.min(3, Math.max(0.4, ratio))), learnt: n }
}
