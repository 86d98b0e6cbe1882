import { Button, Input } from 'antd'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { fieldMessage, messageOf, type Failure } from '../../app/failure.ts'
import { Field } from '../../parts/fields/index.ts'
import '../../parts/fields/entry.css'

/** A one-time link: set the password; the very first one also chooses name and sign-in name. */
export function Welcome() {
  const token = useParams()['token'] ?? ''
  const invitation = api.useInvitationQuery({ params: { token } })
  const [accept, attempt] = api.useAcceptInvitationMutation()
  const [login, setLogin] = useState('')
  const [name, setName] = useState('')
  const [organization, setOrganization] = useState('')
  const [password, setPassword] = useState('')
  const navigate = useNavigate()
  if (invitation.isLoading) return <p className="page">Loading …</p>
  if (invitation.error)
    return (
      <main className="entry">
        <h1>This link does not work</h1>
        <p>{messageOf(invitation.error as Failure)}</p>
        <Link to="/sign-in">Sign in</Link>
      </main>
    )
  const known = invitation.data?.login ?? null
  const failure = attempt.error as Failure | undefined
  const asked = [
    ...(known === null
      ? ([
          ['organization name', organization.trim() === ''],
          ['your name', name.trim() === ''],
          ['sign-in name', login.trim() === ''],
        ] as const)
      : []),
    ['password of 10 characters', password.length < 10] as const,
  ]
  const missing = asked.filter(([, lacks]) => lacks).map(([words]) => words)
  return (
    <main className="entry">
      <h1>{known === null ? 'Create the first account' : `Welcome, ${invitation.data?.name ?? ''}`}</h1>
      <form
        className="sheet stack"
        onSubmit={(e) => {
          e.preventDefault()
          const own =
            known === null ? { login: login.trim(), name: name.trim(), organization: organization.trim() } : {}
          void accept({ params: { token }, body: { ...own, password } })
            .unwrap()
            .then(
              () => navigate(known === null ? '/start' : '/machines', { replace: true }),
              () => undefined,
            )
        }}
      >
        {known === null ? (
          <>
            <Field label="Organization name" error={fieldMessage(failure, 'organization')}>
              <Input size="large" value={organization} autoFocus onChange={(e) => setOrganization(e.target.value)} />
            </Field>
            <Field label="Your name" error={fieldMessage(failure, 'name')}>
              <Input size="large" value={name} onChange={(e) => setName(e.target.value)} />
            </Field>
            <Field label="Sign-in name" error={fieldMessage(failure, 'login')}>
              <Input
                size="large"
                value={login}
                autoCapitalize="none"
                autoComplete="username"
                onChange={(e) => setLogin(e.target.value)}
              />
            </Field>
          </>
        ) : (
          <p>
            Your sign-in name: <b>{known}</b>.
          </p>
        )}
        <Field label="Password, at least 10 characters" error={fieldMessage(failure, 'password')}>
          <Input.Password
            size="large"
            value={password}
            autoComplete="new-password"
            onChange={(e) => setPassword(e.target.value)}
          />
        </Field>
        {missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null}
        {failure && !failure.problem.errors ? <p className="field-error">{messageOf(failure)}</p> : null}
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
          Set password and sign in
        </Button>
      </form>
    </main>
  )
}
