import { controls } from '@motor-round/contract'
import { unknownControls } from '@motor-round/core/judge'
import { describe, expect, it } from 'vitest'
import { blankControls, controlsDraftOf, controlsOf } from './controls-draft.ts'

const full = controls.parse({
  starter: 'contactor',
  poles: 2,
  overload: 'internal',
  protection: 'time-delay fuse',
  protectionAmps: 17.5,
  controlVolts: 24,
  transformer: { ratedIn: 480, ratedOut: 208 },
  gasSection: true,
  burner: { oxygenLow: 4, oxygenHigh: 6.5, stackLow: 300, stackHigh: 380 },
  phaseMonitor: true,
  capacitor: { run: 7.5, second: 5, volts: 440, tolerance: 0.06 },
})

describe('controls as they are typed', () => {
  it('come back as they were', () => {
    for (const c of [full, unknownControls])
      for (const scale of ['F', 'C'] as const) expect(controlsOf(controlsDraftOf(c, scale), scale)).toEqual(c)
    expect(controlsOf(blankControls, 'F')).toEqual(unknownControls)
  })
  it('show a tolerance in per cent', () => expect(controlsDraftOf(full, 'F').capacitorTolerance).toBe('6'))
  it('show the stack in the degrees of the site', () => {
    // 300 °F is 148.89 °C.
    const metric = controlsDraftOf(full, 'C')
    expect([metric.burnerStackLow, metric.burnerStackHigh]).toEqual(['148.89', '193.33'])
    expect(controlsOf({ ...metric, burnerStackHigh: '200' }, 'C').burner?.stackHigh).toBe(392)
    expect(controlsOf({ ...metric, burnerStackHigh: 'hot' }, 'C').burner?.stackHigh).toBe(-1)
  })
  it.each([
    [{ protectionAmps: 'twenty' }, 'protectionAmps'],
    [{ controlVolts: '24 or so' }, 'controlVolts'],
    [{ transformerIn: '480' }, 'transformer.ratedOut'],
    [{ gasSection: true, burnerOxygenLow: 'four', burnerOxygenHigh: '9' }, 'burner.oxygenLow'],
    [{ gasSection: true, burnerOxygenLow: '9', burnerOxygenHigh: '6' }, 'burner.oxygenHigh'],
    [{ gasSection: true, burnerStackHigh: '400' }, 'burner.stackLow'],
    [{ capacitorRun: 'seven' }, 'capacitor.run'],
    [{ capacitorRun: '7.5', capacitorTolerance: '60' }, 'capacitor.tolerance'],
  ])('%j is refused at its field, never dropped', (typed, path) => {
    const parsed = controls.safeParse(controlsOf({ ...blankControls, ...typed }, 'F'))
    expect(parsed.error?.issues.map((i) => i.path.join('.'))).toEqual([path])
  })
})
