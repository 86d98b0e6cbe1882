import type { VfdRead } from '@motor-round/contract'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { useJudgedPage } from '../../app/judging.ts'
import { vfdApi } from '../../app/vfd-api.ts'
import type { Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { ConnectionPanel } from './connection-panel.tsx'
import { expectedAt } from './expected.ts'
import { KeptSettings } from './kept-settings.tsx'
import { FaultLog, LivePanel } from './live-panel.tsx'
import { SettingsPanel } from './settings-panel.tsx'
import { WritePanel } from './write-panel.tsx'
import './vfd.css'

/** The variable-frequency drive of a machine: what it shows, how it is set, where it answers. */
export function VfdScreen() {
  const id = useParams()['id'] ?? ''
  const machine = useJudgedPage(id)
  const query = vfdApi.useVfdQuery({ params: { id } })
  const [read, reading] = vfdApi.useReadVfdMutation()
  /** The reading that was saved, or that a setting was written after: the drive is no more as it says. */
  const [spent, setSpent] = useState<VfdRead | null>(null)
  const mayAct = useMay('mechanic')
  const mayLead = useMay('lead')
  const { currentData: page } = query
  const known = machine.page
  const failure = (query.error as Failure | undefined) ?? machine.failure
  if (!page || !known)
    return failure ? <PageFailure failure={failure} kept="This drive cannot be loaded." /> : <Loading page />
  const name = `${known.unit.tag} / ${known.machine.tag}`
  const spend = () => setSpent(reading.data ?? null)
  const ask = () => void read({ params: { id }, body: { settings: true } })
  return (
    <div className="page stack vfd">
      <header>
        <h1 className="machine-tag">
          <Link to={`/machines/${id}`}>{name}</Link> · Drive
        </h1>
        <p className="quiet">
          {known.machine.purpose}
          {known.machine.hasVfd ? (
            <>
              {' · '}
              <Link className="link-tall" to={`/machines/${id}/vfd/sheet`}>
                Commissioning sheet
              </Link>{' '}
              <Link className="link-tall" to={`/machines/${id}/live`}>
                Live data
              </Link>
            </>
          ) : null}
        </p>
      </header>
      {known.machine.hasVfd ? (
        <>
          <Columns of={['400px', 1]}>
            <div className="stack">
              <LivePanel
                page={page}
                read={reading.data ?? null}
                reading={reading.isLoading}
                failure={reading.error as Failure | undefined}
                ask={mayAct ? ask : null}
                metric={known.site.units === 'metric'}
                trace={`/machines/${id}/trace`}
                expected={(hz) => expectedAt(known, hz)}
              />
              <FaultLog read={reading.data ?? null} />
            </div>
            <div className="stack">
              <SettingsPanel
                key={page.settings[0]?.id ?? 'none'}
                machine={known.machine}
                motor={known.motor}
                page={page}
                read={reading.data && reading.data !== spent ? reading.data : null}
                saved={spend}
                mayAct={mayAct}
              />
              <KeptSettings page={page} name={name.replace(/[^\w-]+/g, '-')} />
            </div>
          </Columns>
          {mayLead ? (
            <Columns of={['400px', 1]} lastFirst>
              <ConnectionPanel id={id} page={page} />
              <WritePanel id={id} page={page} written={spend} />
            </Columns>
          ) : null}
        </>
      ) : (
        <p className="note">
          This machine has no variable-frequency drive on record.{' '}
          <Link to={`/machines/${id}/edit`}>Edit the machine</Link> if it has one.
        </p>
      )}
    </div>
  )
}
