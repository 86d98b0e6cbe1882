import type { OrganizationFile } from '@motor-round/contract'
import type { PartIn } from '@motor-round/core/installed'
import type { Random } from '@motor-round/core/machine'
import type { DriveTrain } from './drive-train.ts'
import { seededId } from './ids.ts'
import { daysBefore } from './machine-life.ts'
import type { MachineSpec } from './places.ts'

type Part = OrganizationFile['parts'][number]
type Work = OrganizationFile['work'][number]

/** What happened to a machine's parts: days before now, oldest first. */
export interface Past {
  readonly parts: Part[]
  readonly work: Work[]
  readonly turnsAt: (daysAgo: number) => number
  /** A change of turns that was planned: when, from and to. */
  readonly planned: { readonly daysAgo: number; readonly from: number; readonly to: number } | null
}

interface Story {
  readonly turned?: readonly [daysAgo: number, by: number, note: string]
  readonly wheel?: number
  /** Nothing else is done that would hide it. */
  readonly alone?: true
}
const stories: Readonly<Record<string, Story>> = {
  'sheave-closed': { turned: [77, -1, 'closed one turn, the hall was stuffy'], alone: true },
  'wheel-backward': { wheel: 45, alone: true },
  'wheel-too-fast': { alone: true },
}
/** Stories that live in the amps: no other work may begin a new baseline under them. */
const inAmps = ['bearing-drags', 'filter-wall', 'belt-slips', 'damper-shut', 'wheel-dirty', 'twin-off', 'substitute']

/** Filters go by their schedule; everything else on this record went because it was worn. */
const outFor = (why: string): 'worn' | 'schedule' => (why === 'loaded' ? 'schedule' : 'worn')

/** The past of a machine's drive train: what was installed when, what was turned, greased and cleaned. */
export function pastOf(
  machineId: string,
  spec: MachineSpec,
  drive: DriveTrain | null,
  story: string | undefined,
  now: Date,
  random: Random,
): Past {
  const parts: Part[] = []
  const work: Work[] = []
  const at = (days: number) => daysBefore(now, days)
  const told = stories[story ?? ''] ?? {}
  const quiet = told.alone === true || inAmps.includes(story ?? '')
  const put = (days: number, kind: Work['kind'], note: string, turns?: Work['turns']) =>
    work.push({
      id: seededId(random, at(days).getTime()),
      machineId,
      doneAt: at(days).toISOString(),
      kind,
      note,
      by: 'Mosi Okonjo',
      ...(turns ? { turns } : {}),
    })
  const fit = (part: PartIn, days: number, out: number | null, why = '', outWhy = '') =>
    parts.push({
      id: seededId(random, at(days).getTime()),
      machineId,
      part,
      installedAt: at(days).toISOString(),
      why,
      substitute: false,
      removedAt: out === null ? null : at(out).toISOString(),
      removedFor: out === null ? null : outFor(outWhy),
      removedWhy: outWhy,
      installedBy: 'Mosi Okonjo',
    })
  const built = 4 * 365 + Math.round(random.between(900, 2200))
  if (random.next() < 0.6) put(Math.round(random.between(300, 700)), 'greased', 'two strokes each end')
  if (!drive) return { parts, work, turnsAt: () => 0, planned: null }

  // Belts last two to four years; those before the record began have lives all the same.
  const lastBelts =
    !quiet && random.next() < 0.5 ? Math.round(random.between(900, 1200)) : Math.round(random.between(1480, 1600))
  const belts: number[] = []
  for (let d = built; d > lastBelts + 400; d -= Math.round(random.between(500, 1300))) belts.push(d)
  if (belts.length === 0) belts.push(built)
  belts.push(lastBelts)
  const bearings = random.next() < 0.25 ? Math.round(random.between(1500, built - 300)) : null
  const filters = !quiet && spec.kind === 'AHU' ? Math.round(random.between(40, 88)) : null
  for (const part of drive.first) {
    if (part.slot === 'belts')
      belts.forEach((d, i) =>
        fit(part, d, belts[i + 1] ?? null, i === 0 ? '' : 'matched set', i === belts.length - 1 ? '' : 'worn'),
      )
    else if (part.slot === 'bearing-de' && bearings !== null) {
      fit(part, built, bearings, '', 'growled')
      fit(part, bearings, null, 'both ends together')
    } else if (part.slot === 'filters' && filters !== null) {
      fit(part, filters + 91, filters, '', 'loaded')
      fit(part, filters, null)
    } else if (part.slot === 'filters') fit(part, 30 + (built % 58), null)
    else if (part.slot === 'wheel' && told.wheel !== undefined) {
      fit(part, built, told.wheel, '', 'blades worn through')
      fit(part, told.wheel, null, 'new wheel from stock')
    } else fit(part, built, null)
  }

  const first = drive.turns ?? 0
  const byPrediction =
    !quiet && !spec.twin && story === undefined && drive.sheave.type === 'adjustable' && random.next() < 0.45
  const turned =
    told.turned ??
    (byPrediction
      ? ([Math.round(random.between(420, 860)), random.next() < 0.5 ? 0.5 : -0.5, 'set by speed change'] as const)
      : null)
  if (turned && drive.turns !== null) {
    const [days, by, note] = turned
    put(days, 'sheave-turned', note, { before: first, after: first + by })
    put(days - 0.02, 'belts-tensioned', 'by force, after the turn')
    return {
      parts,
      work,
      turnsAt: (daysAgo) => (daysAgo > days ? first : first + by),
      planned: byPrediction ? { daysAgo: days, from: first, to: first + by } : null,
    }
  }
  return { parts, work, turnsAt: () => first, planned: null }
}
