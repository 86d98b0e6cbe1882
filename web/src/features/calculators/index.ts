export { Calculators } from './calculators.tsx'
export { CalculatorScreen } from './calculator-screen.tsx'
