export { calculator, type CalcProblem, type CalcResult, type Calculator } from './calculator.ts'
export { describeCalculator } from './describe.ts'
export { calculators, findCalculator } from './register.ts'
