import { liveQuantities, liveQuantity, type LiveQuantityId } from '@motor-round/core/live'
import { Button, Checkbox, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { skipToken } from '@reduxjs/toolkit/query'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { liveApi } from '../../app/live-api.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

/** What a column most likely is, by its name. */
function guess(name: string): LiveQuantityId {
  if (/amp|current|cur\b/.test(name)) return 'amps'
  if (/hz|freq|speed/.test(name)) return 'hz'
  if (/cmd|call|command|enable|s\/s/.test(name)) return 'call'
  return 'running'
}

/** A column is assigned to a machine: which, what it is, in which unit. */
export function AssignForm({ name, done }: { name: string; done: () => void }) {
  const [id] = useState(() => uuid())
  const [typed, setTyped] = useState(name.split(/[.\s_]/)[0] ?? '')
  const [machineId, setMachineId] = useState<string | undefined>()
  const [quantity, setQuantity] = useState<LiveQuantityId>(guess(name))
  const [unit, setUnit] = useState(liveQuantity(guess(name)).units[0]?.id ?? '')
  const [sure, setSure] = useState(false)
  const found = api.useFindMachinesQuery(typed.trim() === '' ? skipToken : { query: { q: typed } })
  const [save, saving] = liveApi.useSetLivePointMutation()
  const failure = saving.error as Failure | undefined
  const unitProblem = fieldMessage(failure, 'unit')
  const choose = (q: LiveQuantityId) => {
    setQuantity(q)
    setUnit(liveQuantity(q).units[0]?.id ?? '')
    setSure(false)
  }
  const send = () => {
    if (machineId === undefined) return
    void save({ body: { id, name, machineId, quantity, unit, sure } })
      .unwrap()
      .then(done, () => undefined)
  }
  return (
    <div className="stack live-assign" role="group" aria-label={`Assign ${name}`}>
      <FormField label="Machine" error={fieldMessage(failure, 'machineId')}>
        <Select
          size="large"
          showSearch={{ filterOption: false, onSearch: setTyped }}
          placeholder="Tag or name"
          value={machineId}
          options={(found.currentData ?? []).map((m) => ({
            value: m.id,
            label: `${m.unitTag} / ${m.tag} · ${m.siteName}`,
          }))}
          onChange={setMachineId}
        />
      </FormField>
      <div className="row">
        <FormField label="What it is" error={fieldMessage(failure, 'quantity')}>
          <Select
            size="large"
            value={quantity}
            options={liveQuantities.map((q) => ({ value: q.id, label: q.title }))}
            onChange={choose}
          />
        </FormField>
        <FormField label="Sent in" error={unitProblem}>
          <Select
            size="large"
            value={unit}
            popupMatchSelectWidth={false}
            options={liveQuantity(quantity).units.map((u) => ({ value: u.id, label: u.id }))}
            onChange={setUnit}
          />
        </FormField>
      </div>
      {unitProblem === undefined ? null : (
        <Checkbox checked={sure} onChange={(e) => setSure(e.target.checked)}>
          The unit is right, I checked it at the machine
        </Checkbox>
      )}
      <FailureNote failure={failure?.problem.errors ? undefined : failure} kept="What you chose stays." />
      <div className="row">
        <Button
          type="primary"
          size="large"
          loading={saving.isLoading}
          disabled={machineId === undefined}
          onClick={send}
        >
          {machineId === undefined ? 'Choose the machine' : 'Assign the column'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </div>
  )
}
