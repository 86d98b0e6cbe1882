import { motorDraft, type MachinePage, type Motor, type MotorDraft } from '@motor-round/contract'
import { questionPlate, readColumns, type Plate } from '@motor-round/core/plate'
import { Button, Input, Select, Switch } from 'antd'
import { Link, useNavigate, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { fieldMessage, messageOf, type Failure } from '../../app/failure.ts'
import { notKeptWords } from '../../app/device-text.ts'
import { useKeptDraft } from '../../app/kept-draft.ts'
import { localInput } from '../../app/local-input.ts'
import { useNow } from '../../app/now.ts'
import { useSaveOrKeep } from '../../app/save-or-keep.ts'
import { useMay } from '../../app/shell/index.ts'
import { useWayBack } from '../../app/way-back.ts'
import { CameOut } from '../../parts/came-out/index.ts'
import { DayTimeInput } from '../../parts/day-input/index.ts'
import { FailureNote, PageFailure, TroubleNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { StaleNote } from '../../parts/stale-note/index.ts'
import { motorDifferences, PlateCard } from '../../parts/plate/index.ts'
import { Columns } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'

function voltsOf(plate: Plate): number[] {
  if (plate.volts === undefined) return []
  try {
    return readColumns(plate.volts).map((c) => c.volts)
  } catch (e) {
    if (e instanceof RangeError) return []
    throw e
  }
}

const readDraft = (kept: unknown): MotorDraft | null => motorDraft.safeParse(kept).data ?? null

function InstallForm({ page, now }: { page: MachinePage; now: number }) {
  const { machine, motor } = page
  const { draft, change, keep, forget, kept, resumed } = useKeptDraft(
    `motor-round-motor ${machine.id}`,
    readDraft,
    (): MotorDraft => ({
      id: uuid(),
      plate: { phases: machine.phases, hz: motor?.plate.hz ?? '60' },
      connectionVolts: null,
      installedAt: localInput(now),
      removedFor: null,
      removedWhy: '',
      why: '',
      substitute: false,
      // The motor that was in place when one began to type: another that is entered meanwhile is told.
      replaces: motor?.id ?? null,
    }),
  )
  const { plate, connectionVolts, installedAt, removedFor, removedWhy, why, substitute } = draft
  const [fit, attempt] = api.useInstallMotorMutation()
  const { save, trouble } = useSaveOrKeep()
  const navigate = useNavigate()
  const back = useWayBack(`/machines/${machine.id}`)
  const failure = attempt.error as Failure | undefined
  const questions = questionPlate(plate)
  const server = failure?.problem.status === 409 ? (failure.problem.current as Motor | undefined) : undefined
  const missing = [
    ...(Object.keys(plate).length <= 2 ? ['at least one field of the nameplate'] : []),
    ...(installedAt === '' ? ['the day it was installed'] : []),
  ]
  const at = () => (installedAt === '' ? '' : new Date(installedAt).toISOString())
  const send = (replaces: string | null) => {
    const body = { ...draft, installedAt: at(), replaces }
    void save({ kind: 'motor', body: { ...body, machineId: machine.id } }, () =>
      fit({ params: { id: machine.id }, body }).unwrap(),
    ).then((saved) => {
      if (!saved) return
      forget()
      void navigate(back)
    })
  }
  return (
    <div className="page stack">
      <h1>
        {motor ? 'Replace the motor of' : 'Motor nameplate of'} {page.unit.tag} / {machine.tag}
      </h1>
      {motor ? (
        <p>
          The {motor.plate.maker ?? ''}{' '}
          {motor.plate.power === undefined ? 'motor' : `${motor.plate.power} ${motor.plate.powerUnit ?? 'hp'}`},{' '}
          {motor.plate.amps ?? 'amps not read'} A, moves to the history. From this day the new nameplate sets the limit
          and a new baseline starts.
        </p>
      ) : (
        <p>
          Tap a field and type what the nameplate says. Enter goes to the next field; mark what is worn off as “cannot
          be read”.
        </p>
      )}
      {resumed ? (
        <p className="quiet">
          Continued from what was typed on this device and not saved.{' '}
          <Button size="small" onClick={forget}>
            Start over
          </Button>
        </p>
      ) : null}
      <Columns of={['480px', 1]}>
        <div className="stack">
          <PlateCard
            plate={plate}
            serviceVolts={machine.serviceVolts}
            connectionVolts={connectionVolts}
            caption="new"
            blanks
            begin
            onChange={(p) => change({ plate: p })}
            onType={(p) => keep({ plate: p })}
          />
          {questions.map((q) => (
            <p key={q.asks} className="note tone-watch">
              <b className="condensed">Check:</b> {q.asks}
            </p>
          ))}
        </div>
        <section className="sheet stack">
          <FormField label="Installed" error={fieldMessage(failure, 'installedAt')}>
            <DayTimeInput label="Installed" value={installedAt} onChange={(v) => change({ installedAt: v })} />
          </FormField>
          <FormField label="Connected for">
            <Select<number>
              aria-label="Connected for"
              value={connectionVolts ?? 0}
              options={[
                { value: 0, label: `nearest ${machine.serviceVolts} V` },
                ...voltsOf(plate).map((v) => ({ value: v, label: `${v} V` })),
              ]}
              onChange={(v) => change({ connectionVolts: v === 0 ? null : v })}
            />
          </FormField>
          {motor ? (
            <>
              <CameOut value={removedFor} onChange={(v) => change({ removedFor: v })} />
              <FormField label="What was wrong with the old one">
                <Input value={removedWhy} maxLength={400} onChange={(e) => change({ removedWhy: e.target.value })} />
              </FormField>
            </>
          ) : null}
          <FormField label="Notes on the new one">
            <Input value={why} maxLength={400} onChange={(e) => change({ why: e.target.value })} />
          </FormField>
          <FormField label="Temporary substitute">
            <span>
              <Switch
                aria-label="Temporary substitute"
                checked={substitute}
                onChange={(v) => change({ substitute: v })}
              />
            </span>
          </FormField>
          {server && failure ? (
            <StaleNote
              told={messageOf(failure)}
              differences={motorDifferences({ plate, connectionVolts, installedAt: at(), substitute }, server)}
              mineWords="My motor was installed later"
              keepMine={() => send(server.id)}
              takeTheirs={() => {
                forget()
                void navigate(back)
              }}
            />
          ) : (
            <FailureNote
              failure={failure?.noSignal ? undefined : failure}
              kept="Not saved; what you typed is kept here."
            />
          )}
          <TroubleNote words={trouble ?? (kept ? null : notKeptWords)} />
          {missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null}
          <div className="row">
            <Button
              type="primary"
              size="large"
              loading={attempt.isLoading}
              disabled={missing.length > 0}
              onClick={() => send(draft.replaces)}
            >
              {motor ? 'Save replacement' : 'Save nameplate'}
            </Button>
            <Link to={back} onClick={forget}>
              <Button size="large">Cancel</Button>
            </Link>
          </div>
        </section>
      </Columns>
    </div>
  )
}

/** Enter the first plate of a machine, or replace its motor. */
export function InstallMotor() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const mayEdit = useMay('mechanic')
  const now = useNow()
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  if (!mayEdit) return <p className="page">Only a technician or a lead can change this.</p>
  return <InstallForm key={id} page={page} now={now} />
}
