import type { SiteUnits } from '@motor-round/contract'
import { unitIn, writtenUnit } from '@motor-round/core/quantity'
import type { Goal } from '@motor-round/core/speed-change'
import { Input } from 'antd'
import { Choice } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { goalUnit, type SpeedChangeDraft } from './draft.ts'
import { Columns } from '../../parts/columns/index.ts'

const goals: readonly { value: Goal['kind']; label: string }[] = [
  { value: 'amps', label: 'Amps' },
  { value: 'rpm', label: 'Fan speed' },
  { value: 'flow', label: 'Air' },
  { value: 'pressure', label: 'Pressure' },
]

/** Today's point and the goal, as they are typed. */
export function TodayForm({
  draft,
  system,
  set,
  wrong,
}: {
  draft: SpeedChangeDraft
  /** Units of the site. */
  system: SiteUnits
  set: (d: Partial<SpeedChangeDraft>) => void
  wrong: Readonly<Record<string, string>>
}) {
  const cell = (
    key: 'volts' | 'flow' | 'pressure' | 'fixed' | 'hours' | 'price' | 'value',
    label: string,
    unit: string,
  ) => (
    <FormField label={label} error={wrong[key]}>
      <Input value={draft[key]} inputMode="decimal" suffix={unit} onChange={(e) => set({ [key]: e.target.value })} />
    </FormField>
  )
  return (
    <>
      <div className="legs">
        {draft.legs.map((text, i) => (
          <FormField
            key={`leg-${i + 1}`}
            label={draft.legs.length === 1 ? 'Amps' : `L${i + 1}`}
            error={wrong[`leg${i}`]}
          >
            <Input
              value={text}
              inputMode="decimal"
              suffix="A"
              onChange={(e) => set({ legs: draft.legs.map((t, k) => (k === i ? e.target.value : t)) })}
            />
          </FormField>
        ))}
        {cell('volts', 'Volts', 'V')}
      </div>
      <Columns of={[1, '130px']}>
        <Choice<Goal['kind']>
          label="Goal"
          options={goals}
          value={draft.goal}
          onChange={(goal) => goal && set({ goal, value: '' })}
        />
        {cell('value', 'To', goalUnit(draft, system))}
      </Columns>
      <details>
        <summary>Air, hours, price</summary>
        <div className="form-grid">
          {cell('flow', 'Airflow, if measured', writtenUnit(unitIn('cfm', system)))}
          {cell('pressure', 'Static pressure, if measured', writtenUnit(unitIn('inwg', system)))}
          {cell('fixed', 'Share not from the duct', '%')}
          {cell('hours', 'Runs a year', 'h')}
          {cell('price', 'Energy costs', 'a kWh')}
        </div>
      </details>
    </>
  )
}
