import type { FanOnDrive } from './amps-at-hz.ts'

/** One reading of a fan on a drive. */
interface Read {
  readonly amps: number
  readonly hz: number
}

/** No-load amps of motors of one nameplate differ by so much, as a standard deviation of the logarithm. @source common practice */
const believed = 0.3
/** Clamp, duct and weather scatter a reading by so much, and how many readings that belief is worth. @source common practice */
const [scatter, scatterWorth] = [0.02, 8]
/** Shares of the nameplate under which a reading says nothing of a motor that runs. */
const [least, slowest] = [0.01, 0.1]
/** Shares of the estimate that are tried: no motor magnetizes with less than a fifth of its plate, or with nearly all of it. */
const tried = Array.from({ length: 41 }, (_, i) => 0.45 * 3.5 ** (i / 40))

/** What is left of the logarithms of readings when all had this no-load current and the best common load. */
function left(reads: readonly { readonly amps: number; readonly fourth: number }[], noLoad: number): number {
  // Squares are linear in the square of the load; each weighs as its logarithm does.
  let [above, below] = [0, 0]
  for (const { amps, fourth } of reads) {
    const weight = fourth / amps ** 4
    above += weight * (amps ** 2 - noLoad ** 2)
    below += weight * fourth
  }
  const load = Math.max(0, above / below)
  return reads.reduce((sum, { amps, fourth }) => sum + Math.log(amps / Math.sqrt(noLoad ** 2 + load * fourth)) ** 2, 0)
}

/**
 * The no-load amps of the motor of a fan on a drive: the estimate from its nameplate, moved as far as its readings at several
 * frequencies say. Readings at one frequency say nothing of it, and it stays.
 * @returns amperes
 * @source I² = I0² + load² · (n/nn)⁴ fitted over a grid of I0, with a belief about the estimate
 */
export function learnedNoLoad(m: FanOnDrive, readings: readonly Read[]): number {
  const reads = readings
    .filter((r) => r.amps > least * m.plateAmps && r.hz > slowest * m.plateHz && r.hz <= 1.02 * m.plateHz)
    .map(({ amps, hz }) => ({ amps, fourth: (hz / m.plateHz) ** 4 }))
  if (reads.length < 2) return m.noLoadAmps
  const scored = tried.map((share) => {
    const noLoad = share * m.noLoadAmps
    const fit = left(reads, noLoad)
    const prior = (Math.log(share) / believed) ** 2
    const score = -0.5 * prior - 0.5 * (scatterWorth + reads.length) * Math.log1p(fit / (scatterWorth * scatter ** 2))
    return { noLoad, score }
  })
  const best = Math.max(...scored.map((s) => s.score))
  let [sum, weight] = [0, 0]
  for (const { noLoad, score } of scored) {
    const w = Math.exp(score - best)
    sum += w * Math.log(noLoad)
    weight += w
  }
  return Math.exp(sum / weight)
}
