import { assemblyFor, circuitOfPlate, type Random, type Rig } from '../../machine/index.ts'
import { defaultPolicies } from '../../limits/index.ts'
import { unknownControls, type JudgeInput } from '../../judge/index.ts'

/** A sound machine drawn at random: what judging knows of it, and what its meters would read. */
export interface Sound {
  readonly rig: Rig
  readonly volts: number
  readonly plateVolts: number
  readonly plateAmps: number
  readonly input: Omit<JudgeInput, 'visit' | 'history'>
}

const services = [
  [208, 208],
  [480, 460],
  [600, 575],
] as const

/** A three-phase fan of an ordinary size; drawn again where no such motor carries such a fan. */
export function soundMachine(random: Random): Sound {
  for (;;) {
    const [service, plateVolts] = random.pick(services)
    const power = random.pick([1, 1.5, 2, 3, 5, 7.5, 10, 15, 20])
    const rpm = random.pick([1140, 1725, 1750, 3450])
    const efficiency = random.between(0.78, 0.92)
    const amps = (power * 745.7) / (Math.sqrt(3) * plateVolts * efficiency * random.between(0.74, 0.86))
    const plateAmps = Number(amps.toFixed(1))
    const plate = {
      power,
      powerUnit: 'hp' as const,
      phases: 3 as const,
      volts: String(plateVolts),
      amps: plateAmps.toFixed(1),
      rpm,
      hz: '60',
      sf: 1.15,
      efficiency,
    }
    const circuit = circuitOfPlate(plate, { volts: plateVolts, amps: plateAmps }, 60)?.circuit
    const volts = service * random.between(0.97, 1.02)
    const driver = random.between(3, 8)
    if (!circuit) continue
    try {
      const rig = assemblyFor({
        circuit,
        volts,
        hz: 60,
        load: random.between(0.62, 0.95),
        belt: { driver, driven: driver * random.between(1, 2.4) },
        wheel: random.pick(['forward-curved', 'backward-inclined'] as const),
        pressure: random.between(150, 900),
        fixed: random.between(0, 0.3),
      })
      const input: Sound['input'] = {
        machine: {
          phases: 3,
          serviceVolts: service,
          hasVfd: false,
          hasTwin: false,
          drive: 'belt',
          controls: unknownControls,
          unitPlate: null,
        },
        motor: { plate, connectionVolts: null, installedAt: 0 },
        work: [],
        policies: defaultPolicies,
      }
      return { rig, volts, plateVolts, plateAmps, input }
    } catch (e) {
      if (!(e instanceof RangeError)) throw e
    }
  }
}
