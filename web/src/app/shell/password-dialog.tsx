import { passwordAgain } from '@motor-round/contract'
import { Button, Form, Input, Modal } from 'antd'
import { ZodField, ZodForm, useStillNeeded } from '../../parts/zod-form/index.ts'
import { api } from '../api.ts'
import { messageOf, type Failure } from '../failure.ts'

/** The password once more. */
export function PasswordDialog({ done }: { done: (entered: boolean) => void }) {
  const [confirm, attempt] = api.useConfirmPasswordMutation()
  const [form] = Form.useForm()
  const missing = useStillNeeded(form, { password: 'your password' })
  const failure = attempt.error as Failure | undefined
  return (
    <Modal open title="Enter your password" onCancel={() => done(false)} footer={null}>
      <ZodForm
        className="stack"
        aria-label="Enter your password"
        schema={passwordAgain}
        form={form}
        failure={failure}
        onSubmit={(body) =>
          void confirm({ body })
            .unwrap()
            .then(
              () => done(true),
              () => undefined,
            )
        }
      >
        <p>Users, limits and imports are changed only by someone who knows the password. It holds for an hour.</p>
        <ZodField name="password" label="Password">
          <Input.Password size="large" autoFocus autoComplete="current-password" />
        </ZodField>
        {failure && !failure.problem.errors ? <p className="field-error">{messageOf(failure)}</p> : null}
        <Button type="primary" size="large" htmlType="submit" loading={attempt.isLoading} disabled={missing.length > 0}>
          {missing.length > 0 ? 'Enter your password' : 'Continue'}
        </Button>
      </ZodForm>
    </Modal>
  )
}
