export { checkHowTo, type HowTo } from './checks.ts'
export { calculatorHowTo } from './calculators.ts'
