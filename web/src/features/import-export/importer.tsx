import { importState, type ImportState } from '@motor-round/contract'
import { Button, Progress, Select, Upload } from 'antd'
import { useEffect, useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { filesApi } from '../../app/files-api.ts'
import type { Failure } from '../../app/failure.ts'
import { addressOf } from '../../app/request.ts'
import { SendFailure, sendFile } from '../../app/send-file.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { AfterImport, ImportErrors, ImportWords } from './import-result.tsx'

const kinds: readonly { value: ImportState['kind']; label: string; accept: string }[] = [
  { value: 'readings', label: 'Readings (CSV)', accept: '.csv,.txt,.tsv' },
  { value: 'register', label: 'Machine list (CSV)', accept: '.csv,.txt,.tsv' },
  { value: 'organization', label: 'Whole organization (JSON)', accept: '.json' },
]

/** How far the server is with a file that is on its way. */
function Checking({ id, file, cancel }: { id: string; file: File; cancel: () => void }) {
  const progress = filesApi.useImportStateQuery({ params: { id } }, { pollingInterval: 700 })
  const state = progress.data
  const share = file.size === 0 ? 0 : Math.min(99, Math.round((100 * (state?.bytes ?? 0)) / file.size))
  return (
    <div className="stack" role="status">
      <p>
        Checking {file.name}: {(state?.rows ?? 0).toLocaleString('en')} rows so far
        {state && state.errorCount > 0 ? `, ${state.errorCount.toLocaleString('en')} errors` : ''}. Nothing is imported
        yet.
      </p>
      <Progress percent={share} />
      <div>
        <Button onClick={cancel}>Cancel</Button>
      </div>
    </div>
  )
}

interface Run {
  readonly id: string
  readonly file: File
  readonly abort: AbortController
}

/** Bring a file in: choose, check, look at what would happen, keep or call off. */
export function Importer() {
  const [kind, setKind] = useState<ImportState['kind']>('readings')
  const [run, setRun] = useState<Run | null>(null)
  const [state, setState] = useState<ImportState | null>(null)
  const [failure, setFailure] = useState<Failure | undefined>()
  const [zone, setZone] = useState('')
  const [keep, keeping] = filesApi.useKeepImportMutation()
  const [cancelImport] = filesApi.useCancelImportMutation()
  const running = useRef<Run | null>(null)
  useEffect(() => () => running.current?.abort.abort(), [])

  const start = async (file: File, withZone?: string) => {
    const next: Run = { id: uuid(), file, abort: new AbortController() }
    running.current = next
    setRun(next)
    setState(null)
    setFailure(undefined)
    try {
      const checked = await sendFile(
        addressOf('startImport', undefined, {
          id: next.id,
          kind,
          zone: withZone,
          name: file.name,
          size: file.size,
        }),
        file,
        importState,
        next.abort.signal,
      )
      if (running.current === next) {
        setState(checked)
        setZone(checked.zones[0] ?? 'UTC')
      }
    } catch (e) {
      if (!(e instanceof SendFailure)) throw e
      if (running.current === next && !next.abort.signal.aborted) setFailure(e.failure)
    } finally {
      running.current = null
      setRun((r) => (r === next && next.abort.signal.aborted ? null : r))
    }
  }
  const drop = () => {
    const current = run
    current?.abort.abort()
    running.current = null
    if (current) void cancelImport({ params: { id: current.id } })
    setRun(null)
    setState(null)
    setFailure(undefined)
  }
  const checking = run !== null && state === null && failure === undefined
  return (
    <section className="sheet stack">
      <h2>Import</h2>
      <div className="form-grid">
        <FormField label="File type">
          <Select<ImportState['kind']>
            aria-label="File type"
            value={kind}
            options={[...kinds]}
            disabled={checking}
            onChange={setKind}
          />
        </FormField>
      </div>
      {checking ? (
        <Checking id={run.id} file={run.file} cancel={drop} />
      ) : (
        <Upload.Dragger
          accept={kinds.find((k) => k.value === kind)?.accept ?? ''}
          showUploadList={false}
          beforeUpload={(file) => {
            void start(file)
            return false
          }}
        >
          <p className="condensed import-drop">Drop a file here, or tap to choose one</p>
          <p className="quiet">Every row is checked first. You see what changes before anything is imported.</p>
        </Upload.Dragger>
      )}
      <FailureNote failure={failure ?? (keeping.error as Failure | undefined)} kept="Nothing was imported." />
      {state?.status === 'needs zone' && run ? (
        <div className="note tone-fix problem">
          <h3>{state.message}</h3>
          <div className="row">
            <Select
              aria-label="Time zone of the dates"
              showSearch
              value={zone}
              popupMatchSelectWidth={false}
              options={[...new Set([...state.zones, 'UTC', ...Intl.supportedValuesOf('timeZone')])].map((z) => ({
                value: z,
                label: z,
              }))}
              onChange={setZone}
            />
            <Button type="primary" onClick={() => void start(run.file, zone)}>
              Use {zone}
            </Button>
          </div>
        </div>
      ) : null}
      {state?.status === 'refused' || state?.status === 'failed' || state?.status === 'cancelled' ? (
        <ImportErrors state={state} />
      ) : null}
      {state?.status === 'ready' ? (
        <div className="stack note tone-ok">
          <h3>{state.name} is ready to import</h3>
          <ImportWords state={state} />
          {state.message === '' ? null : <p className="strong">{state.message}</p>}
          <div className="row">
            <Button
              type="primary"
              size="large"
              loading={keeping.isLoading}
              onClick={() =>
                void keep({ params: { id: state.id } })
                  .unwrap()
                  .then(setState, () => undefined)
              }
            >
              Import
            </Button>
            <Button size="large" disabled={keeping.isLoading} onClick={drop}>
              Cancel
            </Button>
          </div>
        </div>
      ) : null}
      {state?.status === 'done' ? (
        <div className="stack note tone-ok" role="status">
          <h3>{state.name} is imported</h3>
          <ImportWords state={state} />
          <AfterImport />
        </div>
      ) : null}
    </section>
  )
}
