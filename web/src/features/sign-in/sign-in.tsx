import { signIn as signInSchema } from '@motor-round/contract'
import { Button, Form, Input } from 'antd'
import { useState } from 'react'
import { Navigate, useNavigate, useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useStillNeeded, ZodField, ZodForm } from '../../parts/zod-form/index.ts'
import '../../parts/fields/entry.css'

/** Only addresses of our own may be gone to after signing in. */
const inside = (to: string | null) => (to !== null && /^\/(?!\/)/.test(to) ? to : '/machines')

/** Sign-in. */
export function SignIn() {
  const [params] = useSearchParams()
  const to = inside(params.get('to'))
  const session = api.useSessionQuery({})
  const [signIn, attempt] = api.useSignInMutation()
  const [form] = Form.useForm()
  const missing = useStillNeeded(form, { login: 'sign-in name', password: 'password' })
  const failure = attempt.error as Failure | undefined
  // Once asked for, it stays while the password is corrected.
  const [asksCode, setAsksCode] = useState(false)
  const navigate = useNavigate()
  if (session.data?.person) return <Navigate to={to} replace />
  return (
    <main className="entry">
      <h1>Motor Round</h1>
      <ZodForm
        className="sheet stack"
        schema={signInSchema}
        form={form}
        failure={failure}
        onSubmit={(body) =>
          void signIn({ body })
            .unwrap()
            .then(
              () => navigate(to, { replace: true }),
              (e: unknown) => {
                if ((e as Failure).problem.needs === 'code') setAsksCode(true)
              },
            )
        }
      >
        <ZodField name="login" label="Sign-in name">
          <Input size="large" autoFocus autoComplete="username" autoCapitalize="none" />
        </ZodField>
        <ZodField name="password" label="Password">
          <Input.Password size="large" autoComplete="current-password" />
        </ZodField>
        {asksCode ? (
          <ZodField name="code" label="Code from your authenticator app, or a recovery code">
            <Input size="large" autoFocus autoComplete="one-time-code" />
          </ZodField>
        ) : null}
        {failure ? (
          <p role="alert" className="field-error">
            {messageOf(failure)}
          </p>
        ) : null}
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
          Sign in
        </Button>
      </ZodForm>
      <p className="quiet">
        This app records and calculates; it is never a permit to work. Work on energized equipment is for qualified
        people under local code and the site’s lockout procedure.
      </p>
    </main>
  )
}
