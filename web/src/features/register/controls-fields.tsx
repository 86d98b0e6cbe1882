import { Input, Select, Switch } from 'antd'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FormField } from '../../parts/form-field/index.ts'
import type { ControlsDraft } from './controls-draft.ts'

const unknown = { value: '', label: 'unknown' } as const

type Texts = {
  [K in keyof ControlsDraft]: string extends ControlsDraft[K] ? K : never
}[keyof ControlsDraft]

/** What stands between the supply and the motor: it decides which checks a visit asks for. */
export function ControlsFields({
  draft,
  phases,
  scale,
  set,
  failure,
}: {
  draft: ControlsDraft
  phases: 1 | 3
  /** Of temperatures. */
  scale: 'F' | 'C'
  set: (d: Partial<ControlsDraft>) => void
  failure: Failure | undefined
}) {
  const typed = (key: Texts, label: string, path: string) => (
    <FormField label={label} error={fieldMessage(failure, `controls.${path}`)}>
      <Input value={draft[key]} inputMode="decimal" onChange={(e) => set({ [key]: e.target.value })} />
    </FormField>
  )
  return (
    <div className="form-grid">
      <FormField label="Starter type">
        <Select<ControlsDraft['starter']>
          aria-label="Starter type"
          value={draft.starter}
          options={[
            unknown,
            { value: 'starter', label: 'starter with overload' },
            { value: 'contactor', label: 'contactor' },
            { value: 'none', label: 'none' },
          ]}
          onChange={(starter) => set({ starter })}
        />
      </FormField>
      <FormField label="Poles opened">
        <Select<ControlsDraft['poles']>
          aria-label="Poles opened"
          value={draft.poles}
          options={[
            unknown,
            { value: '1', label: 'one pole' },
            { value: '2', label: 'two poles' },
            { value: '3', label: 'three poles' },
          ]}
          onChange={(poles) => set({ poles })}
        />
      </FormField>
      <FormField label="Overload protection">
        <Select<ControlsDraft['overload']>
          aria-label="Overload protection"
          value={draft.overload}
          options={[
            unknown,
            { value: 'relay', label: 'relay with a dial' },
            { value: 'electronic', label: 'electronic, in the drive' },
            { value: 'internal', label: 'inside the motor' },
            { value: 'none', label: 'none' },
          ]}
          onChange={(overload) => set({ overload })}
        />
      </FormField>
      <FormField label="Fuse or breaker">
        <Select<ControlsDraft['protection']>
          aria-label="Fuse or breaker"
          value={draft.protection}
          options={[
            unknown,
            { value: 'time-delay fuse', label: 'time-delay fuse' },
            { value: 'non-time-delay fuse', label: 'fuse without delay' },
            { value: 'breaker', label: 'breaker' },
          ]}
          onChange={(protection) => set({ protection })}
        />
      </FormField>
      {typed('protectionAmps', 'Rating, A', 'protectionAmps')}
      {typed('controlVolts', 'Control volts, V', 'controlVolts')}
      {typed('transformerIn', 'Power transformer, V in', 'transformer.ratedIn')}
      {typed('transformerOut', 'V out', 'transformer.ratedOut')}
      {phases === 1 ? (
        <>
          {typed('capacitorRun', 'Run capacitor marked, µF', 'capacitor.run')}
          {typed('capacitorSecond', 'Second section, µF', 'capacitor.second')}
          {typed('capacitorVolts', 'Capacitor, V', 'capacitor.volts')}
          {typed('capacitorTolerance', 'Tolerance printed, ± %', 'capacitor.tolerance')}
        </>
      ) : null}
      <FormField label="Gas section in the unit">
        <span>
          <Switch
            aria-label="Gas section in the unit"
            checked={draft.gasSection}
            onChange={(gasSection) => set({ gasSection })}
          />
        </span>
      </FormField>
      {draft.gasSection ? (
        <>
          {typed('burnerOxygenLow', 'Burner: oxygen from, %', 'burner.oxygenLow')}
          {typed('burnerOxygenHigh', 'Burner: oxygen to, %', 'burner.oxygenHigh')}
          {typed('burnerStackLow', `Burner: stack from, °${scale}`, 'burner.stackLow')}
          {typed('burnerStackHigh', `Burner: stack to, °${scale}`, 'burner.stackHigh')}
        </>
      ) : null}
      <FormField label="Phase monitor">
        <span>
          <Switch
            aria-label="Phase monitor"
            checked={draft.phaseMonitor}
            onChange={(phaseMonitor) => set({ phaseMonitor })}
          />
        </span>
      </FormField>
    </div>
  )
}
