export { MachineList } from './machine-list.tsx'
