import { askedFor, inDays, limitOf, lastRead, latest, verdictOf, type TaskKind } from '../task.ts'

/** The run capacitor, bled and measured. */
export const capacitorTask: TaskKind = {
  id: 'capacitor',
  title: 'Capacitor',
  scope: 'dead',
  minutes: 10,
  people: 1,
  visitsUnit: true,
  locksOut: true,
  for: (f) =>
    f.machine.phases === 1 &&
    (f.machine.controls.capacitor !== null || (f.judgement?.retests ?? []).some((r) => r.id === 'capacitor')),
  wanted(f) {
    const days = limitOf(f, 'interval-terminals')
    const last = lastRead(f, 'capacitance', 'capacitor_volts')
    const worry = verdictOf(f, 'capacitor')
    return {
      lastAt: latest(last?.at),
      days,
      because: `every ${days} days`,
      pulls: [
        ...askedFor(f, 'capacitor'),
        ...(worry && worry.level !== 'ok' ? [{ at: inDays(last?.at ?? f.now, 14), because: worry.because }] : []),
      ],
      push: null,
    }
  },
}
