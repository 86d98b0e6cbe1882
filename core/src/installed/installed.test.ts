import { describe, expect, it } from 'vitest'
import type { WorkDone } from '../trend/index.ts'
import {
  beltsCarry,
  driveAt,
  lifeOf,
  livesOf,
  partAt,
  sheavesAt,
  turnsAt,
  unknownLayout,
  type InstalledPart,
  type PartSpecs,
  type RemovedFor,
} from './index.ts'

const day = 86_400_000
const adjustable: PartSpecs['motor-sheave'] = {
  type: 'adjustable',
  section: 'B',
  closed: 120,
  perTurn: 5,
  most: 5,
  least: 0.5,
  step: 0.5,
  grooves: 1,
  turns: 2,
}
const fixed: PartSpecs['motor-sheave'] = { type: 'fixed', section: 'B', pitch: 100, grooves: 1 }
const parts: InstalledPart[] = [
  { slot: 'motor-sheave', spec: adjustable, installedAt: 100 * day, removedAt: 300 * day },
  { slot: 'motor-sheave', spec: fixed, installedAt: 300 * day, removedAt: null },
  {
    slot: 'driven-sheave',
    spec: { type: 'fixed', section: 'B', pitch: 220, grooves: 1 },
    installedAt: 0,
    removedAt: null,
  },
]
const turned = (at: number, before: number | null, after: number): WorkDone => ({
  at: at * day,
  kind: 'sheave-turned',
  note: '',
  turns: { before, after },
})

describe('what is installed', () => {
  it('is what was in the slot then; what went in first speaks for the time before it was entered', () => {
    expect(partAt(parts, 'motor-sheave', 200 * day)).toBe(adjustable)
    expect(partAt(parts, 'motor-sheave', 300 * day)).toBe(fixed)
    expect(partAt(parts, 'motor-sheave', 10 * day)).toBe(adjustable)
    expect(partAt(parts, 'wheel', 10 * day)).toBeNull()
  })
  it('has no part in a slot that was emptied', () => {
    const out: InstalledPart[] = [
      { slot: 'filters', spec: { count: 4, size: '20×20×2' }, installedAt: 0, removedAt: 5 },
    ]
    expect(partAt(out, 'filters', 6)).toBeNull()
  })
  it('counts turns from what was told at fitting and by the work since', () => {
    const work = [turned(200, 2, 3), turned(150, 2.5, 2)]
    expect(turnsAt(parts, [], 120 * day)).toBe(2)
    expect(turnsAt(parts, work, 120 * day)).toBe(2.5)
    expect(turnsAt(parts, work, 160 * day)).toBe(2)
    expect(turnsAt(parts, work, 250 * day)).toBe(3)
    expect(turnsAt(parts, work, 301 * day)).toBeNull()
    // Turns of a sheave that is gone say nothing of this one.
    expect(turnsAt(parts, [turned(50, 1, 4)], 120 * day)).toBe(2)
  })
  it('gives pitch diameters at an instant', () => {
    expect(sheavesAt(parts, [turned(200, 2, 3)], 250 * day)).toEqual({ driver: 105, driven: 220, turns: 3 })
    expect(sheavesAt(parts, [], 301 * day)).toEqual({ driver: 100, driven: 220, turns: null })
    expect(sheavesAt([], [], 1)).toEqual({ driver: null, driven: null, turns: null })
  })
})

describe('how a drive stands', () => {
  const stands = (list: readonly InstalledPart[], at = 400) => driveAt(list, [], unknownLayout, at * day)
  const belts: InstalledPart = {
    slot: 'belts',
    spec: { section: 'BX', number: 63, count: 2 },
    installedAt: 0,
    removedAt: null,
  }
  it('takes section and count from the belts, else from the sheave in place', () => {
    expect(stands([...parts, belts])).toMatchObject({
      driver: 100,
      driven: 220,
      adjustable: null,
      section: 'BX',
      belts: 2,
    })
    expect(stands(parts)).toMatchObject({ section: 'B', belts: 1, beltLength: null })
    expect(stands([...parts, belts], 200)).toMatchObject({ adjustable: { turns: 2 }, section: 'BX' })
    expect(stands([belts])).toBeNull()
  })
  it('its belts carry nothing that is known where a figure is missing, the sheaves touch or hardly any arc is left', () => {
    const whole = {
      driver: 110,
      driven: 220,
      adjustable: null,
      section: 'B',
      belts: 1,
      beltLength: 1700,
      center: 560,
      takeUp: null,
    }
    const one = beltsCarry(whole, 1755) ?? 0
    expect(one).toBeGreaterThan(1000)
    expect(beltsCarry({ ...whole, belts: 3 }, 1755)).toBeCloseTo(3 * one, 6)
    // The smaller sheave counts, whichever side it is on: at one belt speed they carry the same.
    expect(beltsCarry({ ...whole, driver: 220, driven: 110 }, 1755 / 2)).toBeCloseTo(one, 6)
    for (const missing of ['section', 'belts', 'beltLength', 'center'] as const)
      expect(beltsCarry({ ...whole, [missing]: null }, 1755)).toBeNull()
    expect(beltsCarry({ ...whole, center: 165 }, 1755)).toBeNull()
    expect(beltsCarry({ ...whole, driven: 1200, center: 660 }, 1755)).toBeNull()
    expect(beltsCarry({ ...whole, section: 'SPZ' }, 1755)).toBeNull()
  })
})

describe('the lives of parts', () => {
  it('end where a part wore out or failed, and nowhere else', () => {
    const out = (removedFor: RemovedFor | null) =>
      lifeOf({ installedAt: 2 * day, removedAt: 12 * day, removedFor }, 30 * day)
    expect(out('worn')).toEqual({ days: 10, ended: true })
    for (const other of ['schedule', 'other', null] as const) expect(out(other)).toEqual({ days: 10, ended: false })
    expect(lifeOf({ installedAt: 2 * day, removedAt: null, removedFor: null }, 30 * day)).toEqual({
      days: 28,
      ended: false,
    })
    expect(lifeOf({ installedAt: 2 * day, removedAt: null, removedFor: null }, day).days).toBe(0)
  })
  const life = (days: number, ended = true) => ({ days, ended })
  it('are given by the product-limit estimate, as the textbook case works it out', () => {
    // Source: the remission times of 21 patients under treatment (Freireich 1963, printed in survival textbooks):
    // median 23 weeks, S(10) = 0.7529 so that the lower quartile is 13.
    const ended = [6, 6, 6, 7, 10, 13, 16, 22, 23]
    const still = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35]
    const told = livesOf([...ended.map((d) => life(d)), ...still.map((d) => life(d, false))])
    expect(told).toEqual({ n: 21, ended: 9, median: 23, early: 13, late: null })
  })
  it('are plain quartiles where every part has ended', () =>
    expect(livesOf([4, 1, 3, 2].map((d) => life(d)))).toEqual({ n: 4, ended: 4, early: 1, median: 2, late: 3 }))
  it('parts still in service lengthen the median, never shorten it', () => {
    const plain = livesOf([life(100), life(200), life(300)]).median ?? 0
    expect(livesOf([life(100), life(200), life(300), life(400, false), life(400, false)]).median ?? 0).toBeGreaterThan(
      plain,
    )
  })
  it('none have ended: nothing is reported; a life below zero is refused', () => {
    expect(livesOf([life(10, false)])).toEqual({ n: 1, ended: 0, median: null, early: null, late: null })
    expect(() => livesOf([life(-1)])).toThrow(/^days/)
  })
})
