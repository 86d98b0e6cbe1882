import { coreVisit, coreWork, toPolicies, type MachinePage, type VfdPage } from '@motor-round/contract'
import { commissionedSince, commissioningSheet, type FanControl, type SheetLine } from '@motor-round/core/commission'
import { defaultPolicies } from '@motor-round/core/limits'
import { checkSettings, plateForDrive, twinDifferences } from '@motor-round/core/vfd'
import { Button, Segmented } from 'antd'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { z } from 'zod'
import { api } from '../../app/api.ts'
import { dayTime } from '../../app/dates.ts'
import type { Failure } from '../../app/failure.ts'
import { standingOf, useJudgedPage, useSnapshot } from '../../app/judging.ts'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { useNow } from '../../app/now.ts'
import { useMay } from '../../app/shell/index.ts'
import { vfdApi } from '../../app/vfd-api.ts'
import { PageFailure } from '../../parts/fields/index.ts'
import { LevelMark } from '../../parts/level-mark/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import './vfd.css'

const stateLevel = { done: 'ok', wrong: 'fix' } as const
const stateWords: Readonly<Record<SheetLine['state'], string>> = { done: 'done', wrong: 'wrong', missing: 'missing' }

const controls: readonly { readonly value: FanControl; readonly label: string }[] = [
  { value: 'duct pressure', label: 'Duct pressure' },
  { value: 'temperature', label: 'Temperature or a set speed' },
  { value: 'none', label: 'Nothing: one speed' },
]
const kept = z.object({ control: z.enum(['duct pressure', 'temperature', 'none']).nullable() })
const readKept = (value: unknown) => kept.safeParse(value).data ?? null

/** The sheet of a machine's drive, from its record. */
function useSheet(page: MachinePage | undefined, drive: VfdPage | undefined, control: FanControl | null, now: number) {
  const snapshot = useSnapshot(page)
  const policies = api.usePoliciesQuery({}).data?.policies
  return useMemo(() => {
    if (!page || !drive) return null
    const { machine, motor } = page
    const limits = policies ? toPolicies(policies) : defaultPolicies
    const [last] = drive.settings
    const plate = plateForDrive(motor?.plate ?? null, machine.serviceVolts, motor?.connectionVolts ?? null)
    const twins = drive.twins.flatMap((t) => (t.settings && last ? [twinDifferences(last.set, t.settings.set)] : []))
    const facts = {
      visits: page.visits.filter((v) => v.supersededBy === null).map(coreVisit),
      work: page.work.map(coreWork),
      motorAt: motor && page.pastMotors.length > 0 ? Date.parse(motor.installedAt) : null,
      judgement: snapshot ? (standingOf(snapshot)?.judgement ?? null) : null,
      settings: last ? { at: Date.parse(last.takenAt), lines: checkSettings(last.set, plate, limits) } : null,
      unlikeTwins: twins.length === 0 ? null : twins.reduce((s, d) => s + d.length, 0),
      hasTwin: drive.twins.length > 0,
      control,
      policies: limits,
      zone: page.site.zone,
      now,
    }
    return { lines: commissioningSheet(facts), since: commissionedSince(facts) }
  }, [page, drive, control, now, snapshot, policies])
}

/** A drive's commissioning on one sheet: proven, wrong, missing; to be printed and signed. */
export function CommissioningScreen() {
  const id = useParams()['id'] ?? ''
  const now = useNow()
  const mayAct = useMay('mechanic')
  const machine = useJudgedPage(id)
  const query = vfdApi.useVfdQuery({ params: { id } })
  const { draft, change } = useKeptDraft(`drive-control ${id}`, readKept, () => ({
    control: null as FanControl | null,
  }))
  const page = machine.page
  const sheet = useSheet(page, query.currentData, draft.control, now)
  const failure = (query.error as Failure | undefined) ?? machine.failure
  if (!page || !sheet)
    return failure ? <PageFailure failure={failure} kept="This sheet cannot be loaded." /> : <Loading page />
  const open = sheet.lines.filter((l) => l.state !== 'done')
  return (
    <div className="page stack vfd commissioning">
      <header>
        <h1 className="machine-tag">
          <Link to={`/machines/${id}/vfd`}>
            {page.unit.tag} / {page.machine.tag}
          </Link>{' '}
          · Commissioning
        </h1>
        <p className="quiet">
          {page.machine.purpose} ·{' '}
          {sheet.since === null
            ? 'everything on record counts'
            : `what was read since drive or motor went in, ${dayTime(new Date(sheet.since).toISOString())}`}
        </p>
      </header>
      <section className="sheet stack" aria-label="Commissioning sheet">
        <header>
          <h2>{open.length === 0 ? 'All done' : `${open.length} of ${sheet.lines.length} open`}</h2>
          <span className="quiet">from visits, work and saved settings</span>
        </header>
        <div className="row commissioning-control">
          <span id="fan-control">The fan follows</span>
          <Segmented<string>
            size="large"
            aria-labelledby="fan-control"
            value={draft.control ?? ''}
            options={[...controls]}
            onChange={(chosen) => change({ control: controls.find((c) => c.value === chosen)?.value ?? null })}
          />
        </div>
        <ol className="rows commissioning-lines">
          {sheet.lines.map((l) => (
            <li key={l.id} aria-label={`${l.title}: ${stateWords[l.state]}`}>
              {l.state === 'missing' ? <b>Missing</b> : <LevelMark level={stateLevel[l.state]} filled />}
              <div>
                <p className="strong">{l.title}</p>
                <p>{l.told}</p>
                {l.next === '' ? null : <p className="quiet">{l.next}</p>}
              </div>
            </li>
          ))}
        </ol>
        <p className="quiet">
          Lock out, wait for the bus to empty and prove dead before any lead is touched. The manual of the drive and
          local code govern.
        </p>
        <div className="row no-print">
          {mayAct ? (
            <Link to={`/machines/${id}/visit`}>
              <Button type="primary" size="large">
                Take readings
              </Button>
            </Link>
          ) : null}
          <Link to={`/machines/${id}/vfd`}>
            <Button size="large">Settings</Button>
          </Link>
          <Button size="large" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      </section>
    </div>
  )
}
