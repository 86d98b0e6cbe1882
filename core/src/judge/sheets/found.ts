import { practice } from '../../limits/index.ts'
import { verdict, type Check } from '../check.ts'
import { always, choice, line, type SheetCheck } from './sheet.ts'

/** A motor that hums, or a fan that runs though it should not. */
const running: Check = {
  id: 'as-found',
  title: 'As found',
  applies: (c) => c.answer('look.running') !== undefined,
  judge(c) {
    const basis = [practice('look before you touch')]
    switch (c.answer('look.running')) {
      case 'hums':
        return verdict(this, {
          level: 'stop',
          basis,
          because: 'It hums and does not turn: a lost leg, an open winding or a stuck shaft. It burns while it hums.',
          next: 'Switch it off at the source now. Then the three volts, and the winding dead.',
        })
      case 'runs though off':
        return verdict(this, {
          level: 'stop',
          basis,
          because:
            'It turns though it should be off: it is fed from somewhere, or runs on one leg and the ground wire.',
          next: 'Touch nothing on the cabinet. Clamp the lines and the grounding conductor, then isolate at the source.',
        })
      case 'still':
        return verdict(this, {
          level: c.answer('look.call') === 'no' ? 'ok' : 'watch',
          basis,
          because:
            c.answer('look.call') === 'no'
              ? 'It stands still and is not called for: that is right.'
              : 'It stands still. A clock, a delay or a purge may hold it.',
          next:
            c.answer('look.call') === 'no'
              ? 'Nothing to do.'
              : 'Is there a call? Then disconnect, breaker, fuses, main volts, transformer, control volts: outside in.',
        })
      default:
        return verdict(this, { level: 'ok', basis, because: 'Found running.', next: 'Nothing to do.' })
    }
  },
}

/** A tripped breaker is evidence. */
const breaker: Check = {
  id: 'breaker-found',
  title: 'Breaker and fuses as found',
  applies: (c) => c.answer('look.breaker') !== undefined && c.answer('look.breaker') !== 'closed',
  judge(c) {
    const found = c.answer('look.breaker') ?? ''
    const tested = c.has('winding_ohms') && c.has('ground_ohms', 'megohms')
    const how = found === 'found open' ? 'open and nobody’s lock on it' : found
    return verdict(this, {
      level: tested ? 'watch' : 'fix',
      basis: [practice('a trip is evidence, not the fault')],
      because: tested
        ? `Found ${how}; winding and insulation were tested since.`
        : `Found ${how}. It opened for a reason, and nothing on it has been tested yet.`,
      next: tested
        ? 'If the tests are good: controls inhibited, stand aside, one attempt.'
        : 'Do not close it. Ask who opened it and look for locks; then ohms and insulation of every load on it.',
    })
  },
}

/** Burnt smell, or a smell of a slipping belt. */
const smell: Check = {
  id: 'smell',
  title: 'Smell',
  applies: (c) => c.answer('look.smell') !== undefined && c.answer('look.smell') !== 'none',
  judge(c) {
    const burnt = c.answer('look.smell') === 'burnt winding'
    return verdict(this, {
      level: burnt ? 'fix' : 'watch',
      basis: [practice('smell and soot suggest; a test tells')],
      because: burnt ? 'It smells of burnt winding.' : 'It smells of hot belt.',
      next: burnt
        ? 'Winding ohms and insulation before it runs again.'
        : 'Tension and alignment; then read the amps again.',
    })
  },
}

export const found: SheetCheck = {
  id: 'found',
  phase: 'look',
  title: 'As found',
  how: 'Look, listen and smell before anything is touched.',
  caution: 'A spinning fan is proof of power, a still one proof of nothing.',
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
