import { describe, expect, it } from 'vitest'
import { dayMs, type Visit } from '../trend/index.ts'
import { inputOf, start, visitAt } from './judged.test-help.ts'
import { judgeMachine, unknownControls, type BurnTested, type MachineSnapshot } from './index.ts'

const good = visitAt(0, [9.4, 9.5, 9.6])
const gas = { ...inputOf(good).machine, controls: { ...unknownControls, gasSection: true } }
const stands = (burns: readonly BurnTested[], more: readonly Visit[] = [], over: Partial<MachineSnapshot> = {}) => {
  const { visit: _v, history: _h, ...rest } = inputOf(good)
  return judgeMachine({ ...rest, machine: gas, visits: [good, ...more], burns, ...over })
}
const on = (day: number) => start + day * dayMs
type Part = BurnTested['parts'][number]
const part = (about: Part['about'], level: Part['level'] = 'ok'): Part => ({
  about,
  level,
  words: `${about} ${level}.`,
})
const burn = (day: number, ...parts: Part[]): BurnTested => ({ id: `b${day}`, at: on(day), by: 'Vale', parts })
const clean = [part('leak'), part('co'), part('oxygen'), part('stack'), part('rise')]
const flue = (day: number, oxygen: number, co: number, stack?: number): Visit => {
  const own = visitAt(day, [9.4, 9.5, 9.6])
  return {
    ...own,
    readings: [
      ...own.readings,
      { quantity: 'flue_oxygen', position: 'flue', value: oxygen },
      { quantity: 'flue_co', position: 'flue', value: co },
      ...(stack === undefined ? [] : [{ quantity: 'temperature' as const, position: 'stack', value: stack }]),
    ],
  }
}
const open = (j: ReturnType<typeof stands>) => j?.conditions.map((k) => `${k.key} ${k.level}`)

describe('a combustion test that a job made', () => {
  it('stands as it was found, each thing by itself, until a test that is good in that', () => {
    const bad = burn(1, part('leak'), part('co', 'stop'), part('oxygen'), part('stack', 'stop'), part('rise', 'fix'))
    expect(open(stands([bad]))).toEqual(['combustion@co stop', 'combustion@stack stop', 'combustion@rise fix'])
    expect(stands([bad])).toMatchObject({ level: 'stop', headline: 'co stop.' })
    // The stack was not read again, nor the rise.
    const half = burn(2, part('leak'), part('co'), part('oxygen'))
    expect(open(stands([half, bad]))).toEqual(['combustion@stack stop', 'combustion@rise fix'])
    expect(open(stands([bad, half, burn(3, ...clean)]))).toEqual([])
  })
  it('is answered by the figures of a visit in what these read', () => {
    const bad = burn(1, part('co', 'stop'), part('oxygen', 'stop'), part('rise', 'fix'))
    expect(open(stands([bad], [flue(2, 7, 20, 200)]))).toEqual(['combustion@rise fix'])
    expect(open(stands([bad], [flue(2, 9.8, 20)]))?.[0]).toBe('combustion@oxygen stop')
    // Plain amps say nothing of it.
    expect(stands([bad], [visitAt(2, [9.4, 9.5, 9.6])])?.level).toBe('stop')
  })
  it('answers what a visit left untested or found, and a leak is no test', () => {
    const untested: Visit = { ...visitAt(1, [9.4, 9.5, 9.6]), answers: { 'gas.tested': 'no' } }
    expect(open(stands([], [untested]))).toEqual(['gas-section@gas.tested fix'])
    expect(open(stands([burn(2, ...clean)], [untested]))).toEqual([])
    expect(open(stands([burn(2, part('leak', 'stop'))], [untested]))).toContain('gas-section@gas.tested fix')
    expect(open(stands([burn(2, ...clean)], [flue(1, 9.8, 20)]))).toEqual([])
    // Neither a word nor a safety that was put back is a test.
    const said: Visit = { ...visitAt(3, [9.4, 9.5, 9.6]), answers: { 'gas.tested': 'yes' } }
    const work = [{ at: on(2), kind: 'safety-restored' as const, note: '' }]
    expect(open(stands([], [untested, said], { work }))).toContain('gas-section@gas.tested fix')
  })
  it('alone makes no machine OK', () => {
    const nothing: Visit = { ...visitAt(0, []), readings: [] }
    expect(stands([burn(1, ...clean)], [], { visits: [nothing] })?.level).toBe('not judged')
  })
})
