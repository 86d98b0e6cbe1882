import type { FaultCode, RegisterField, VfdProfile } from '../profile.ts'

const holding = (register: number, scale = 1, type: RegisterField['type'] = 'u16'): RegisterField => ({
  register,
  table: 'holding',
  type,
  scale,
})
const setting = (register: number, scale = 1) => ({ ...holding(register, scale), writable: true })
const code = (n: number, text: string, family: FaultCode['family']): FaultCode => ({ code: n, text, family })

/** An invented maker's drive: everything in holding registers of sixteen bits. */
export const corvidVx4: VfdProfile = {
  format: 'motor-round-vfd/1',
  id: 'corvid-vx4',
  maker: 'Corvid',
  model: 'VX-4',
  wordOrder: 'high first',
  values: {
    hz: holding(101, 0.01),
    volts: holding(102),
    amps: holding(103, 0.1),
    bus: holding(104),
    power: holding(105, 0.1, 's16'),
    temperature: holding(106, 1, 's16'),
    hours: holding(107, 1, 'u32'),
  },
  status: { register: 100, table: 'holding', bits: { ready: 0, running: 1, fault: 3, warning: 7, reverse: 5 } },
  fault: {
    register: 110,
    table: 'holding',
    codes: [
      code(1, 'OC-A', 'over-current-start'),
      code(2, 'OC-N', 'over-current'),
      code(3, 'OV-D', 'over-voltage'),
      code(4, 'UV', 'under-voltage'),
      code(5, 'GF', 'ground'),
      code(6, 'PH-I', 'input-phase'),
      code(7, 'PH-O', 'output-phase'),
      code(8, 'OH', 'hot'),
      code(9, 'OL', 'motor-overload'),
      code(10, 'EXT', 'interlock'),
      code(11, 'REF', 'reference'),
    ],
  },
  faultLog: { register: 111, table: 'holding', entries: 6 },
  parameters: {
    'plate-power': setting(200, 0.01),
    'plate-volts': setting(201),
    'plate-amps': setting(202, 0.1),
    'plate-hz': setting(203, 0.1),
    'plate-rpm': setting(204),
    'overload-amps': setting(205, 0.1),
    'overload-class': setting(206),
    accel: setting(210, 0.1),
    decel: setting(211, 0.1),
    'min-hz': setting(212, 0.1),
    'max-hz': setting(213, 0.1),
    direction: setting(214),
    carrier: setting(215, 0.1),
    restarts: setting(216),
    'skip-low': setting(217, 0.1),
    'skip-high': setting(218, 0.1),
  },
}
