export { EditMachine } from './edit-machine.tsx'
export { FitMotor } from './fit-motor.tsx'
export { NewMachine } from './new-machine.tsx'
