export { balancedAt, breakdown, type BalancedPoint, type Breakdown, type MotorCircuit } from './circuit.ts'
export { circuitOfPlate, estimateCircuit, type Estimate, type PlateCircuit, type RatedPoint } from './estimate.ts'
export { explainUnbalance, type ExplainedUnbalance } from './explain-unbalance.ts'
export { loadByCircuit, noLoadAmps, operate, type MotorSupply, type OperatingPoint } from './operate.ts'
export { seeded, type Random } from './random.ts'
export { solveRig, type Rig, type RigBelt, type RigFaults, type RigPoint } from './rig.ts'
export { closesTriangle, sequenceVolts, type SequenceVolts } from './sequence.ts'
export { singlePhaseCurrent, type SinglePhaseMotor } from './single-phase.ts'
export { typicalMotor, type TypicalMotor } from './typical.ts'
export {
  meterDigits,
  simulatedUnit,
  unitPatterns,
  type Shown,
  type SimulatedMachine,
  type SimulatedUnit,
  type UnitPattern,
} from './simulated-unit.ts'
