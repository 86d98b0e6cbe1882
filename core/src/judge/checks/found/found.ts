import { practice } from '../../../limits/index.ts'
import { verdict, type Rule } from '../../rule.ts'
import type { Context } from '../../context.ts'
import { partsOf } from '../../conditions/condition.ts'
import { answersIt, workAnswers } from '../../conditions/work-answers.ts'
import { loadTested } from '../../gates.ts'
import type { Verdict } from '../../verdict.ts'
import { always, choice, line, type CheckDefinition } from '../check-definition.ts'

const basisOf = () => [practice('look before you touch')]

/** Whether it turns, and whether it turns though it should not: two things, each answered by itself. */
const turns = ['turns']
const off = ['off']

const running: Rule = {
  id: 'as-found',
  title: 'As found',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.answer('look.running') !== undefined,
  judge(c) {
    const basis = basisOf()
    const call = c.answer('look.call')
    switch (c.answer('look.running')) {
      case 'hums':
        return verdict(this, {
          level: 'stop',
          positions: turns,
          basis,
          because: 'Hums and does not turn: the winding overheats while it hums.',
          next: 'Shut it off at the source now. Read the volts; then lock out and test the winding.',
        })
      case 'runs though off':
        return verdict(this, {
          level: 'stop',
          positions: off,
          subject: 'controls',
          basis,
          because:
            'Turns though it should be off: a welded contactor, a second feed, or one leg returning through the ground wire.',
          next: 'Do not touch the cabinet. Clamp the lines and the grounding conductor, then isolate at the source.',
        })
      case 'still':
        if (call === 'no')
          return verdict(this, {
            level: 'ok',
            positions: off,
            basis,
            because: 'Not running and no call: normal.',
            next: 'Nothing to do.',
          })
        return verdict(this, {
          level: call === 'yes' ? 'fix' : 'watch',
          positions: turns,
          basis,
          because:
            call === 'yes'
              ? 'Called for and not running.'
              : 'Not running, call unknown. A clock, delay or purge may hold it off.',
          next: 'Check for a call first. Then read volts from the outside in until they stop: disconnect, breaker, fuses, control transformer.',
        })
      default:
        return verdict(this, {
          level: 'ok',
          positions: turns,
          basis,
          because: 'Found running.',
          next: 'Nothing to do.',
        })
    }
  },
}

const opened: Readonly<Record<string, string>> = {
  tripped: 'tripped',
  'fuse blown': 'with a blown fuse',
  'found open': 'open, without a lock',
}

/**
 * What was found before and never answered for: the newest earlier visit whose answer to a question is one of these words, unless
 * the winding was tested since, work answered it, or a person closed it.
 */
function foundBefore(
  c: Context,
  check: Pick<Verdict, 'check' | 'subject'>,
  question: string,
  words: readonly string[],
): string | null {
  const last = c.earlier.find((s) => words.includes(s.answers?.[question] ?? ''))
  if (!last) return null
  const since = (at: number) => at >= last.at && at <= c.visit.at
  if (c.work.some((w) => since(w.at) && answersIt(workAnswers[w.kind], check, ''))) return null
  if ((c.closings ?? []).some((k) => since(k.at) && partsOf(k.key).check === check.check && k.kind === 'closed'))
    return null
  const tests = (code: string) =>
    [c.visit, ...c.earlier].some((s) => s.at >= last.at && s.readings.some((r) => r.quantity === code))
  return tests('winding_ohms') && (tests('ground_ohms') || tests('megohms')) ? null : (last.answers?.[question] ?? null)
}

