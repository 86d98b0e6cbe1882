import type { Machine, MachinePage } from '@motor-round/contract'
import { Button, Input } from 'antd'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { degreesOf } from '../../app/shown-units.ts'
import { FailureNote, PageFailure } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { StaleNote, type Difference } from '../../parts/stale-note/index.ts'
import { offerUndo } from '../../parts/undo/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import { ControlsFields } from './controls-fields.tsx'
import { bodyOf, draftOf, MachineFields, type MachineDraft } from './machine-fields.tsx'

const rowsIn = (scale: 'F' | 'C'): readonly (readonly [keyof MachineDraft, string])[] => [
  ['tag', 'Machine tag'],
  ['purpose', 'Serves'],
  ['serviceVolts', 'Supply, V'],
  ['phases', 'Phases'],
  ['drive', 'Drive train'],
  ['hasVfd', 'Variable-frequency drive'],
  ['hasTwin', 'Twin fan'],
  ['unitPlateVolts', 'Unit nameplate volts'],
  ['unitPlateAmps', 'Unit nameplate amps'],
  ['starter', 'Starter type'],
  ['poles', 'Poles opened'],
  ['overload', 'Overload protection'],
  ['protection', 'Fuse or breaker'],
  ['protectionAmps', 'Rating, A'],
  ['controlVolts', 'Control volts'],
  ['transformerIn', 'Power transformer, V in'],
  ['transformerOut', 'Power transformer, V out'],
  ['gasSection', 'Gas section'],
  ['burnerOxygenLow', 'Burner: oxygen from, %'],
  ['burnerOxygenHigh', 'Burner: oxygen to, %'],
  ['burnerStackLow', `Burner: stack from, °${scale}`],
  ['burnerStackHigh', `Burner: stack to, °${scale}`],
  ['phaseMonitor', 'Phase monitor'],
  ['capacitorRun', 'Run capacitor, µF'],
  ['capacitorSecond', 'Second section, µF'],
  ['capacitorVolts', 'Capacitor, V'],
  ['capacitorTolerance', 'Capacitor tolerance, %'],
]

/** What differs between what was typed and the machine as it is on record. */
const differing = (mine: MachineDraft, current: Machine, scale: 'F' | 'C'): Difference[] => {
  const theirs = draftOf(current, scale)
  return rowsIn(scale)
    .filter(([k]) => mine[k] !== theirs[k])
    .map(([k, what]) => ({ what, mine: String(mine[k]), theirs: String(theirs[k]) }))
}

function Retire({ machine }: { machine: Machine }) {
  const [why, setWhy] = useState('')
  const [retire, attempt] = api.useRetireMachineMutation()
  const navigate = useNavigate()
  const away = machine.retiredAt === null
  return (
    <section className="sheet stack">
      <h2>{away ? 'Retire' : 'Return to service'}</h2>
      <p className="quiet">
        {away
          ? 'A retired machine leaves the Machines list. Its nameplate, visits and work stay on record.'
          : 'It returns to the Machines list with its full history.'}
      </p>
      <FormField label="Why">
        <Input value={why} maxLength={400} onChange={(e) => setWhy(e.target.value)} />
      </FormField>
      <FailureNote failure={attempt.error as Failure | undefined} kept="Nothing was saved." />
      <div className="row">
        <Button
          danger={away}
          disabled={why.trim() === ''}
          loading={attempt.isLoading}
          onClick={() =>
            void retire({ params: { id: machine.id }, body: { version: machine.version, why, retired: away } })
              .unwrap()
              .then(
                (kept) => {
                  if (away)
                    offerUndo(`${machine.tag} retired`, () =>
                      retire({
                        params: { id: machine.id },
                        body: { version: kept.version, why: 'Undone at once', retired: false },
                      }),
                    )
                  return navigate(away ? '/machines' : `/machines/${machine.id}`)
                },
                () => undefined,
              )
          }
        >
          {away ? 'Retire machine' : 'Return to service'}
        </Button>
      </div>
    </section>
  )
}

function EditForm({ page }: { page: MachinePage }) {
  const { machine } = page
  const [base, setBase] = useState(machine)
  const scale = degreesOf(page.site)
  const [draft, setDraft] = useState<MachineDraft>(() => draftOf(machine, scale))
  const [save, attempt] = api.useEditMachineMutation()
  const lead = useMay('lead')
  const navigate = useNavigate()
  const failure = attempt.error as Failure | undefined
  const send = (version: number) =>
    void save({
      params: { id: machine.id },
      body: { id: machine.id, unitId: machine.unitId, version, ...bodyOf(draft, scale) },
    })
      .unwrap()
      .then(
        () => navigate(`/machines/${machine.id}`),
        () => undefined,
      )
  return (
    <div className="page stack">
      <h1>
        Edit {page.unit.tag} / {machine.tag}
      </h1>
      <section className="sheet">
        <MachineFields draft={draft} set={(d) => setDraft({ ...draft, ...d })} failure={failure} />
      </section>
      <section className="sheet stack">
        <h2>Controls and protection</h2>
        <ControlsFields
          draft={draft}
          phases={draft.phases}
          scale={scale}
          set={(d) => setDraft({ ...draft, ...d })}
          failure={failure}
        />
      </section>
      {failure?.problem.status === 409 && failure.problem.current !== undefined ? (
        <StaleNote
          told={messageOf(failure)}
          differences={differing(draft, failure.problem.current as Machine, scale)}
          keepMine={() => send((failure.problem.current as Machine).version)}
          takeTheirs={() => {
            setBase(failure.problem.current as Machine)
            setDraft(draftOf(failure.problem.current as Machine, scale))
            attempt.reset()
          }}
        />
      ) : (
        <FailureNote failure={failure} kept="Not saved; what you typed is kept here." />
      )}
      <div className="row">
        <Button type="primary" size="large" loading={attempt.isLoading} onClick={() => send(base.version)}>
          Save
        </Button>
        <Link to={`/machines/${machine.id}`}>
          <Button size="large">Cancel</Button>
        </Link>
      </div>
      {lead ? <Retire machine={machine} /> : null}
    </div>
  )
}

/** Change what is known of a machine. */
export function EditMachine() {
  const id = useParams()['id'] ?? ''
  const query = api.useMachinePageQuery({ params: { id } })
  const page = query.currentData
  const mayEdit = useMay('mechanic')
  if (query.error && !page)
    return <PageFailure failure={query.error as Failure} kept="This machine cannot be loaded." />
  if (!page) return <Loading page />
  if (!mayEdit) return <p className="page">Only a technician or a lead can change this.</p>
  return <EditForm key={id} page={page} />
}
