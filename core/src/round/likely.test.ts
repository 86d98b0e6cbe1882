import { describe, expect, it } from 'vitest'
import type { InstalledPart } from '../installed/index.ts'
import { dayMs } from '../trend/index.ts'
import { likelyParts } from './index.ts'

const belts = (installedAt: number, removedAt: number | null = null): InstalledPart => ({
  slot: 'belts',
  spec: { section: 'B', number: 74, count: 2 },
  installedAt: installedAt * dayMs,
  removedAt: removedAt === null ? null : removedAt * dayMs,
})
const filters: InstalledPart = {
  slot: 'filters',
  spec: { count: 6, size: '20 × 20 × 2 in' },
  installedAt: 0,
  removedAt: null,
}
const lives = [
  { slot: 'belts', ended: 8, early: 700 },
  { slot: 'filters', ended: 5, early: 90 },
]
const at = (day: number) => day * dayMs

describe('parts that are likely to be wanted', () => {
  it('are those in service longer than a quarter of their kind lasted here, the most overdue first', () => {
    expect(likelyParts([belts(0), filters], lives, at(80))).toEqual([])
    expect(likelyParts([belts(0), filters], lives, at(721))).toEqual([
      { slot: 'filters', days: 721, early: 90 },
      { slot: 'belts', days: 721, early: 700 },
    ])
  })
  it('are given of what is installed now alone', () => {
    expect(likelyParts([belts(0, 650), belts(650)], lives, at(900))).toEqual([])
  })
  it('are left out where too few of a kind have ended, or not a quarter of them', () => {
    expect(likelyParts([belts(0)], [{ slot: 'belts', ended: 2, early: 700 }], at(2000))).toEqual([])
    expect(likelyParts([belts(0)], [{ slot: 'belts', ended: 9, early: null }], at(2000))).toEqual([])
  })
})
