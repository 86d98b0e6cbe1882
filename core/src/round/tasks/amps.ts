import { dueAt, levelRead } from '../../judge/index.ts'
import { show } from '../../quantity/index.ts'
import { dayMs } from '../../trend/index.ts'
import { speedSettles } from '../pauses.ts'
import { askedFor, inDays, lastRead, limitOf, type DueFacts, type Reason, type TaskKind } from '../task.ts'

const unfinished = (f: DueFacts): Reason[] => {
  const newest = f.visits[0]
  if (!newest) return []
  const legs = newest.readings.filter((r) => r.quantity === 'amps').length
  const bare = newest.readings.length > 0 && legs > 0 && legs < f.machine.phases
  return bare
    ? [{ at: newest.at, because: `the last visit was not finished: ${legs} of ${f.machine.phases} legs were read` }]
    : []
}

function drifting(f: DueFacts, next: number): Reason[] {
  const drift = f.judgement?.drift
  if (!drift || drift.kind === 'too few' || drift.kind === 'none') return []
  if (drift.kind === 'rising' && drift.meets && drift.meets.earliest < next)
    return [
      {
        at: Math.max(f.now, drift.meets.earliest - 14 * dayMs),
        because: `its amps may reach the nameplate by ${show.month(drift.meets.earliest)}, before the next visit`,
      },
    ]
  return []
}

/** The worst of what visits found, in its own words. */
const pressing = (f: DueFacts): string =>
  f.judgement?.conditions.find((k) => !k.retest && k.verdict.check !== 'finding')?.verdict.because ??
  f.judgement?.headline ??
  ''

/** Volts and amps on all legs: the visit itself. */
export const ampsTask: TaskKind = {
  id: 'amps',
  title: 'Amps and volts',
  scope: 'running',
  minutes: 8,
  people: 1,
  visitsUnit: false,
  locksOut: false,
  // A machine that is not to be run is not read running: what answers the level Stop comes first.
  for: (f) => f.judgement?.level !== 'stop',
  settle: speedSettles,
  wanted(f) {
    const lastAt = lastRead(f, 'amps')?.at ?? null
    const level = f.judgement ? levelRead(f.judgement) : 'ok'
    const next = lastAt === null ? f.now : dueAt(level, lastAt, f.policies)
    const usual = limitOf(f, 'visit-interval')
    const days = lastAt === null ? usual : (next - lastAt) / dayMs
    return {
      lastAt,
      days,
      because: level === 'ok' ? `every ${usual} days` : `${level}: ${pressing(f)}`,
      pulls: [
        ...unfinished(f),
        ...askedFor(f, 'amps', 'turning', 'dial', 'speed', 'input'),
        ...drifting(f, next),
        ...f.waiting.map((w) => ({
          at: inDays(w.at, 30),
          because: `${w.what} has been waiting since ${show.day(w.at, f.now, f.machine.zone)}`,
        })),
        ...f.findings.map((x) => ({
          at: x.reviewAt ?? inDays(x.at, 30),
          because:
            x.reviewAt === null
              ? `“${x.what}” has been open since ${show.day(x.at, f.now, f.machine.zone)}`
              : `“${x.what}” is to be looked at on ${show.day(x.reviewAt, f.now)}`,
        })),
        ...(f.substitute
          ? [
              {
                at: inDays(f.substitute.at, 30),
                because: `${f.substitute.what} has been a substitute since ${show.day(f.substitute.at, f.now, f.machine.zone)}`,
              },
            ]
          : []),
      ],
      push: null,
    }
  },
}
