import { unknownControls } from '@motor-round/core/judge'
import { describe, expect, it } from 'vitest'
import { controls, machineBody } from './register.ts'

const id = '0199a000-0000-7000-8000-000000000002'
const body = (over: object = {}) => ({
  id,
  unitId: id,
  tag: 'SF',
  phases: 3,
  serviceVolts: 480,
  drive: 'belt',
  hasVfd: false,
  hasTwin: false,
  unitPlate: null,
  ...over,
})
const paths = (over: object) => machineBody.safeParse(body(over)).error?.issues.map((i) => i.path.join('.')) ?? []

describe('controls', () => {
  it('are unknown where nothing is said, so that older rows can be read', () =>
    expect(controls.parse({})).toEqual(unknownControls))
  it('keep a capacitor, a transformer, a fuse, each with what it needs', () => {
    const c = controls.parse({ capacitor: { run: 7.5 }, transformer: { ratedIn: 480, ratedOut: 208 } })
    expect(c.capacitor).toEqual({ run: 7.5, second: null, volts: null, tolerance: null })
    expect(c.transformer).toEqual({ ratedIn: 480, ratedOut: 208 })
  })
  it.each([
    [{ poles: 4 }, 'controls.poles'],
    [{ overload: 'hope' }, 'controls.overload'],
    [{ protectionAmps: -1 }, 'controls.protectionAmps'],
    [{ controlVolts: 0 }, 'controls.controlVolts'],
    [{ transformer: { ratedIn: 480 } }, 'controls.transformer.ratedOut'],
    [{ capacitor: { run: 7.5, tolerance: 0.6 } }, 'controls.capacitor.tolerance'],
    [{ brand: 'x' }, 'controls'],
  ])('%j is refused at %s', (c, path) => expect(paths({ controls: c })).toEqual([path]))
  it('may be left out of a machine: an edit then leaves them as they are', () => {
    expect(paths({})).toEqual([])
    expect(machineBody.parse(body()).controls).toBeUndefined()
  })
})

describe('a machine', () => {
  it.each([
    [{ tag: '' }, 'tag'],
    [{ phases: 2 }, 'phases'],
    [{ serviceVolts: 0 }, 'serviceVolts'],
    [{ drive: 'chain' }, 'drive'],
    [{ unitPlate: { volts: 'x', amps: '3' } }, 'unitPlate.volts'],
  ])('with %j is refused at %s', (over, path) => expect(paths(over)).toEqual([path]))
})
