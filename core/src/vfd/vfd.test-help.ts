import type { VfdProfile } from './profile.ts'

const u16 = (register: number, scale = 1) => ({ register, table: 'holding' as const, type: 'u16' as const, scale })

/** A profile for tests: one register of every type. */
export const profile: VfdProfile = {
  format: 'motor-round-vfd/1',
  id: 'test',
  maker: 'Test',
  model: 'T',
  wordOrder: 'high first',
  values: {
    hz: u16(100, 0.01),
    amps: u16(102, 0.1),
    bus: u16(103),
    temperature: { register: 104, table: 'holding', type: 's16', scale: 0.1 },
    power: { register: 105, table: 'holding', type: 'f32', scale: 1 },
    hours: { register: 107, table: 'holding', type: 'u32', scale: 1 },
  },
  status: { register: 99, table: 'holding', bits: { ready: 0, running: 1, fault: 2, warning: 3, reverse: 4 } },
  fault: {
    register: 110,
    table: 'holding',
    codes: [
      { code: 3, text: 'OC-A', family: 'over-current-start' },
      { code: 12, text: 'GF', family: 'ground' },
    ],
  },
  faultLog: { register: 111, table: 'holding', entries: 3 },
  parameters: {
    'plate-amps': { ...u16(300, 0.1), writable: true },
    'overload-amps': { ...u16(301, 0.1), writable: true },
    'max-hz': { ...u16(330, 0.1), writable: true },
    direction: { ...u16(400), writable: false },
  },
}
