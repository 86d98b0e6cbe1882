import { askedFor, inDays, limitOf, lastRead, latest, steadyPush, verdictOf, type TaskKind } from '../task.ts'

/** Vibration on the bearings, running. */
export const vibrationTask: TaskKind = {
  id: 'vibration',
  title: 'Vibration',
  scope: 'live',
  minutes: 10,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  for: (f) => f.machine.drive === 'belt',
  wanted(f) {
    const days = limitOf(f, 'interval-vibration')
    const last = lastRead(f, 'vibration')
    const worry = verdictOf(f, 'vibration')
    const values = f.visits.flatMap((s) => {
      const own = s.readings.filter((r) => r.quantity === 'vibration').map((r) => r.value)
      return own.length === 0 ? [] : [Math.max(...own)]
    })
    return {
      lastAt: latest(last?.at),
      days,
      because: `every ${days} days`,
      pulls: [
        ...askedFor(f, 'vibration', 'temperature'),
        ...(worry && worry.level !== 'ok' && last
          ? [{ at: worry.level === 'watch' ? inDays(last.at, days / 4) : last.at, because: worry.because }]
          : []),
      ],
      push: steadyPush(f, values, 0.2, latest(last?.at), days, 'three readings in a row agree within a fifth'),
    }
  },
}
