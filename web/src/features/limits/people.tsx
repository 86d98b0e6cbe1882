import { accountEndpoints, roles, type Role } from '@motor-round/contract'
import { Button, Form, Input, Popconfirm, Select } from 'antd'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { accountApi } from '../../app/account-api.ts'
import type { Failure } from '../../app/failure.ts'
import { usePerson } from '../../app/shell/index.ts'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { useStillNeeded, ZodField, ZodForm } from '../../parts/zod-form/index.ts'

const roleWords: Record<Role, string> = {
  lead: 'lead: plans rounds, sets limits, imports files',
  mechanic: 'technician: takes readings, records work, enters nameplates',
  viewer: 'viewer: read only',
}

const roleNames: Record<Role, string> = { lead: 'lead', mechanic: 'technician', viewer: 'viewer' }

function AddPerson({ onLink }: { onLink: (l: { name: string; path: string }) => void }) {
  const [form] = Form.useForm()
  const missing = useStillNeeded(form, { name: 'name', login: 'sign-in name' })
  const [add, attempt] = accountApi.useAddPersonMutation()
  const failure = attempt.error as Failure | undefined
  return (
    <ZodForm
      className="stack"
      schema={accountEndpoints.addPerson.body}
      form={form}
      failure={failure}
      initial={{ role: 'mechanic' }}
      onSubmit={({ name, login, role }) =>
        void add({ body: { id: uuid(), name, login, role } })
          .unwrap()
          .then(
            (l) => {
              onLink({ name: l.person.name, path: l.path })
              form.resetFields(['name', 'login'])
            },
            () => undefined,
          )
      }
    >
      <div className="form-grid">
        <ZodField name="name" label="Name">
          <Input maxLength={60} />
        </ZodField>
        <ZodField name="login" label="Sign-in name">
          <Input maxLength={40} autoCapitalize="none" />
        </ZodField>
        <ZodField name="role" label="Role">
          <Select<Role>
            aria-label="Role"
            popupMatchSelectWidth={false}
            options={roles.map((r) => ({ value: r, label: roleWords[r] }))}
          />
        </ZodField>
      </div>
      {missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null}
      <div>
        <Button htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
          Add and create sign-in link
        </Button>
      </div>
    </ZodForm>
  )
}

/** Who may sign in, and as what. A new person gets a one-time link and chooses the password. */
export function People() {
  const people = accountApi.usePeopleQuery({}).data ?? []
  const me = usePerson()
  const [edit, editing] = accountApi.useEditPersonMutation()
  const [newLink] = accountApi.useNewLinkMutation()
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
