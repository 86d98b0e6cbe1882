export { insulationAdvice } from './motor/insulation.ts'
export { pastMean, possibleOhms } from './motor/winding-facts.ts'
export { insulationHistory, insulationOf, type InsulationFigure } from './motor/insulation-facts.ts'
export { checksOf, checkDefinitions } from './register.ts'
export {
  gatesFor,
  gatesOf,
  opened,
  phases,
  phasesFor,
  scopeAsk,
  scopes,
  type Ask,
  type AskGroup,
  type ChoiceAsk,
  type PhaseId,
  type ScopeId,
  type ReadingAsk,
  type CheckDefinition,
  type TextAsk,
  type Wait,
} from './check-definition.ts'