/** A tripped breaker is evidence. */
const breaker: Rule = {
  id: 'breaker-found',
  title: 'Breaker and fuses as found',
  subject: 'protection',
  from: 'visit',
  applies: (c) => c.answer('look.breaker') !== undefined,
  judge(c) {
    const basis = [practice('a trip is a symptom, not the fault')]
    const found = c.answer('look.breaker') ?? ''
    if (found === 'closed') {
      const before = foundBefore(c, { check: this.id, subject: this.subject }, 'look.breaker', Object.keys(opened))
      return verdict(this, {
        level: before === null ? 'ok' : 'watch',
        basis,
        because:
          before === null
            ? 'Breaker and fuses found closed.'
            : `Found closed. It was found ${opened[before] ?? before} before, and its winding and insulation were not tested since.`,
        next: before === null ? 'Nothing to do.' : 'Read the winding and the insulation of every load on it.',
      })
    }
    const tested = loadTested(c)
    const how = opened[found] ?? found
    return verdict(this, {
      level: tested ? 'watch' : 'fix',
      basis,
      because: tested
        ? `Found ${how}; every winding pair and every lead to ground was tested.`
        : `Found ${how}. It opened for a reason, and nothing has been tested yet.`,
      next: tested
        ? 'If the tests are good: inhibit the controls, stand aside, close it once.'
        : 'Do not close it. Ask who opened it and look for locks; then test ohms and insulation of every load on it.',
    })
  },
}

/** Burnt smell, or a smell of a slipping belt. */
const smell: Rule = {
  id: 'smell',
  title: 'Smell',
  subject: 'motor',
  from: 'visit',
  applies: (c) => c.answer('look.smell') !== undefined,
  judge(c) {
    const basis = [practice('a smell is a hint; a test decides')]
    switch (c.answer('look.smell')) {
      case 'burnt winding':
        return verdict(this, {
          level: 'fix',
          positions: ['winding'],
          basis,
          because: 'Smells of burnt winding.',
          next: 'Read winding resistance and insulation before it runs again.',
        })
      case 'hot belt':
        return verdict(this, {
          level: 'watch',
          positions: ['belt'],
          subject: 'belts',
          basis,
          because: 'Smells of hot belt.',
          next: 'Check tension and alignment; then read the amps again.',
        })
      default: {
        const burnt =
          foundBefore(c, { check: this.id, subject: this.subject }, 'look.smell', ['burnt winding']) !== null
        return [
          verdict(this, {
            level: burnt ? 'watch' : 'ok',
            positions: ['winding'],
            basis,
            because: burnt
              ? 'No smell now. It smelled of burnt winding before, and winding and insulation were not tested since.'
              : 'No smell.',
            next: burnt ? 'Read winding resistance and insulation.' : 'Nothing to do.',
          }),
          verdict(this, {
            level: 'ok',
            positions: ['belt'],
            basis,
            because: 'No smell of hot belt.',
            next: 'Nothing to do.',
          }),
        ]
      }
    }
  },
}

export const found: CheckDefinition = {
  id: 'found',
  phase: 'look',
  title: 'As found',
  how: 'Look, listen and smell before anything is touched.',
  caution: 'A turning fan proves power; a stopped fan proves nothing.',
  for: always,
  groups: () => [
    {
      title: 'Fan',
      asks: [
        choice('look.running', 'It', [
          ['runs', 'Runs'],
          ['still', 'Stands still'],
          ['hums', 'Hums, does not turn'],
          ['runs though off', 'Turns though off'],
        ]),
        choice('look.call', 'Called for', [
          ['yes', 'Yes'],
          ['no', 'No'],
          ['unknown', 'Cannot tell'],
        ]),
        choice('look.smell', 'Smell', [
          ['none', 'None'],
          ['burnt winding', 'Burnt winding'],
          ['hot belt', 'Hot belt'],
        ]),
      ],
    },
    {
      title: 'Breaker and fuses',
      asks: [
        choice('look.breaker', 'Found', [
          ['closed', 'Closed'],
          ['tripped', 'Tripped'],
          ['fuse blown', 'Fuse blown'],
          ['found open', 'Open, no lock'],
        ]),
      ],
    },
    { title: 'Anything else', asks: [line('look.note', 'Seen, heard')], also: true },
  ],
  judges: [running, breaker, smell],
}
