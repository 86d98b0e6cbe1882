import type { OrganizationFile } from '@motor-round/contract'
import type { ParameterSet } from '@motor-round/core/vfd'

/** A stand-in drive of the demo: where it answers, what it runs, how it is set. */
export interface DemoVfd {
  readonly machine: string
  readonly port: number
  readonly profileId: string
  readonly mayWrite: boolean
  readonly lineVolts: number
  readonly plate: { readonly volts: string; readonly amps: string; readonly power: number; readonly rpm: number }
  /** Share of the nameplate's load. */
  readonly load: number
  readonly hours: number
  readonly hz: number
  readonly set: ParameterSet
}

const usual: ParameterSet = {
  'plate-hz': 60,
  'overload-class': 20,
  accel: 30,
  decel: 45,
  'min-hz': 15,
  'max-hz': 60,
  direction: 0,
  carrier: 4,
  restarts: 0,
  'skip-low': 0,
  'skip-high': 0,
}

/** The drives of the main tank hall: the supply fan's is set right, the return fan's was once that of a larger motor. */
export const demoVfds: readonly DemoVfd[] = [
  {
    machine: 'AHU-3/SF',
    port: 15_021,
    profileId: 'corvid-vx4',
    mayWrite: true,
    lineVolts: 598,
    plate: { volts: '575', amps: '18.7', power: 20, rpm: 1765 },
    load: 0.82,
    hours: 21_480,
    hz: 52,
    set: {
      ...usual,
      'plate-amps': 18.7,
      'plate-volts': 575,
      'plate-rpm': 1765,
      'plate-power': 14.91,
      'overload-amps': 18.7,
    },
  },
  {
    machine: 'AHU-3/RF',
    port: 15_022,
    profileId: 'northrail-p200',
    mayWrite: true,
    lineVolts: 597,
    plate: { volts: '575', amps: '9.8', power: 10, rpm: 1755 },
    load: 0.72,
    hours: 21_455,
    hz: 47,
    set: {
      ...usual,
      'plate-amps': 9.8,
      'plate-volts': 575,
      'plate-rpm': 1755,
      'plate-power': 7.46,
      'overload-amps': 17,
      restarts: 2,
    },
  },
]

/** Where the drives of the demo answer. */
export function demoVfdLinks(
  parts: Pick<OrganizationFile, 'units' | 'machines'>,
  birth: number,
): OrganizationFile['vfdLinks'] {
  return demoVfds.flatMap(({ machine, port, profileId, mayWrite }) => {
    const [unitTag, tag] = machine.split('/')
    const unit = parts.units.find((u) => u.tag === unitTag)
    const found = parts.machines.find((m) => m.unitId === unit?.id && m.tag === tag)
    return found
      ? [
          {
            machineId: found.id,
            host: '127.0.0.1',
            port,
            unit: 1,
            profileId,
            mayWrite,
            live: true,
            by: 'Tamsin Vale',
            at: new Date(birth).toISOString(),
          },
        ]
      : []
  })
}
