import { Button, Input } from 'antd'
import { useState } from 'react'
import { Navigate, useNavigate, useSearchParams } from 'react-router'
import { api } from '../../app/api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import '../../parts/fields/entry.css'

/** Only addresses of our own may be gone to after signing in. */
const inside = (to: string | null) => (to !== null && /^\/(?!\/)/.test(to) ? to : '/machines')

/** Sign-in. */
export function SignIn() {
  const [params] = useSearchParams()
  const to = inside(params.get('to'))
  const session = api.useSessionQuery({})
  const [signIn, attempt] = api.useSignInMutation()
  const [login, setLogin] = useState('')
  const [password, setPassword] = useState('')
  const navigate = useNavigate()
  if (session.data?.person) return <Navigate to={to} replace />
  return (
    <main className="entry">
      <h1>Motor Round</h1>
      <form
        className="sheet stack"
        onSubmit={(e) => {
          e.preventDefault()
          void signIn({ body: { login, password } })
            .unwrap()
            .then(
              () => navigate(to, { replace: true }),
              () => undefined,
            )
        }}
      >
        <label>
          Sign-in name
          <Input
            size="large"
            value={login}
            autoFocus
            autoComplete="username"
            autoCapitalize="none"
            onChange={(e) => setLogin(e.target.value)}
          />
        </label>
        <label>
          Password
          <Input.Password
            size="large"
            value={password}
            autoComplete="current-password"
            onChange={(e) => setPassword(e.target.value)}
          />
        </label>
        {attempt.error ? (
          <p role="alert" className="field-error">
            {messageOf(attempt.error as Failure)}
          </p>
        ) : null}
        <Button
          type="primary"
          size="large"
          htmlType="submit"
          loading={attempt.isLoading}
          disabled={login === '' || password === ''}
        >
          Sign in
        </Button>
      </form>
      <p className="quiet">
        This app records and calculates; it is never a permit to work. Work on energized equipment is for qualified
        people under local code and the site’s lockout procedure.
      </p>
    </main>
  )
}
