import { passwordChange, passwordLength } from '@motor-round/contract'
import { Button, Form, Input } from 'antd'
import { accountApi } from '../../app/account-api.ts'
import { messageOf, type Failure } from '../../app/failure.ts'
import { useStillNeeded, ZodField, ZodForm } from '../../parts/zod-form/index.ts'

/** Change one’s own password: with the old one, and every other session ends. */
export function PasswordForm() {
  const [change, attempt] = accountApi.useChangePasswordMutation()
  const [form] = Form.useForm()
  const missing = useStillNeeded(form, { current: 'your password', password: 'a new password' })
  const failure = attempt.error as Failure | undefined
  return (
    <ZodForm
      className="sheet stack"
      aria-label="Change your password"
      schema={passwordChange}
      form={form}
      failure={failure}
      onSubmit={(body) =>
        void change({ body })
          .unwrap()
          .then(
            () => form.resetFields(),
            () => undefined,
          )
      }
    >
      <h2>Change your password</h2>
      <ZodField name="current" label="Your password now">
        <Input.Password size="large" autoComplete="current-password" />
      </ZodField>
      <ZodField name="password" label={`New password, at least ${passwordLength} characters`}>
        <Input.Password size="large" autoComplete="new-password" />
      </ZodField>
      {failure && !failure.problem.errors ? <p className="field-error">{messageOf(failure)}</p> : null}
      {attempt.isSuccess ? (
        <p className="note tone-ok" role="status">
          Password changed. Everywhere else you are signed out.
        </p>
      ) : null}
      <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
        {missing.length > 0 ? `Enter ${missing[0] ?? ''}` : 'Change the password'}
      </Button>
    </ZodForm>
  )
}
