export { Bench } from './bench.tsx'
export { CalculatorScreen } from './calculator-screen.tsx'
