import { describe, expect, it } from 'vitest'
import { testOf } from '../index.ts'
import { columnsFor } from '../model.ts'
import { controlFaults } from './control.ts'
import { faults } from './faults.ts'
import { byModel } from './likelihoods.generated.ts'
import { likelihoodsByModel, modelled } from './table.ts'

const chance = (test: string, cause: string, outcome: string): number => {
  const i = testOf.get(test)?.outcomes.findIndex((o) => o.id === outcome) ?? -1
  return byModel[test]?.[cause]?.[i] ?? NaN
}

describe('likelihoods by the machine model', () => {
  it('are those that were written: a sample drawn anew says the same', () => {
    const sample = ['leg-lost', 'filter', 'turns', 'delay']
    for (const [test, causes] of Object.entries(likelihoodsByModel(sample)))
      for (const [cause, column] of Object.entries(causes))
        expect(column, `${test} ${cause}`).toEqual(byModel[test]?.[cause])
  })
  it('carry every cause of the model, and come to one', () => {
    for (const cause of Object.keys(faults)) expect(byModel['amps']?.[cause], cause).toBeDefined()
    for (const cause of Object.keys(controlFaults)) expect(byModel['half-split']?.[cause], cause).toBeDefined()
    for (const cause of modelled) expect(byModel['megs']?.[cause] !== undefined, cause).toBe(cause !== 'lug')
    for (const [test, causes] of Object.entries(byModel))
      for (const column of Object.values(causes)) {
        expect(column.length).toBe(testOf.get(test)?.outcomes.length)
        expect(column.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 3)
      }
  })
  // What physics says of each, worked out without the model.
  it.each([
    // A motor on two lines: the third carries nothing.
    ['amps', 'leg-lost', 'leg0', 0.95],
    ['amps', 'wind-open', 'leg0', 0.95],
    // A protector opens where the windings meet: no pair is closed, and nothing is to ground.
    ['ohms3', 'prot-hot', 'all-open', 0.95],
    ['megs', 'prot-hot', 'good', 0.95],
    ['line-volts', 'leg-lost', 'lost', 0.95],
    ['line-volts', 'wind-open', 'ok', 0.95],
    // A motor turns a tenth of unbalanced volts into six times as much of unbalanced amps: NEMA MG 1, 14.36.
    ['amps', 'volt-unbal', 'uneven', 0.8],
    // Nothing on the shaft: no-load amps.
    ['load', 'belt-off', 'idle', 0.9],
    // Power goes with the cube of the speed.
    ['trend', 'fast', 'up', 0.85],
    ['trend', 'slow', 'down', 0.85],
    ['static', 'fast', 'faster', 0.85],
    ['static', 'filter', 'restriction', 0.8],
    ['pole-drop', 'lug', 'hot', 0.9],
    ['pole-drop', 'pole-open', 'open', 0.9],
    // A winding that is whole reads even, whatever is wrong ahead of it or beyond it.
    ['ohms3', 'leg-lost', 'even', 0.95],
    ['ohms3', 'cable-gnd', 'even', 0.95],
    ['ohms3', 'wind-open', 'lead-open', 0.95],
    // An open in the cable or at the plug shows from the far end only.
    ['ohms-far', 'splice', 'open', 0.95],
    ['ohms3', 'splice', 'even', 0.95],
    ['ohms-far', 'cable-gnd', 'ground', 0.6],
    ['gnd-ohms', 'cable-gnd', 'clear', 0.95],
    ['gnd-ohms', 'gnd-dead', 'ground', 0.95],
    ['megs', 'gnd-dead', 'dead', 0.95],
    ['megs', 'cable-gnd', 'good', 0.95],
    // A shaft that does not turn: locked-rotor amps, even on three good lines.
    ['load', 'mbrg-lock', 'locked', 0.95],
    ['amps', 'mbrg-lock', 'even', 0.95],
    // Alive up to the open place, dead behind it; what waits looks like a dead relay.
    ['half-split', 'safety', 'safety', 0.95],
    ['half-split', 'delay', 'relay', 0.95],
    ['half-split', 'coil', 'fed', 0.95],
    ['half-split', 'ctl-short', 'fuse', 0.95],
    // The transformer hangs on two of three lines.
    ['half-split', 'leg-lost', 'none', 0.5],
    ['ctl-volts', 'tx-ctl', 'out0', 0.95],
    ['ctl-volts', 'feed-off', 'in0', 0.95],
    ['ctl-volts', 'volt-low', 'scaled', 0.9],
  ])('%s of %s is %s', (test, cause, outcome, least) => expect(chance(test, cause, outcome)).toBeGreaterThan(least))
  it('a lost leg hides behind the motor in the volts at its terminals: it generates them', () =>
    expect(chance('load-volts', 'leg-lost', 'ok')).toBeGreaterThan(0.2))
  it('are used where they are there', () => {
    const test = testOf.get('amps')
    const i = test?.outcomes.findIndex((o) => o.id === 'leg0') ?? -1
    expect(test && columnsFor(test).get('leg-lost')?.[i]).toBeGreaterThan(0.9)
  })
})
