export { commissionedSince, commissioningSheet, type Commissioned, type FanControl, type SheetLine } from './sheet.ts'
