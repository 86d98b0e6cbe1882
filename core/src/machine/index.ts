export { motorCurrents, singlePhaseCurrent, type MotorModel } from './motor-currents.ts'
export { seeded, type Random } from './random.ts'
export { sequenceVolts, type SequenceVolts } from './sequence.ts'
