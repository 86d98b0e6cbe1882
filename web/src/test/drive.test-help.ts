import type { PartRecord } from '@motor-round/contract'
import { machineId } from './machine-page.test-help.ts'

let count = 500
const part = (p: PartRecord['part'], over: Partial<PartRecord> = {}): PartRecord => ({
  id: `00000000-0000-7000-8000-${String((count += 1)).padStart(12, '0')}`,
  machineId,
  version: 1,
  part: p,
  installedAt: '2022-05-01T00:00:00Z',
  why: '',
  substitute: false,
  installedBy: 'Lena Vale',
  removedAt: null,
  removedFor: null,
  removedWhy: '',
  ...over,
})

/** Two sheaves, belts that were renewed once, a collar bearing and a wheel: the drive of a 10 hp fan. */
export const driveParts = (): PartRecord[] => [
  part({
    slot: 'motor-sheave',
    spec: {
      type: 'adjustable',
      section: 'B',
      closed: 137.16,
      perTurn: 5.08,
      most: 6,
      least: 0.5,
      step: 0.5,
      grooves: 1,
      turns: 2.5,
    },
  }),
  part({ slot: 'driven-sheave', spec: { type: 'fixed', section: 'B', pitch: 279.4, grooves: 1 } }),
  part(
    { slot: 'belts', spec: { section: 'B', number: 62, count: 1 } },
    { removedAt: '2024-05-01T00:00:00Z', removedFor: 'worn', removedWhy: 'frayed' },
  ),
  part({ slot: 'belts', spec: { section: 'B', number: 62, count: 1 } }, { installedAt: '2024-05-01T00:00:00Z' }),
  part({
    slot: 'bearing-de',
    spec: {
      mark: 'insert 208',
      type: 'ball',
      bore: 40,
      outside: 80,
      width: 49,
      capacity: 29600,
      lock: 'eccentric collar',
      greasable: false,
    },
  }),
  part({
    slot: 'wheel',
    spec: { type: 'forward-curved', wheels: 1, diameter: 460, greatestRpm: 1000, blades: 42, mass: 40, clips: 3 },
  }),
]
