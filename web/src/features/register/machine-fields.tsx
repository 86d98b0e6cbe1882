import type { Machine } from '@motor-round/contract'
import { Input, Select, Switch } from 'antd'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { blankControls, controlsDraftOf, controlsOf, type ControlsDraft } from './controls-draft.ts'

/** What is asked of a machine besides where it stands and its motor. */
export interface MachineDraft extends ControlsDraft {
  readonly tag: string
  readonly purpose: string
  readonly phases: Machine['phases']
  readonly serviceVolts: number
  readonly drive: Machine['drive']
  readonly hasVfd: boolean
  readonly hasTwin: boolean
  readonly unitPlateVolts: string
  readonly unitPlateAmps: string
}

export const blankMachine: MachineDraft = {
  ...blankControls,
  tag: 'SF',
  purpose: '',
  phases: 3,
  serviceVolts: 480,
  drive: 'belt',
  hasVfd: false,
  hasTwin: false,
  unitPlateVolts: '',
  unitPlateAmps: '',
}

export const draftOf = (m: Machine, scale: 'F' | 'C'): MachineDraft => ({
  ...controlsDraftOf(m.controls, scale),
  tag: m.tag,
  purpose: m.purpose,
  phases: m.phases,
  serviceVolts: m.serviceVolts,
  drive: m.drive,
  hasVfd: m.hasVfd,
  hasTwin: m.hasTwin,
  unitPlateVolts: m.unitPlate?.volts ?? '',
  unitPlateAmps: m.unitPlate?.amps ?? '',
})

/** The draft as the server takes it. */
export const bodyOf = (d: MachineDraft, scale: 'F' | 'C') => ({
  tag: d.tag.trim(),
  purpose: d.purpose.trim(),
  phases: d.phases,
  serviceVolts: d.serviceVolts,
  drive: d.drive,
  hasVfd: d.hasVfd,
  hasTwin: d.hasTwin,
  controls: controlsOf(d, scale),
  unitPlate:
    d.unitPlateVolts.trim() === '' && d.unitPlateAmps.trim() === ''
      ? null
      : { volts: d.unitPlateVolts.trim(), amps: d.unitPlateAmps.trim() },
})

const services = [120, 208, 240, 380, 400, 415, 480, 600]

export function MachineFields({
  draft,
  set,
  failure,
}: {
  draft: MachineDraft
  set: (d: Partial<MachineDraft>) => void
  failure: Failure | undefined
}) {
  return (
    <div className="form-grid">
      <FormField label="Machine tag" error={fieldMessage(failure, 'tag')}>
        <Input value={draft.tag} maxLength={24} onChange={(e) => set({ tag: e.target.value })} />
      </FormField>
      <FormField label="Serves" error={fieldMessage(failure, 'purpose')}>
        <Input value={draft.purpose} maxLength={80} onChange={(e) => set({ purpose: e.target.value })} />
      </FormField>
      <FormField label="Supply">
        <Select
          aria-label="Supply"
          value={draft.serviceVolts}
          options={services.map((v) => ({ value: v, label: `${v} V` }))}
          onChange={(serviceVolts: number) => set({ serviceVolts })}
        />
      </FormField>
      <FormField label="Phases">
        <Select<1 | 3>
          aria-label="Phases"
          value={draft.phases}
          options={[
            { value: 3, label: 'three-phase' },
            { value: 1, label: 'single-phase' },
          ]}
          onChange={(phases) => set({ phases })}
        />
      </FormField>
      <FormField label="Drive train">
        <Select<Machine['drive']>
          aria-label="Drive train"
          value={draft.drive}
          options={[
            { value: 'belt', label: 'belt' },
            { value: 'direct', label: 'direct' },
          ]}
          onChange={(drive) => set({ drive })}
        />
      </FormField>
      <FormField label="Variable-frequency drive">
        <span>
          <Switch aria-label="Variable-frequency drive" checked={draft.hasVfd} onChange={(hasVfd) => set({ hasVfd })} />
        </span>
      </FormField>
      <FormField label="Twin fan in the same unit">
        <span>
          <Switch
            aria-label="Twin fan in the same unit"
            checked={draft.hasTwin}
            onChange={(hasTwin) => set({ hasTwin })}
          />
        </span>
      </FormField>
      <FormField
        label="Unit nameplate volts, if it lists the fan motor"
        error={fieldMessage(failure, 'unitPlate.volts')}
      >
        <Input
          value={draft.unitPlateVolts}
          placeholder="as printed: 208-230/460"
          onChange={(e) => set({ unitPlateVolts: e.target.value })}
        />
      </FormField>
      <FormField label="Unit nameplate amps" error={fieldMessage(failure, 'unitPlate.amps')}>
        <Input
          value={draft.unitPlateAmps}
          placeholder="as printed: 27.0-25.6/12.8"
          onChange={(e) => set({ unitPlateAmps: e.target.value })}
        />
      </FormField>
    </div>
  )
}
