/** What nobody should wait behind, or be hurt by: run by threads of their own, see `offThread`. Plain data in, plain data out. */
export { drawPdf } from './draw-pdf.ts'
export { drawXlsx } from './draw-xlsx.ts'
export { standsOf } from '../machine/stand.ts'
export { levelsAt } from '../portfolio/levels-at.ts'
export { findRoute } from '../rounds/find-route.ts'
export { readRegisters, writeRegisters } from '../vfd/modbus.ts'
