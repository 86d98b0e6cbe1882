import { noCare, machinePage, type MachinePage, type VisitRecord } from '@motor-round/contract'
import { unsaid } from '@motor-round/core/trend'

const uuid = (n: number) => `00000000-0000-7000-8000-${String(n).padStart(12, '0')}`
export const machineId = uuid(5)

/** A visit as the server sends it. */
export const visitRecord = (over: Partial<VisitRecord> = {}): VisitRecord => ({
  id: uuid(100),
  machineId,
  takenAt: '2026-11-25T09:00:00Z',
  recordedAt: '2026-11-25T09:00:00Z',
  by: 'Mosi Okonjo',
  state: unsaid,
  readings: [{ quantity: 'amps', position: 'L1', value: 12.8 }],
  answers: {},
  passes: [],
  note: '',
  supersedes: null,
  reason: '',
  supersededBy: null,
  source: 'walk',
  ...over,
})

/** A 10 hp belt-driven supply fan on 480 V with its plate, as the server sends it; checked by the contract. */
export function pageOf(
  over: { machine?: object; visits?: VisitRecord[]; plate?: object; parts?: object[] } = {},
): MachinePage {
  const [siteId, areaId, unitId] = [uuid(1), uuid(2), uuid(3)]
  return machinePage.parse({
    site: {
      id: siteId,
      name: 'Ferry terminal',
      zone: 'America/Halifax',
      hertz: null,
      units: 'us',
      paper: 'letter',
      weekStart: 'sunday',
      version: 1,
    },
    area: { id: areaId, siteId, name: 'Hall roof', kind: 'roof', version: 1 },
    unit: { id: unitId, areaId, siteId, tag: 'AHU-9', kind: 'AHU', modelLine: '', version: 1, care: noCare },
    machine: {
      id: machineId,
      unitId,
      siteId,
      tag: 'SF',
      purpose: 'Hall supply',
      phases: 3,
      serviceVolts: 480,
      drive: 'belt',
      hasVfd: false,
      hasTwin: false,
      controls: {},
      layout: {},
      unitPlate: null,
      version: 1,
      retiredAt: null,
      ...over.machine,
    },
    motor: {
      id: uuid(6),
      machineId,
      version: 1,
      plate: { volts: '460', amps: '12.8', phases: 3, power: 10, rpm: 1755, hz: '60', sf: 1.15, ...over.plate },
      connectionVolts: null,
      installedAt: '2024-01-01T00:00:00Z',
      why: '',
      substitute: false,
      removedAt: null,
      removedFor: null,
      removedWhy: '',
      installedBy: 'Lena Vale',
    },
    pastMotors: [],
    twins: [],
    siblings: [],
    peers: [],
    visits: over.visits ?? [],
    moreVisits: 0,
    work: [],
    parts: over.parts ?? [],
    speedChanges: [],
    judgement: null,
    dueAt: null,
  })
}
