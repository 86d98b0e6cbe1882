import type { VfdReading } from '@motor-round/core/vfd'
import { eq } from 'drizzle-orm'
import { vfdLinks } from '../db/vfd-schema.ts'
import type { Deps } from '../deps.ts'
import { HttpProblem } from '../http/problem.ts'
import { readLive } from '../vfd/drive.ts'
import { profileOf } from '../vfd/profiles.ts'
import { keepMinutes, type SeriesMinutes } from './keep.ts'

const minuteMs = 60_000
/** What a day has come to so far is worked out so often. */
const sumEvery = 60 * minuteMs
/** So many drives are waited for side by side. */
const atOnce = 16

/** What a drive said, as minutes of live data. */
function minutesOf(machineId: string, minute: number, { values, status }: VfdReading): SeriesMinutes[] {
  const one = (quantity: SeriesMinutes['quantity'], value: number | null | undefined): SeriesMinutes[] =>
    value == null ? [] : [{ machineId, quantity, minutes: [minute], values: [value] }]
  const running = status.running === null ? null : Number(status.running)
  return [...one('hz', values.hz), ...one('amps', values.amps), ...one('running', running)]
}

/**
 * Read every drive that is to be read each minute, and keep what it says as the minute of now. A drive that does not answer has
 * no minute: nothing is guessed.
 * @returns how many answered
 */
export async function pollDrives(deps: Deps): Promise<number> {
  const { db, log } = deps
  const links = await db.select().from(vfdLinks).where(eq(vfdLinks.live, true))
  const now = deps.now()
  const minute = Math.floor(now.getTime() / minuteMs)
  const waiting = [...links]
  const found: SeriesMinutes[] = []
  let answered = 0
  const next = async (): Promise<void> => {
    for (let link = waiting.shift(); link; link = waiting.shift()) {
      const profile = await profileOf(db, link.profileId)
      if (!profile) continue
      try {
        found.push(
          ...minutesOf(
            link.machineId,
            minute,
            await readLive({ link: { ...link, at: link.at.toISOString() }, profile, log }),
          ),
        )
        answered++
      } catch (e) {
        // Off, or its network is down: the page says since when nothing came.
        if (!(e instanceof HttpProblem)) throw e
      }
    }
  }
  await Promise.all(Array.from({ length: Math.min(atOnce, links.length) }, next))
  if (found.length > 0) await db.transaction((tx) => keepMinutes(tx, found, new Date(now.getTime() + sumEvery)))
  return answered
}
