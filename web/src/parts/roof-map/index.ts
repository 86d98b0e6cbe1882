export { RoofMapView, type MapUnit } from './roof-map.tsx'
export { mapDifferences } from './differences.ts'
export { firstFan, mapUnits, worstOf } from './units.ts'
