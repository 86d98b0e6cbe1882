import { scopeAsk, type ScopeId } from '@motor-round/core/judge'
import { Choice } from '../../parts/fields/index.ts'

const options = scopeAsk.options.map(([value, label]) => ({ value: value as ScopeId, label }))

/** How much of a visit is meant to be taken. What is left out here is left out by choice. */
export function ScopeChoice({ scope, set }: { scope: ScopeId; set: (scope: ScopeId) => void }) {
  return (
    <div className="scope-choice">
      <Choice label={scopeAsk.label} value={scope} options={options} onChange={(v) => set(v ?? scope)} />
    </div>
  )
}
