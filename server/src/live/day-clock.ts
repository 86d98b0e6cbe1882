import type { DayOf } from '@motor-round/core/live'
import { LRUCache } from 'lru-cache'
import { dayAfter, instantIn, offsetAt } from '../dates.ts'

const minuteMs = 60_000

/** A day by the clock of a zone: its first instant, ms, and what the clock shows at each of its minutes. */
export interface DayClock {
  readonly day: string
  readonly at: number
  readonly clock: DayOf['clock']
}

const known = new LRUCache<string, DayClock>({ max: 200 })

/** @param day ISO */
export function dayClock(day: string, zone: string): DayClock {
  const key = `${day} ${zone}`
  const before = known.get(key)
  if (before) return before
  const at = instantIn(`${day} 00:00:00.000`, zone).getTime()
  const end = instantIn(`${dayAfter(day)} 00:00:00.000`, zone).getTime()
  const clock: { weekday: number; minute: number }[] = []
  let offset = 0
  for (let t = at; t < end; t += minuteMs) {
    // Clocks are set at whole quarters of an hour.
    if (clock.length % 15 === 0) offset = offsetAt(t, zone)
    const local = new Date(t + offset * minuteMs)
    clock.push({ weekday: local.getUTCDay() || 7, minute: local.getUTCHours() * 60 + local.getUTCMinutes() })
  }
  const made = { day, at, clock }
  known.set(key, made)
  return made
}
