import { acceptInvitation, passwordLength } from '@motor-round/contract'
import { Button, Form, Input, type FormInstance } from 'antd'
import { Link, useNavigate, useParams } from 'react-router'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useStillNeeded, ZodField, ZodForm } from '../../parts/zod-form/index.ts'
import { Loading } from '../../parts/loading/index.ts'
import '../../parts/fields/entry.css'

function useMissing(form: FormInstance, first: boolean): string[] {
  const blank = useStillNeeded(form, { organization: 'organization name', name: 'your name', login: 'sign-in name' })
  const password = (Form.useWatch('password', form) ?? '') as string
  return [
    ...(first ? blank : []),
    ...(password.length < passwordLength ? [`password of ${passwordLength} characters`] : []),
  ]
}

function Missing({ form, first }: { form: FormInstance; first: boolean }) {
  const missing = useMissing(form, first)
  return missing.length > 0 ? <p className="quiet">Still needed: {missing.join(', ')}.</p> : null
}

function Submit({ form, first, busy }: { form: FormInstance; first: boolean; busy: boolean }) {
  return (
    <Button type="primary" size="large" htmlType="submit" loading={busy} disabled={useMissing(form, first).length > 0}>
      Set password and sign in
    </Button>
  )
}

/** A one-time link: set the password; the very first one also chooses name and sign-in name. */
export function Welcome() {
  const token = useParams()['token'] ?? ''
  const invitation = api.useInvitationQuery({ params: { token } })
  const [accept, attempt] = api.useAcceptInvitationMutation()
  const [form] = Form.useForm()
  const navigate = useNavigate()
  if (invitation.isLoading) return <Loading page />
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
  return (
    <main className="entry">
      <h1>{known === null ? 'Create the first account' : `Welcome, ${invitation.data?.name ?? ''}`}</h1>
      <ZodForm
        className="sheet stack"
        schema={acceptInvitation}
        form={form}
        failure={failure}
        onSubmit={({ password, login, name, organization }) => {
          const own =
            known === null ? { login: login?.trim(), name: name?.trim(), organization: organization?.trim() } : {}
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
            <ZodField name="organization" label="Organization name">
              <Input size="large" autoFocus />
            </ZodField>
            <ZodField name="name" label="Your name">
              <Input size="large" />
            </ZodField>
            <ZodField name="login" label="Sign-in name">
              <Input size="large" autoCapitalize="none" autoComplete="username" />
            </ZodField>
          </>
        ) : (
          <p>
            Your sign-in name: <b>{known}</b>.
          </p>
        )}
        <ZodField name="password" label={`Password, at least ${passwordLength} characters`}>
          <Input.Password size="large" autoComplete="new-password" />
        </ZodField>
        <Missing form={form} first={known === null} />
        {failure && !failure.problem.errors ? <p className="field-error">{messageOf(failure)}</p> : null}
        <Submit form={form} first={known === null} busy={attempt.isLoading} />
      </ZodForm>
    </main>
  )
}
