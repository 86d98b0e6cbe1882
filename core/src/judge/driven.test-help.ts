import { assemblyFor, circuitOfPlate, solveRig, type RigFaults } from '../machine/index.ts'
import { legPositions, mean } from '../quantity/index.ts'
import { at, plate } from './checks/say.test-help.ts'

const circuit = circuitOfPlate(plate, { volts: 460, amps: 12.8 }, 60)?.circuit
if (!circuit) throw new Error('no circuit')

/** A fan on a drive, as the machine model has it. */
export const driven = assemblyFor({
  circuit,
  volts: 480,
  hz: 60,
  load: 0.82,
  belt: { driver: 1, driven: 2 },
  wheel: 'forward-curved',
})

/** What the model draws at these hertz. */
export const modelAmps = (hz: number, faults: RigFaults = {}): number =>
  mean(solveRig({ ...driven, faults, stage: { kind: 'drive', hz, limit: 100, dead: null } }).motor.lineAmps)

/** The same as readings of a visit. @param uneven of its legs, as a share @param error of the meter */
export function readAtHz(hz: number, faults: RigFaults = {}, error = 1, uneven = 0) {
  const amps = modelAmps(hz, faults) * error
  return [...at('amps', legPositions, [amps, amps * (1 + uneven), amps * (1 - uneven)]), ...at('hz', ['motor'], [hz])]
}
