import { beltSections } from '@motor-round/core/drivetrain'
import { Input, Select } from 'antd'
import { FormField } from '../../parts/form-field/index.ts'
import { wrongInFree, type FreeCell, type FreeDraft } from './free.ts'

const sections = beltSections.map((s) => ({ value: s.id, label: s.id }))

/** A machine on free numbers: plate, sheaves, wheel. */
export function FreeForm({ draft, set }: { draft: FreeDraft; set: (d: Partial<FreeDraft>) => void }) {
  const wrong = wrongInFree(draft)
  const cell = (key: FreeCell, label: string, unit: string) => (
    <FormField label={label} error={wrong[key]}>
      <Input value={draft[key]} inputMode="decimal" suffix={unit} onChange={(e) => set({ [key]: e.target.value })} />
    </FormField>
  )
  return (
    <div className="form-grid">
      {cell('hp', 'Nameplate power', 'hp')}
      {cell('plateVolts', 'Nameplate volts', 'V')}
      {cell('plateAmps', 'Nameplate amps', 'A')}
      {cell('plateRpm', 'Nameplate speed', 'rpm')}
      {cell('hz', 'Supply', 'Hz')}
      {cell('closed', 'Motor sheave, pitch, closed', 'in')}
      {cell('perTurn', 'Change per turn, if adjustable', 'in')}
      {cell('turns', 'Turns open now', 'turns')}
      {cell('most', 'Most turns open', 'turns')}
      {cell('driven', 'Fan sheave, pitch', 'in')}
      <FormField label="Section">
        <Select<string>
          aria-label="Section"
          value={draft.section}
          options={sections}
          onChange={(section) => set({ section })}
        />
      </FormField>
      {cell('center', 'Center distance', 'in')}
      <FormField label="Wheel">
        <Select<FreeDraft['wheel']>
          aria-label="Wheel"
          value={draft.wheel}
          options={(['forward-curved', 'backward-inclined', 'propeller'] as const).map((w) => ({ value: w, label: w }))}
          onChange={(wheel) => set({ wheel })}
        />
      </FormField>
      {cell('greatestRpm', 'Wheel, maximum speed', 'rpm')}
    </div>
  )
}
