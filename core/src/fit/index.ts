export { fitMotor } from './fit.ts'
export { frameOf, frames, type Frame } from './frames.ts'
export { grades, type Fit, type FitPoint, type Grade, type Swap } from './swap.ts'
export { settingsFor, type Settings } from './settings.ts'
