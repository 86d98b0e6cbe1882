import { Button, Form, Select } from 'antd'
import { useState } from 'react'
import { reportsApi } from '../../app/reports-api.ts'
import { dayTime } from '../../app/dates.ts'
import { fieldMessage, type Failure } from '../../app/failure.ts'
import { byText, DataTable } from '../../parts/data-table/index.ts'
import { FailureNote } from '../../parts/fields/index.ts'
import { FormField } from '../../parts/form-field/index.ts'

const ways = {
  smtp: 'E-mails go out by the mail server.',
  file: 'No mail server is set up: each e-mail is kept as a file on the server.',
  no: 'No mail server and no folder are set up: e-mails wait.',
} as const

function DigestForm({
  emails,
  save,
  saving,
}: {
  emails: readonly string[]
  save: (emails: readonly string[]) => void
  saving: { readonly error?: unknown; readonly isLoading: boolean; readonly isSuccess: boolean }
}) {
  const [list, setList] = useState<readonly string[]>(emails)
  const failure = saving.error as Failure | undefined
  return (
    <Form className="stack" aria-label="Weekly digest" onFinish={() => save(list)}>
      <FormField label="Who gets it, every Monday at 6 AM" error={fieldMessage(failure, 'emails')}>
        <Select
          mode="tags"
          size="large"
          open={false}
          suffixIcon={null}
          tokenSeparators={[',', ' ', ';']}
          placeholder="E-mail addresses"
          value={[...list]}
          onChange={(v: string[]) => setList(v)}
        />
      </FormField>
      <FailureNote failure={failure} kept="What you entered is still here." />
      <div className="row">
        <Button type="primary" size="large" htmlType="submit" loading={saving.isLoading}>
          Save
        </Button>
        {saving.isSuccess ? <span role="status">Saved.</span> : null}
      </div>
    </Form>
  )
}

/** The weekly digest, who gets it, and what became of every e-mail. */
export function MailPanel() {
  const mails = reportsApi.useMailsQuery({}).data
  const digest = reportsApi.useDigestTextQuery({}).data
  // Here and not in the form, which begins anew with what was saved: that it was saved is still said then.
  const [set, saving] = reportsApi.useSetDigestMutation()
  if (!mails) return null
  return (
    <div className="reports-columns">
      <section className="sheet stack" aria-label="Weekly digest">
        <header>
          <h2>Weekly digest</h2>
        </header>
        <DigestForm
          key={mails.digest.join()}
          emails={mails.digest}
          save={(emails) => void set({ body: { emails: [...emails] } })}
          saving={saving}
        />
        {digest ? (
          <details>
            <summary>As it would go out now</summary>
            <p>
              <b>{digest.subject}</b>
            </p>
            <pre className="reports-digest">{digest.text}</pre>
          </details>
        ) : null}
      </section>
      <section className="sheet stack" aria-label="E-mails">
        <header>
          <h2>E-mails</h2>
        </header>
        <p className="quiet">{ways[mails.sends]}</p>
        <DataTable<(typeof mails.mails)[number]>
          label="E-mails"
          stacked
          rowKey="id"
          dataSource={mails.mails}
          locale={{ emptyText: 'None was written yet.' }}
          columns={[
            { title: 'Subject', dataIndex: 'subject', rowScope: 'row', sorter: byText((m) => m.subject) },
            { title: 'To', dataIndex: 'to', sorter: byText((m) => m.to) },
            {
              title: 'State',
              key: 'state',
              render: (_, m) =>
                m.sentAt !== null
                  ? `Sent ${dayTime(m.sentAt)}`
                  : m.tries === 0
                    ? 'Waits'
                    : `Failed ${m.tries === 1 ? 'once' : `${m.tries} times`}: ${m.problem}`,
            },
          ]}
        />
      </section>
    </div>
  )
}
