import { atDistance, hoursAllowed, withoutBackground } from '../../../motion/index.ts'
import { history, practice, standard } from '../../../limits/index.ts'
import { amount, show } from '../../../quantity/index.ts'
import type { Reading } from '../../../quantity/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import { always, cells, type CheckDefinition } from '../check-definition.ts'

/** Where nobody noted how far away. */
const usualFeet = 3
/** dBA, slow. */
const neverUnprotected = 115

/** The fan's own level at three feet, the background subtracted where it was read; null where it is not known. */
function own(readings: readonly Reading[]): { level: number; exact: boolean } | null {
  const at = (q: string, p: string) => readings.find((r) => r.quantity === q && r.position === p)?.value
  const fan = at('sound', 'fan')
  if (fan === undefined) return null
  const background = at('sound', 'background')
  const level = background === undefined ? fan : withoutBackground(fan, background)
  if (level === null) return null
  const feet = at('sound_distance', 'fan')
  return { level: atDistance(level, Math.max(0.5, feet ?? usualFeet), usualFeet), exact: feet !== undefined }
}

const louder: Rule = {
  id: 'sound',
  title: 'Sound',
  subject: 'bearings',
  from: 'visit',
  running: true,
  applies: (c) => c.value('sound', 'fan') !== undefined,
  judge(c) {
    const read = c.value('sound', 'fan') ?? 0
    const now = own(c.visit.readings)
    const grown = c.limit('sound-grown')
    const ears =
      read >= 85
        ? ` Wear ear protection: ${hoursAllowed(read, 'NIOSH') >= 1 ? `${hoursAllowed(read, 'NIOSH').toFixed(1)} h` : `${(hoursAllowed(read, 'NIOSH') * 60).toFixed(0)} min`} a day is the limit without ear protection.`
        : ''
    const exposure = read >= 85 ? [standard('NIOSH recommended exposure limit, 85 dBA for 8 h')] : []
    if (read >= neverUnprotected)
      return verdict(this, {
        level: 'watch',
        value: read,
        limit: neverUnprotected,
        basis: [standard('OSHA 1910.95: no exposure above 115 dBA'), ...exposure],
        because: `${read.toFixed(0)} dBA: no one may stay here without ear protection.`,
        next: 'Wear ear protection. Re-read, then say what kind of sound it is.',
      })
    const least = c.limit('sound-least')
    const background = c.value('sound', 'background')
    const misread =
      read < least.value
        ? `${read.toFixed(0)} dBA: quieter than any fan that runs.`
        : background !== undefined && background > read + 1
          ? `${background.toFixed(0)} dBA in the background and ${read.toFixed(0)} dBA with the fan: one of them is misread.`
          : null
    if (misread !== null)
      return verdict(this, {
        level: 'watch',
        value: read,
        limit: least.value,
        basis: [least.basis],
        because: misread,
        next: 'Is the fan running, and the meter on dB(A) and the right range? Read it again.',
        confidence: 'low',
        settles: false,
      })
    if (!now)
      return verdict(this, {
        level: 'ok',
        value: read,
        basis: [practice('less than 3 dB over the background cannot be separated'), ...exposure],
        because: `${read.toFixed(0)} dBA, barely above the background: the fan alone cannot be separated.${ears}`,
        next: 'Measure closer, or with neighboring machines off.',
        confidence: 'low',
      })
    const last = c.earlier.map((s) => ({ at: s.at, level: own(s.readings)?.level })).find((s) => s.level !== undefined)
    const more = last?.level === undefined ? 0 : now.level - last.level
    const at3 = `${now.level.toFixed(0)} dBA from the fan at ${amount(usualFeet, 'ft', c.machine.units)}`
    if (last && more > grown.value)
      return verdict(this, {
        level: 'watch',
        value: now.level,
        limit: (last.level ?? 0) + grown.value,
        basis: [grown.basis, history(`the visit of ${show.day(last.at, c.visit.at, c.machine.zone)}`), ...exposure],
        because: `${at3}, ${more.toFixed(0)} dB more than on ${show.day(last.at, c.visit.at, c.machine.zone)}.${ears}`,
        next: 'Say what kind of sound it is: a squeal is the belt, a growl a bearing, a scrape a rub.',
        confidence: now.exact ? 'full' : 'low',
      })
    return verdict(this, {
      level: 'ok',
      value: now.level,
      basis: [practice('same place, same distance, background subtracted'), ...exposure],
      because: `${last ? `${at3}, ${show.signed(more, 0)} dB since ${show.day(last.at, c.visit.at, c.machine.zone)}` : at3}.${ears}`,
      next: 'Nothing to do.',
      confidence: now.exact ? 'full' : 'low',
    })
  },
}

/** Level at a noted distance, with the background. */
export const soundCheck: CheckDefinition = {
  id: 'sound',
  phase: 'live',
  part: 'drive',
  title: 'Sound',
  how: 'dB(A), slow, same place and distance each time; the background with the fan off or from the far side.',
  caution: 'At 85 dBA and above put on ear protection before you read the meter.',
  for: always,
  groups: () => [
    {
      title: 'Level',
      asks: cells('sound', ['fan', 'background'], ['Fan', 'Background']),
    },
    { title: 'From how far', asks: cells('sound_distance', ['fan'], ['Distance']), also: true },
  ],
  judges: [louder],
}
