import { roles, type Role } from '@motor-round/contract'
import { Button, Input, Popconfirm, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { api } from '../../app/api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { usePerson } from '../../app/shell/index.ts'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { FailureNote, Field } from '../../parts/fields/index.ts'

const roleWords: Record<Role, string> = {
  lead: 'lead: plans rounds, sets limits, imports files',
  mechanic: 'technician: takes readings, records work, enters nameplates',
  viewer: 'viewer: read only',
}

const roleNames: Record<Role, string> = { lead: 'lead', mechanic: 'technician', viewer: 'viewer' }

function AddPerson({ onLink }: { onLink: (l: { name: string; path: string }) => void }) {
  const [name, setName] = useState('')
  const [login, setLogin] = useState('')
  const [role, setRole] = useState<Role>('mechanic')
  const [add, attempt] = api.useAddPersonMutation()
  const failure = attempt.error as Failure | undefined
  return (
    <form
      className="stack"
      onSubmit={(e) => {
        e.preventDefault()
        void add({ body: { id: uuid(), name, login, role } })
          .unwrap()
          .then(
            (l) => {
              onLink({ name: l.person.name, path: l.path })
              setName('')
              setLogin('')
            },
            () => undefined,
          )
      }}
    >
      <div className="form-grid">
        <Field label="Name" error={fieldMessage(failure, 'name')}>
          <Input value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Field label="Sign-in name" error={fieldMessage(failure, 'login')}>
          <Input value={login} maxLength={40} autoCapitalize="none" onChange={(e) => setLogin(e.target.value)} />
        </Field>
        <Field label="Role">
          <Select<Role>
            aria-label="Role"
            value={role}
            popupMatchSelectWidth={false}
            style={{ minWidth: 0, width: '100%' }}
            options={roles.map((r) => ({ value: r, label: roleWords[r] }))}
            onChange={setRole}
          />
        </Field>
      </div>
      <div>
        <Button htmlType="submit" loading={attempt.isLoading} disabled={name.trim() === '' || login.trim() === ''}>
          Add and create sign-in link
        </Button>
      </div>
    </form>
  )
}

/** Who may sign in, and as what. A new person gets a one-time link and chooses the password. */
export function People() {
  const people = api.usePeopleQuery({}).data ?? []
  const me = usePerson()
  const [edit, editing] = api.useEditPersonMutation()
  const [newLink] = api.useNewLinkMutation()
  const [link, setLink] = useState<{ name: string; path: string } | null>(null)
  return (
    <section className="sheet stack">
      <h2>Users</h2>
      <DataTable
        label="Users"
        rowKey="id"
        dataSource={[...people]}
        columns={[
          { title: 'Name', dataIndex: 'name', sorter: byText((p) => p.name) },
          { title: 'Sign-in name', dataIndex: 'login', sorter: byText((p) => p.login) },
          {
            title: 'Role',
            key: 'role',
            sorter: byText((p) => p.role),
            render: (_, p) => (
              <Select<Role>
                aria-label={`Role of ${p.name}`}
                value={p.role}
                disabled={p.id === me?.id}
                options={roles.map((r) => ({ value: r, label: roleNames[r] }))}
                onChange={(role) =>
                  void edit({ params: { id: p.id }, body: { role, disabled: p.disabledAt !== null } })
                }
              />
            ),
          },
          {
            title: 'Account',
            key: 'account',
            render: (_, p) => (
              <span className="row">
                {p.disabledAt === null ? (
                  <Popconfirm
                    title={`Deactivate ${p.name}?`}
                    description="They are signed out and cannot sign in. What they recorded stays."
                    okText="Deactivate"
                    cancelText="Cancel"
                    disabled={p.id === me?.id}
                    onConfirm={() => void edit({ params: { id: p.id }, body: { role: p.role, disabled: true } })}
                  >
                    <Button disabled={p.id === me?.id}>Deactivate</Button>
                  </Popconfirm>
                ) : (
                  <Button onClick={() => void edit({ params: { id: p.id }, body: { role: p.role, disabled: false } })}>
                    Reactivate
                  </Button>
                )}
                <Button
                  disabled={p.disabledAt !== null}
                  onClick={() =>
                    void newLink({ params: { id: p.id } })
                      .unwrap()
                      .then(
                        (l) => setLink({ name: p.name, path: l.path }),
                        () => undefined,
                      )
                  }
                >
                  New link
                </Button>
              </span>
            ),
          },
        ]}
      />
      <FailureNote failure={editing.error as Failure | undefined} kept="Nothing was saved." />
      {link ? (
        <p role="status">
          Give {link.name} this link. It works once, within three days: <b>{`${window.location.origin}${link.path}`}</b>
        </p>
      ) : null}
      <h3>Add user</h3>
      <AddPerson onLink={setLink} />
    </section>
  )
}
