import { Button, Form } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { degreesOf } from '../../app/shown-units.ts'
import { ControlsFields } from './controls-fields.tsx'
import { bodyOf, blankMachine, MachineFields, type MachineDraft } from './machine-fields.tsx'
import { blankPlace, PlaceFields, useMakePlace, usePlace, type PlaceDraft } from './place-fields.tsx'

/** Add a machine: where it stands, what it is; its plate comes next. */
export function NewMachine() {
  const [id] = useState(() => uuid())
  const [typed, setPlace] = useState<PlaceDraft | null>(null)
  const sites = api.usePlacesQuery({}).data?.sites ?? []
  // Where there is one site it is that one.
  const place = typed ?? { ...blankPlace, site: sites.length === 1 ? (sites[0]?.name ?? '') : '' }
  const [machine, setMachine] = useState<MachineDraft>(blankMachine)
  const [failure, setFailure] = useState<Failure | undefined>()
  const found = usePlace(place)
  const scale = degreesOf(found.site ?? place.settings)
  const makePlace = useMakePlace()
  const [addMachine] = api.useAddMachineMutation()
  const navigate = useNavigate()
  const mayAdd = useMay('mechanic')
  const missing = [
    ['site', place.site.trim() === ''] as const,
    ['unit tag', place.unit.trim() === ''] as const,
    ['area', found.unit === undefined && place.area.trim() === ''] as const,
    ['machine tag', machine.tag.trim() === ''] as const,
  ].flatMap(([words, lacks]) => (lacks ? [words] : []))
  if (!mayAdd) return <p className="page">Only a technician or a lead can add machines.</p>
  const send = async () => {
    try {
      setFailure(undefined)
      const unitId = await makePlace(place, found)
      await addMachine({ body: { id, unitId, ...bodyOf(machine, scale) } }).unwrap()
      await navigate(`/machines/${id}/motor`)
    } catch (e) {
      setFailure(e as Failure)
    }
  }
  return (
    <Form
      className="page stack"
      onFinish={() => {
        void send()
      }}
    >
      <h1>Add a machine</h1>
      <p className="quiet">
        Need to correct a name? <Link to="/places">Sites and units</Link>
      </p>
      <section className="sheet stack">
        <h2>Location</h2>
        <PlaceFields draft={place} set={(d) => setPlace({ ...place, ...d })} />
      </section>
      <section className="sheet stack">
        <h2>Machine</h2>
        <MachineFields draft={machine} set={(d) => setMachine({ ...machine, ...d })} failure={failure} />
      </section>
      <section className="sheet stack">
        <h2>Controls and protection, if known</h2>
        <ControlsFields
          draft={machine}
          phases={machine.phases}
          scale={scale}
          set={(d) => setMachine({ ...machine, ...d })}
          failure={failure}
        />
      </section>
      {failure ? (
        <div className="note tone-fix problem" role="alert">
          <h3>{failure.problem.title}</h3>
          <p>{messageOf(failure)}</p>
        </div>
      ) : null}
      {missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0}>
          Add machine
        </Button>
      </div>
    </Form>
  )
}
