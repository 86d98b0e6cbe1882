import { unitKinds, type Area, type Site, type Unit } from '@motor-round/contract'
import { Button, Form, Input, Select } from 'antd'
import { useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import { api } from '../../app/api.ts'
import { spansText } from '../../app/dates.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { useMay } from '../../app/shell/index.ts'
import { FailureNote, PageFailure } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { CareFields } from './care-fields.tsx'
import { SiteSettings } from './site-settings.tsx'
import { Tiles } from '../../parts/columns/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import './places.css'

interface RowProps {
  readonly words: ReactNode
  readonly mayEdit: boolean
  readonly failure: Failure | undefined
  readonly busy: boolean
  /** Begin from the record as it is now. */
  readonly begin: () => void
  /** Save on the version the edit was begun on; tells whether it is done. */
  readonly save: () => Promise<boolean>
  readonly fields: ReactNode
}

/** One place: its words, and in its own row the fields to change it. A stale edit keeps what was typed. */
function PlaceRow({ words, mayEdit, failure, busy, begin, save, fields }: RowProps) {
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <div className="between place-row">
        <span>{words}</span>
        {mayEdit ? (
          <Button
            type="link"
            onClick={() => {
              begin()
              setOpen(true)
            }}
          >
            Edit
          </Button>
        ) : null}
      </div>
    )
  return (
    <Form
      className="stack place-open"
      onFinish={() => {
        void save().then((done) => done && setOpen(false))
      }}
    >
      <div className="form-grid">{fields}</div>
      <FailureNote failure={failure} kept="Not saved; what you typed is kept here." />
      {failure?.problem.current !== undefined ? (
        <p className="quiet">On record now: {words}. Save again to replace it with yours, or cancel.</p>
      ) : null}
      <div className="row">
        <Button type="primary" htmlType="submit" loading={busy}>
          Save
        </Button>
        <Button onClick={() => setOpen(false)}>Cancel</Button>
      </div>
    </Form>
  )
}

const settled = (sent: Promise<unknown>) =>
  sent.then(
    () => true,
    () => false,
  )

function SiteRow({ site, mayEdit }: { site: Site; mayEdit: boolean }) {
  const [draft, setDraft] = useState(site)
  const [save, attempt] = api.useEditSiteMutation()
  const failure = attempt.error as Failure | undefined
  // After a stale edit the next save knowingly goes over what is on record now.
  const version = failure?.problem.current !== undefined ? site.version : draft.version
  return (
    <PlaceRow
      words={
        <>
          <b className="condensed">{site.name}</b>{' '}
          <span className="quiet">
            {site.zone}
            {site.hertz === null ? '' : `, ${String(site.hertz)} Hz`}, {site.units === 'us' ? 'US units' : 'metric'},{' '}
            {site.paper === 'letter' ? 'Letter' : 'A4'}
          </span>
        </>
      }
      mayEdit={mayEdit}
      failure={failure}
      busy={attempt.isLoading}
      begin={() => {
        attempt.reset()
        setDraft(site)
      }}
      save={() => settled(save({ params: { id: site.id }, body: { ...draft, version } }).unwrap())}
      fields={
        <>
          <FormField label="Site name" error={fieldMessage(failure, 'name')}>
            <Input value={draft.name} maxLength={80} onChange={(e) => setDraft({ ...draft, name: e.target.value })} />
          </FormField>
          <SiteSettings value={draft} set={(d) => setDraft({ ...draft, ...d })} failure={failure} />
        </>
      }
    />
  )
}

function AreaRow({ area, mayEdit }: { area: Area; mayEdit: boolean }) {
  const [draft, setDraft] = useState(area)
  const [save, attempt] = api.useEditAreaMutation()
  const failure = attempt.error as Failure | undefined
  const version = failure?.problem.current !== undefined ? area.version : draft.version
  return (
    <PlaceRow
      words={
        <>
          <b className="condensed">{area.name}</b> <span className="quiet">{area.kind}</span>{' '}
          <Link to={`/areas/${area.id}/map`}>Roof map</Link> <Link to={`/tags?area=${area.id}`}>Tag sheet</Link>
        </>
      }
      mayEdit={mayEdit}
      failure={failure}
      busy={attempt.isLoading}
      begin={() => {
        attempt.reset()
        setDraft(area)
      }}
      save={() => settled(save({ params: { id: area.id }, body: { ...draft, version } }).unwrap())}
      fields={
        <>
          <FormField label="Area name" error={fieldMessage(failure, 'name')}>
            <Input value={draft.name} maxLength={80} onChange={(e) => setDraft({ ...draft, name: e.target.value })} />
          </FormField>
          <FormField label="Roof or room">
            <Select<Area['kind']>
              aria-label="Roof or room"
              value={draft.kind}
              options={[
                { value: 'roof', label: 'roof' },
                { value: 'room', label: 'room' },
              ]}
              onChange={(kind) => setDraft({ ...draft, kind })}
            />
          </FormField>
        </>
      }
    />
  )
}

