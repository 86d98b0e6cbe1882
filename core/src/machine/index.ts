export { atRest, ohmsAcross, type AtRest, type Branch, type MotorAtRest } from './at-rest.ts'
export { assemblyFor, rightBelt, type AssemblyFacts } from './assembly.ts'
export { balancedAt, breakdown, runningAt, type BalancedPoint, type Breakdown, type MotorCircuit } from './circuit.ts'
export { circuitOfPlate, estimateCircuit, type Estimate, type PlateCircuit, type RatedPoint } from './estimate.ts'
export {
  controlPlaces,
  solveControl,
  type ControlNode,
  type ControlPart,
  type ControlPlace,
  type ControlString,
} from './control-string.ts'
export { driveInput, type DriveInput } from './drive-input.ts'
export { explainUnbalance, type ExplainedUnbalance } from './explain-unbalance.ts'
export { ordinaryBelt, type RestingBelt } from './fan-side.ts'
export { loadByCircuit, noLoadAmps, operate, type MotorSupply, type OperatingPoint } from './operate.ts'
export { seeded, type Random } from './random.ts'
export type { Stage } from './stage.ts'
export { solveRig, type Rig, type RigBelt, type RigFaults, type RigPoint } from './rig.ts'
export { closesTriangle, sequenceVolts, type SequenceVolts } from './sequence.ts'
export { singlePhaseCurrent, type SinglePhaseMotor } from './single-phase.ts'
export { typicalMotor, type TypicalMotor } from './typical.ts'
export { meterDigits, simulatedUnit, type Shown, type SimulatedMachine, type SimulatedUnit } from './simulated-unit.ts'
export { unitPatterns, type UnitPattern } from './unit-patterns.ts'
