import { describe, expect, it } from 'vitest'
import type { InstalledPart } from '../installed/index.ts'
import { unknownControls } from '../judge/index.ts'
import { kitOf, kitTogether, type KitFacts } from './index.ts'

const parts: InstalledPart[] = [
  { slot: 'belts', spec: { section: 'B', number: 74, count: 2 }, installedAt: 0, removedAt: null },
  { slot: 'filters', spec: { count: 6, size: '20 × 20 × 2 in' }, installedAt: 0, removedAt: null },
  {
    slot: 'bearing-de',
    spec: { mark: '', type: 'ball', bore: 50, outside: 90, width: 20, capacity: null, lock: null, greasable: true },
    installedAt: 0,
    removedAt: null,
  },
]
const facts = (tasks: string[], over: Partial<KitFacts> = {}): KitFacts => ({
  tasks,
  parts,
  controls: {
    ...unknownControls,
    protection: 'time-delay fuse',
    protectionAmps: 20,
    capacitor: { run: 7.5, second: null, volts: 370, tolerance: null },
  },
  phases: 3,
  now: 10,
  ...over,
})
const words = (f: KitFacts) =>
  kitOf(f)
    .filter((i) => i.kind !== 'tool')
    .map((i) => `${i.count} ${i.unit} ${i.what}`)

describe('what to bring', () => {
  it('is by the size of what is installed, and only for what is to be done', () => {
    expect(words(facts(['belts']))).toEqual(['1 pcs Lock and tag', '2 pcs Belt B74'])
    expect(words(facts(['filters']))).toEqual(['6 pcs Filter 20 × 20 × 2 in'])
    // By hand: 0.005 · 90 · 20 = 9 g a bearing, two of them.
    expect(words(facts(['grease']))).toEqual(['18 g Grease, same kind as in the bearings'])
    expect(words(facts(['capacitor'], { phases: 1 }))).toEqual(['1 pcs Lock and tag', '1 pcs Capacitor 7.5 µF, 370 V'])
    expect(words(facts(['terminals']))).toEqual(['1 pcs Lock and tag', '3 pcs Fuse 20 A, time-delay'])
    expect(words(facts(['amps']))).toEqual([])
  })
  it('adds up parts of a round, takes each tool once and two locks', () => {
    const all = kitTogether([kitOf(facts(['belts'])), kitOf(facts(['belts', 'filters'])), kitOf(facts(['belts']))])
    expect(all.find((i) => i.what === 'Belt B74')?.count).toBe(6)
    expect(all.find((i) => i.kind === 'lock')?.count).toBe(2)
    expect(all.filter((i) => i.what === 'Clamp meter')).toEqual([
      { kind: 'tool', what: 'Clamp meter', count: 1, unit: 'pcs' },
    ])
    expect(all.map((i) => i.kind)).toEqual(
      [...all.map((i) => i.kind)].toSorted(
        (a, b) => ['part', 'lock', 'tool'].indexOf(a) - ['part', 'lock', 'tool'].indexOf(b),
      ),
    )
  })
})
