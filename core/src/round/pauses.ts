import { scaleOf } from '../judge/index.ts'
import { show } from '../quantity/index.ts'
import { beltsFresh, lastRead, limitOf, type DueFacts, type Pause } from './task.ts'

/** A drive keeps its bus charged after it is locked out. @source common practice: the label's minutes */
export const busEmpties = (f: DueFacts): Pause | null =>
  f.machine.hasVfd
    ? { minutes: limitOf(f, 'drive-wait'), because: 'the drive bus discharges; the drive label governs' }
    : null

/** A winding that was hot at the last visit is tested when it has cooled. @source common practice */
export function windingCools(f: DueFacts): Pause | null {
  const last = lastRead(f, 'temperature')
  const hot = Math.max(
    ...(last?.readings ?? []).flatMap((r) => (r.quantity === 'temperature' && r.position === 'motor' ? [r.value] : [])),
    -Infinity,
  )
  return last && hot >= limitOf(f, 'surface-hot')
    ? {
        minutes: limitOf(f, 'cool-down'),
        because: `its motor was at ${show.temperature(hot, scaleOf(f))} on ${show.day(last.at, f.now, f.machine.zone)}: let it cool`,
      }
    : null
}

/** The longer of some pauses. */
export const longestPause = (...pauses: readonly (Pause | null)[]): Pause | null =>
  pauses.reduce((a, b) => (b !== null && (a === null || b.minutes > a.minutes) ? b : a), null)

const settling = (f: DueFacts, because: string): Pause => ({ minutes: limitOf(f, 'settle-run'), because })

/** A new speed is proved when it has run in. */
export const speedSettles = (f: DueFacts): Pause | null =>
  f.waiting[0] ? settling(f, `${f.waiting[0].what} is waiting: readings follow after it has run in`) : null

/** Belts that are tensioned or renewed seat before the amps mean anything. */
export function beltsSettle(f: DueFacts): Pause | null {
  const worn = ['belts', 'belt-tension', 'alignment', 'belts-carry'].some((c) =>
    f.judgement?.verdicts.some((v) => v.check === c && v.level !== 'ok'),
  )
  return beltsFresh(f) || worn ? settling(f, 'aligned, tensioned or new belts must seat first') : speedSettles(f)
}
