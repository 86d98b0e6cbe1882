import type { ResponseOf, liveEndpoints } from '@motor-round/contract'
import { liveQuantities } from '@motor-round/core/live'
import { Button, Popconfirm } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { liveApi } from '../../app/live-api.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { FailureNote, PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { AssignForm } from './assign-form.tsx'
import { FileReport, fileWords } from './file-report.tsx'
import { UploadPanel } from './upload-panel.tsx'
import { agoWords } from './words.ts'
import './live.css'

type Sources = ResponseOf<typeof liveEndpoints.liveSources>
const quantityTitle = (id: string) => liveQuantities.find((q) => q.id === id)?.title ?? id
const figure = (x: number) => String(Number(x.toPrecision(4)))

/** Columns that belong to no machine yet: nothing of them is kept until they do. */
function Unassigned({ sources, mayLead }: { sources: Sources; mayLead: boolean }) {
  const [open, setOpen] = useState<string | null>(null)
  if (sources.unmapped.length === 0) return null
  return (
    <section className="sheet stack" aria-label="Columns to assign">
      <header>
        <h2>Columns to assign</h2>
        <span className="quiet">nothing of them is kept until they belong to a machine</span>
      </header>
      <ul className="rows live-noticed live-columns">
        {sources.unmapped.map((u) => (
          <li key={u.name}>
            <div>
              <p className="strong">{u.name}</p>
              <p className="quiet">
                {u.seen.n === 0
                  ? 'no figures'
                  : `${figure(u.seen.low)} to ${figure(u.seen.high)}${u.seen.middle === null ? '' : `, mostly ${figure(u.seen.middle)}`}`}{' '}
                · {u.file}
              </p>
              {open === u.name ? <AssignForm name={u.name} done={() => setOpen(null)} /> : null}
            </div>
            {mayLead && open !== u.name ? <Button onClick={() => setOpen(u.name)}>Assign</Button> : null}
          </li>
        ))}
      </ul>
      <p className="quiet">After assigning, send the file again: what is there is not doubled.</p>
    </section>
  )
}

/** Columns that belong to machines. */
function Assigned({ sources, mayLead }: { sources: Sources; mayLead: boolean }) {
  const [drop, dropping] = liveApi.useDropLivePointMutation()
  if (sources.points.length === 0) return null
  return (
    <section className="sheet stack">
      <header>
        <h2>Assigned columns</h2>
        <span className="quiet">{sources.points.length}</span>
      </header>
      <DataTable
        label="Assigned columns"
        rowKey="id"
        stacked
        dataSource={[...sources.points]}
        columns={[
          { title: 'Column', dataIndex: 'name', rowScope: 'row', sorter: byText((p) => p.name) },
          {
            title: 'Machine',
            key: 'machine',
            render: (_, p) => (
              <Link className="link-tall" to={`/machines/${p.machineId}/live`}>
                {p.unitTag} / {p.tag}
              </Link>
            ),
            sorter: byText((p) => `${p.siteName} ${p.unitTag} ${p.tag}`),
          },
          { title: 'What it is', key: 'quantity', render: (_, p) => `${quantityTitle(p.quantity)}, ${p.unit}` },
          { title: 'By', key: 'by', render: (_, p) => `${p.by}, ${dayTime(p.at)}`, sorter: byText((p) => p.at) },
          ...(mayLead
            ? [
                {
                  title: '',
                  key: 'drop',
                  render: (_: unknown, p: Sources['points'][number]) => (
                    <Popconfirm
                      title="Remove the assignment?"
                      description="New files are not read for this machine. What came stays."
                      okText="Remove"
                      onConfirm={() => void drop({ params: { id: p.id } })}
                    >
                      <Button>Remove</Button>
                    </Popconfirm>
                  ),
                },
              ]
            : []),
        ]}
      />
      <FailureNote failure={dropping.error as Failure | undefined} kept="The assignment stays." />
    </section>
  )
}

/** Drives that are read every minute. */
function Polled({ sources, now }: { sources: Sources; now: number }) {
  return (
    <section className="sheet stack">
      <header>
        <h2>Drives read every minute</h2>
        <span className="quiet">turned on at each drive</span>
      </header>
      {sources.polled.length === 0 ? (
        <p className="quiet">None. Open a drive and turn on “Read it every minute” at its connection.</p>
      ) : (
        <ul className="rows live-noticed live-columns">
          {sources.polled.map((p) => (
            <li key={p.machineId}>
              <Link className="link-tall" to={`/machines/${p.machineId}/live`}>
                {p.unitTag} / {p.tag}
              </Link>
              <span className="quiet">{p.last === null ? 'no answer yet' : agoWords(p.last, now)}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

/** Files as they were taken. */
function Files({ sources }: { sources: Sources }) {
  const [open, setOpen] = useState<string | null>(null)
  const shown = sources.files.find((f) => f.id === open)
  if (sources.files.length === 0) return null
  return (
    <section className="sheet stack">
      <h2>Recent files</h2>
      <DataTable
        label="Recent files"
        rowKey="id"
        stacked
        dataSource={[...sources.files]}
        columns={[
          { title: 'When', key: 'when', render: (_, f) => dayTime(f.at), sorter: byText((f) => f.at) },
          { title: 'File', dataIndex: 'name', rowScope: 'row', sorter: byText((f) => f.name) },
          { title: 'From', key: 'from', render: (_, f) => (f.source === 'folder' ? 'folder' : f.by) },
          { title: 'Result', key: 'result', render: (_, f) => fileWords(f) },
          {
            title: '',
            key: 'open',
            render: (_, f) =>
              f.errorCount > 0 ? (
                <Button onClick={() => setOpen(open === f.id ? null : f.id)}>Show wrong lines</Button>
              ) : null,
          },
        ]}
      />
      {shown ? <FileReport file={shown} /> : null}
    </section>
  )
}

/** Where live data comes from: files and their columns, drives that are read. */
export function SourcesScreen() {
  const now = useNow()
  const mayLead = useMay('lead')
  const query = liveApi.useLiveSourcesQuery({})
  const sources = query.currentData
  if (!sources)
    return query.error ? (
      <PageFailure failure={query.error as Failure} kept="Live data cannot be loaded." />
    ) : (
      <Loading page />
    )
  return (
    <div className="page stack live">
      <header>
        <h1>Live data</h1>
        <p className="quiet">
          Minute by minute from the building system and from drives: run hours, starts, amps between visits. Every
          minute is kept {sources.keepDays} days, hours for good.
        </p>
      </header>
      <Columns of={['400px', 1]}>
        <div className="stack">
          {mayLead ? (
            <UploadPanel folder={sources.folder} />
          ) : (
            <p className="sheet">Only a lead can upload files and assign columns.</p>
          )}
          <Polled sources={sources} now={now} />
        </div>
        <div className="stack">
          <Unassigned sources={sources} mayLead={mayLead} />
          <Assigned sources={sources} mayLead={mayLead} />
          <Files sources={sources} />
        </div>
      </Columns>
    </div>
  )
}
