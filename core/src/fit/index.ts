export { fitMotor, grades, type Fit, type FitPoint, type Grade, type Swap } from './fit.ts'
export { frameOf, frames, type Frame } from './frames.ts'
