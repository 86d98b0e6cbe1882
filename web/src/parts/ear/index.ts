export { earTrouble } from './ear.ts'
export { mayListen } from './may-listen.ts'
export { useEar } from './use-ear.ts'