function UnitRow({ unit, areas, mayEdit }: { unit: Unit; areas: readonly Area[]; mayEdit: boolean }) {
  const [draft, setDraft] = useState(unit)
  const [save, attempt] = api.useEditUnitMutation()
  const failure = attempt.error as Failure | undefined
  const version = failure?.problem.current !== undefined ? unit.version : draft.version
  const { siteId: _site, ...body } = draft
  return (
    <PlaceRow
      words={
        <>
          {unit.tag}{' '}
          <span className="quiet">
            {unit.kind}
            {unit.modelLine ? `, ${unit.modelLine}` : ''}
            {unit.care.windows.length > 0 ? `, may be shut down ${spansText(unit.care.windows)}` : ''}
            {unit.care.people === 2 ? ', two people' : ''}
          </span>
        </>
      }
      mayEdit={mayEdit}
      failure={failure}
      busy={attempt.isLoading}
      begin={() => {
        attempt.reset()
        setDraft(unit)
      }}
      save={() => settled(save({ params: { id: unit.id }, body: { ...body, version } }).unwrap())}
      fields={
        <>
          <FormField label="Unit tag" error={fieldMessage(failure, 'tag')}>
            <Input value={draft.tag} maxLength={24} onChange={(e) => setDraft({ ...draft, tag: e.target.value })} />
          </FormField>
          <FormField label="Kind of unit">
            <Select<Unit['kind']>
              aria-label="Kind of unit"
              value={draft.kind}
              options={unitKinds.map((k) => ({ value: k, label: k }))}
              onChange={(kind) => setDraft({ ...draft, kind })}
            />
          </FormField>
          <FormField label="Model">
            <Input
              value={draft.modelLine}
              maxLength={60}
              onChange={(e) => setDraft({ ...draft, modelLine: e.target.value })}
            />
          </FormField>
          <FormField label="Area" error={fieldMessage(failure, 'areaId')}>
            <Select
              aria-label="Area"
              value={draft.areaId}
              options={areas.map((a) => ({ value: a.id, label: a.name }))}
              onChange={(areaId: string) => setDraft({ ...draft, areaId })}
            />
          </FormField>
          <CareFields care={draft.care} set={(care) => setDraft({ ...draft, care })} />
        </>
      }
    />
  )
}

/** Sites, areas and units, changed where they stand. New ones come with their first machine. */
export function Places() {
  const { data, error } = api.usePlacesQuery({})
  const lead = useMay('lead')
  const mechanic = useMay('mechanic')
  if (error && !data) return <PageFailure failure={error as Failure} kept="Sites and units cannot be loaded." />
  if (!data) return <Loading page />
  return (
    <div className="page stack">
      <h1>Sites and units</h1>
      <p>
        A new site or unit is created with its first machine: <Link to="/machines/new">add a machine</Link>, or import a
        machine list under <Link to="/import-export">Import & export</Link>.
      </p>
      {data.sites.map((site) => {
        const areas = data.areas.filter((a) => a.siteId === site.id)
        return (
          <section key={site.id} className="sheet">
            <SiteRow site={site} mayEdit={lead} />
            {areas.map((area) => (
              <div key={area.id} className="place-in">
                <AreaRow area={area} mayEdit={lead} />
                <Tiles of={240}>
                  {data.units
                    .filter((u) => u.areaId === area.id)
                    .map((u) => (
                      <UnitRow key={u.id} unit={u} areas={areas} mayEdit={mechanic} />
                    ))}
                </Tiles>
              </div>
            ))}
          </section>
        )
      })}
    </div>
  )
}
