import type { standsOf as StandsOf } from '../machine/stand.ts'
import type { levelsAt as LevelsAt } from '../portfolio/levels-at.ts'
import type { findRoute as FindRoute } from '../rounds/find-route.ts'
import type { readRegisters as ReadRegisters, writeRegisters as WriteRegisters } from '../vfd/modbus.ts'
import type { drawPdf as DrawPdf } from './draw-pdf.ts'
import type { drawXlsx as DrawXlsx } from './draw-xlsx.ts'

type Of<Task extends (of: never) => unknown> = Parameters<Task>[0]

/*
 * What nobody should wait behind, or be hurt by: run by threads of their own, see `offThread`. Plain data in, plain data out. A thread
 * loads what it is asked for alone: what draws files takes half a second to load, and is needed by few.
 */
export const drawPdf = async (of: Of<typeof DrawPdf>) => (await import('./draw-pdf.ts')).drawPdf(of)
export const drawXlsx = async (of: Of<typeof DrawXlsx>) => (await import('./draw-xlsx.ts')).drawXlsx(of)
export const standsOf = async (of: Of<typeof StandsOf>) => (await import('../machine/stand.ts')).standsOf(of)
export const levelsAt = async (of: Of<typeof LevelsAt>) => (await import('../portfolio/levels-at.ts')).levelsAt(of)
export const findRoute = async (of: Of<typeof FindRoute>) => (await import('../rounds/find-route.ts')).findRoute(of)
export const readRegisters = async (of: Of<typeof ReadRegisters>) =>
  (await import('../vfd/modbus.ts')).readRegisters(of)
export const writeRegisters = async (of: Of<typeof WriteRegisters>) =>
  (await import('../vfd/modbus.ts')).writeRegisters(of)
