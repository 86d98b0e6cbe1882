import type { Machine } from '@motor-round/contract'
import type { VisitState } from '@motor-round/core/trend'
import { memo } from 'react'
import { Choice } from '../../parts/fields/index.ts'

export const turningOptions = [
  { value: 'right way', label: 'Right way' },
  { value: 'backwards', label: 'Backward' },
  { value: 'not turning', label: 'Not turning' },
] as const

/** The state a machine is read in. What nobody says stays unsaid, and lowers the confidence. */
export const StateForm = memo(function StateForm({
  machine,
  state,
  onChange,
}: {
  machine: Machine
  state: VisitState
  onChange: (s: VisitState) => void
}) {
  const set = (part: Partial<VisitState>) => onChange({ ...state, ...part })
  return (
    <div className="stack">
      <p className="note tone-watch caution">
        Energized panel: qualified people only, by local code and the site’s lockout rules. Guards on, sleeves and leads
        clear of the wheel; the clamp needs no hand inside.
      </p>
      <Choice label="Turning" value={state.turning} options={turningOptions} onChange={(turning) => set({ turning })} />
      <Choice
        label="Settled"
        value={state.settled}
        options={[
          { value: true, label: 'Yes' },
          { value: false, label: 'Not yet' },
        ]}
        onChange={(settled) => set({ settled })}
      />
      {machine.hasTwin ? (
        <Choice
          label="Twin fan"
          value={state.twin}
          options={[
            { value: 'running', label: 'Running' },
            { value: 'off', label: 'Off' },
          ]}
          onChange={(twin) => set({ twin })}
        />
      ) : null}
      <Choice
        label="Panels"
        value={state.panels}
        options={[
          { value: 'on', label: 'On' },
          { value: 'off', label: 'Off' },
        ]}
        onChange={(panels) => set({ panels })}
      />
      <Choice
        label="Filters"
        value={state.filters}
        options={[
          { value: 'clean', label: 'Clean' },
          { value: 'dirty', label: 'Dirty' },
          { value: 'out', label: 'Out' },
        ]}
        onChange={(filters) => set({ filters })}
      />
      <Choice
        label="Mode"
        value={state.mode}
        options={[
          { value: 'normal', label: 'Normal' },
          { value: 'test', label: 'Test' },
          { value: 'warm-up', label: 'Warm-up' },
          { value: 'purge', label: 'Purge' },
          { value: 'low speed', label: 'Low speed' },
          { value: 'medium speed', label: 'Medium speed' },
          { value: 'high speed', label: 'High speed' },
        ]}
        onChange={(mode) => set({ mode })}
      />
    </div>
  )
})
