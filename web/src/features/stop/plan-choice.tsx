import { planAsk, type PlanId } from '@motor-round/core/judge'
import { Choice } from '../../parts/fields/index.ts'

const options = planAsk.options.map(([value, label]) => ({ value: value as PlanId, label }))

/** How much of a stop is meant to be taken. What is left out here is left out by choice. */
export function PlanChoice({ plan, set }: { plan: PlanId; set: (plan: PlanId) => void }) {
  return (
    <div className="plan-choice">
      <Choice label={planAsk.label} value={plan} options={options} onChange={(v) => set(v ?? plan)} />
    </div>
  )
}
