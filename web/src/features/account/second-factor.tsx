import { factorEntry } from '@motor-round/contract'
import { Button, Form, Input } from 'antd'
import { Suspense } from 'react'
import { accountApi } from '../../app/account-api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { useStillNeeded, ZodField, ZodForm } from '../../parts/zod-form/index.ts'
import { lazyPart } from '../../parts/late-part/index.ts'

const Code = lazyPart('The QR code', async () => (await import('../../parts/qr-code/index.ts')).QrCode)

/** A code of the app, and what it is entered for. */
function CodeForm({
  label,
  act,
  attempt,
  send,
}: {
  label: string
  act: string
  attempt: { readonly error?: unknown; readonly isLoading: boolean }
  send: (code: string) => void
}) {
  const [form] = Form.useForm()
  const missing = useStillNeeded(form, { code: 'the code' })
  const failure = attempt.error as Failure | undefined
  return (
    <ZodForm
      className="stack"
      aria-label={act}
      schema={factorEntry}
      form={form}
      failure={failure}
      onSubmit={({ code }) => send(code)}
    >
      <ZodField name="code" label={label}>
        <Input size="large" autoComplete="one-time-code" />
      </ZodField>
      {failure && !failure.problem.errors ? <p className="field-error">{messageOf(failure)}</p> : null}
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
          {missing.length > 0 ? 'Enter the code' : act}
        </Button>
      </div>
    </ZodForm>
  )
}

/** Recovery codes, shown this once. */
function Noted({ codes, done }: { codes: readonly string[]; done: () => void }) {
  return (
    <div className="note tone-watch stack" role="status">
      <p>
        <b>Write these recovery codes down now.</b> They are not shown again. Each one signs you in once when the phone
        with the app is not at hand. Keep them off the phone.
      </p>
      <ul className="codes">
        {codes.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <div className="row">
        <Button size="large" onClick={() => window.print()}>
          Print
        </Button>
        <Button size="large" type="primary" onClick={done}>
          I have them
        </Button>
      </div>
    </div>
  )
}

/** Sign-in with a code of an authenticator app besides the password. */
export function SecondFactor() {
  const factor = accountApi.useSecondFactorQuery({})
  const [begin, begun] = accountApi.useBeginSecondFactorMutation()
  const [turnOn, turningOn] = accountApi.useSetSecondFactorMutation()
  const [turnOff, turningOff] = accountApi.useDropSecondFactorMutation()
  const state = factor.data
  if (!state)
    return factor.error ? (
      <FailureNote failure={factor.error as Failure} kept="Two-step sign-in cannot be loaded." />
    ) : null
  const codes = turningOn.data?.codes
  return (
    <section className="sheet stack" aria-label="Two-step sign-in">
      <header>
        <h2>Two-step sign-in</h2>
      </header>
      {codes ? (
        <Noted
          codes={codes}
          done={() => {
            turningOn.reset()
            begun.reset()
          }}
        />
      ) : state.on ? (
        <>
          <p>
            On: sign-in asks for a code of your authenticator app.{' '}
            {state.left === 1 ? '1 recovery code is left.' : `${state.left} recovery codes are left.`}
          </p>
          <CodeForm
            label="Code from the app, or a recovery code"
            act="Turn it off"
            attempt={turningOff}
            send={(code) => void turnOff({ body: { code } })}
          />
        </>
      ) : begun.data ? (
        <>
          <p>Scan this with the authenticator app on your phone, then enter the code that it shows.</p>
          <Suspense fallback={null}>
            <div className="factor-code">
              <Code text={begun.data.address} />
            </div>
          </Suspense>
          <p>
            <a className="factor-link" href={begun.data.address}>
              The app is on this phone: open it
            </a>
          </p>
          <p>
            Without a camera, type this key into the app:{' '}
            <b className="key-text">{begun.data.secret.match(/.{1,4}/g)?.join(' ')}</b>
          </p>
          <CodeForm
            label="Code that the app shows"
            act="Turn it on"
            attempt={turningOn}
            send={(code) => void turnOn({ body: { code } })}
          />
        </>
      ) : (
        <>
          <p>
            Off. With it, a password that somebody else saw opens nothing: sign-in asks for a code of an authenticator
            app, too. Leads should turn it on.
          </p>
          {begun.error ? <p className="field-error">{messageOf(begun.error as Failure)}</p> : null}
          <div className="row">
            <Button size="large" loading={begun.isLoading} onClick={() => void begin({})}>
              Set up
            </Button>
          </div>
        </>
      )}
    </section>
  )
}
