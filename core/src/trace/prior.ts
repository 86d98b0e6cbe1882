import { complaints } from './knowledge/complaints.ts'
import type { Cause, Raiser } from './knowledge/cause.ts'
import { causes } from './knowledge/causes/register.ts'
import type { Feature } from './features.ts'
import { unlisted } from './model.ts'

/** Circumstances of a machine that make some causes likelier. */
export interface Circumstances {
  /** Something of the last thirty days counts more than what is so anyway. */
  readonly raisers: readonly { readonly raiser: Raiser; readonly recent: boolean }[]
  /** Causes that other machines of its kind had. */
  readonly peers: readonly string[]
}

/** What is likely before anything is tested, of one cause or of one that another brought about. */
export interface Hypothesis {
  /** The cause, and what brought it about; one alone, or `unlisted`. */
  readonly causes: readonly string[]
  readonly prior: number
}

const unlistedPer = 20
/** Work or weather of late makes its causes four times as likely, what is so anyway twice; so does a like machine that had it. */
const recently = 4
const anyway = 2
/** Share of failures of a part that something else brought about, where that is known to happen. @source common practice */
const brought = 0.35

const fits = (cause: Cause, has: ReadonlySet<Feature>) =>
  cause.fits.every((f) => has.has(f)) && !cause.notOn.some((f) => has.has(f))

function raised(cause: Cause, { raisers, peers }: Circumstances): number {
  const own = raisers.filter((r) => cause.raisedBy.includes(r.raiser))
  const by = own.some((r) => r.recent) ? recently : own.length > 0 ? anyway : 1
  return by * (peers.includes(cause.id) ? anyway : 1)
}

/** What a cause comes to before it is known what was reported: how common it is, and what raises it. */
function shareOf(complaint: string | null, all: readonly Cause[], c: Circumstances): ReadonlyMap<string, number> {
  const named = complaints.find((k) => k.id === complaint)?.shares ?? {}
  const rest = 1 - Object.values(named).reduce((a, b) => a + b, 0)
  const others = all.filter((x) => named[x.id] === undefined)
  const total = others.reduce((sum, x) => sum + x.per, unlistedPer)
  const common = (per: number) => (rest * per) / total
  return new Map([
    ...all.map((x) => [x.id, raised(x, c) * (named[x.id] ?? common(x.per))] as const),
    [unlisted, common(unlistedPer)],
  ])
}

/**
 * Everything that can be behind a complaint at a machine: each cause alone, and each with what usually brings it about.
 * @param complaint an id of `complaints`; null: nothing was reported
 * @returns priors that come to one
 */
export function hypothesesOf(
  complaint: string | null,
  has: ReadonlySet<Feature>,
  circumstances: Circumstances = { raisers: [], peers: [] },
): readonly Hypothesis[] {
  const all = causes.filter((c) => fits(c, has))
  const share = shareOf(complaint, all, circumstances)
  const known = new Map(all.map((c) => [c.id, c]))
  const killersOf = (victim: Cause) =>
    all.filter((k) => k.id !== victim.id && (victim.killedBy.includes(k.id) || k.kills.includes(victim.id)))
  const out: { causes: readonly string[]; prior: number }[] = []
  for (const [id, weight] of share) {
    const cause = known.get(id)
    const killers = cause ? killersOf(cause) : []
    const sum = killers.reduce((a, k) => a + k.per * raised(k, circumstances), 0)
    out.push({ causes: [id], prior: weight * (sum > 0 ? 1 - brought : 1) })
    for (const k of killers)
      out.push({ causes: [id, k.id], prior: (weight * brought * k.per * raised(k, circumstances)) / sum })
  }
  const total = out.reduce((a, h) => a + h.prior, 0)
  return out.map((h) => ({ ...h, prior: h.prior / total }))
}
