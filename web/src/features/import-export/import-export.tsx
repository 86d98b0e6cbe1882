import type { ImportState } from '@motor-round/contract'
import { Button, Select } from 'antd'
import { useState } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { filesApi } from '../../app/files-api.ts'
import { dayTime } from '../../app/dates.ts'
import { addressOf } from '../../app/request.ts'
import { useMay } from '../../app/shell/index.ts'
import { Importer } from './importer.tsx'
import { byNumber, byText, DataTable } from '../../parts/data-table/index.ts'
import { Columns } from '../../parts/columns/index.ts'

const statusWords: Record<ImportState['status'], string> = {
  checking: 'being checked',
  ready: 'checked, not imported yet',
  refused: 'rejected, nothing imported',
  'needs zone': 'needs a time zone',
  keeping: 'importing',
  done: 'imported',
  cancelled: 'canceled',
  failed: 'failed, nothing imported',
}

function Export() {
  const places = api.usePlacesQuery({}).data
  const lead = useMay('lead')
  const [site, setSite] = useState('')
  const readings = addressOf('exportReadings', undefined, site === '' ? {} : { site })
  return (
    <section className="sheet stack">
      <h2>Export</h2>
      <div className="row">
        <Select
          aria-label="Readings of"
          value={site}
          popupMatchSelectWidth={false}
          options={[
            { value: '', label: 'All sites' },
            ...(places?.sites ?? []).map((s) => ({ value: s.id, label: s.name })),
          ]}
          onChange={setSite}
        />
        <Button href={`/api/v1${readings}`} download>
          Readings (CSV)
        </Button>
      </div>
      <div className="row">
        <Button href={`/api/v1${addressOf('exportRegister')}`} download>
          Machine list (CSV)
        </Button>
        {lead ? (
          <Button href={`/api/v1${addressOf('exportOrganization')}`} download>
            Whole organization (JSON)
          </Button>
        ) : null}
      </div>
      <p className="quiet">
        CSV by RFC 4180, times in UTC. Text that a spreadsheet would run as a formula gets a leading quote.{' '}
        <a href={`/api/v1${addressOf('organizationSchema')}`}>JSON Schema of the organization file</a>
      </p>
    </section>
  )
}

function Lately() {
  const imports = filesApi.useImportsQuery({}).data ?? []
  if (imports.length === 0) return null
  return (
    <section className="sheet">
      <h2>Recent imports</h2>
      <DataTable
        label="Recent imports"
        rowKey="id"
        dataSource={[...imports]}
        columns={[
          { title: 'When', key: 'when', render: (_, i) => dayTime(i.startedAt), sorter: byText((i) => i.startedAt) },
          { title: 'File', dataIndex: 'name', sorter: byText((i) => i.name) },
          { title: 'By', dataIndex: 'by', sorter: byText((i) => i.by) },
          {
            title: 'Rows',
            key: 'rows',
            align: 'right',
            className: 'num',
            render: (_, i) => i.rows.toLocaleString('en'),
            sorter: byNumber((i) => i.rows),
          },
          {
            title: 'New',
            key: 'new',
            align: 'right',
            className: 'num',
            render: (_, i) => (i.status === 'done' ? i.added.toLocaleString('en') : '–'),
            sorter: byNumber((i) => i.added),
          },
          { title: 'Result', key: 'result', render: (_, i) => statusWords[i.status] },
        ]}
      />
    </section>
  )
}

/** Files in and out. */
export function ImportExport() {
  const lead = useMay('lead')
  return (
    <div className="page stack">
      <h1>Import & export</h1>
      <Columns of={[3, 2]}>
        {lead ? <Importer /> : <p className="sheet">Only a lead can import files.</p>}
        <Export />
      </Columns>
      <p>
        Minute by minute from the building system and from drives: <Link to="/live">Live data</Link>
      </p>
      {lead ? <Lately /> : null}
    </div>
  )
}
