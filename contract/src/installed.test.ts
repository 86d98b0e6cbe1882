import { describe, expect, it } from 'vitest'
import { driveLayout, partBody, partIn, speedChangeBody, workBody } from './index.ts'

const id = '0199aaaa-0000-7000-8000-000000000001'
const paths = (r: {
  success: boolean
  error?: { issues: readonly { path: PropertyKey[]; message: string }[] } | undefined
}) => (r.error?.issues ?? []).map((i) => `${i.path.join('.')}: ${i.message}`)

describe('a part on the wire', () => {
  it('takes its spec by its slot, fills what nobody entered with nothing known', () => {
    expect(partIn.parse({ slot: 'bearing-de', spec: {} }).spec).toEqual({
      mark: '',
      type: 'ball',
      bore: null,
      outside: null,
      width: null,
      capacity: null,
      lock: null,
      greasable: null,
    })
    expect(partIn.parse({ slot: 'belts', spec: { section: ' bx ', number: 62, count: 2 } }).spec).toMatchObject({
      section: 'BX',
    })
  })
  it('refuses a spec of another slot, and what is not asked of it', () => {
    expect(partIn.safeParse({ slot: 'belts', spec: { diameter: 40 } }).success).toBe(false)
    expect(partIn.safeParse({ slot: 'filters', spec: { count: 4, size: '20 × 20', color: 'blue' } }).success).toBe(
      false,
    )
    expect(partIn.safeParse({ slot: 'gearbox', spec: {} }).success).toBe(false)
  })
  it('names what an adjustable sheave cannot be', () => {
    const sheave = {
      type: 'adjustable',
      section: 'B',
      closed: 120,
      perTurn: 5,
      most: 6,
      least: 0.5,
      step: 0.5,
      grooves: 1,
      turns: 2,
    }
    const wrong = (over: object) =>
      JSON.stringify(partIn.safeParse({ slot: 'motor-sheave', spec: { ...sheave, ...over } }).error?.issues ?? [])
    expect(partIn.safeParse({ slot: 'motor-sheave', spec: sheave }).success).toBe(true)
    expect(wrong({ least: 7 })).toContain('less than the greatest turns')
    expect(wrong({ perTurn: 20 })).toContain('leaves no diameter')
    expect(wrong({ turns: 8 })).toContain('more than its greatest turns')
    expect(wrong({ step: 0.25 })).not.toBe('[]')
  })
  it('is installed at an instant with a zone', () => {
    const body = { id, part: { slot: 'filters', spec: { count: 4, size: '20 × 20' } }, installedAt: '2026-11-25 09:00' }
    expect(paths(partBody.safeParse(body))[0]).toMatch(/^installedAt/)
  })
})

describe('how a drive stands', () => {
  it('is not known by default, and a base that is nearer at its farthest is refused', () => {
    expect(driveLayout.parse({})).toEqual({
      center: null,
      takeUp: null,
      rotation: null,
      seenFrom: null,
      mounting: null,
      air: null,
      outsideShare: null,
    })
    expect(paths(driveLayout.safeParse({ takeUp: { least: 600, most: 500 } }))).toEqual([
      'takeUp.least: less than the greatest',
    ])
    expect(paths(driveLayout.safeParse({ outsideShare: 20 }))[0]).toMatch(/^outsideShare/)
  })
})

describe('work and plans', () => {
  const work = { id, machineId: id, doneAt: '2026-11-25T09:00:00Z' }
  it('turns belong to a turned sheave alone', () => {
    expect(workBody.safeParse({ ...work, kind: 'sheave-turned', turns: { before: null, after: 3 } }).success).toBe(true)
    expect(paths(workBody.safeParse({ ...work, kind: 'greased', turns: { before: 2, after: 3 } }))).toEqual([
      'turns: only where the motor sheave was turned',
    ])
    expect(workBody.safeParse({ ...work, kind: 'sheave-turned', turns: { before: 2, after: 13 } }).success).toBe(false)
  })
  it('a plan keeps what was said, and a change of a kind that is known', () => {
    const predicted = {
      was: 12,
      amps: 11,
      low: 10.6,
      high: 11.4,
      fanRpm: 760,
      fanRpmNow: 774,
      airShare: 0.98,
      center: null,
      newBelt: null,
    }
    const speedChange = { id, machineId: id, madeAt: '2026-11-25T09:00:00Z', predicted }
    expect(speedChangeBody.safeParse({ ...speedChange, change: { kind: 'turns', turns: 3 } }).success).toBe(true)
    expect(speedChangeBody.safeParse({ ...speedChange, change: { kind: 'hope' } }).success).toBe(false)
    expect(
      paths(
        speedChangeBody.safeParse({
          ...speedChange,
          predicted: { ...predicted, amps: -1 },
          change: { kind: 'turns', turns: 3 },
        }),
      )[0],
    ).toMatch(/^predicted.amps/)
  })
})
