export {
  calcGroups,
  calculator,
  type CalcMachine,
  type CalcGroup,
  type CalcProblem,
  type CalcResult,
  type Calculator,
  type Curve,
} from './calculator.ts'
export { boundWords, fieldWords, figure, type Bound } from './problem-words.ts'
export { describeCalculator } from './describe.ts'
export { calculators, findCalculator } from './register.ts'
