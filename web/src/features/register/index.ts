export { EditMachine } from './edit-machine.tsx'
export { FitMotor } from './fit-motor.tsx'
export { Places } from './places.tsx'
export { NewMachine } from './new-machine.tsx'
