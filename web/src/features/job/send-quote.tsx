import type { JobRecord } from '@motor-round/contract'
import { Button, Form, Input, InputNumber } from 'antd'
import { useState } from 'react'
import { sendWaiting } from '../../offline/core/enqueue.ts'
import { jobsApi } from '../../app/jobs-api.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

/** Send the quote: a link that answers it once, without an account. */
export function SendQuote({ job, offerId, done }: { job: JobRecord; offerId: string; done: () => void }) {
  const [make, attempt] = jobsApi.useLinkQuoteMutation()
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [days, setDays] = useState<number | null>(14)
  const [sending, setSending] = useState(false)
  const failure = attempt.error as Failure | undefined
  const link = attempt.data ? `${window.location.origin}${attempt.data.path}` : null
  if (link !== null)
    return (
      <div className="note tone-ok stack" role="status">
        <span>
          {attempt.data?.mailed ? `Written to ${email.trim()}. ` : ''}This link answers the quote once. Whoever has it
          can answer: give it to {name.trim()} alone. It is shown only now.
        </span>
        <Input readOnly aria-label="Link to the quote" value={link} onFocus={(e) => e.target.select()} />
        <div className="row">
          <Button
            size="large"
            onClick={() => {
              void navigator.clipboard.writeText(link)
            }}
          >
            Copy the link
          </Button>
          <Button size="large" onClick={done}>
            Done
          </Button>
        </div>
      </div>
    )
  const send = async (within: number) => {
    setSending(true)
    // The quote itself may still wait on this phone.
    await sendWaiting()
    await make({
      params: { id: job.id },
      body: { offerId, name: name.trim(), email: email.trim() === '' ? null : email.trim(), days: within },
    })
    setSending(false)
  }
  const missing = [...(name.trim() === '' ? ['the name'] : []), ...(days === null ? ['the days'] : [])]
  return (
    <Form
      className="stack"
      aria-label="Send the quote"
      onFinish={() => {
        if (days !== null) void send(days)
      }}
    >
      <FormField label="Who decides" error={fieldMessage(failure, 'name')}>
        <Input value={name} maxLength={60} onChange={(e) => setName(e.target.value)} />
      </FormField>
      <FormField label="E-mail, or leave it blank and send the link yourself" error={fieldMessage(failure, 'email')}>
        <Input value={email} type="email" maxLength={120} onChange={(e) => setEmail(e.target.value)} />
      </FormField>
      <FormField label="The link works for, days" error={fieldMessage(failure, 'days')}>
        <InputNumber controls={false} size="large" min={1} max={60} value={days} onChange={setDays} />
      </FormField>
      <FailureNote failure={failure} kept="What you entered is still here." />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" disabled={missing.length > 0} loading={sending}>
          {missing.length > 0 ? `Enter ${missing[0] ?? ''}` : email.trim() === '' ? 'Make the link' : 'Send the quote'}
        </Button>
        <Button size="large" onClick={done}>
          Cancel
        </Button>
      </div>
    </Form>
  )
}
