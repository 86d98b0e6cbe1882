import type { VfdPage } from '@motor-round/contract'
import { parseFigure } from '@motor-round/core/quantity'
import { parameterOf, shownParameter, type ParameterId } from '@motor-round/core/vfd'
import { Button, Input, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { vfdApi } from '../../app/vfd-api.ts'
import type { Failure } from '../../app/failure.ts'
import { useClock } from '../../app/now.ts'
import { Field, FailureNote } from '../../parts/fields/index.ts'

/** One setting is written to a stopped drive, by a lead, with the reason. */
export function WritePanel({ id, page, written }: { id: string; page: VfdPage; written: () => void }) {
  const [parameter, setParameter] = useState<ParameterId | null>(null)
  const [value, setValue] = useState('')
  const [why, setWhy] = useState('')
  const [ids, setIds] = useState(() => ({ id: uuid(), visitId: uuid() }))
  const [write, writing] = vfdApi.useWriteVfdSettingMutation()
  const clock = useClock()
  const may = Object.entries(page.profile?.parameters ?? {}).filter(([, f]) => f.writable)
  if (!page.link?.mayWrite || may.length === 0) return null
  const figure = parseFigure(value)
  const missing = [
    parameter === null ? 'the setting' : '',
    figure === null ? 'the figure' : '',
    why.trim() === '' ? 'the reason' : '',
  ].filter(Boolean)
  const send = () => {
    if (parameter === null || figure === null) return
    void write({
      params: { id },
      body: { ...ids, takenAt: new Date(clock()).toISOString(), parameter, value: figure, why: why.trim() },
    })
      .unwrap()
      .then(
        () => {
          setIds({ id: uuid(), visitId: uuid() })
          written()
          setValue('')
          setWhy('')
        },
        // Shown below; what was typed stays.
        () => undefined,
      )
  }
  const unit = parameter === null ? '' : parameterOf(parameter).unit
  return (
    <section className="sheet stack" aria-label="Write a setting">
      <header>
        <h2>Write a setting</h2>
      </header>
      <p className="note tone-watch caution">
        Stop the drive first. It can start by itself when there is a call: whoever works at the fan needs a lock on it.
        Qualified people only, by the drive’s manual.
      </p>
      <Field label="Setting">
        <Select<ParameterId>
          size="large"
          aria-label="Setting"
          value={parameter}
          onChange={setParameter}
          options={may.map(([key]) => ({ value: key as ParameterId, label: parameterOf(key as ParameterId).title }))}
        />
      </Field>
      <Field label={unit === '' ? 'New figure' : `New figure, ${unit}`}>
        <Input size="large" inputMode="decimal" value={value} onChange={(e) => setValue(e.target.value)} />
      </Field>
      <Field label="Why">
        <Input size="large" maxLength={400} value={why} onChange={(e) => setWhy(e.target.value)} />
      </Field>
      <FailureNote failure={writing.error as Failure | undefined} kept="Nothing was saved." />
      <div className="row">
        <Button type="primary" size="large" disabled={missing.length > 0} loading={writing.isLoading} onClick={send}>
          {missing.length > 0
            ? `Enter ${missing.join(', ')}`
            : `Write ${parameter === null || figure === null ? '' : shownParameter(parameter, figure)}`}
        </Button>
      </div>
    </section>
  )
}
