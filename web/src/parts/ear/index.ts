export { earTrouble, openEar, type Ear } from './ear.ts'
export { mayListen } from './may-listen.ts'
