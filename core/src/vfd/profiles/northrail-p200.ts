import type { FaultCode, RegisterField, VfdProfile } from '../profile.ts'

const input = (register: number): RegisterField => ({ register, table: 'input', type: 'f32', scale: 1 })
const setting = (register: number) => ({
  register,
  table: 'holding' as const,
  type: 'f32' as const,
  scale: 1,
  writable: true,
})
const code = (n: number, text: string, family: FaultCode['family']): FaultCode => ({ code: n, text, family })

/** An invented maker's drive: figures are floating-point numbers of two registers, the low word first. */
export const northrailP200: VfdProfile = {
  format: 'motor-round-vfd/1',
  id: 'northrail-p200',
  maker: 'Northrail',
  model: 'P200',
  wordOrder: 'low first',
  values: {
    hz: input(10),
    volts: input(12),
    amps: input(14),
    bus: input(16),
    power: input(18),
    temperature: input(20),
    hours: input(22),
  },
  status: { register: 0, table: 'input', bits: { ready: 1, running: 0, fault: 4, warning: 5, reverse: 2 } },
  fault: {
    register: 1,
    table: 'input',
    codes: [
      code(21, 'F21', 'over-current-start'),
      code(22, 'F22', 'over-current'),
      code(31, 'F31', 'over-voltage'),
      code(32, 'F32', 'under-voltage'),
      code(40, 'F40', 'ground'),
      code(51, 'F51', 'input-phase'),
      code(52, 'F52', 'output-phase'),
      code(60, 'F60', 'hot'),
      code(61, 'F61', 'motor-overload'),
      code(70, 'F70', 'interlock'),
      code(71, 'F71', 'reference'),
    ],
  },
  faultLog: { register: 40, table: 'input', entries: 4 },
  parameters: {
    'plate-power': setting(1000),
    'plate-volts': setting(1002),
    'plate-amps': setting(1004),
    'plate-hz': setting(1006),
    'plate-rpm': setting(1008),
    'overload-amps': setting(1010),
    'overload-class': setting(1012),
    accel: setting(1020),
    decel: setting(1022),
    'min-hz': setting(1024),
    'max-hz': setting(1026),
    direction: setting(1028),
    carrier: { ...setting(1030), writable: false },
    restarts: setting(1032),
  },
}
