import type { LiveDay } from './day.ts'

/** A day of live data of a fan that ran half of it, one start, nothing wrong. @param at its first instant, ms */
export const dayAt = (at: number, over: Partial<LiveDay> = {}): LiveDay => ({
  day: new Date(at).toISOString().slice(0, 10),
  at,
  minutes: 1440,
  known: 1440,
  ran: 720,
  starts: 1,
  mostStarts: 1,
  callOn: 0,
  callOff: 0,
  offHours: 0,
  slowHours: 0,
  uncalled: 0,
  ranOff: 0,
  unanswered: 0,
  tooFast: 0,
  mostAmps: null,
  bins: [],
  ...over,
})
