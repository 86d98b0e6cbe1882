import { liveFile, type LiveFile } from '@motor-round/contract'
import { Button, Select } from 'antd'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import type { Failure } from '../../app/failure.ts'
import { addressOf } from '../../app/request.ts'
import { SendFailure, sendFile } from '../../app/send-file.ts'
import { FailureNote, FileButton } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { FileReport } from './file-report.tsx'

interface Run {
  readonly id: string
  readonly file: File
  readonly abort: AbortController
}

/** A file of live data is sent; what became of it is told. */
export function UploadPanel({ folder }: { folder: boolean }) {
  const dispatch = useDispatch()
  const [zone, setZone] = useState('')
  const [run, setRun] = useState<Run | null>(null)
  const [report, setReport] = useState<LiveFile | null>(null)
  const [failure, setFailure] = useState<Failure | undefined>()
  const send = async (file: File) => {
    const next = { id: uuid(), file, abort: new AbortController() }
    setRun(next)
    setReport(null)
    setFailure(undefined)
    try {
      const query = { id: next.id, name: file.name, ...(zone === '' ? {} : { zone }) }
      setReport(await sendFile(addressOf('sendLiveFile', undefined, query), file, liveFile, next.abort.signal))
      dispatch(api.util.invalidateTags(['live', 'machine', 'machineList']))
    } catch (e) {
      if (!next.abort.signal.aborted && e instanceof SendFailure) setFailure(e.failure)
      else if (!next.abort.signal.aborted) throw e
    } finally {
      setRun(null)
    }
  }
  return (
    <section className="sheet stack" aria-label="Upload a file">
      <header>
        <h2>Upload a file</h2>
        <span className="quiet">CSV out of the building system</span>
      </header>
      <p>
        A column of time and one for each point, or rows of time, point and value. Sending a file twice doubles nothing.
        {folder ? ' Files in the server’s folder are taken by themselves.' : ''}
      </p>
      <FormField label="Clock of the file, where its times carry no zone">
        <Select
          size="large"
          showSearch
          value={zone}
          options={[
            { value: '', label: 'That of the site of its machines' },
            { value: 'UTC', label: 'UTC' },
            ...Intl.supportedValuesOf('timeZone').map((z) => ({ value: z, label: z })),
          ]}
          onChange={setZone}
        />
      </FormField>
      {run ? (
        <div className="row" role="status">
          <span>Reading {run.file.name} …</span>
          <Button
            onClick={() => {
              run.abort.abort()
            }}
          >
            Cancel
          </Button>
        </div>
      ) : (
        <div className="row">
          <FileButton words="Choose a CSV file" accept=".csv,.txt" onFile={(file) => void send(file)} />
        </div>
      )}
      <FailureNote failure={failure} kept="What was kept of it stays; send it again." />
      {report ? <FileReport file={report} /> : null}
    </section>
  )
}
