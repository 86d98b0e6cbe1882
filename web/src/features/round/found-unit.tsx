import type { RoundPage } from '@motor-round/contract'
import { parseFigure } from '@motor-round/core/quantity'
import { Button, Form, Input, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { tryEnqueue } from '../../offline/core/enqueue.ts'
import { Choice, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

/** A unit that stands on the roof and not on record: as little as it takes to stand at it. Its plate comes next. */
export function FoundUnit({
  page,
  done,
  back,
}: {
  page: RoundPage
  done: (machineId: string) => void
  back: () => void
}) {
  const me = api.useSessionQuery({}).data?.person?.id ?? ''
  const [ids] = useState(() => ({ unit: uuid(), machine: uuid() }))
  const [tag, setTag] = useState('')
  const [fan, setFan] = useState('SF')
  // The area of the machine one was at last; on a round of several areas nobody else could say.
  const here = page.events.findLast((e) => e.machineId !== null)?.machineId
  const [areaId, setArea] = useState(
    page.visits.find((s) => s.machineId === here)?.areaId ?? (page.areas.length === 1 ? page.areas[0]?.id : undefined),
  )
  const [supply, setSupply] = useState('')
  const [phases, setPhases] = useState<'1' | '3' | null>('3')
  const [drive, setDrive] = useState<'belt' | 'direct' | null>('belt')
  const [trouble, setTrouble] = useState<string | null>(null)
  const severalSites = new Set(page.areas.map((a) => a.siteId)).size > 1
  const siteName = (id: string) => page.visits.find((s) => s.siteId === id)?.siteName ?? ''
  const volts = parseFigure(supply)
  const wrong =
    supply.trim() === ''
      ? undefined
      : volts === null
        ? `“${supply}” is not a number`
        : volts <= 0 || volts > 1000
          ? 'above 0, at most 1000 V'
          : undefined
  const ready = tag.trim() !== '' && fan.trim() !== '' && volts !== null && wrong === undefined
  const add = async () => {
    if (!ready || areaId === undefined) return
    const failed = await tryEnqueue(me, [
      {
        kind: 'found',
        body: {
          unit: { id: ids.unit, areaId, tag: tag.trim(), kind: 'other', modelLine: '' },
          machine: {
            id: ids.machine,
            tag: fan.trim(),
            purpose: 'found during a round',
            phases: phases === '1' ? 1 : 3,
            serviceVolts: volts,
            drive: drive ?? 'belt',
          },
        },
      },
    ])
    setTrouble(failed)
    if (failed === null) done(ids.machine)
  }
  return (
    <Form
      className="stack"
      onFinish={() => {
        void add()
      }}
    >
      <h2>Add a unit that is not in the list</h2>
      <div className="form-grid">
        <FormField label="Unit tag">
          <Input size="large" autoFocus value={tag} maxLength={24} onChange={(e) => setTag(e.target.value)} />
        </FormField>
        <FormField label="Fan tag">
          <Input size="large" value={fan} maxLength={24} onChange={(e) => setFan(e.target.value)} />
        </FormField>
        <FormField label="Supply" error={wrong}>
          <Input
            size="large"
            inputMode="decimal"
            suffix="V"
            value={supply}
            onChange={(e) => setSupply(e.target.value)}
          />
        </FormField>
        <FormField label="Area">
          <Select
            size="large"
            aria-label="Area"
            placeholder="Choose"
            value={areaId ?? null}
            options={page.areas.map((a) => ({
              value: a.id,
              label: severalSites ? `${siteName(a.siteId)}: ${a.name}` : a.name,
            }))}
            onChange={setArea}
          />
        </FormField>
      </div>
      <Choice
        label="Phases"
        options={[
          { value: '3', label: 'Three' },
          { value: '1', label: 'Single' },
        ]}
        value={phases}
        onChange={setPhases}
      />
      <Choice
        label="Drive"
        options={[
          { value: 'belt', label: 'Belt' },
          { value: 'direct', label: 'Direct' },
        ]}
        value={drive}
        onChange={setDrive}
      />
      <TroubleNote words={trouble} />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={!ready || areaId === undefined}>
          Add unit
        </Button>
        <Button size="large" onClick={back}>
          Back
        </Button>
      </div>
    </Form>
  )
}
