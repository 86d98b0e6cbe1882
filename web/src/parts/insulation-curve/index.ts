export { InsulationCurve, type CurvePoint } from './insulation-curve.tsx'
