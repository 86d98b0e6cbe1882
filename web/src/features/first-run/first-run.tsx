import { Button, Form, Input, Popconfirm, Steps } from 'antd'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { useMay, usePerson } from '../../app/shell/index.ts'
import { useNarrow } from '../../app/use-narrow.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'
import { People } from '../limits/index.ts'
import { SiteSettings, usualSettings } from '../register/index.ts'
import { Tiles } from '../../parts/columns/index.ts'

function FirstSite({ done }: { done: () => void }) {
  const sites = api.usePlacesQuery({}).data?.sites ?? []
  const [name, setName] = useState('')
  const [settings, setSettings] = useState(usualSettings)
  const [add, attempt] = api.useAddSiteMutation()
  const failure = attempt.error as Failure | undefined
  const missing = name.trim() === ''
  return (
    <Form
      className="sheet stack"
      onFinish={() => {
        void add({ body: { id: uuid(), name: name.trim(), ...settings } })
          .unwrap()
          .then(
            () => {
              setName('')
              done()
            },
            () => undefined,
          )
      }}
    >
      <h2>Site</h2>
      <p className="quiet">
        A building or a campus with one clock. Roofs and rooms are added with their machines; all of this can be changed
        under <Link to="/places">Sites</Link>.
      </p>
      {sites.length > 0 ? (
        <p>
          On record: <b>{sites.map((s) => s.name).join(', ')}</b>.
        </p>
      ) : null}
      <div className="form-grid">
        <FormField label="Site name" error={fieldMessage(failure, 'name')}>
          <Input value={name} maxLength={80} autoFocus onChange={(e) => setName(e.target.value)} />
        </FormField>
        <SiteSettings value={settings} set={(d) => setSettings({ ...settings, ...d })} failure={failure} />
      </div>
      <FailureNote failure={failure} kept="Not saved; what you typed is kept here." />
      {missing && sites.length === 0 ? <p className="quiet">Still needed: site name.</p> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing}>
          Add site
        </Button>
        <Button size="large" onClick={done}>
          {sites.length > 0 ? 'Next' : 'Skip'}
        </Button>
      </div>
    </Form>
  )
}

function FirstMachines() {
  const navigate = useNavigate()
  const [load, attempt] = api.useLoadDemoMutation()
  return (
    <section className="sheet stack">
      <h2>Machines</h2>
      <Tiles of={220}>
        <div className="stack">
          <h3>Type them</h3>
          <p>One at a time: where it is, what it is, then its nameplate as printed.</p>
          <Link to="/machines/new">
            <Button type="primary">Add a machine</Button>
          </Link>
        </div>
        <div className="stack">
          <h3>Import a list</h3>
          <p>A CSV file, one row a machine. Every row is checked before anything is imported.</p>
          <Link to="/import-export">
            <Button>Import a file</Button>
          </Link>
        </div>
        <div className="stack">
          <h3>Look around first</h3>
          <p>Three made-up sites with 64 machines and four years of readings. It takes a few seconds.</p>
          <Popconfirm
            title="Load the demo?"
            description="Its sites, machines and readings stay in this database: readings cannot be deleted. Use it in one you will not keep."
            okText="Load demo"
            cancelText="Cancel"
            onConfirm={() =>
              void load({})
                .unwrap()
                .then(
                  () => navigate('/machines?tour=1'),
                  () => undefined,
                )
            }
          >
            <Button loading={attempt.isLoading}>{attempt.isLoading ? 'Loading the demo …' : 'Load the demo'}</Button>
          </Popconfirm>
        </div>
      </Tiles>
      <FailureNote failure={attempt.error as Failure | undefined} kept="The demo was not loaded." />
    </section>
  )
}

/** From an empty database to the first machine: site, users, machines, each of which can be skipped. */
export function FirstRun() {
  const [at, setAt] = useState(0)
  const mayLead = useMay('lead')
  const person = usePerson()
  const phone = useNarrow()
  if (person && !mayLead) return <p className="page">Only a lead can set up sites and users.</p>
  return (
    <div className="page stack first-run">
      <h1>Set up</h1>
      <Steps
        style={{ maxWidth: 640 }}
        current={at}
        onChange={setAt}
        {...(phone ? { orientation: 'vertical', size: 'small' } : {})}
        items={[{ title: 'Site' }, { title: 'Users' }, { title: 'Machines' }]}
      />
      {at === 0 ? <FirstSite done={() => setAt(1)} /> : null}
      {at === 1 ? (
        <>
          <People />
          <div className="row">
            <Button type="primary" size="large" onClick={() => setAt(2)}>
              Next
            </Button>
          </div>
        </>
      ) : null}
      {at === 2 ? <FirstMachines /> : null}
      <p className="quiet">
        <Link to="/machines?tour=1">Take the three-minute tour</Link> · <Link to="/machines">Go to Machines</Link>
      </p>
    </div>
  )
}
